//! An owner lets one type and one product keep values of their own, changes the template under them, and looks at what
//! changes where.

use compagina_tests::desk::{choose, click, in_both, in_proof, open_desk, type_value};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::json;
use sqlx::MySqlPool;

/// Three thumbnails fill a line.
const THREE: &str = "Math.round(page.querySelector('.thumbs').getBoundingClientRect().width / page.querySelector('.thumbs li').getBoundingClientRect().width) === 3";

/// The marks of the order tell of the product on the desk, and change what is seen of it.
#[sqlx::test(migrations = false)]
async fn what_is_hidden_for_one_product_is_marked_so_and_shown_again_for_it(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let whom = json!({ "product": "dunlin" });
    let op = json!({ "op": "depart", "whom": whom, "target": { "piece": "p1" }, "setting": "shown", "device": "wide", "value": false });
    assert_eq!(
        owner.post("/api/templates/2/operations", &json!({ "revision": 1, "op": op })).await.status(),
        200
    );
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let mark = ".order button.phone[aria-label^='Breadcrumb on phones']";
        let says =
            |what: &str| format!("document.querySelector(\"{mark}\").ariaLabel.endsWith('{what} it there.')");
        let height = "page.querySelector('.k-breadcrumb')?.getBoundingClientRect().height";
        let gone = in_proof("Phone", &format!("!{height}"));
        open_desk(&client, &base, "/templates/2?product=dunlin").await;
        until(&client, &says("not shown. Show")).await;
        until(&client, &gone).await;
        find(&client, "[aria-label^='Product before']").await.click().await.unwrap();
        until(&client, &says("Hide")).await;
        find(&client, "[aria-label^='Next product']").await.click().await.unwrap();
        until(&client, &says("Show")).await;
        find(&client, mark).await.click().await.unwrap();
        until(&client, &says("Hide")).await;
        until(&client, &in_proof("Phone", &format!("{height} > 0"))).await;
    })
    .await;
    let layout = owner.draft().await["layout"].clone();
    let kept = layout["departures"]
        .as_array()
        .unwrap()
        .iter()
        .find(|one| one["whom"] == whom && one["target"]["piece"] == "p1");
    let shown = json!({ "wide": { "shown": false }, "phone": { "shown": true } });
    assert_eq!(kept.unwrap()["values"], shown, "the product's own word, and not the template's");
}

#[sqlx::test(migrations = false)]
async fn one_type_and_one_product_keep_their_own_in_two_actions_each(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let op = json!({ "op": "set", "target": { "piece": "p2" }, "setting": "thumbnails", "device": "wide", "value": "under" });
    owner.post("/api/templates/2/operations", &json!({ "revision": 1, "op": op })).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=dunlin").await;
        // Thumbnails in three columns for the type: for whom, and how many.
        choose(&client, "Gallery").await;
        click(&client, ".scope button", "Sport kites").await;
        type_value(&client, "thumb_count:wide", &format!("3{}", Key::Enter)).await;
        until(&client, "document.querySelector('.slip [data-value=\"thumb_count:wide\"] .set.departs')")
            .await;
        until(&client, &in_proof("Wide", THREE)).await;

        // Other words for one product: for whom, and which.
        choose(&client, "Buy button").await;
        click(&client, ".scope button", "Dunlin").await;
        type_value(&client, "words:wide", "Take the Dunlin").await;
        in_both(&client, "page.querySelector('.k-buy-button .buy').innerText === 'Take the Dunlin'").await;
        until(&client, "document.querySelector('.order [data-piece=p9] .dot')").await;

        // What was folded out stays so.
        choose(&client, "Gallery").await;
        find(&client, ".slip [data-value='thumb_count:wide']").await;
        choose(&client, "Buy button").await;

        // The product before is not meant: the scope falls back to all.
        find(&client, "[aria-label^='Product before']").await.click().await.unwrap();
        in_both(&client, "page.querySelector('.k-buy-button .buy').innerText === 'Add to cart'").await;
        until(&client, "document.querySelector('.scope [aria-pressed=true]').textContent.trim() === 'all'")
            .await;

        // A change of the template reaches both but for those values.
        until(&client, &in_proof("Wide", THREE)).await;
        type_value(&client, "words:wide", "Buy").await;
        in_both(&client, "page.querySelector('.k-buy-button .buy').innerText === 'Buy'").await;
        find(&client, "[aria-label^='Next product']").await.click().await.unwrap();
        in_both(&client, "page.querySelector('.k-buy-button .buy').innerText === 'Take the Dunlin'").await;
        until(&client, "document.querySelector('.slip .keepers')?.title.includes('Dunlin keeps its own')")
            .await;

        // The list of them: one rejoins.
        click(&client, ".head .chip", "departures").await;
        until(&client, "document.querySelector('[aria-label=Departures] section[aria-label=Dunlin] li')")
            .await;
        click(&client, "[aria-label=Departures] section[aria-label=Dunlin] button", "Rejoin").await;
        until(&client, "!document.querySelector('[aria-label=Departures] section[aria-label=Dunlin]')").await;
        click(&client, "[aria-label=Departures] button", "Close").await;
        until(&client, &in_proof("Wide", "page.querySelector('.k-buy-button .buy').innerText === 'Buy'"))
            .await;
    })
    .await;
}

/// Writes something else on the template's buy button and looks at what that changes where.
async fn to_what_changes(client: &Client, base: &str) {
    open_desk(client, base, "/templates/2?product=whimbrel").await;
    choose(client, "Buy button").await;
    type_value(client, "words:wide", "Buy").await;
    in_both(client, "page.querySelector('.k-buy-button .buy').innerText === 'Buy'").await;
    client.goto(&format!("{base}/templates/2/changes")).await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn what_changes_where_is_seen_page_by_page_and_published(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        to_what_changes(&client, &base).await;
        // Not the Curlew's: it keeps its own words.
        until(&client, "document.querySelector('[data-test=count]')?.textContent.trim() === '11 pages change of 12'").await;
        let in_page = |title: &str, words: &str| {
            format!("document.querySelector(`iframe[title='{title}']`)?.contentDocument?.querySelector('.k-buy-button .buy')?.innerText === '{words}'")
        };
        until(&client, &in_page("As shoppers see it now", "Add to cart")).await;
        until(&client, &in_page("As they will see it", "Buy")).await;
        assert!(ask(&client, "document.body.innerText").await.to_string().contains("Buy button: Words changed"));
        find(&client, "[data-test=publish]").await.click().await.unwrap();
        until(&client, "location.pathname === '/templates/2'").await;
        let shop = reqwest::get(format!("{base}/shop/products/whimbrel")).await.unwrap().text().await.unwrap();
        assert!(shop.contains(">Buy<"), "{}", ask(&client, "location.href").await);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_draft_goes_live_at_a_time(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        to_what_changes(&client, &base).await;
        find(&client, "[data-test=plan]").await.click().await.unwrap();
        let publish = "document.querySelector('[data-test=publish]')";
        until(&client, &format!("document.activeElement.ariaLabel === 'When' && {publish}.disabled")).await;
        let when = client.active_element().await.unwrap();
        when.send_keys(&format!("1 January 2099, 9:00{}", Key::Tab)).await.unwrap();
        until(&client, &format!("!{publish}.disabled && {publish}.innerText === 'Publish then'")).await;
        find(&client, "[data-test=publish]").await.click().await.unwrap();
        until(&client, "document.querySelector('[data-test=planned]')?.innerText.includes('Goes live')")
            .await;
        let shop =
            reqwest::get(format!("{base}/shop/products/whimbrel")).await.unwrap().text().await.unwrap();
        assert!(shop.contains(">Add to cart<") && !shop.contains(">Buy<"));
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_type_is_moved_to_another_template_with_what_that_changes(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/templates")).await.unwrap();
        click(&client, "[aria-label='Product types'] tbody th button", "Spares").await;
        until(&client, "document.querySelector(`[aria-label='Products of Spares'] li`)").await;
        ask(
            &client,
            "(s => { s.value = 3; s.dispatchEvent(new Event('change')) })(document.querySelector(`[aria-label='Move the whole type to']`))",
        )
        .await;
        until(&client, "document.querySelector('.shift')?.innerText.includes('4 products change their template')").await;
        click(&client, "[aria-label='What moves'] button", "Move").await;
        until(&client, "document.querySelector(`[aria-label='Products of Spares'] li`)?.innerText.includes('its type is Spares')").await;
        let shop = reqwest::get(format!("{base}/shop/products/carbon-spar")).await.unwrap().text().await.unwrap();
        assert!(shop.contains("Cut to length on the day"));
    })
    .await;
}

//! A large shop: a product is found by its name and by how it stands, leafed to on the desk, and seen beside all others.

use compagina_tests::desk::{click, open_desk};
use compagina_tests::{Browser, Screen, Site, ask, find, json_of, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::json;
use sqlx::MySqlPool;

/// The names of the cards on the shelf.
async fn cards(client: &Client) -> serde_json::Value {
    ask(client, "[...document.querySelectorAll('.shelf .card .name')].map(e => e.innerText)").await
}

async fn pick(client: &Client, list: &str, value: &str) {
    let found = format!("document.querySelector('.looked select[aria-label=\"{list}\"]')");
    until(client, &format!("{found}.querySelector('[value=\"{value}\"]')")).await;
    let change = format!("(e => {{ e.value = '{value}'; e.dispatchEvent(new Event('change')); }})({found})");
    ask(client, &change).await;
}

#[sqlx::test(migrations = false)]
async fn the_shelf_is_searched_and_what_was_found_is_come_back_to(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let mini = json_of(owner.get("/api/variants?product=whimbrel-mini").await).await;
    let ids: Vec<_> = mini["variants"].as_array().unwrap().iter().map(|v| v["id"].clone()).collect();
    let gone = json!({ "ids": ids, "stock": "0" });
    json_of(owner.patch("/api/variants?product=whimbrel-mini", &gone).await).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &base).await;
        until(client, "document.querySelectorAll('.shelf li').length === 28").await;
        find(client, "[aria-label='Find a product']").await.send_keys("whim").await.unwrap();
        until(client, "document.querySelector('[data-test=count]').innerText === '2 products'").await;
        assert_eq!(cards(client).await, json!(["Whimbrel", "Whimbrel Mini"]));
        let told =
            "document.querySelector('.found .told').innerText === 'Sport kites, served by Sport kites'";
        until(client, told).await;
        // Small pages are drawn as soon as they are in sight.
        until(client, "document.querySelectorAll('.found iframe').length === 2").await;
        pick(client, "How it stands", "sold_out").await;
        until(client, "document.querySelector('[data-test=count]').innerText === '1 product'").await;
        until(client, "document.querySelector('.found .rooms .signal')?.innerText === 'Sold out'").await;
        find(client, ".found .card").await.click().await.unwrap();
        until(client, "document.querySelector('.leaf .product')?.innerText.includes('Whimbrel Mini')").await;
        client.back().await.unwrap();
        until(client, "document.querySelector('[aria-label=\"Find a product\"]')?.value === 'whim'").await;
        until(client, "document.querySelectorAll('.found .card').length === 1").await;
        // The search is reached by a key, and by skipping the bar.
        find(client, "a.skip").await.send_keys(&Key::Enter.to_string()).await.unwrap();
        until(client, "document.activeElement.matches('main')").await;
        find(client, "body").await.send_keys("/").await.unwrap();
        until(client, "document.activeElement.getAttribute('aria-label') === 'Find a product'").await;
        click(client, ".looked button", "Show the whole shelf").await;
        until(client, "document.querySelectorAll('.shelf li').length === 28").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn the_desk_leafs_by_keys_and_by_name(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open_desk(client, &base, "/templates/2?product=whimbrel").await;
        let product = |name: &str, place: &str| {
            let says = "document.querySelector('.leaf .product')?.innerText.replace(/\\s+/g, ' ')";
            format!("{says} === '{name} {place}'")
        };
        until(client, &product("Whimbrel", "1 of 12")).await;
        // Around the end to the last one, and back.
        find(client, "body").await.send_keys("[").await.unwrap();
        until(client, "document.querySelector('.leaf .product').innerText.includes('12 of 12')").await;
        find(client, "body").await.send_keys("]").await.unwrap();
        until(client, &product("Whimbrel", "1 of 12")).await;
        find(client, ".leaf .product").await.click().await.unwrap();
        let list = find(client, ".products [role=combobox]").await;
        list.send_keys("dun").await.unwrap();
        until(client, "document.querySelectorAll('.products [role=option]').length === 1").await;
        list.send_keys(&Key::Enter.to_string()).await.unwrap();
        until(client, &product("Dunlin", "3 of 12")).await;
        until(client, "location.search === '?product=dunlin'").await;
        until(client, "!document.querySelector('.products')").await;
        // From the product on the desk to all that is its own, and back to its desk.
        find(client, ".leaf .product").await.click().await.unwrap();
        click(client, ".products .of a", "Variants").await;
        until(client, "document.title === 'Dunlin: variants · Compagina'").await;
        click(client, "a[href='/products/dunlin/desk']", "On the desk").await;
        until(client, &product("Dunlin", "3 of 12")).await;
    })
    .await;
}

/// In one action: which of all products show their buy button late on phones.
#[sqlx::test(migrations = false)]
async fn all_products_tell_where_their_buy_buttons_end(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open_desk(client, &base, "/templates/2?product=whimbrel").await;
        click(client, ".right button", "All products").await;
        click(client, ".all .one-of button", "Phone").await;
        let said = "document.querySelector('[data-test=first-screens]')?.innerText";
        until(client, &format!("{said}?.includes('they stand first')")).await;
        let told = ask(client, "[...document.querySelectorAll('.all .told')].map(e => e.innerText)").await;
        let told: Vec<&str> = told.as_array().unwrap().iter().map(|t| t.as_str().unwrap()).collect();
        assert_eq!(told.len(), 12);
        let late = |text: &str| text.strip_prefix("button ")?.strip_suffix(" px below")?.parse::<u32>().ok();
        let ends: Vec<u32> = told.iter().map(|text| late(text).unwrap_or(0)).collect();
        assert!(ends[0] > 0 && ends.is_sorted_by(|a, b| a >= b), "the latest first: {told:?}");
        let name = ask(client, "document.querySelector('.all .name').lastChild.textContent").await;
        ask(client, "document.querySelector('.all li button').click()").await;
        let here = format!("document.querySelector('.leaf .product')?.innerText.includes({name})");
        until(client, &here).await;
        // The foot measures the same in the proof itself.
        until(
            client,
            &format!("document.querySelector('.foot')?.innerText.includes('ends {} px below')", ends[0]),
        )
        .await;
    })
    .await;
}

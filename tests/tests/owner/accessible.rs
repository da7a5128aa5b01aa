//! The views under axe-core: Desk, Departures, What changes where, Templates, House style, Pictures, Swatch book, Variants, Prices, Wording, Messages; a shop page with every
//! piece, cart, wish list and checkout; and the sticky bar, which covers nothing.

use compagina_core::page::{Kind, Purpose};
use compagina_tests::desk::{choose, click, open_desk, open_value, press, proofs_are_drawn};
use compagina_tests::{Browser, Owner, Screen, Site, ask, find, until};
use fantoccini::Client;
use serde_json::{Value, json};
use sqlx::MySqlPool;

const AXE: &str = concat!(env!("CARGO_MANIFEST_DIR"), "/../node_modules/axe-core/axe.min.js");

/// What axe finds wrong on the page as it is, in a line each.
async fn violations(client: &Client) -> Vec<String> {
    let axe = std::fs::read_to_string(AXE).unwrap();
    client.execute(&axe, vec![]).await.unwrap();
    // Proofs are pages of their own; the shop's page is looked at by itself.
    let run = "const done = arguments[arguments.length - 1];
        axe.run(document, { iframes: false }).then(r => done(r.violations.flatMap(v => v.nodes.map(n => `${v.id}: ${n.target.join(' ')} | ${n.failureSummary?.slice(0, 160)}`))));";
    let found = client.execute_async(run, vec![]).await.unwrap();
    found.as_array().unwrap().iter().map(|v| v.as_str().unwrap().to_owned()).collect()
}

async fn nothing_is_wrong(client: &Client, view: &str) {
    let found = violations(client).await;
    assert!(found.is_empty(), "{view}:\n{}", found.join("\n"));
}

/// An owner's view as it is, on a narrower screen, and on one that is drawn twice as large; nothing lies beyond its edge.
async fn nothing_is_wrong_at_any_size(client: &Client, view: &str) {
    let browser = Browser { client: client.clone() };
    for (width, height, scale) in [(1024, 700, 1), (640, 400, 2), (1280, 800, 1)] {
        let size = json!({ "width": width, "height": height, "deviceScaleFactor": scale, "mobile": false });
        browser.devtools("Emulation.setDeviceMetricsOverride", size).await;
        until(client, &format!("innerWidth === {width}")).await;
        let beyond = "document.documentElement.scrollWidth <= innerWidth ? [] : ['too wide', ...[...document.querySelectorAll('body *')]
            .filter(e => e.getBoundingClientRect().right > innerWidth).map(e => e.outerHTML.slice(0, 120)).slice(0, 5)]";
        assert_eq!(ask(client, beyond).await, json!([]), "{view} at {width}");
        nothing_is_wrong(client, &format!("{view} at {width}")).await;
    }
}

/// What is kept different, what changes where, all templates with their reach.
async fn templates(client: &Client, base: &str) {
    click(client, ".head .chip", "departures").await;
    until(client, "document.querySelectorAll('[aria-label=Departures] li').length === 4").await;
    nothing_is_wrong_at_any_size(client, "Departures").await;
    client.goto(&format!("{base}/templates/4/changes")).await.unwrap();
    until(client, "document.querySelectorAll('.way .line').length > 1").await;
    nothing_is_wrong_at_any_size(client, "What changes where").await;
    click(client, "[data-test=plan]", "At a time").await;
    until(client, "document.querySelector('[aria-label=When]')").await;
    nothing_is_wrong_at_any_size(client, "What changes where, at a time").await;
    client.goto(&format!("{base}/templates")).await.unwrap();
    until(client, "document.querySelectorAll('tbody tr').length === 12").await;
    nothing_is_wrong_at_any_size(client, "Templates").await;
    click(client, "[aria-label=Templates] tbody tr:nth-child(2) .acts button", "reach").await;
    until(client, "document.querySelector('.shift')").await;
    nothing_is_wrong_at_any_size(client, "Reach").await;
    client.goto(&format!("{base}/swatch-book/colour/values/1/changes")).await.unwrap();
    until(client, "document.querySelectorAll('.pair iframe').length === 2").await;
    nothing_is_wrong_at_any_size(client, "What changes where, of a swatch").await;
    client.goto(base).await.unwrap();
    click(client, ".shelf header button", "New product type").await;
    until(client, "document.querySelectorAll('.fields .pill').length > 4").await;
    nothing_is_wrong_at_any_size(client, "New product type").await;
}

#[sqlx::test(migrations = false)]
async fn the_owners_views_can_be_used_by_everybody(pool: MySqlPool) {
    every_view_in(pool, "paper").await;
}

#[sqlx::test(migrations = false)]
async fn the_owners_views_can_be_used_in_dark_colours_too(pool: MySqlPool) {
    every_view_in(pool, "dark").await;
}

async fn every_view_in(pool: MySqlPool, colours: &str) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    let colours = colours.to_owned();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        ask(&client, &format!("localStorage.setItem('colours', '{colours}')")).await;
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        proofs_are_drawn(&client).await;
        until(&client, &format!("document.documentElement.dataset.set === '{colours}'")).await;
        nothing_is_wrong_at_any_size(&client, "Desk").await;
        open_value(&client, "saving:phone").await;
        until(&client, "document.querySelector('.pick-list')").await;
        nothing_is_wrong_at_any_size(&client, "Slip with a list").await;
        click(&client, ".slip .appears", "appears").await;
        press(&client, "f").await;
        nothing_is_wrong_at_any_size(&client, "Slip with conditions").await;
        choose(&client, "Promises").await;
        open_value(&client, "lines:wide").await;
        nothing_is_wrong_at_any_size(&client, "Slip with lines").await;
        for (key, view) in [("5", "All products"), ("6", "All states")] {
            press(&client, key).await;
            until(&client, "document.querySelectorAll('.all li').length > 4").await;
            nothing_is_wrong_at_any_size(&client, view).await;
        }
        templates(&client, &base).await;
        client.goto(&format!("{base}/house-style")).await.unwrap();
        until(&client, "document.querySelector('iframe')?.contentDocument?.querySelector('.sample-box')")
            .await;
        for group in 0..8 {
            client
                .execute(&format!("document.querySelectorAll('.house nav button')[{group}].click()"), vec![])
                .await
                .unwrap();
            until(&client, "document.querySelector('.token, .list .text') && (document.querySelector('.token') || document.querySelector('.sheet-side [data-cell]'))").await;
            nothing_is_wrong_at_any_size(&client, &format!("House style, part {group}")).await;
        }
        client.goto(&format!("{base}/products/whimbrel-mini/pictures")).await.unwrap();
        until(&client, "document.querySelectorAll('.grid .card').length > 5").await;
        client.execute("document.querySelector('.grid .card button').click()", vec![]).await.unwrap();
        until(&client, "document.querySelector('.panel textarea')").await;
        nothing_is_wrong_at_any_size(&client, "Pictures").await;
        client.goto(&format!("{base}/pictures")).await.unwrap();
        until(&client, "document.querySelectorAll('.grid .card').length > 5").await;
        nothing_is_wrong_at_any_size(&client, "The shop's own pictures").await;
        client.goto(&format!("{base}/swatch-book")).await.unwrap();
        until(&client, "document.querySelectorAll('.fan > li').length === 11").await;
        client.execute("document.querySelector('.fan button').click()", vec![]).await.unwrap();
        until(&client, "document.querySelector('.panel input')").await;
        nothing_is_wrong_at_any_size(&client, "Swatch book").await;
        client.goto(&format!("{base}/products/whimbrel/texts")).await.unwrap();
        until(&client, "document.querySelector('.texts iframe')").await;
        nothing_is_wrong_at_any_size(&client, "Texts and facts").await;
        client.goto(&format!("{base}/products/carbon-spar/variants")).await.unwrap();
        until(&client, "document.querySelectorAll('.lines .row').length > 5").await;
        client.execute("document.querySelector('.lines input').click()", vec![]).await.unwrap();
        nothing_is_wrong_at_any_size(&client, "Variants").await;
        click(&client, "button", "History").await;
        until(&client, "document.querySelector('.dialog-sheet ol li')").await;
        nothing_is_wrong_at_any_size(&client, "History of a product").await;
        client.goto(&format!("{base}/prices")).await.unwrap();
        until(&client, "document.querySelector('.bench .price')").await;
        nothing_is_wrong_at_any_size(&client, "Prices").await;
        client.execute("document.querySelector('.rule').click()", vec![]).await.unwrap();
        until(&client, "document.querySelector('.right form')").await;
        nothing_is_wrong_at_any_size(&client, "A price rule").await;
        client.execute("document.querySelector('.plan').click()", vec![]).await.unwrap();
        until(&client, "document.querySelector('[aria-label=\"The chosen plan\"]')").await;
        nothing_is_wrong_at_any_size(&client, "A plan").await;
        client.goto(&format!("{base}/products/name-banner/variants?selling=1")).await.unwrap();
        until(&client, "document.querySelector('.dialog-sheet select')").await;
        // The dialog has come to rest.
        tokio::time::sleep(std::time::Duration::from_millis(600)).await;
        nothing_is_wrong_at_any_size(&client, "How it is sold").await;
        client.goto(&format!("{base}/messages")).await.unwrap();
        until(&client, "document.body.innerText.includes('No message was written yet.')").await;
        nothing_is_wrong_at_any_size(&client, "Messages").await;
        client.goto(&format!("{base}/listings?of=tag:beginners")).await.unwrap();
        until(&client, "document.querySelectorAll('.samples iframe').length === 2").await;
        nothing_is_wrong_at_any_size(&client, "Listings").await;
        client.goto(&format!("{base}/wording")).await.unwrap();
        find(&client, "[aria-label='More about publishing']").await.click().await.unwrap();
        click(&client, ".v-list-item", "What was published").await;
        until(&client, "document.querySelector('.dialog-sheet')").await;
        nothing_is_wrong_at_any_size(&client, "What was published").await;
        client.goto(&format!("{base}/wording")).await.unwrap();
        until(&client, "document.querySelectorAll('tbody tr').length > 50").await;
        nothing_is_wrong_at_any_size(&client, "Wording").await;
    })
    .await;
}

/// A piece of a kind, with something to show.
fn piece(kind: Kind, number: usize) -> Value {
    let wide = match kind {
        Kind::Gallery => {
            json!({ "thumbnails": "dots", "advance": 9, "full_screen": "button", "mark_at": "top_left" })
        }
        Kind::Text => json!({ "body": "<h2>How we sew</h2><p>Twice.</p>" }),
        Kind::Promises => json!({ "lines": ["Sent in two days"] }),
        Kind::Picture => json!({ "picture": ["long-table"] }),
        Kind::Film => json!({ "film": "turning-kite" }),
        Kind::PictureRow => json!({ "pictures": ["seam-close", "packed"], "as": "strip" }),
        Kind::Quotes => json!({ "quotes": [["It flies itself.", "Jo"]] }),
        Kind::Questions => json!({ "questions": [["Does it float?", "Yes."]] }),
        Kind::Comparison => {
            json!({ "table": [["", "This", "That"], ["Frame", "Carbon", "Glass"]], "lift": 2 })
        }
        Kind::ValuePoints => {
            json!({ "points": [["Sewn here", "By two"], ["Mended", "For ten years"], ["Sent", "In two days"]] })
        }
        Kind::SizeChart => json!({ "table": [["Sail", "Span"], ["1.6", "160 cm"]], "as": "open" }),
        _ => json!({}),
    };
    json!({ "id": format!("e{number}"), "kind": kind, "values": { "wide": wide } })
}

async fn a_page_of_everything(owner: &Owner) {
    let pieces: Vec<Value> = Kind::of(Purpose::Page).zip(1..).map(|(kind, n)| piece(kind, n)).collect();
    let column = json!({ "id": "c", "width": 12, "pieces": pieces });
    let dark =
        json!({ "id": "d", "width": 12, "pieces": [piece(Kind::ValuePoints, 90), piece(Kind::Reviews, 91)] });
    let tinted =
        json!({ "id": "t", "width": 12, "pieces": [piece(Kind::Details, 92), piece(Kind::Facts, 93)] });
    let bands = json!([
        { "id": "all", "columns": [column] },
        { "id": "dark", "values": { "wide": { "ground": "ink" } }, "columns": [dark] },
        { "id": "tinted", "values": { "wide": { "ground": "tinted" } }, "columns": [tinted] },
    ]);
    let op = json!({ "op": "lay", "layout": { "format": 1, "bands": bands } });
    let draft = owner.draft().await;
    let answer =
        owner.post("/api/templates/2/operations", &json!({ "revision": draft["revision"], "op": op })).await;
    let laid: Value = answer.json().await.unwrap();
    assert!(laid["revision"].is_u64(), "{laid}");
    let answer = owner.post("/api/drafts/template-2/publish", &json!({ "revision": laid["revision"] })).await;
    assert_eq!(answer.status(), 200);
}

#[sqlx::test(migrations = false)]
async fn a_page_with_every_piece_can_be_used_by_everybody_on_wide_screens_and_phones(pool: MySqlPool) {
    let site = Site::start(pool).await;
    a_page_of_everything(&site.owner().await).await;
    for screen in [Screen::Wide, Screen::Phone] {
        let base = site.base.clone();
        Browser::run(screen, |client| async move {
            client.goto(&format!("{base}/shop/products/whimbrel-mini")).await.unwrap();
            until(&client, "document.querySelectorAll('.piece').length >= 30").await;
            nothing_is_wrong(&client, &format!("{screen:?}")).await;
            let wide = "document.documentElement.scrollWidth <= innerWidth";
            until(&client, wide).await;
        })
        .await;
    }
}

#[sqlx::test(migrations = false)]
async fn cards_can_be_used_by_everybody_in_listings_and_while_they_are_composed(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let id = owner.live_card("buying").await;
    for screen in [Screen::Wide, Screen::Phone] {
        let base = site.base.clone();
        Browser::run(screen, |client| async move {
            for path in [
                "",
                "/types/sport-kites?asked=whimbrel&chose=colour.dusk",
                "/types/spares",
                "/types/windsocks-and-banners",
                "/types/sport-kites?value=colour.ember&sale=1&order=rating",
                "/search?q=kite&type=sport-kites",
                "/search?q=zeppelin",
                "/types/sport-kites?from=100&to=1&value=colour.ember",
                "/tags/two-line",
            ] {
                client.goto(&format!("{base}/shop{path}")).await.unwrap();
                until(&client, "document.querySelector('.on-card, .loosen li, .search + p')").await;
                nothing_is_wrong(&client, &format!("{screen:?} {path}")).await;
                until(&client, "document.documentElement.scrollWidth <= innerWidth").await;
            }
        })
        .await;
    }
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, &format!("/templates/{id}?product=whimbrel")).await;
        nothing_is_wrong_at_any_size(&client, "A card on the desk").await;
        client.goto(&format!("{base}/templates/{id}/changes")).await.unwrap();
        until(&client, "document.querySelector('[data-test=count]')?.innerText.includes('of 28')").await;
        nothing_is_wrong_at_any_size(&client, "What changes where, of a card").await;
        client.goto(&format!("{base}/cards")).await.unwrap();
        until(&client, "document.querySelector('tbody tr')").await;
        nothing_is_wrong_at_any_size(&client, "Cards").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn cart_wish_list_and_checkout_can_be_used_by_everybody(pool: MySqlPool) {
    let site = Site::start(pool).await;
    for screen in [Screen::Wide, Screen::Phone] {
        let base = site.base.clone();
        Browser::run(screen, |client| async move {
            for path in [
                "whimbrel?colour=ember&sail=1-6-m",
                "name-banner",
                "repair-kit-club",
                "braided-line?quantity=4",
            ] {
                client.goto(&format!("{base}/shop/products/{path}")).await.unwrap();
                until(&client, "document.querySelector('[data-ready]')").await;
                if path == "name-banner" {
                    find(&client, "[name=text]").await.send_keys("Ada").await.unwrap();
                }
                nothing_is_wrong(&client, &format!("{screen:?} {path}")).await;
                if path.starts_with("braided") {
                    find(&client, "[data-wish]").await.click().await.unwrap();
                    until(&client, "document.querySelector('[data-wish]').ariaPressed === 'true'").await;
                }
                ask(&client, "document.querySelector('.k-buy-button .buy').click()").await;
                until(&client, "location.pathname === '/shop/cart'").await;
            }
            until(
                &client,
                "document.querySelector('.goes') && document.querySelectorAll('.effect').length > 2",
            )
            .await;
            nothing_is_wrong(&client, &format!("{screen:?} cart")).await;
            for path in ["wishes", "checkout"] {
                client.goto(&format!("{base}/shop/{path}")).await.unwrap();
                nothing_is_wrong(&client, &format!("{screen:?} {path}")).await;
                until(&client, "document.documentElement.scrollWidth <= innerWidth").await;
            }
        })
        .await;
    }
}

#[sqlx::test(migrations = false)]
async fn the_sticky_bar_covers_nothing_and_makes_room_for_the_keyboard(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let draft = owner.draft().await;
    let bands = draft["layout"]["bands"].as_array().unwrap();
    let pieces = bands
        .iter()
        .flat_map(|b| b["columns"].as_array().unwrap())
        .flat_map(|c| c["pieces"].as_array().unwrap());
    let bar =
        pieces.filter(|piece| piece["kind"] == "sticky_bar").map(|piece| piece["id"].clone()).next().unwrap();
    let mut revision = draft["revision"].clone();
    for setting in ["picture", "name", "values", "chooser", "price"] {
        let op = json!({ "op": "set", "target": { "piece": bar }, "setting": setting, "device": "phone", "value": true });
        let answer =
            owner.post("/api/templates/2/operations", &json!({ "revision": revision, "op": op })).await;
        revision = answer.json::<Value>().await.unwrap()["revision"].clone();
    }
    assert_eq!(
        owner.post("/api/drafts/template-2/publish", &json!({ "revision": revision })).await.status(),
        200
    );
    let base = site.base.clone();
    Browser::run(Screen::Phone, |client| async move {
        let bar = "document.querySelector('[data-sticky]')";
        let top = "document.querySelector('[data-sticky]').getBoundingClientRect().top";
        for product in ["whimbrel", "avocet-long-tailed-diamond-for-light-evening-winds-and-unhurried-people"] {
            client.goto(&format!("{base}/shop/products/{product}")).await.unwrap();
            until(&client, "document.querySelector('[data-ready]')").await;
            // Where all of it fits on the first screen the button is in sight until the page is read.
            ask(&client, "scrollTo(0, document.body.scrollHeight)").await;
            until(&client, &format!("!{bar}.hidden")).await;
            nothing_is_wrong(&client, product).await;
            until(&client, "document.documentElement.scrollWidth <= innerWidth").await;
            until(&client, &format!("{bar}.getBoundingClientRect().bottom <= innerHeight + 0.5")).await;
            until(&client, &format!("{bar}.offsetHeight < innerHeight / 4")).await;
            // The last lines of the page stand above it.
            until(&client, &format!("(scrollTo(0, 1e6), document.querySelector('.foot').getBoundingClientRect().bottom <= {top} + 1)")).await;
            // Whatever has the focus isn't under it.
            let covered = format!(
                "[...document.querySelectorAll('main a[href], main button, main input, main select, main summary')]
                   .filter(e => !e.closest('[data-sticky]') && e.checkVisibility())
                   .filter(e => {{ e.focus(); const b = e.getBoundingClientRect(); return document.activeElement === e && !{bar}.hidden && b.bottom > {top} + 1; }})
                   .map(e => e.outerHTML.slice(0, 90))"
            );
            assert_eq!(ask(&client, &covered).await, json!([]), "{product}");
            // Out of sight it is out of the way of the Tab key.
            ask(&client, "document.querySelector('.k-buy-button .buy').scrollIntoView({ block: 'center' })").await;
            until(&client, &format!("{bar}.hidden && !{bar}.querySelector('button').checkVisibility()")).await;
        }
        // With the keyboard open there is little room: 390 x 400.
        client.goto(&format!("{base}/shop/products/whimbrel")).await.unwrap();
        until(&client, &format!("!{bar}.hidden")).await;
        let browser = Browser { client: client.clone() };
        let size = json!({ "width": 390, "height": 400, "deviceScaleFactor": 2, "mobile": true });
        browser.devtools("Emulation.setDeviceMetricsOverride", size).await;
        ask(&client, "document.querySelector('.k-quantity input').focus()").await;
        until(&client, &format!("{bar}.hidden || !{bar}.checkVisibility()")).await;
        let field = "document.querySelector('.k-quantity input').getBoundingClientRect()";
        until(&client, &format!("{field}.top >= 0 && {field}.bottom <= innerHeight")).await;
        nothing_is_wrong(&client, "with the keyboard").await;
    })
    .await;
}

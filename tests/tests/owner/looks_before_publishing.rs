//! An owner looks at what a house style and a swatch would change, page by page, before shoppers see it.

use compagina_tests::desk::{click, in_both, open_desk, pick_product, proofs_are_drawn, type_into};
use compagina_tests::{Browser, Screen, Site, ask, find, json_of, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::json;
use sqlx::MySqlPool;

/// The custom property of the page on one side, `0` before and `1` after.
fn side(at: u8, property: &str) -> String {
    format!(
        "(frame => frame?.contentDocument?.readyState === 'complete' && frame.contentWindow.getComputedStyle(frame.contentDocument.documentElement).getPropertyValue('{property}'))(document.querySelectorAll('.pair iframe')[{at}])"
    )
}

#[sqlx::test(migrations = false)]
async fn a_house_style_is_published_where_its_pages_were_looked_at(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    owner.put("/api/house", &json!({ "revision": 0, "key": "sale", "value": "#E8B84A" })).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/house-style")).await.unwrap();
        click(&client, ".view-head a", "What changes where").await;
        until(&client, "document.querySelector('[data-test=count]').textContent === '3 pages change of 28'").await;
        let told = ask(&client, "document.querySelector('.way').innerText").await;
        let told = told.as_str().unwrap();
        assert!(told.starts_with("To mend: Sale mark can’t be read by everybody"), "{told}");
        until(&client, &format!("{} === '#B8420F'", side(0, "--sale"))).await;
        until(&client, &format!("{} === '#E8B84A'", side(1, "--sale"))).await;
        click(&client, ".way .line button", "Repair kit club").await;
        until(&client, "document.querySelectorAll('.pair iframe')[1].contentDocument?.querySelector('h1')?.textContent === 'Repair kit club'").await;
        find(&client, "[data-test=publish]").await.click().await.unwrap();
        until(&client, "location.pathname === '/house-style'").await;
        until(&client, "document.querySelector('[data-test=state]')?.textContent.includes('nothing changed')").await;
        assert_eq!(ask(&client, "document.querySelectorAll('.view-head a').length").await, 0, "nothing waits");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_swatch_is_tried_and_then_shown(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/swatch-book/colour")).await.unwrap();
        click(&client, ".fan button, .value", "Ember").await;
        click(&client, ".panel a", "Try a swatch").await;
        let cloth = |at: u8| format!("document.querySelectorAll('.pair iframe')[{at}]?.contentDocument?.querySelector('.k-options .cloth')?.style.background");
        until(&client, &cloth(0)).await;
        type_into(&client, ".colours input:not([type=color])", &format!("#123456{}", Key::Enter)).await;
        until(&client, "document.querySelector('.ways')?.innerText.includes('“Ember” is shown otherwise')").await;
        until(&client, &format!("{} === 'rgb(18, 52, 86)' && {} !== 'rgb(18, 52, 86)'", cloth(1), cloth(0))).await;
        find(&client, "[data-test=publish]").await.click().await.unwrap();
        until(&client, "location.pathname === '/swatch-book/colour'").await;
        let page = reqwest::get(format!("{base}/shop/products/whimbrel")).await.unwrap().text().await.unwrap();
        assert!(page.contains("background:#123456"));
    })
    .await;
}

/// Puts so many pieces and a product into the visit that is tried.
async fn visit(client: &Client, pieces: u8, holds: &str) {
    type_into(client, "label.part [role=spinbutton]", &pieces.to_string()).await;
    find(client, "button.part[aria-label^=Cart]").await.click().await.unwrap();
    click(client, "[role=region][aria-label=Cart] label", "holds something else").await;
    pick_product(client, "[aria-label^='Which, if it matters']", holds).await;
    until(
        client,
        &format!("document.querySelector('button.part[aria-label^=Cart]').textContent.includes('{holds}')"),
    )
    .await;
}

#[sqlx::test(migrations = false)]
async fn prices_of_the_draft_are_looked_at_with_a_cart_on_the_desk_and_on_every_page(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let (steps, spares) = (
        json!([{ "from": 3, "kind": "percent", "value": "10" }]),
        json!({ "of": "types", "types": ["spares"] }),
    );
    owner
        .draft_rule(json!({ "name": "With a Dunlin", "reach": spares, "steps": steps, "with": ["dunlin"] }))
        .await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/1?product=carbon-spar").await;
        visit(&client, 3, "Dunlin").await;
        in_both(&client, "page.body.innerText.includes('3 for £30.00')").await;
        find(&client, "button.part[aria-label^=Prices]").await.click().await.unwrap();
        click(&client, ".v-list-item", "of the draft").await;
        in_both(&client, "page.body.innerText.includes('3 for £27.00')").await;
        // All states go by it too, and what was there before comes back in one step.
        click(&client, ".right button", "All states").await;
        until(&client, "document.querySelector('iframe[title^=\"As it is, drawn\"]')?.contentDocument?.body?.innerText.includes('£9.00')").await;
        // What is put on the desk is what was drawn: with the same visit, by the same prices.
        click(&client, ".all li button", "Ten of it").await;
        in_both(&client, "page.body.innerText.includes('10 for £63.00')").await;
        click(&client, ".strip button", "As it is now").await;
        in_both(&client, "!page.body.innerText.includes(' for £')").await;

        client.goto(&format!("{base}/prices/changes")).await.unwrap();
        until(&client, "document.querySelector('[data-test=count]')?.textContent.includes('of 28')").await;
        visit(&client, 3, "Dunlin").await;
        until(&client, "[...document.querySelectorAll('.way')].find(way => way.innerText.startsWith('Costs less with this cart'))?.querySelectorAll('.line').length === 4").await;
        click(&client, ".way .line button", "Carbon spar").await;
        let says = |at: u8| format!("document.querySelectorAll('.pair iframe')[{at}]?.contentDocument?.body?.innerText");
        until(&client, &format!("{}?.includes('3 for £30.00') && {}?.includes('3 for £27.00')", says(0), says(1))).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_a_date_will_change_is_told_where_it_is_set_and_where_the_template_is_published(
    pool: MySqlPool,
) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let copy = json_of(owner.post("/api/templates", &json!({ "name": "Winter", "from": 1 })).await).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/templates")).await.unwrap();
        click(&client, "tr:has(a[href='/templates/5']) button", "Name and reach").await;
        click(&client, "[aria-label='Serves products'] button", "of some types").await;
        click(&client, ".dialog-sheet label.tick", "Spares").await;
        let told = "document.querySelector('.dialog-sheet .shift')?.innerText";
        until(&client, &format!("{told}.includes('reach counts once it is published')")).await;
        type_into(&client, ".dialog-sheet .moment input", "1.12.2099, 9:30\u{e004}").await;
        until(
            &client,
            "document.querySelector('.dialog-sheet .moment input').value === '1 December 2099, 09:30'",
        )
        .await;
        let sentence = "From 1 December 2099, 09:30 4 products of Spares change from All products to Winter.";
        until(&client, &format!("{told}.includes('{sentence}')")).await;
        click(&client, ".dialog-sheet button", "Save").await;
        until(&client, "!document.querySelector('.dialog-sheet')").await;
        client.goto(&format!("{base}/templates/5")).await.unwrap();
        proofs_are_drawn(&client).await;
        click(&client, "header button, .v-btn", "Publish").await;
        until(&client, &format!("document.querySelector('.dialog-sheet')?.innerText.includes('{sentence}')"))
            .await;
    })
    .await;
    assert_eq!(copy["id"], 5);
}

//! Takes the pictures of `docs/screenshots`; run by `cargo xtask screenshots`.
#![allow(clippy::unwrap_used)]

use compagina_tests::desk::{choose, click, open_value, pick_product, press, type_value};
use compagina_tests::{Browser, Screen, find, until};
use std::time::Duration;

const FOLDER: &str = concat!(env!("CARGO_MANIFEST_DIR"), "/../docs/screenshots");

async fn take(browser: &Browser, name: &str) {
    // Pictures, fonts and soft transitions come to rest.
    until(&browser.client, "document.fonts.status === 'loaded' && [...document.images].every(i => i.complete || i.loading === 'lazy')").await;
    tokio::time::sleep(Duration::from_millis(900)).await;
    std::fs::write(format!("{FOLDER}/{name}.png"), browser.picture().await).unwrap();
}

async fn proofs_are_drawn(browser: &Browser) {
    for screen in ["Wide", "Phone"] {
        let drawn = format!(
            "document.querySelector('iframe[title=\"Proof, {screen}\"]')?.contentDocument?.getElementById('proof-fold')"
        );
        until(&browser.client, &drawn).await;
    }
    let pictures = "[...document.querySelectorAll('iframe')].every(f => [...f.contentDocument.images].every(i => i.complete || i.loading === 'lazy'))";
    until(&browser.client, pictures).await;
}

/// As whoever's system wishes for dark colours sees it.
async fn in_dark(browser: &Browser, dark: bool) {
    let scheme = if dark { "dark" } else { "light" };
    let wish = serde_json::json!({ "features": [{ "name": "prefers-color-scheme", "value": scheme }] });
    browser.devtools("Emulation.setEmulatedMedia", wish).await;
}

async fn owners_views(base: &str) {
    let browser = Browser::open(Screen::Wide).await;
    let client = &browser.client;
    client.goto(&format!("{base}/sign-in")).await.unwrap();
    find(client, "input[name=email]").await;
    Browser::sign_in(client, base).await;
    client.goto(&format!("{base}/?find=kite&order=dearest")).await.unwrap();
    until(client, "document.querySelectorAll('.found iframe').length >= 10").await;
    tokio::time::sleep(Duration::from_secs(2)).await;
    take(&browser, "shelf").await;
    client.goto(&format!("{base}/templates")).await.unwrap();
    until(client, "document.querySelectorAll('tbody tr').length === 12").await;
    take(&browser, "templates").await;
    client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
    proofs_are_drawn(&browser).await;
    take(&browser, "desk").await;
    choose(client, "Gallery").await;
    in_dark(&browser, true).await;
    take(&browser, "desk-dark").await;
    in_dark(&browser, false).await;
    press(client, "5").await;
    let thumbs = "[...document.querySelectorAll('.all iframe')].filter(f => f.contentDocument?.querySelector('.piece')).length";
    until(client, &format!("{thumbs} >= 6")).await;
    until(
        client,
        "document.querySelector('[data-test=first-screens]')?.innerText.includes('they stand first')",
    )
    .await;
    take(&browser, "all-products").await;
    press(client, "3").await;
    proofs_are_drawn(&browser).await;
    gallery(&browser).await;
    card(&browser, base).await;
    client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
    proofs_are_drawn(&browser).await;
    templates(&browser, base).await;
    client.goto(&format!("{base}/house-style")).await.unwrap();
    until(client, "document.querySelector('iframe')?.contentDocument?.querySelector('.sample-box')").await;
    take(&browser, "house-style").await;
    client.goto(&format!("{base}/prices")).await.unwrap();
    until(client, "document.querySelector('.bench .price')").await;
    pick_product(client, "[aria-label='Test bench'] [aria-label^='Product:']", "Braided line").await;
    let pieces = find(client, ".asked [role=spinbutton]").await;
    pieces.clear().await.unwrap();
    pieces.send_keys("4").await.unwrap();
    until(client, "document.querySelector('.bench ol').innerText.includes('the step from 3')").await;
    click(client, ".rule", "Lines by the number").await;
    until(client, "document.querySelector('.panel')").await;
    take(&browser, "prices").await;
    listings(&browser, base).await;
    client.goto(&format!("{base}/wording")).await.unwrap();
    until(client, "document.querySelectorAll('tbody tr').length > 50").await;
    take(&browser, "wording").await;
    pictures(&browser, base).await;
    browser.client.clone().close().await.unwrap();
}

/// A card, composed in the listing in which it stands.
async fn card(browser: &Browser, base: &str) {
    let client = &browser.client;
    client.goto(&format!("{base}/cards")).await.unwrap();
    find(client, "form.new input").await.send_keys("Card for buying\n").await.unwrap();
    click(client, ".order button", "Begin with a starter").await;
    click(client, "[role=dialog] li button", "Buying").await;
    until(client, "document.querySelectorAll('.order .row').length > 5").await;
    proofs_are_drawn(browser).await;
    choose(client, "Choices").await;
    take(browser, "card").await;
}

/// A listing with a title, words above and a product that comes first, in the draft.
async fn listings(browser: &Browser, base: &str) {
    let client = &browser.client;
    client.goto(&format!("{base}/listings?of=type:sport-kites")).await.unwrap();
    let words = "Six kites for two lines, from the first afternoon on the beach to a competition.";
    find(client, ".form input").await.send_keys("Kites that turn where you look\n").await.unwrap();
    find(client, ".form textarea").await.send_keys(words).await.unwrap();
    find(client, ".form button.quiet").await.click().await.unwrap();
    let field = find(client, ".products [role=combobox]").await;
    field.send_keys("Godwit").await.unwrap();
    until(client, "document.querySelector('.products [role=option]')?.innerText.startsWith('Godwit')").await;
    // The list stays open for the next one until it is left.
    field.send_keys("\u{e007}\u{e00c}").await.unwrap();
    let first = "[...document.querySelectorAll('.samples iframe')].every(e => e.contentDocument.querySelector('.card-name')?.innerText.includes('Godwit'))";
    until(client, &format!("document.querySelectorAll('.samples iframe').length === 2 && {first}")).await;
    take(browser, "listings").await;
}

/// What a draft changes where.
async fn templates(browser: &Browser, base: &str) {
    let client = &browser.client;
    choose(client, "Buy button").await;
    type_value(client, "words:wide", "Take it flying").await;
    until(client, "document.querySelector('[data-test=state]').textContent.includes('1 change')").await;
    choose(client, "Options").await;
    find(client, "[aria-label='Remove this']").await.click().await.unwrap();
    until(client, "document.querySelector('[data-test=state]').textContent.includes('2 changes')").await;
    client.goto(&format!("{base}/templates/2/changes")).await.unwrap();
    until(client, "document.querySelectorAll('.way').length > 1").await;
    let drawn = "[...document.querySelectorAll('iframe')].every(f => f.contentDocument?.querySelector('.k-gallery img')?.complete)";
    until(client, drawn).await;
    take(browser, "what-changes-where").await;
}

/// The gallery's slip, and the pictures that it shows.
async fn gallery(browser: &Browser) {
    let client = &browser.client;
    choose(client, "Gallery").await;
    open_value(client, "thumbnails:wide").await;
    take(browser, "gallery").await;
}

async fn pictures(browser: &Browser, base: &str) {
    let client = &browser.client;
    client.goto(&format!("{base}/products/whimbrel-mini/pictures")).await.unwrap();
    until(client, "document.querySelectorAll('.grid .card').length > 10").await;
    client
        .execute("document.querySelector('.grid .card:nth-child(13) button').click()", vec![])
        .await
        .unwrap();
    take(browser, "pictures").await;
}

/// The swatch book with its files, a grid of variants, and a page with every kind of swatch.
async fn choices(base: &str) {
    let browser = Browser::open(Screen::Wide).await;
    let client = &browser.client;
    Browser::sign_in(client, base).await;
    client.goto(&format!("{base}/products/carbon-spar/variants")).await.unwrap();
    until(client, "document.querySelectorAll('.lines .row').length > 10").await;
    for line in [2, 3] {
        let row = format!("document.querySelectorAll('.lines .row input[type=checkbox]')[{line}].click()");
        client.execute(&row, vec![]).await.unwrap();
    }
    take(&browser, "variants").await;
    client.goto(&format!("{base}/swatch-book")).await.unwrap();
    until(client, "document.querySelectorAll('.matches tr').length > 3").await;
    click(client, ".fan button", "Dusk").await;
    take(&browser, "swatch-book").await;
    browser.client.clone().close().await.unwrap();
}

async fn shop_on(base: &str, screen: Screen, suffix: &str) {
    let browser = Browser::open(screen).await;
    let client = &browser.client;
    client.goto(&format!("{base}/shop/products/whimbrel?colour=ember&sail=2-1-m")).await.unwrap();
    if suffix == "phone" {
        take(&browser, "product-phone").await;
    } else {
        client.goto(&format!("{base}/shop")).await.unwrap();
        take(&browser, "listing").await;
        client
            .execute("document.querySelector('[data-quick$=\"/whimbrel/quick\"]').click()", vec![])
            .await
            .unwrap();
        until(client, "document.querySelector('.quick-look.here')").await;
        take(&browser, "quick-look").await;
        for product in ["whimbrel?colour=dusk&sail=2-4-m", "gift-card"] {
            client.goto(&format!("{base}/shop/products/{product}")).await.unwrap();
            find(client, ".k-buy-button .buy").await.click().await.unwrap();
            find(client, ".cart-lines").await;
        }
        take(&browser, "cart").await;
    }
    browser.client.clone().close().await.unwrap();
}

#[tokio::main]
async fn main() {
    let base = std::env::var("COMPAGINA_BASE").unwrap();
    std::fs::create_dir_all(FOLDER).unwrap();
    owners_views(&base).await;
    shop_on(&base, Screen::Wide, "wide").await;
    shop_on(&base, Screen::Phone, "phone").await;
    // Last: it changes what the shop shows.
    choices(&base).await;
}

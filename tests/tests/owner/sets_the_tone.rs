//! House style and wording: tried on a draft, seen at once in open proofs, published, and read in two languages.

use compagina_tests::desk::{choose, click, in_both, open_desk, pick_value, proofs_are_drawn, value_says};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::key::Key;
use serde_json::{Value, json};
use sqlx::MySqlPool;

const COLOUR: &str = "getComputedStyle(page.querySelector('.k-buy-button .buy')).backgroundColor";

#[sqlx::test(migrations = false)]
async fn a_colour_changes_the_sample_the_contrast_and_proofs_that_are_open_and_shoppers_see_it_when_published(
    pool: MySqlPool,
) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |desk| async move {
        open_desk(&desk, &base, "/templates/2?product=whimbrel").await;
        Browser::run(Screen::Wide, |client| async move {
            Browser::sign_in(&client, &base).await;
            client.goto(&format!("{base}/house-style")).await.unwrap();
            until(&client, "document.querySelector('iframe')?.contentDocument?.querySelector('.sample-box')").await;
            click(&client, ".house nav button", "Buttons").await;
            let field = find(&client, ".token input[aria-labelledby=token-button_idle]:not([type])").await;
            field.send_keys(&format!("{}a{}#B9D7D4{}", Key::Control, Key::Control, Key::Enter)).await.unwrap();
            until(&client, "getComputedStyle(document.querySelector('iframe').contentDocument.querySelector('.sample-box .buy')).backgroundColor === 'rgb(185, 215, 212)'").await;
            until(&client, "document.querySelector('.contrasts').textContent.includes('1 pair is too weak')").await;
            in_both(&desk, &format!("{COLOUR} === 'rgb(185, 215, 212)'")).await;

            let shop = || async { reqwest::get(format!("{base}/shop/products/whimbrel")).await.unwrap().text().await.unwrap() };
            assert!(!shop().await.contains("--button:#B9D7D4"));
            click(&client, ".house .view-head button", "Publish").await;
            until(&client, "document.querySelector('[data-test=state]').textContent.includes('nothing changed')").await;
            assert!(shop().await.contains("--button:#B9D7D4"));
            click(&client, ".token button", "Rejoin").await;
            until(&client, "document.querySelector('.contrasts').textContent.includes('Every pair can be read')").await;
            find(&client, ".house [aria-label=Undo]:not(:disabled)").await.click().await.unwrap();
            until(&client, "document.querySelector('.contrasts').textContent.includes('1 pair is too weak')").await;
            let again = find(&client, ".house [aria-label=Redo]:not(:disabled)").await;
            again.send_keys(&format!("{}{}z", Key::Control, Key::Shift)).await.unwrap();
            until(&client, "document.querySelector('.contrasts').textContent.includes('Every pair can be read')").await;
        })
        .await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_word_is_said_otherwise_in_one_template_and_the_shop_is_read_in_german(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/wording")).await.unwrap();
        until(&client, "document.querySelectorAll('tbody tr').length > 50").await;
        let set = |place: &str| format!("tbody textarea[aria-label^='{place}']");
        let word = find(&client, &set("Buy button, words")).await;
        word.send_keys(&format!("{}a{}Into the basket{}", Key::Control, Key::Control, Key::Enter)).await.unwrap();
        until(&client, "document.querySelector('[data-test=state]').textContent === '1 change not live'").await;
        // What can't be said is told and nothing is lost.
        let broken = find(&client, &set("Stock line, few left")).await;
        broken.send_keys(&format!("{}a{}Only {{ $many }} here{}", Key::Control, Key::Control, Key::Enter)).await.unwrap();
        until(&client, "document.querySelector('[role=alert]')?.textContent.includes('they can use: count')").await;
        click(&client, ".wording .view-head button", "Publish").await;
        until(&client, "document.querySelector('[data-test=state]').textContent.includes('nothing changed')").await;

        client.goto(&format!("{base}/shop/products/whimbrel?colour=ember&sail=2-1-m")).await.unwrap();
        until(&client, "document.querySelector('.k-buy-button .buy').innerText === 'Into the basket'").await;
        find(&client, ".languages a[lang=de]").await;
        ask(&client, "document.querySelector('.languages a[lang=de]').click()").await;
        until(&client, "document.documentElement.lang === 'de-DE' && document.querySelector('.k-buy-button .buy').innerText === 'In den Warenkorb'").await;
        assert_eq!(ask(&client, "location.search").await, "?colour=ember&sail=2-1-m");
        until(&client, "document.querySelector('.k-price .now').innerText === '68,00\u{a0}£'").await;
        // Also what the script says.
        find(&client, "input[name=sail][value='2-4-m']").await;
        ask(&client, "document.querySelector('input[name=sail][value=\"2-4-m\"]').click()").await;
        until(&client, "document.querySelector('.k-buy-button .buy').innerText === 'Ausverkauft'").await;
        client.goto(&format!("{base}/shop/cart")).await.unwrap();
        until(&client, "document.querySelector('h1').innerText === 'Warenkorb'").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn words_of_one_template_go_before_the_shops_and_bad_tokens_are_refused(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let word = |revision: u64, template: Option<u64>, text: &str| json!({ "revision": revision, "language": "en", "template": template, "key": "buy-button-words", "text": text });
    assert_eq!(owner.put("/api/wording", &word(0, None, "Take it")).await.status(), 200);
    let answer: Value =
        owner.put("/api/wording", &word(1, Some(1), "Send me one")).await.json().await.unwrap();
    assert_eq!(answer["changes_not_live"], 2);
    let proof = |template: u64, product: &str| {
        owner.page(format!("/api/templates/{template}/proof?product={product}"))
    };
    assert!(proof(1, "gift-card").await.contains(">Send me one<"));
    assert!(proof(2, "whimbrel").await.contains(">Take it<"));
    assert_eq!(owner.put("/api/wording", &word(0, None, "Late")).await.status(), 409);
    assert_eq!(owner.put("/api/wording", &word(2, Some(99), "Nowhere")).await.status(), 404);
    let token = |key: &str, value: Value| json!({ "revision": 0, "key": key, "value": value });
    for (key, value) in
        [("ink", json!("red;}")), ("glow", json!("#FFFFFF")), ("space_3", json!(9000)), ("ink", json!(true))]
    {
        assert_eq!(owner.put("/api/house", &token(key, value.clone())).await.status(), 422, "{key} {value}");
    }
}

#[sqlx::test(migrations = false)]
async fn the_link_to_a_language_leads_nowhere_else(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    for (to, goes) in [
        ("/shop/cart", "/shop/cart"),
        ("//evil.example", "/shop"),
        ("https://evil.example", "/shop"),
        ("/api/session", "/shop"),
    ] {
        let answer = shopper.get(site.at(&format!("/shop/language/de?to={to}"))).send().await.unwrap();
        assert_eq!(
            (answer.status().as_u16(), answer.headers()["location"].to_str().unwrap()),
            (303, goes),
            "{to}"
        );
    }
    let page = shopper.get(site.at("/shop")).send().await.unwrap().text().await.unwrap();
    assert!(page.contains("Alles, was wir machen"));
}

#[sqlx::test(migrations = false)]
async fn a_text_is_set_for_the_whole_shop_on_each_screen_and_given_a_look(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &base).await;
        client.goto(&format!("{base}/house-style")).await.unwrap();
        click(client, ".house nav button", "Texts").await;
        find(client, "input[aria-label='Find a text']").await.send_keys("old").await.unwrap();
        until(client, "document.querySelectorAll('.list .text').length >= 2").await;
        click(client, "[role=group][aria-label=Price] .text", "Old price").await;
        until(client, "document.querySelector('.sheet-side h2')?.textContent === 'Old price'").await;

        // Wide and phone apart; the living samples show each its own.
        let cell = |value: &str| format!("[data-value='{value}'] button");
        find(client, &cell("price.old.look:wide")).await.click().await.unwrap();
        client.active_element().await.unwrap().send_keys(&format!("fine{}", Key::Enter)).await.unwrap();
        find(client, &cell("price.old.size:phone")).await.click().await.unwrap();
        client.active_element().await.unwrap().send_keys(&format!("19{}", Key::Enter)).await.unwrap();
        find(client, &cell("price.old.slope:wide")).await.click().await.unwrap();
        client.active_element().await.unwrap().send_keys(&format!("italic{}", Key::Enter)).await.unwrap();
        let size = |screen: &str| format!(
            "getComputedStyle(document.querySelector('.sample .{screen} iframe')?.contentDocument?.querySelector('.old') ?? document.body).fontSize"
        );
        until(client, &format!("{} === '14px' && {} === '19px'", size("wide"), size("phone"))).await;
        until(client, "document.querySelector('.list [aria-pressed=true] small').textContent === '14 px, italic, soft ink; phone 19 px, italic, soft ink'").await;

        // It is seen before it is published, and by shoppers after.
        let shop = async || reqwest::get(format!("{base}/shop/products/whimbrel")).await.unwrap().text().await.unwrap();
        assert!(!shop().await.contains(".k-price) .old{"));
        click(client, ".house .view-head button", "Publish").await;
        until(client, "document.querySelector('[data-test=state]').textContent.includes('nothing changed')").await;
        let page = shop().await;
        assert!(page.contains(":is(#_,.k-price) .old{font-size:14px;font-style:italic}"), "{page}");
        assert!(page.contains(":is(#_,.k-price) .old{font-size:19px;font-style:italic}"), "{page}");

        // Delete has a value as it ships again; undo brings it back.
        let slope = find(client, &cell("price.old.slope:wide")).await;
        slope.send_keys(&Key::Delete.to_string()).await.unwrap();
        until(client, "document.querySelector('[data-value=\"price.old.slope:wide\"]').textContent.trim() === 'upright'").await;
        find(client, ".house [aria-label=Undo]:not(:disabled)").await.click().await.unwrap();
        until(client, "document.querySelector('[data-value=\"price.old.slope:wide\"]').textContent.trim() === 'italic'").await;

        // Kept under a name, given to another text on a page, changed once for both.
        click(client, ".sheet-side button", "Keep as a look").await;
        find(client, "[role=dialog] input").await.send_keys(&format!("Was so much{}", Key::Enter)).await.unwrap();
        until(client, "!document.querySelector('[role=dialog]')").await;
        find(client, "input[aria-label='Find a text']").await.send_keys(&format!("{}a{}{}", Key::Control, Key::Control, Key::Delete)).await.unwrap();
        click(client, "[role=group][aria-label='Looks kept'] .text", "Was so much").await;
        until(client, "document.querySelector('.sheet-side h2')?.textContent === 'Was so much'").await;
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        proofs_are_drawn(client).await;
        choose(client, "Summary").await;
        pick_value(client, "text.look:wide", "was so much").await;
        let slope = "getComputedStyle(page.querySelector('.k-summary p')).fontStyle === 'italic'";
        in_both(client, slope).await;
        in_both(client, "getComputedStyle(page.querySelector('.k-summary p')).color === 'rgb(86, 99, 106)'").await;
        client.goto(&format!("{base}/house-style")).await.unwrap();
        click(client, ".house nav button", "Texts").await;
        click(client, "[role=group][aria-label='Looks kept'] .text", "Was so much").await;
        until(client, "document.querySelector('.sheet-side h2')?.textContent === 'Was so much'").await;
        click(client, ".sheet-side button", "Remove").await;
        until(client, "!document.querySelector('[role=group][aria-label=\"Looks kept\"]')").await;
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        proofs_are_drawn(client).await;
        choose(client, "Summary").await;
        until(client, &format!("{} === 'removed'", value_says("text.look:wide"))).await;
        in_both(client, "getComputedStyle(page.querySelector('.k-summary p')).fontStyle === 'normal'").await;
    })
    .await;
}

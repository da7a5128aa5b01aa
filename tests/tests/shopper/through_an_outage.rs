//! Choosing and buying while the shop doesn't answer every question: nothing that was chosen or typed is lost.

use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use sqlx::MySqlPool;
use std::time::Duration;

const KITE: &str = "/shop/products/whimbrel?colour=ember&sail=1-6-m&from=a-letter#reviews";

/// Offers can't be had while `window.down` is set; how often they were asked for is counted.
const DOWN: &str = r#"
    const asks = window.fetch.bind(window);
    window.asked = 0;
    window.down = true;
    window.fetch = async (wanted, options) => {
        if (!String(wanted).includes("/offer")) return asks(wanted, options);
        window.asked += 1;
        if (window.down) return new Response("", { status: 503 });
        return asks(wanted, options);
    };
"#;

async fn open(client: &Client, site: &Site) {
    client.goto(&site.at(KITE)).await.unwrap();
    until(client, "document.querySelector('[data-ready]')").await;
}

async fn set_number(client: &Client, number: u32) {
    let field = "document.querySelector('input[name=quantity][form=buy]')";
    let set =
        format!("{field}.value = {number}, {field}.dispatchEvent(new Event('change', {{ bubbles: true }}))");
    ask(client, &set).await;
}

#[sqlx::test(migrations = false)]
async fn an_offer_that_cannot_be_had_is_asked_for_again_and_the_form_still_buys(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    Browser::run_with(Screen::Wide, DOWN, |client| async move {
        let client = &client;
        open(client, site).await;
        ask(client, "window.same = true").await;
        set_number(client, 3).await;
        until(
            client,
            "document.querySelector('[data-moved]').innerText.startsWith('The shop doesn’t answer')",
        )
        .await;
        for number in [4, 5, 6] {
            set_number(client, number).await;
            ask(client, "document.querySelector('input[value=dusk]').click()").await;
            tokio::time::sleep(Duration::from_millis(300)).await;
        }
        assert_eq!(ask(client, "window.asked").await, 1, "not again within five seconds");
        assert_eq!(ask(client, "document.querySelector('[name=colour]:checked').value").await, "dusk");
        ask(client, "window.down = false").await;
        until(client, "document.querySelector('[data-moved]').hidden").await;
        until(client, "location.search.includes('colour=dusk')").await;
        assert_eq!(ask(client, "window.same").await, true, "the page was never loaded anew");
        let address = ask(client, "location.search + location.hash").await;
        let address = address.as_str().unwrap();
        assert!(address.contains("from=a-letter") && address.ends_with("#reviews"), "{address}");

        // Down again: what is chosen is bought by the plain form.
        ask(client, "window.down = true").await;
        ask(client, "document.querySelector('input[value=ember]').click()").await;
        set_number(client, 2).await;
        until(client, "!document.querySelector('[data-moved]').hidden").await;
        find(client, ".k-buy-button .buy").await.click().await.unwrap();
        until(client, "document.querySelector('.cart-lines')?.innerText.includes('Ember')").await;
        assert_eq!(ask(client, "document.querySelector('.cart-lines [name=quantity]').value").await, "2");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_double_tap_adds_once_and_what_was_typed_is_there_when_one_comes_back(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open(client, site).await;
        set_number(client, 3).await;
        ask(client, "document.querySelector('input[value=dusk]').click()").await;
        until(client, "location.search.includes('colour=dusk')").await;
        ask(
            client,
            "(() => { const b = document.querySelector('.k-buy-button .buy'); b.click(); b.click(); })()",
        )
        .await;
        until(client, "document.querySelector('.cart-lines')?.innerText.includes('Dusk')").await;
        assert_eq!(ask(client, "document.querySelector('.cart-lines [name=quantity]').value").await, "3");
        client.back().await.unwrap();
        until(client, "document.querySelector('[data-ready]')").await;
        until(client, "document.querySelector('input[name=quantity][form=buy]').value === '3'").await;
        until(client, "document.querySelector('[name=colour]:checked').value === 'dusk'").await;
        // It can be sent again from here.
        ask(client, "document.querySelector('.k-buy-button .buy').click()").await;
        until(client, "document.querySelector('.cart-lines [name=quantity]')?.value === '6'").await;
    })
    .await;
}

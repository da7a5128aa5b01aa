//! A listing gets its words, its order and the products that come first.

use compagina_tests::hand::Hand;
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use serde_json::json;
use sqlx::MySqlPool;

/// The names of the cards in a sample.
const SHOWN: &str = "[...document.querySelector('.samples iframe').contentDocument.querySelectorAll('.card-name')].map(e => e.innerText.trim())";

#[sqlx::test(migrations = false)]
async fn words_and_order_are_made_beside_the_listing_and_published(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &site.base).await;
        client.goto(&site.at("/")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click(".by a", "Listing").await;
        until(client, "document.querySelectorAll('.samples iframe').length === 2").await;
        assert_eq!(ask(client, "location.search").await, json!("?of=type:sport-kites"));
        hand.types(".form input", "Kites that turn").await;
        hand.types(".form textarea", "For two lines.").await;
        hand.click(".form button", "Add").await;
        hand.finds("godw", "Godwit").await;
        // The list stays open for the next one.
        hand.finds("\u{e009}a\u{e000}turn", "Turnstone").await;
        client.active_element().await.unwrap().send_keys("\u{e00c}").await.unwrap();
        hand.did(1);
        until(
            client,
            &format!(
                "JSON.stringify({SHOWN}.slice(0, 3)) === JSON.stringify(['Godwit', 'Turnstone', 'Whimbrel'])"
            ),
        )
        .await;
        // Moved up by its button.
        hand.click(".form li:nth-of-type(2) .tool", "Move").await;
        until(client, &format!("{SHOWN}[0] === 'Turnstone'")).await;
        hand.click(".view-head button", "Publish").await;
        hand.took("A listing's title, words and two products that come first", 10);
        until(client, "document.querySelector('[data-test=state]').textContent.includes('nothing changed')")
            .await;

        client.goto(&site.at("/shop/types/sport-kites")).await.unwrap();
        until(client, "document.querySelector('h1').innerText === 'Kites that turn'").await;
        assert_eq!(ask(client, "document.querySelector('.above').innerText").await, json!("For two lines."));
        let names = "[...document.querySelectorAll('.card-name')].slice(0, 2).map(e => e.innerText.trim())";
        assert_eq!(ask(client, names).await, json!(["Turnstone", "Godwit"]));

        // Taken back step by step in the draft.
        client.goto(&site.at("/listings?of=type:sport-kites")).await.unwrap();
        until(client, &format!("{SHOWN}[0] === 'Turnstone'")).await;
        find(client, "[aria-label=Undo]:not(:disabled)").await.click().await.unwrap();
        until(client, &format!("{SHOWN}[0] === 'Godwit'")).await;
    })
    .await;
}

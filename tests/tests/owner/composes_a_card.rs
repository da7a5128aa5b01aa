//! From an empty card to one that buys, published.

use compagina_tests::desk::{in_both, open_desk, order, proofs_are_drawn};
use compagina_tests::hand::Hand;
use compagina_tests::{Browser, Screen, Site, ask, json_of, until};
use serde_json::json;
use sqlx::MySqlPool;

#[sqlx::test(migrations = false)]
async fn a_buying_card_with_swatches_and_three_values(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let added =
        json_of(owner.post("/api/templates", &json!({ "name": "Buying", "purpose": "card" })).await).await;
    let id = added["id"].as_u64().unwrap();
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open_desk(client, &base, &format!("/templates/{id}?product=whimbrel")).await;
        let mut hand = Hand::new(client);
        hand.click(".order button", "Begin with a starter").await;
        hand.click("[role=dialog] li button", "Buying").await;
        until(client, "document.querySelectorAll('.order .row').length === 9").await;
        assert_eq!(order(client).await[0], "Picture");
        proofs_are_drawn(client).await;
        // Swatches, three of them and the rest as "+ n", on both screens; seen in both proofs.
        in_both(client, "page.querySelectorAll('#card-whimbrel .swatch:nth-child(-n+3)').length === 3").await;
        in_both(client, "[...page.querySelectorAll('#card-whimbrel .swatch')].filter(e => e.checkVisibility()).length === 3").await;
        in_both(client, "page.querySelector('#card-whimbrel .more').checkVisibility()").await;
        in_both(client, "page.querySelector('#card-whimbrel [data-buy]')").await;
        hand.click(".head button", "Publish").await;
        hand.click("[data-test=publish]", "Publish").await;
        until(client, "document.querySelector('[data-test=state]').innerText.includes('Live')").await;
        hand.took("A buying card with swatches, three values and + n, published", 10);

        client.goto(&format!("{base}/shop/types/sport-kites")).await.unwrap();
        let seen = "[...document.querySelectorAll('#card-whimbrel .swatch')].filter(e => e.checkVisibility()).length";
        assert_eq!(ask(client, seen).await, json!(3));
    })
    .await;
}

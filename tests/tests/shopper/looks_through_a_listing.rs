//! A long listing, looked through and narrowed.

use compagina_tests::{Browser, Screen, Site, ask, find, until};
use serde_json::json;
use sqlx::MySqlPool;

#[sqlx::test(migrations = false)]
async fn further_products_come_under_those_that_are_there_and_can_be_bought(pool: MySqlPool) {
    let site = Site::start_large(pool, 90).await;
    site.owner().await.live_card("buying").await;
    // A name that looks like one of ours.
    let named = "UPDATE product SET name = 'A deck-chair' WHERE handle = 'hand-winder'";
    sqlx::query(named).execute(&site.pool).await.unwrap();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        client.goto(&site.at("/shop?order=newest")).await.unwrap();
        let cards = "document.querySelectorAll('.cards > li').length";
        until(client, "document.querySelector('.leaves button')").await;
        assert_eq!(ask(client, cards).await, json!(48));
        find(client, ".leaves button").await.click().await.unwrap();
        until(client, &format!("{cards} === 96")).await;
        // The first that came has the focus; all of them are dressed as those before, and choose as they do.
        let focused =
            "document.activeElement.closest('.cards > li') === document.querySelectorAll('.cards > li')[48]";
        assert_eq!(ask(client, focused).await, json!(true));
        let widths =
            "new Set([...document.querySelectorAll('.cards > li img')].map(e => e.clientWidth)).size";
        assert_eq!(ask(client, widths).await, json!(1));
        find(client, ".leaves button").await.click().await.unwrap();
        until(client, &format!("{cards} > 96 && !document.querySelector('.leaves button')")).await;
        let all = "Number.parseInt(document.querySelector('.sift-count').innerText)";
        assert_eq!(ask(client, cards).await, ask(client, all).await, "every product once");
        let names = ask(client, "document.querySelector('.cards').innerText").await;
        assert!(names.as_str().unwrap().contains("A deck-chair"), "what is said stays as it is");
        let whimbrel = "#card-whimbrel label:has([name=colour][value=dusk])";
        ask(client, &format!("document.querySelector('{whimbrel}').scrollIntoView({{ block: 'center' }})"))
            .await;
        find(client, whimbrel).await.click().await.unwrap();
        until(client, "document.querySelector('#card-whimbrel').querySelector('[value=dusk]').checked").await;
        // From what was searched for to one product of a colour, by the boxes.
        client.goto(&site.at("/shop/search")).await.unwrap();
        client.active_element().await.unwrap().send_keys("whimbrel\u{e007}").await.unwrap();
        until(client, "location.search === '?q=whimbrel' && document.querySelector('.sift')").await;
        // On wide screens the filters are seen although they are folded: the driver takes them for hidden.
        ask(client, "document.querySelector(`.sift [value='colour.dusk']`).click()").await;
        find(client, ".sift > button").await.click().await.unwrap();
        until(client, "location.search.includes('value=colour.dusk') && document.readyState === 'complete'")
            .await;
        assert_eq!(
            ask(client, &format!("{cards} > 0 && !!document.querySelector('#card-whimbrel')")).await,
            json!(true)
        );
        assert_eq!(ask(client, "new URLSearchParams(location.search).get('order')").await, json!(null));
    })
    .await;
}

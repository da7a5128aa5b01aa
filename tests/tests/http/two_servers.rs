//! Two server processes on one database: each sees what the other did, and together they sell no more than there is.

use compagina_tests::{Site, checkout_form};
use serde_json::json;
use sqlx::MySqlPool;
use std::time::Duration;

async fn page(site: &Site, path: &str) -> String {
    site.shopper().get(site.at(path)).send().await.unwrap().text().await.unwrap()
}

/// Waits until a page of a site says something.
async fn until_it_says(site: &Site, path: &str, words: &str) {
    for _ in 0..100 {
        if page(site, path).await.contains(words) {
            return;
        }
        tokio::time::sleep(Duration::from_millis(50)).await;
    }
    panic!("{path} never said “{words}”");
}

#[sqlx::test(migrations = false)]
async fn what_one_publishes_the_other_shows(pool: MySqlPool) {
    let (first, second) = (Site::start(pool.clone()).await, Site::start(pool).await);
    assert!(page(&second, "/shop/products/whimbrel").await.contains("Add to cart"));
    let owner = first.owner().await;
    let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": "Fly it" });
    owner.post("/api/templates/2/operations", &json!({ "revision": 1, "op": op })).await;
    owner.post("/api/drafts/template-2/publish", &json!({ "revision": 2 })).await;
    assert!(
        page(&first, "/shop/products/whimbrel").await.contains("Fly it"),
        "at once where it was published"
    );
    until_it_says(&second, "/shop/products/whimbrel", "Fly it").await;
}

#[sqlx::test(migrations = false)]
async fn a_session_and_a_cart_hold_on_either(pool: MySqlPool) {
    let (first, second) = (Site::start(pool.clone()).await, Site::start(pool).await);
    let owner = first.owner().await;
    // Cookies belong to a host, whatever its port.
    let answer = owner.client.get(second.at("/api/session")).send().await.unwrap();
    assert_eq!(answer.status(), 200);
    let shopper = first.shopper();
    shopper.post(first.at("/shop/cart")).form(&[("product", "hand-winder")]).send().await.unwrap();
    let cart = shopper.get(second.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(cart.contains("Hand winder"));
}

#[sqlx::test(migrations = false)]
async fn twelve_orders_over_both_for_the_last_five(pool: MySqlPool) {
    let sites = [Site::start(pool.clone()).await, Site::start(pool).await];
    let form = [("product", "whimbrel"), ("colour", "chalk"), ("sail", "1-6-m")];
    let contact = checkout_form("accept", "");
    let mut shoppers = Vec::new();
    for number in 0..12 {
        let site = &sites[number % 2];
        let shopper = site.shopper();
        shopper.post(site.at("/shop/cart")).form(&form).send().await.unwrap();
        shoppers.push((site, shopper));
    }
    let orders =
        shoppers.iter().map(|(site, shopper)| shopper.post(site.at("/shop/checkout")).form(&contact).send());
    let answers = futures_util::future::join_all(orders).await;
    let sold = answers.into_iter().filter(|answer| answer.as_ref().unwrap().status() == 303).count();
    assert_eq!(sold, 5);
    assert_eq!(sites[0].stock("WHI-CHA-16").await, Some(0));
    for site in &sites {
        until_it_says(site, "/shop/products/whimbrel?colour=chalk&sail=1-6-m", "Sold out in this size").await;
    }
}

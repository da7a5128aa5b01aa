//! A small product page over a listing: chosen in its own way, bought from, closed by keyboard.

use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::key::Key;
use serde_json::json;
use sqlx::MySqlPool;

/// The document of the quick look, once it is there.
const PAGE: &str = "document.querySelector('.quick-look iframe')?.contentDocument";

#[sqlx::test(migrations = false)]
async fn a_product_is_chosen_and_bought_over_the_listing(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let apart = json!({ "page": "swatches", "card": "nothing", "quick": "list" });
    assert_eq!(owner.patch("/api/options/colour", &apart).await.status(), 200);
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        client.goto(&format!("{base}/shop")).await.unwrap();
        until(&client, "document.querySelector('[data-quick]:not([hidden])')").await;
        assert_eq!(ask(&client, "document.querySelectorAll('.on-card .cloth').length").await, 0);
        let whimbrel = "document.querySelector('[data-quick$=\"/whimbrel/quick\"]')";
        ask(&client, &format!("{whimbrel}.focus()")).await;
        client
            .active_element()
            .await
            .unwrap()
            .send_keys(&String::from(char::from(Key::Enter)))
            .await
            .unwrap();
        until(&client, &format!("{PAGE}?.querySelector('select[name=colour]')")).await;
        let radios = format!("{PAGE}.querySelectorAll('[type=radio][name=colour]').length");
        assert_eq!(ask(&client, &radios).await, 0, "a list here, swatches on the page");

        // A pick changes the price there, and leaves the listing's address alone.
        client.enter_frame(0).await.unwrap();
        until(&client, "document.querySelector('[data-ready]')").await;
        find(&client, "select[name=colour]").await.select_by_value("dusk").await.unwrap();
        find(&client, "label:has([value='2-4-m'])").await.click().await.unwrap();
        until(&client, "document.querySelector('.k-price').innerText.includes('74.00')").await;
        client
            .active_element()
            .await
            .unwrap()
            .send_keys(&String::from(char::from(Key::Escape)))
            .await
            .unwrap();
        client.enter_parent_frame().await.unwrap();
        until(&client, "!document.querySelector('.quick-look') && location.pathname === '/shop'").await;
        until(&client, &format!("document.activeElement === {whimbrel}")).await;

        ask(&client, &format!("{whimbrel}.click()")).await;
        until(&client, &format!("{PAGE}?.querySelector('select[name=colour]')")).await;
        client.enter_frame(0).await.unwrap();
        until(&client, "document.querySelector('[data-ready]')").await;
        find(&client, ".buy").await.click().await.unwrap();
        client.enter_parent_frame().await.unwrap();
        until(&client, "location.pathname === '/shop/cart' && document.body.innerText.includes('Whimbrel')")
            .await;
    })
    .await;
}

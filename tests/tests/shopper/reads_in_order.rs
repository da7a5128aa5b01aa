//! A page whose pieces stand in another order on phones is read and walked through as it is seen, on every screen.

use compagina_tests::{Browser, Screen, Site, ask, find, json_of, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::{Value, json};
use sqlx::MySqlPool;

/// The buy button of the sport kites' page above the options on phones, published.
async fn button_first(site: &Site) {
    let owner = site.owner().await;
    let draft = json_of(owner.get("/api/templates/2/desk").await).await["draft"].clone();
    let bands = draft["layout"]["bands"].as_array().unwrap().clone();
    let pieces = |band: &Value| -> Vec<(String, String)> {
        let columns = band["columns"].as_array().unwrap().iter();
        let pieces = columns.flat_map(|column| column["pieces"].as_array().unwrap());
        pieces.map(|one| (one["id"].as_str().unwrap().into(), one["kind"].as_str().unwrap().into())).collect()
    };
    let band = bands.iter().find(|band| pieces(band).iter().any(|(_, kind)| kind == "buy_button")).unwrap();
    let mut order = pieces(band);
    let button = order.iter().position(|(_, kind)| kind == "buy_button").unwrap();
    let button = order.remove(button);
    let options = order.iter().position(|(_, kind)| kind == "options").unwrap();
    order.insert(options, button);
    let names: Vec<String> = order.into_iter().map(|(id, _)| id).collect();
    let op = json!({ "op": "set", "target": { "band": band["id"] }, "setting": "order", "device": "phone", "value": names });
    let body = json!({ "revision": draft["revision"], "op": op });
    let set = json_of(owner.post("/api/templates/2/operations", &body).await).await;
    let body = json!({ "revision": set["revision"] });
    assert_eq!(owner.post("/api/drafts/template-2/publish", &body).await.status(), 200);
}

const SEEN: &str = "document.querySelector('.k-buy-button').getBoundingClientRect().top < document.querySelector('.k-options').getBoundingClientRect().top";

/// Which of the two the tabulator reaches first, from the top of the page.
async fn reached_first(client: &Client) -> String {
    ask(client, "document.querySelector('.skip').focus()").await;
    for _ in 0..60 {
        client.active_element().await.unwrap().send_keys(&Key::Tab.to_string()).await.unwrap();
        let at = "(document.activeElement.closest('.k-buy-button, .k-options') ?? document.body).className";
        let at = ask(client, at).await;
        if let Some(kind) =
            ["k-buy-button", "k-options"].into_iter().find(|kind| at.as_str().unwrap().contains(kind))
        {
            return kind.into();
        }
    }
    panic!("neither was reached");
}

#[sqlx::test(migrations = false)]
async fn on_phones_and_on_wide_screens_the_tabulator_goes_as_the_eye_does(pool: MySqlPool) {
    let site = Site::start(pool).await;
    button_first(&site).await;
    let base = site.base.clone();
    Browser::run(Screen::Phone, |client| async move {
        let client = &client;
        client.goto(&format!("{base}/shop/products/whimbrel")).await.unwrap();
        find(client, ".k-buy-button .buy").await;
        until(client, SEEN).await;
        until(client, "document.querySelector('.k-options').compareDocumentPosition(document.querySelector('.k-buy-button')) & 2").await;
        assert_eq!(reached_first(client).await, "k-buy-button");

        // Turned to a wide screen it is as it is listed, and back again.
        let browser = Browser { client: client.clone() };
        let size = |width: u32| json!({ "width": width, "height": 800, "deviceScaleFactor": 1, "mobile": false });
        browser.devtools("Emulation.setDeviceMetricsOverride", size(1280)).await;
        until(client, &format!("!({SEEN})")).await;
        until(client, "document.querySelector('.k-options').compareDocumentPosition(document.querySelector('.k-buy-button')) & 4").await;
        assert_eq!(reached_first(client).await, "k-options");
        let columns = "[...document.querySelectorAll('[data-on-phones] > .column')].map(column => column.childElementCount)";
        assert!(ask(client, columns).await.as_array().unwrap().iter().all(|count| count.as_u64().unwrap() > 0));
        browser.devtools("Emulation.setDeviceMetricsOverride", size(390)).await;
        until(client, SEEN).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn without_script_it_is_seen_in_that_order_too(pool: MySqlPool) {
    let site = Site::start(pool).await;
    button_first(&site).await;
    let base = site.base.clone();
    Browser::run(Screen::WideWithoutScript, |client| async move {
        let browser = Browser { client: client.clone() };
        let size = json!({ "width": 390, "height": 844, "deviceScaleFactor": 1, "mobile": false });
        browser.devtools("Emulation.setDeviceMetricsOverride", size).await;
        client.goto(&format!("{base}/shop/products/whimbrel")).await.unwrap();
        until(&client, SEEN).await;
        let nearest = "Math.round(document.querySelector('.k-options').getBoundingClientRect().top - document.querySelector('.k-buy-button').getBoundingClientRect().bottom)";
        assert!(ask(&client, nearest).await.as_i64().unwrap() >= 8, "they don't touch");
    })
    .await;
}

//! What follows the click on the buy button, the cart at the side of a page, and taking out with a way back.

use compagina_tests::{Browser, Owner, Screen, Site, ask, find, until};
use fantoccini::Client;
use serde_json::{Value, json};
use sqlx::MySqlPool;

const KITE: &str = "/shop/products/whimbrel?colour=ember&sail=1-6-m";

/// Sets the buy button of the kites' template and publishes it.
async fn set(owner: &Owner, setting: &str, value: &str) {
    let desk: Value = owner.get("/api/templates/2/desk").await.json().await.unwrap();
    let pieces = |band: &Value| {
        band["columns"]
            .as_array()
            .unwrap()
            .iter()
            .flat_map(|c| c["pieces"].as_array().unwrap().clone())
            .collect::<Vec<_>>()
    };
    let bands = desk["draft"]["layout"]["bands"].as_array().unwrap();
    let buy = bands.iter().flat_map(pieces).find(|piece| piece["kind"] == "buy_button").unwrap();
    let op = json!({ "op": "set", "target": { "piece": buy["id"] }, "setting": setting, "device": "wide", "value": value });
    let body = json!({ "revision": desk["draft"]["revision"], "op": op });
    let done: Value = owner.post("/api/templates/2/operations", &body).await.json().await.unwrap();
    let body = json!({ "revision": done["revision"], "name": "" });
    assert_eq!(owner.post("/api/drafts/template-2/publish", &body).await.status(), 200, "{done}");
}

async fn open(client: &Client, base: &str) {
    client.goto(&format!("{base}{KITE}")).await.unwrap();
    until(client, "document.querySelector('[data-ready]')").await;
}

#[sqlx::test(migrations = false)]
async fn the_cart_opens_at_the_side_and_gives_back_what_was_taken_out(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    set(&owner, "after", "side").await;
    set(&owner, "now", "Buy now").await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base).await;
        find(&client, ".k-buy-button .buy").await.click().await.unwrap();
        let side = "document.querySelector('dialog.side-cart[open]')";
        until(&client, &format!("{side}?.innerText.includes('Whimbrel is in the cart.')")).await;
        until(&client, "document.querySelector('[data-cart-count]').textContent === ' 1'").await;
        until(&client, "document.querySelector('.k-buy-button .buy').innerText === 'Added'").await;
        assert_eq!(ask(&client, "location.pathname").await, "/shop/products/whimbrel");

        // A number that is changed counts at once; what is taken out can be put back.
        let number = "document.querySelector('.side-cart [name=quantity]')";
        ask(
            &client,
            &format!("{number}.value = 3, {number}.dispatchEvent(new Event('change', {{ bubbles: true }}))"),
        )
        .await;
        until(&client, &format!("{side}?.innerText.includes('£204.00')")).await;
        find(&client, ".side-cart [name=remove]").await.click().await.unwrap();
        until(&client, &format!("{side}?.innerText.includes('Whimbrel was taken out.')")).await;
        find(&client, ".side-cart [action='/shop/cart/back'] button").await.click().await.unwrap();
        until(&client, &format!("{side}?.innerText.includes('£204.00')")).await;
        find(&client, ".side-close").await.click().await.unwrap();
        until(&client, &format!("!{side}")).await;

        // More than there are is refused in a sentence, and nothing moves.
        let number = find(&client, ".k-quantity input").await;
        number.clear().await.unwrap();
        number.send_keys("99").await.unwrap();
        ask(&client, "document.activeElement.blur()").await;
        until(&client, "document.querySelector('.k-buy-button .hint').innerText.includes('14')").await;

        // The second button goes straight on.
        open(&client, &base).await;
        find(&client, ".buy.second").await.click().await.unwrap();
        until(&client, "location.pathname === '/shop/checkout'").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_message_may_follow_the_click_and_the_page_stays(pool: MySqlPool) {
    let site = Site::start(pool).await;
    set(&site.owner().await, "after", "stay").await;
    let base = site.base.clone();
    Browser::run(Screen::Phone, |client| async move {
        open(&client, &base).await;
        client.execute("window.same = true", vec![]).await.unwrap();
        find(&client, ".k-buy-button .buy").await.click().await.unwrap();
        until(&client, "document.querySelector('.told-note')?.innerText === 'Whimbrel is in the cart.'")
            .await;
        assert_eq!(ask(&client, "window.same && !document.querySelector('dialog[open]')").await, true);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn without_script_the_same_clicks_lead_to_pages(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    let put = |after: &'static [&'static str]| {
        let mut form =
            vec![("product", "whimbrel"), ("colour", "ember"), ("sail", "1-6-m"), ("quantity", "1")];
        form.extend(after.iter().map(|after| ("after", *after)));
        let (shopper, address) = (&shopper, site.at("/shop/cart"));
        async move {
            let answer = shopper.post(address).form(&form).send().await.unwrap();
            answer.headers()["location"].to_str().unwrap().to_owned()
        }
    };
    assert_eq!(put(&[]).await, "/shop/cart");
    assert_eq!(put(&["checkout"]).await, "/shop/checkout?along=1", "what lay there before comes along");
    assert_eq!(
        put(&["side", "checkout"]).await,
        "/shop/checkout?along=1",
        "the button that was clicked counts"
    );
    assert!(put(&["side"]).await.starts_with("/shop/products/whimbrel?"));
    let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    let line = cart
        .split("name=\"line\" value=\"")
        .nth(1)
        .and_then(|rest| rest.split('"').next())
        .unwrap()
        .to_owned();
    let form = [("line", line.as_str()), ("remove", "1"), ("quantity", "4")];
    let gone = shopper.post(site.at("/shop/cart/set")).form(&form).send().await.unwrap();
    let to = gone.headers()["location"].to_str().unwrap().to_owned();
    assert_eq!(to, "/shop/cart?out=whimbrel&sku=WHI-EMB-16&n=4");
    let page = shopper.get(site.at(&to)).send().await.unwrap().text().await.unwrap();
    assert!(
        page.contains("Whimbrel was taken out.") && page.contains("The cart is empty")
            || page.contains("Put it back"),
        "{page}"
    );
    let back = [("product", "whimbrel"), ("sku", "WHI-EMB-16"), ("quantity", "4")];
    shopper.post(site.at("/shop/cart/back")).form(&back).send().await.unwrap();
    let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(cart.contains("£272.00"), "{cart}");
    let strange = shopper.get(site.at("/shop/cart?out=whimbrel&sku=%3Cscript%3E&n=2")).send().await.unwrap();
    assert!(!strange.text().await.unwrap().contains("taken out"));
}

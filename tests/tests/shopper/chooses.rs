//! Choosing by keyboard, taking a choice back, what moves by itself, and the list of variants.

use compagina_tests::{Browser, Owner, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::{Value, json};
use sqlx::MySqlPool;

const KITE: &str = "/shop/products/whimbrel?colour=ember&sail=1-6-m";

async fn publish(owner: &Owner, op: Value) {
    let desk: Value = owner.get("/api/templates/2/desk").await.json().await.unwrap();
    let body = json!({ "revision": desk["draft"]["revision"], "op": op });
    let done: Value = owner.post("/api/templates/2/operations", &body).await.json().await.unwrap();
    let body = json!({ "revision": done["revision"], "name": "" });
    assert_eq!(owner.post("/api/drafts/template-2/publish", &body).await.status(), 200, "{done}");
}

fn set(setting: &str, value: impl Into<Value>) -> Value {
    json!({ "op": "set", "target": { "piece": "p6" }, "setting": setting, "device": "wide", "value": value.into() })
}

async fn key(client: &Client, key: Key) {
    client.active_element().await.unwrap().send_keys(&String::from(char::from(key))).await.unwrap();
}

/// The name and value of the field that has the focus.
const FOCUS: &str = "document.activeElement.name + '=' + document.activeElement.value";

#[sqlx::test(migrations = false)]
async fn options_are_one_tab_stop_each_and_arrows_choose_within(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        client.goto(&format!("{base}{KITE}")).await.unwrap();
        until(&client, "document.querySelector('[data-ready]')").await;
        ask(&client, "document.querySelector('[name=colour]:checked').focus()").await;
        key(&client, Key::Right).await;
        until(&client, &format!("{FOCUS} === 'colour=dusk'")).await;
        until(&client, "document.querySelector('fieldset:has(input) strong').innerText === 'Dusk'").await;
        until(&client, "location.search.includes('colour=dusk')").await;
        key(&client, Key::Tab).await;
        until(&client, &format!("{FOCUS} === 'sail=1-6-m'")).await;
        // What can't be had is spoken with its reason, whatever it looks like.
        let spoken =
            "[...document.querySelectorAll('label.value[data-state=sold_out]')].map(l => l.textContent)";
        let spoken = ask(&client, spoken).await;
        assert!(!spoken.as_array().unwrap().is_empty());
        assert!(
            spoken.as_array().unwrap().iter().all(|said| said.as_str().unwrap().contains(", sold out")),
            "{spoken}"
        );
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_moves_is_told_and_a_choice_can_be_taken_back(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let start = json!({ "op": "many", "ops": [set("clears", true), set("clear", "Begin again")] });
    publish(&owner, start).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        client.goto(&format!("{base}/shop/products/whimbrel?colour=dusk&sail=2-4-m")).await.unwrap();
        until(&client, "document.querySelector('[data-clear]') && document.querySelector('[data-ready]')")
            .await;
        let click = |value: &'static str| {
            let client = &client;
            async move {
                ask(client, &format!("document.querySelector('input[value=\"{value}\"]').click()")).await
            }
        };
        // Chalk isn't made with the large sail.
        click("chalk").await;
        until(&client, "document.querySelector('.moved').innerText.startsWith('Sail is now')").await;
        click("ember").await;
        until(&client, "document.querySelector('.moved').hidden").await;
        // Again: nothing is chosen of the colours any more.
        click("ember").await;
        until(&client, "!document.querySelector('[name=colour]:checked')").await;
        until(&client, "!location.search.includes('colour')").await;
        find(&client, "[data-clear]").await.click().await.unwrap();
        until(&client, "location.search === '' && !document.querySelector('[name=sail]:checked')").await;
        until(&client, "document.querySelector('[data-clear]').hidden").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_list_of_variants_chooses_all_options_at_once_and_carries_them_into_the_cart(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let list = json!({ "op": "add_piece", "piece": { "id": "list", "kind": "variant_list", "values": {} },
        "at": { "column": "c3-1", "index": 0 } });
    publish(&owner, json!({ "op": "many", "ops": [list, { "op": "remove_piece", "piece": "p6" }] })).await;
    let base = site.base.clone();
    Browser::run(Screen::Phone, |client| async move {
        client.goto(&format!("{base}/shop/products/whimbrel")).await.unwrap();
        until(&client, "document.querySelectorAll('.variant-list a').length > 5").await;
        until(&client, "document.querySelector('[data-ready]')").await;
        let line = "document.querySelector('.variant-list a[data-key=\"colour=tide&sail=1-6-m\"]')";
        ask(&client, &format!("{line}.click()")).await;
        until(&client, &format!("{line}.getAttribute('aria-current') === 'true'")).await;
        until(&client, "document.querySelectorAll('.variant-list [aria-current]').length === 1").await;
        until(&client, "document.querySelector('input[name=colour][data-carry]').value === 'tide'").await;
        ask(&client, "document.querySelector('.k-buy-button .buy').click()").await;
        until(&client, "document.querySelector('.cart-lines')?.innerText.includes('Tide')").await;
    })
    .await;
}

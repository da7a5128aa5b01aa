//! Two options made one by mouse, and an option that only one product has.

use compagina_tests::desk::{click, kept};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use serde_json::json;
use sqlx::MySqlPool;

#[sqlx::test(migrations = false)]
async fn an_option_is_merged_after_its_plan_was_read(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    owner.post("/api/options", &json!({ "name": "Colours" })).await;
    owner.post("/api/options/colours/values", &json!({ "name": "ember" })).await;
    owner.post("/api/options/colours/values", &json!({ "name": "Plum" })).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        until(&client, "document.querySelector('.shelf')").await;
        client.goto(&format!("{base}/swatch-book/colours")).await.unwrap();
        until(&client, "document.querySelectorAll('ul.fan > li').length === 3").await;
        find(&client, "[aria-label='More about this option']").await.click().await.unwrap();
        click(&client, ".v-list-item", "Merge into").await;
        until(&client, "document.querySelector('[aria-label=\"Option that stays\"] option[value=colour]')").await;
        find(&client, "[aria-label='Option that stays']").await.select_by_value("colour").await.unwrap();
        until(&client, "document.querySelector('.dialog-sheet dl')?.innerText.includes('Plum')").await;
        click(&client, ".dialog-sheet button", "Merge into Colour").await;
        until(&client, "location.pathname === '/swatch-book/colour'").await;
        until(&client, "document.querySelector('ul.fan').innerText.includes('Plum')").await;
        until(&client, "![...document.querySelectorAll('.options .line')].some(l => l.innerText.startsWith('Colours'))").await;

        // Swatches of one product only, with the reason.
        click(&client, "ul.fan button", "Ember").await;
        click(&client, ".panel button", "Different on one product").await;
        until(&client, "document.querySelector('.own select option')").await;
        find(&client, ".own .why").await.send_keys("Another mill").await.unwrap();
        click(&client, ".own button", "Save").await;
        until(&client, "document.querySelector('[aria-label=\"Products with swatches of their own\"]')?.innerText.includes('Another mill')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_product_gets_an_option_of_its_own_and_its_variants_a_picture(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        until(&client, "document.querySelector('.shelf')").await;
        client.goto(&format!("{base}/products/whimbrel/variants")).await.unwrap();
        click(&client, "button", "Options and values").await;
        until(&client, "document.querySelectorAll('.dialog-sheet fieldset').length === 2").await;
        find(&client, ".dialog-sheet .own").await.send_keys("Tail: none, long").await.unwrap();
        click(&client, ".dialog-sheet button", "Add").await;
        until(&client, "document.querySelectorAll('.dialog-sheet fieldset').length === 3").await;
        click(&client, ".dialog-sheet button", "Save").await;
        until(
            &client,
            "[...document.querySelectorAll('[role=columnheader]')].some(c => c.innerText === 'Tail')",
        )
        .await;

        until(&client, "document.querySelectorAll('.pic img.lent').length > 2").await;
        find(&client, "[aria-label='Choose WHI-EMB-16']").await.click().await.unwrap();
        find(&client, "[aria-label='What is set']").await.select_by_value("picture").await.unwrap();
        ask(&client, "document.querySelectorAll('.pictures button')[3].click()").await;
        until(&client, "document.querySelector('.pic img:not(.lent)')").await;
        kept(&client).await;
        client.goto(&format!("{base}/shop/products/whimbrel?colour=ember&sail=1-6-m")).await.unwrap();
        let first = "JSON.parse(document.getElementById('offers').textContent)";
        until(&client, &format!("Object.values({first}.entries).some(e => e.pictures[0] === 3)")).await;
    })
    .await;
}

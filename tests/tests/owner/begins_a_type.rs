//! An owner composes the page of a product type before its first product exists.

use compagina_tests::desk::{choose, click, in_both, proofs_are_drawn, type_value, value_says};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::key::Key;
use fantoccini::{Client, Locator};
use sqlx::MySqlPool;

async fn pick(client: &Client, label: &str, value: &str) {
    let list = client.find(Locator::XPath(&format!("//label[span='{label}']//select"))).await.unwrap();
    list.select_by_value(value).await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn a_page_is_composed_with_a_sample_that_the_first_product_replaces(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        click(&client, ".shelf header button", "New product type").await;
        let name = find(&client, "[placeholder='Power kites']").await;
        name.send_keys("Power kites").await.unwrap();
        pick(&client, "Begin with what another type has", "sport-kites").await;
        until(
            &client,
            "document.querySelector('.fields .pill[aria-pressed=true]')?.textContent.includes('Colour')",
        )
        .await;
        click(&client, ".v-dialog button", "Compose their page").await;
        until(&client, "location.search === '?product=sample-of-power-kites'").await;
        proofs_are_drawn(&client).await;
        in_both(&client, "page.querySelector('h1').textContent.includes('Sample of Power kites')").await;

        // An edit for the type is kept for the products to come.
        choose(&client, "Buy button").await;
        assert_eq!(ask(&client, "document.querySelectorAll('.scope .levels button').length").await, 2);
        click(&client, ".scope .levels button", "Power kites").await;
        type_value(&client, "words:wide", "Take the pull").await;
        in_both(&client, "page.querySelector('.k-buy-button').textContent.includes('Take the pull')").await;

        client.goto(&base).await.unwrap();
        click(&client, ".rooms button", "Add the first product").await;
        let name = find(&client, ".v-dialog form input").await;
        name.send_keys(&format!("Gannet{}", Key::Enter)).await.unwrap();
        until(&client, "location.pathname === '/products/gannet/variants'").await;
        client.goto(&format!("{base}/templates/2?product=gannet")).await.unwrap();
        proofs_are_drawn(&client).await;
        in_both(&client, "page.querySelector('h1').textContent.includes('Gannet')").await;
        choose(&client, "Buy button").await;
        click(&client, ".scope .levels button", "Power kites").await;
        until(&client, &format!("{} === 'Take the pull'", value_says("words:wide"))).await;
        let of = "document.querySelector('.leaf .product').textContent";
        until(&client, &format!("{of}.includes('13 of 13')")).await;
    })
    .await;
}

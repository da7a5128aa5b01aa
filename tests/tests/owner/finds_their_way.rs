//! From signing in over the shelf to the desk; reach; situations; two owners on one template.

use compagina_tests::desk::pick_value;
use compagina_tests::{Browser, EMAIL, PASSWORD, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::json;
use sqlx::MySqlPool;

async fn click(client: &Client, css: &str) {
    find(client, css).await.click().await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn from_signing_in_to_the_desk_by_the_shelf(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        client.goto(&format!("{base}/templates/2")).await.unwrap();
        until(&client, "location.pathname === '/sign-in'").await;
        find(&client, "input[name=email]").await.send_keys(EMAIL).await.unwrap();
        find(&client, "input[name=password]").await.send_keys("wrong").await.unwrap();
        click(&client, "button[type=submit]").await;
        until(&client, "document.querySelector('p[role=alert]')?.textContent.includes('belong together')")
            .await;
        let again = format!("{}a{}{PASSWORD}", Key::Control, Key::Control);
        find(&client, "input[name=password]").await.send_keys(&again).await.unwrap();
        click(&client, "button[type=submit]").await;
        until(&client, "location.pathname === '/templates/2'").await;
        click(&client, "nav a[href='/']").await;
        until(&client, "document.querySelectorAll('.shelf li').length === 28").await;
        ask(&client, "document.querySelector('.card[href*=plover]').click()").await;
        until(&client, "document.querySelector('.product')?.textContent.includes('Plover')").await;
        until(&client, "document.querySelector('.order .row')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_templates_reach_is_changed_and_explained(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let other = site.owner().await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/templates")).await.unwrap();
        until(&client, "document.querySelectorAll('tbody tr').length === 12").await;
        click(&client, "[aria-label=Templates] tbody tr:nth-child(2) .acts button").await;
        until(&client, "document.querySelector('.shift')?.innerText.includes('No product changes')").await;
        click(&client, "input[value='lines-and-winders']").await;
        // What that moves is told before it is kept.
        until(&client, "document.querySelector('.shift').innerText.includes('By the metre → Sport kites')")
            .await;
        // Somebody else moves a kite away meanwhile: that is told, and nothing of what was chosen is lost.
        let moving = json!({ "what": "product", "product": "curlew", "to": 3 });
        assert_eq!(other.shift(moving).await.status(), 200);
        click(&client, "form.dialog-sheet button[type=submit]").await;
        until(
            &client,
            "document.querySelector('form p[role=alert]')?.innerText.startsWith('Somebody else has changed')",
        )
        .await;
        let kept = "document.querySelector('.shift').innerText.includes('By the metre → Sport kites')";
        until(
            &client,
            &format!("{kept} && document.querySelector('.shift').innerText.includes('4 products')"),
        )
        .await;
        let reached = |products: u8| {
            format!(
                "document.querySelector('tbody tr:nth-child(2)').textContent.includes('{products} products')"
            )
        };
        until(&client, &reached(11)).await;
        click(&client, "form.dialog-sheet button[type=submit]").await;
        until(&client, &reached(15)).await;
        let cell =
            "document.querySelector('[aria-label^=\"Lines and winders, Sport kites: serves 4 of 4\"]')";
        until(&client, &format!("{cell}.textContent.includes('tied')")).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn the_situation_puts_any_state_on_the_desk_and_a_value_rejoins_its_house(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        let phone = "document.querySelector('iframe[title=\"Proof, Phone\"]')?.contentDocument";
        let button = format!("{phone}?.querySelector('.k-buy-button .buy')?.innerText");
        until(&client, &format!("{button} === 'Add to cart'")).await;
        until(&client, "document.querySelectorAll('.order .fold').length === 2").await;
        // Stock: none, in two clicks.
        ask(&client, "[...document.querySelectorAll('.part')].find(p => p.textContent.includes('Stock')).click()").await;
        until(&client, "[...document.querySelectorAll('.v-list-item')].some(i => i.textContent.trim() === 'none')").await;
        ask(&client, "[...document.querySelectorAll('.v-list-item')].find(i => i.textContent.trim() === 'none').click()").await;
        until(&client, &format!("{button} === 'Sold out'")).await;
        // The saving in money, and back to the house style by Rejoin.
        click(&client, ".order .row[data-piece=p5] .what").await;
        pick_value(&client, "saving:wide", "amount").await;
        until(&client, &format!("{phone}.querySelector('.k-price').innerText.includes('Save £17.00')")).await;
        let cell = find(&client, ".slip [data-value='saving:wide'] button").await;
        cell.send_keys(&Key::Delete.to_string()).await.unwrap();
        until(&client, &format!("{phone}.querySelector('.k-price').innerText.includes('−20 %')")).await;
        // Pointing at a piece in a proof chooses it in the order.
        ask(&client, &format!("{phone}.querySelector('.k-title h1').click()")).await;
        until(&client, "document.querySelector('.slip h2').textContent.includes('Title')").await;
    })
    .await;
}

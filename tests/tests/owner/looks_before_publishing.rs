//! An owner looks at what a house style and a swatch would change, page by page, before shoppers see it.

use compagina_tests::desk::{click, type_into};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::key::Key;
use serde_json::json;
use sqlx::MySqlPool;

/// The custom property of the page on one side, `0` before and `1` after.
fn side(at: u8, property: &str) -> String {
    format!(
        "(frame => frame?.contentDocument?.readyState === 'complete' && frame.contentWindow.getComputedStyle(frame.contentDocument.documentElement).getPropertyValue('{property}'))(document.querySelectorAll('.pair iframe')[{at}])"
    )
}

#[sqlx::test(migrations = false)]
async fn a_house_style_is_published_where_its_pages_were_looked_at(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    owner.put("/api/house", &json!({ "revision": 0, "key": "sale", "value": "#E8B84A" })).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/house-style")).await.unwrap();
        click(&client, ".view-head a", "What changes where").await;
        until(&client, "document.querySelector('[data-test=count]').textContent === '3 pages change of 28'").await;
        let told = ask(&client, "document.querySelector('.way').innerText").await;
        let told = told.as_str().unwrap();
        assert!(told.starts_with("To mend: Sale mark can’t be read by everybody"), "{told}");
        until(&client, &format!("{} === '#B8420F'", side(0, "--sale"))).await;
        until(&client, &format!("{} === '#E8B84A'", side(1, "--sale"))).await;
        click(&client, ".way li button", "Repair kit club").await;
        until(&client, "document.querySelectorAll('.pair iframe')[1].contentDocument?.querySelector('h1')?.textContent === 'Repair kit club'").await;
        find(&client, "[data-test=publish]").await.click().await.unwrap();
        until(&client, "location.pathname === '/house-style'").await;
        until(&client, "document.querySelector('[data-test=state]')?.textContent.includes('nothing changed')").await;
        assert_eq!(ask(&client, "document.querySelectorAll('.view-head a').length").await, 0, "nothing waits");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_swatch_is_tried_and_then_shown(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/swatch-book/colour")).await.unwrap();
        click(&client, ".fan button, .value", "Ember").await;
        click(&client, ".panel a", "Try a swatch").await;
        let cloth = |at: u8| format!("document.querySelectorAll('.pair iframe')[{at}]?.contentDocument?.querySelector('.k-options .cloth')?.style.background");
        until(&client, &cloth(0)).await;
        type_into(&client, ".colours input:not([type=color])", &format!("#123456{}", Key::Enter)).await;
        until(&client, "document.querySelector('.ways')?.innerText.includes('“Ember” is shown otherwise')").await;
        until(&client, &format!("{} === 'rgb(18, 52, 86)' && {} !== 'rgb(18, 52, 86)'", cloth(1), cloth(0))).await;
        find(&client, "[data-test=publish]").await.click().await.unwrap();
        until(&client, "location.pathname === '/swatch-book/colour'").await;
        let page = reqwest::get(format!("{base}/shop/products/whimbrel")).await.unwrap().text().await.unwrap();
        assert!(page.contains("background:#123456"));
    })
    .await;
}

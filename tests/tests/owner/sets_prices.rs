//! A rule made, tried and put in force by its owner, and met by a shopper.

use compagina_tests::desk::{click, pick_product};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use sqlx::MySqlPool;

async fn write(client: &Client, css: &str, text: &str) {
    let field = find(client, css).await;
    field.clear().await.unwrap();
    field.send_keys(text).await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn a_rule_is_made_tried_and_put_in_force(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        click(&client, "nav a", "Prices").await;
        until(&client, "document.querySelectorAll('.rule').length === 3").await;
        click(&client, ".head button", "New rule").await;
        write(&client, ".panel input[maxlength='80']", "Anniversary").await;
        write(&client, "[aria-label='Step 1: how much']", "25").await;
        click(&client, ".panel button", "Save").await;
        until(&client, "document.querySelectorAll('.rule').length === 4").await;
        until(&client, "document.querySelector('.rule.chosen').innerText.includes('−25 %')").await;
        // It meets the others, and the bench tells what it did.
        until(
            &client,
            "document.querySelector('.rule.chosen').innerText.includes('overlaps with Lines by the number')",
        )
        .await;
        until(&client, "document.querySelector('.bench ol').innerText.includes('Anniversary taken')").await;
        click(&client, ".view-head button", "Publish").await;
        until(&client, "document.querySelectorAll('.moves tbody tr').length > 5").await;
        click(&client, ".dialog-sheet button", "Publish").await;
        until(&client, "document.querySelector('.chip').innerText.includes('Live')").await;
        client.goto(&format!("{base}/shop/products/plover")).await.unwrap();
        until(&client, "document.querySelector('.k-price').innerText.includes('−25 %')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn raising_the_number_on_a_ladder_changes_price_and_hint_without_a_reload(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        client.goto(&format!("{base}/shop/products/braided-line?reel=25-m")).await.unwrap();
        until(&client, "document.querySelector('[data-ready]')").await;
        client.execute("window.same = true", vec![]).await.unwrap();
        let price = "document.querySelector('.k-price').innerText";
        until(&client, &format!("{price}.includes('£9.00') && !{price}.includes('%')")).await;
        until(
            &client,
            "document.querySelector('.k-price-ladder').innerText.includes('2 more, and each costs £8.55')",
        )
        .await;
        write(&client, "[name=quantity]", "8").await;
        ask(&client, "document.activeElement.blur()").await;
        until(
            &client,
            &format!("{price}.includes('£8.10') && {price}.includes('£9.00') && {price}.includes('−10 %')"),
        )
        .await;
        until(&client, "document.querySelector('[data-rung][aria-current]').innerText.startsWith('from 6')")
            .await;
        until(
            &client,
            "document.querySelector('.k-price-ladder').innerText.includes('4 more, and each costs £7.20')",
        )
        .await;
        assert_eq!(ask(&client, "window.same").await, true, "the page was not loaded anew");
        find(&client, ".k-buy-button .buy").await.click().await.unwrap();
        until(&client, "location.pathname === '/shop/cart'").await;
        until(&client, "document.querySelector('.cart-sum').innerText.includes('£64.80')").await;

        // With eight in the cart the next one costs as much, and the page says so when it is opened.
        client.goto(&format!("{base}/shop/products/braided-line?reel=25-m")).await.unwrap();
        until(&client, &format!("{price}.includes('£8.10')")).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_plan_is_made_and_tried_and_a_price_that_says_too_much_is_mended(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        click(&client, "nav a", "Prices").await;
        until(&client, "document.querySelectorAll('.plan').length === 4").await;
        click(&client, ".head button", "New plan").await;
        write(&client, "[aria-label='Every so many']", "4").await;
        write(&client, "[aria-label='Saves, in percent']", "12.5").await;
        let reach = find(&client, "[aria-label='For what']").await;
        reach.select_by_value("all").await.unwrap();
        click(&client, ".panel button", "Save").await;
        until(
            &client,
            "document.querySelector('.plan.chosen').innerText.includes('every 4 weeks, 12.5 % less')",
        )
        .await;
        // The bench tries it: 14.00 less an eighth is 12.25.
        pick_product(&client, ".bench [aria-label^='Product:']", "Line care kit").await;
        until(&client, "document.querySelectorAll('.bench select')[1]?.options.length === 4").await;
        let plans = client.find_all(fantoccini::Locator::Css(".bench select")).await.unwrap();
        plans[1].select_by_label("every 4 weeks, 12.5 % less").await.unwrap();
        until(&client, "document.querySelector('.bench .price').innerText.includes('£12.25')").await;

        // What is to mend leads to the place, and one click mends it.
        click(&client, ".head button", "Close").await;
        click(&client, ".mend a", "Line care kit").await;
        click(&client, ".dialog-sheet button", "Take that one").await;
        click(&client, ".dialog-sheet button", "Save").await;
        until(&client, "!document.querySelector('.dialog-sheet')").await;
        click(&client, "nav a", "Prices").await;
        until(&client, "document.querySelector('.plan') && !document.querySelector('.mend')").await;
        client.goto(&format!("{base}/shop/products/line-care-kit")).await.unwrap();
        until(&client, "document.querySelector('.k-price').innerText.includes('£16.50')").await;
    })
    .await;
}

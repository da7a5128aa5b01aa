//! Chosen and bought in a listing, without leaving it.

use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use serde_json::json;
use sqlx::MySqlPool;

/// A listing of kites on cards that buy.
async fn in_the_listing<F: Future<Output = ()>>(pool: MySqlPool, steps: impl FnOnce(Client) -> F) {
    let site = Site::start(pool).await;
    site.owner().await.live_card("buying").await;
    Browser::run(Screen::Wide, |client| async move {
        client.goto(&site.at("/shop/types/sport-kites")).await.unwrap();
        until(&client, "document.readyState === 'complete'").await;
        steps(client).await;
    })
    .await;
}

/// Clicks that a purchase takes are counted.
async fn click(client: &Client, css: &str, count: &mut usize) {
    until(client, &format!("document.querySelector(`{css}`)?.checkVisibility()")).await;
    ask(client, &format!("document.querySelector(`{css}`).scrollIntoView({{ block: 'center' }})")).await;
    find(client, css).await.click().await.unwrap();
    *count += 1;
}

#[sqlx::test(migrations = false)]
async fn three_products_are_bought_from_one_listing(pool: MySqlPool) {
    in_the_listing(pool, |client| async move {
        let client = &client;
        let wanted = [
            ("whimbrel", vec![("colour", "dusk"), ("sail", "2-4-m")]),
            ("dunlin", vec![]),
            ("whimbrel", vec![("colour", "ember"), ("sail", "1-6-m")]),
        ];
        for (place, (product, choices)) in wanted.iter().enumerate() {
            let mut clicks = 0;
            let card = format!("#card-{product}");
            for (option, value) in choices {
                click(client, &format!("{card} label:has([name={option}][value='{value}'])"), &mut clicks)
                    .await;
                let chosen =
                    format!("document.querySelector(`{card} [name={option}][value='{value}']`).checked");
                until(client, &chosen).await;
            }
            if choices.is_empty() {
                // Whatever it is chosen by, the first of each.
                let open =
                    format!("document.querySelector(`{card} .card-option:not(:has(:checked)) .value`)");
                while ask(client, &format!("!!{open}")).await == json!(true) {
                    click(client, &format!("{card} .card-option:not(:has(:checked)) .value"), &mut clicks)
                        .await;
                }
            }
            let ready =
                format!("document.querySelector(`{card} [data-buy]`).innerText.includes('Add to cart')");
            until(client, &ready).await;
            click(client, &format!("{card} [data-buy]"), &mut clicks).await;
            until(client, "document.querySelector('.side-cart[open]')").await;
            assert!(clicks <= 4, "{product}: {clicks} clicks");
            let held =
                format!("document.querySelector('[data-cart-count]').textContent.trim() === '{}'", place + 1);
            until(client, &held).await;
            find(client, ".side-close").await.click().await.unwrap();
            until(client, "!document.querySelector('.side-cart[open]')").await;
            assert_eq!(ask(client, "location.pathname").await, "/shop/types/sport-kites");
        }
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn choosing_changes_the_card_and_what_is_missing_is_asked_for_on_it(pool: MySqlPool) {
    in_the_listing(pool, |client| async move {
        let client = &client;
        let card = "#card-whimbrel";
        let mut clicks = 0;
        click(client, &format!("{card} [data-buy]"), &mut clicks).await;
        until(client, &format!("document.querySelectorAll('{card} [data-missing]').length === 2")).await;
        until(client, &format!("document.activeElement.closest('{card} .card-option')")).await;
        let told = ask(client, &format!("document.querySelector('{card} .moved').innerText")).await;
        assert!(told.as_str().unwrap().contains("Colour"), "{told}");
        assert_eq!(ask(client, "document.querySelector('.side-cart')").await, json!(null));

        let before = ask(client, &format!("document.querySelector('{card} .shown img').src")).await;
        click(client, &format!("{card} label:has([value='tide'])"), &mut clicks).await;
        until(client, &format!("document.querySelector('{card} .shown img').src !== {before}")).await;
        until(client, &format!("document.querySelector('{card} .card-name').search === '?colour=tide'")).await;
        click(client, &format!("{card} label:has([value='2-4-m'])"), &mut clicks).await;
        until(client, &format!("document.querySelector('{card} .now').innerText === '£74.00'")).await;
        let others = ask(client, "[...document.querySelectorAll('.on-card')].filter(c => c.querySelector('.now')?.innerText === '£74.00').length").await;
        assert_eq!(others, json!(1), "no other card changes");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn beside_an_open_cart_one_chooses_and_buys_more_without_leaving(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let steps = json!([{ "from": 1, "kind": "percent", "value": "10" }]);
    let dunlin = json!({ "of": "products", "products": ["dunlin"] });
    let rule = json!({ "name": "A second kite", "reach": dunlin, "steps": steps, "with": ["whimbrel"] });
    owner.live_rule(rule).await;
    owner.live_card("buying").await;
    Browser::run(Screen::Phone, |client| async move {
        let client = &client;
        client.goto(&site.at("/shop/types/sport-kites")).await.unwrap();
        let mut clicks = 0;
        click(client, "#card-whimbrel label:has([value='ember'])", &mut clicks).await;
        click(client, "#card-whimbrel label:has([value='1-6-m'])", &mut clicks).await;
        let ready = "document.querySelector('#card-whimbrel [data-buy]').innerText.includes('Add to cart')";
        until(client, ready).await;
        click(client, "#card-whimbrel [data-buy]", &mut clicks).await;
        // The same product has a card in the listing below; the one beside the cart has the price of both together.
        let now = "document.querySelector('.side-cart #side-card-dunlin .now')?.innerText";
        until(client, &format!("{now} === '£116.10'")).await;
        click(client, "#side-card-dunlin label:has([value='slate'])", &mut clicks).await;
        let price = "document.querySelector('#side-card-dunlin [name=colour][value=slate]').checked";
        until(client, &format!("{price} && {now} === '£116.10'")).await;
        let ready =
            "document.querySelector('#side-card-dunlin [data-buy]').innerText.includes('Add to cart')";
        until(client, ready).await;
        click(client, "#side-card-dunlin [data-buy]", &mut clicks).await;
        until(client, "document.querySelector('.side-cart').innerText.includes('A second kite: −£12.90')")
            .await;
        until(client, "document.querySelector('[data-cart-count]').textContent.trim() === '2'").await;
        assert_eq!(ask(client, "document.querySelector('#side-card-dunlin')").await, json!(null));
        assert_eq!(ask(client, "location.pathname").await, "/shop/types/sport-kites");
    })
    .await;
}

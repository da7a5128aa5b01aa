//! Plans, a name written onto something, steps of a number, what goes with the cart, the wish list, and going straight to a
//! provider.

use compagina_tests::{ADDRESS, Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use reqwest::StatusCode;
use sqlx::MySqlPool;

async fn open(client: &Client, base: &str, path: &str) {
    client.goto(&format!("{base}/shop/products/{path}")).await.unwrap();
    until(client, "document.querySelector('[data-ready]')").await;
}

const PRICE: &str = "document.querySelector('.k-price').innerText";

#[sqlx::test(migrations = false)]
async fn a_plan_and_a_name_change_the_price_at_once_and_the_order_keeps_them(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base, "line-care-kit").await;
        client.execute("window.same = true", vec![]).await.unwrap();
        find(&client, ".plan input[value='1']").await.click().await.unwrap();
        until(&client, &format!("{PRICE}.includes('£12.60')")).await;
        assert_eq!(ask(&client, "window.same").await, true, "without a reload");
        find(&client, ".k-buy-button .buy").await.click().await.unwrap();
        until(&client, "document.querySelector('.cart-line').innerText.includes('Every 8 weeks')").await;
        let line = "document.querySelector('.cart-line').innerText";
        until(&client, &format!("{line}.includes('Saving of the plan: −£1.40')")).await;

        open(&client, &base, "name-banner?colour=tide").await;
        let text = find(&client, "[name=text]").await;
        text.send_keys("Ada\nLovelace").await.unwrap();
        until(&client, &format!("{PRICE}.includes('£45.00')")).await;
        until(&client, "document.querySelector('.text-count').innerText === '8 of 12'").await;
        text.clear().await.unwrap();
        until(&client, &format!("{PRICE}.includes('£39.00')")).await;
        // What can't be sewn on is told, and nothing of it is lost.
        text.send_keys("Ada 7").await.unwrap();
        find(&client, ".k-buy-button .buy").await.click().await.unwrap();
        until(&client, "document.querySelector('.notice')?.innerText.includes('“7” can')").await;
        assert_eq!(ask(&client, "document.querySelector('[name=text]').value").await, "Ada 7");
        let text = find(&client, "[name=text]").await;
        text.clear().await.unwrap();
        text.send_keys("Ada").await.unwrap();
        find(&client, ".k-buy-button .buy").await.click().await.unwrap();
        until(&client, "document.querySelector('.cart-sum')?.innerText.includes('£57.60')").await;
        until(&client, "document.body.innerText.includes('“Ada”')").await;
        until(&client, "document.body.innerText.includes('Writing it on: +£6.00')").await;
        until(&client, "document.querySelector('.cart-sum').innerText.includes('£9.60')").await;

        find(&client, "a.buy").await.click().await.unwrap();
        for (name, value) in ADDRESS {
            find(&client, &format!("form [name={name}]")).await.send_keys(value).await.unwrap();
        }
        find(&client, "form button.buy").await.click().await.unwrap();
        until(&client, "document.querySelector('h1').innerText === 'Thank you'").await;
        let order = "document.querySelector('.order-lines').innerText";
        until(&client, &format!("{order}.includes('Every 8 weeks') && {order}.includes('“Ada”')")).await;
        // The owner finds the confirmation among the messages.
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/messages")).await.unwrap();
        until(&client, "document.querySelector('pre')?.innerText.includes('Every 8 weeks')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_is_sold_in_pairs_says_so_and_the_number_keeps_to_it(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Phone, |client| async move {
        open(&client, &base, "connector-set").await;
        let field = "document.querySelector('.k-quantity input')";
        assert_eq!(
            ask(&client, &format!("[{field}.value, {field}.min, {field}.step, {field}.max]"))
                .await
                .to_string(),
            r#"["4","4","2","30"]"#
        );
        until(
            &client,
            "document.querySelector('.k-quantity').innerText.includes('At least 4, in steps of 2.')",
        )
        .await;
        let number = find(&client, ".k-quantity input").await;
        number.clear().await.unwrap();
        number.send_keys("5").await.unwrap();
        ask(&client, "document.activeElement.blur()").await;
        until(&client, "document.querySelector('.k-buy-button .hint').innerText.includes('steps of 2')")
            .await;
    })
    .await;
    let shopper = site.shopper();
    let put = |number: &'static str| {
        let form = [("product", "connector-set"), ("quantity", number)];
        shopper.post(site.at("/shop/cart")).form(&form).send()
    };
    assert_eq!(put("2").await.unwrap().status(), StatusCode::CONFLICT);
    assert_eq!(put("7").await.unwrap().status(), StatusCode::CONFLICT);
    assert_eq!(put("6").await.unwrap().status(), StatusCode::SEE_OTHER);
    let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(cart.contains("£21.00"), "{cart}");
}

#[sqlx::test(migrations = false)]
async fn something_is_kept_for_later_and_bought_from_the_list(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base, "braided-line?reel=50-m").await;
        assert_eq!(ask(&client, "document.querySelector('[data-wish-link]').hidden").await, true);
        find(&client, "[data-wish]").await.click().await.unwrap();
        until(&client, "document.querySelector('[data-wish]').innerText === 'On your wish list'").await;
        until(&client, "document.querySelector('[data-wish]').ariaPressed === 'true'").await;
        find(&client, "[data-wish-link]").await.click().await.unwrap();
        until(&client, "document.querySelector('.wish-line').innerText.includes('Reel: 50 m')").await;
        until(&client, "document.querySelector('.wish-line').innerText.includes('£16.50')").await;
        find(&client, ".wish-line .buy").await.click().await.unwrap();
        until(&client, "document.querySelector('.cart-line')?.innerText.includes('Reel: 50 m')").await;
        client.goto(&format!("{base}/shop/wishes")).await.unwrap();
        find(&client, "[name=drop]").await.click().await.unwrap();
        until(&client, "document.body.innerText.includes('You keep nothing for later yet.')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn without_script_a_wish_is_kept_by_a_form(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    let form = [("product", "whimbrel"), ("colour", "tide"), ("sail", "1-6-m"), ("quantity", "1")];
    let kept = shopper.post(site.at("/shop/wishes")).form(&form).send().await.unwrap();
    let to = kept.headers()["location"].to_str().unwrap().to_owned();
    assert_eq!(to, "/shop/products/whimbrel?colour=tide&sail=1-6-m&kept=1");
    let page = shopper.get(site.at(&to)).send().await.unwrap().text().await.unwrap();
    assert!(page.contains("It is on your wish list.") && page.contains("href=\"/shop/wishes\""));
    let list = shopper.get(site.at("/shop/wishes")).send().await.unwrap().text().await.unwrap();
    assert!(list.contains("Colour: Tide · Sail: 1.6 m"), "{list}");
    let other = site.shopper().get(site.at("/shop/wishes")).send().await.unwrap().text().await.unwrap();
    assert!(other.contains("You keep nothing for later yet."), "a list belongs to its shopper");
}

#[sqlx::test(migrations = false)]
async fn what_goes_with_the_cart_is_offered_and_costs_less_only_with_it(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base, "whimbrel?colour=ember&sail=1-6-m").await;
        find(&client, ".k-buy-button .buy").await.click().await.unwrap();
        until(&client, "document.querySelector('.goes').innerText.includes('Line care kit')").await;
        find(&client, ".goes button").await.click().await.unwrap();
        until(&client, "document.body.innerText.includes('Care for a new kite: −£3.50')").await;
        until(&client, "document.querySelector('.cart-sum').innerText.includes('£78.50')").await;
        assert_eq!(ask(&client, "document.querySelector('.goes')").await, serde_json::Value::Null);
        // Without the kite the kit costs what it costs alone; the shopper's own change isn't told as news.
        find(&client, "[aria-label='Remove: Whimbrel']").await.click().await.unwrap();
        until(&client, "document.querySelector('.cart-sum').innerText.includes('£14.00')").await;
        assert_eq!(
            ask(&client, "document.querySelector('.cart-what .problem')").await,
            serde_json::Value::Null
        );
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_shortcut_leads_to_the_checkout_with_the_provider_that_suits(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    let form = [("product", "hand-winder"), ("quantity", "1"), ("pay", "harbour")];
    let answer = shopper.post(site.at("/shop/cart")).form(&form).send().await.unwrap();
    let to = answer.headers()["location"].to_str().unwrap().to_owned();
    assert_eq!(to, "/shop/checkout?pay=harbour");
    let page = shopper.get(site.at(&to)).header("accept-language", "de-AT").send().await.unwrap();
    let page = page.text().await.unwrap();
    assert!(page.contains("value=\"harbour\" checked"), "{page}");
    let order = |language: &'static str, agent: &'static str| {
        let request = shopper.get(site.at("/shop/pay-order")).header("accept-language", language);
        async move {
            let all: serde_json::Value =
                request.header("user-agent", agent).send().await.unwrap().json().await.unwrap();
            let first = all[0].clone();
            format!("{} {}", first["provider"].as_str().unwrap(), first["because"].as_str().unwrap())
        }
    };
    assert_eq!(order("en-GB,en;q=0.8", "Desk").await, "harbour country");
    assert_eq!(order("de-AT", "Desk").await, "leuchtturm country");
    assert_eq!(order("en-GB", "Something Mobile").await, "tern device");
    assert_eq!(order("*", "Desk").await, "card listed");
    let base = site.base.clone();
    Browser::run(Screen::Phone, |client| async move {
        open(&client, &base, "hand-winder").await;
        until(&client, "document.querySelector('.pay-row button:not([hidden])').value === 'tern'").await;
        assert_eq!(
            ask(&client, "document.querySelectorAll('.pay-row button:not([hidden])').length").await,
            2
        );
        // Also where the buy button opens the cart at the side.
        let aside = "document.getElementById('buy').insertAdjacentHTML('beforeend', '<input type=hidden name=after value=side>')";
        client.execute(aside, vec![]).await.unwrap();
        find(&client, ".pay-row button").await.click().await.unwrap();
        until(&client, "document.querySelector('[name=provider]:checked')?.value === 'tern'").await;
    })
    .await;
}

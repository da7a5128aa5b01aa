//! A shopper chooses a variant and buys it, with script and without.

use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::key::Key;
use fantoccini::{Client, Locator};
use sqlx::MySqlPool;

async fn click(client: &Client, css: &str) {
    find(client, css).await.click().await.unwrap();
}

/// Waits until an element says something; a page that is just being left may answer first.
async fn says(client: &Client, css: &str, words: &str) {
    for _ in 0..300 {
        if let Ok(element) = client.find(Locator::Css(css)).await
            && element.text().await.is_ok_and(|text| text.contains(words))
        {
            return;
        }
        tokio::time::sleep(std::time::Duration::from_millis(50)).await;
    }
    panic!("{css} never said “{words}”");
}

async fn fill_in_and_pay(client: &Client) {
    let fields = [
        ("email", "jo@example.org"),
        ("name", "Jo Quay"),
        ("street", "1 Quay"),
        ("town", "Wells"),
        ("postcode", "NR23"),
    ];
    for (name, value) in fields {
        find(client, &format!("input[name={name}]")).await.send_keys(value).await.unwrap();
    }
    click(client, ".checkout button.buy").await;
    says(client, "h1", "Thank you").await;
}

#[sqlx::test(migrations = false)]
async fn choosing_changes_picture_price_and_stock_line_without_a_reload(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        client.goto(&format!("{base}/shop/products/whimbrel?colour=ember&sail=1-6-m")).await.unwrap();
        let picture = "document.querySelector('.slide:not([hidden]) img').alt";
        assert!(ask(&client, picture).await.as_str().unwrap().contains("Ember"));
        ask(&client, "window.unreloaded = true").await;
        // In Ember the 2.4 m is sold out; in Chalk it isn't made.
        let state = |value: &str| {
            format!("document.querySelector('input[value=\"{value}\"]').closest('label').dataset.state")
        };
        assert_eq!(ask(&client, &state("2-4-m")).await, "sold_out");

        click(&client, "input[value=chalk]").await;
        until(&client, &format!("{picture}.includes('Chalk')")).await;
        assert_eq!(ask(&client, &state("2-4-m")).await, "not_made");
        click(&client, "input[value='2-1-m']").await;
        until(&client, "document.querySelector('.k-stock-line').innerText === 'Only 1 left'").await;

        click(&client, "input[value=dusk]").await;
        click(&client, "input[value='2-4-m']").await;
        until(&client, "document.querySelector('.k-price .now').innerText === '£74.00'").await;
        until(&client, "document.querySelector('.k-price .old').hidden").await;
        assert_eq!(ask(&client, "location.search").await, "?colour=dusk&sail=2-4-m");
        assert_eq!(ask(&client, "window.unreloaded").await, true);

        // Fern in 1.6 m is made but sold out; the button says so and does nothing.
        click(&client, "input[value=fern]").await;
        until(&client, "document.querySelector('.k-buy-button .buy').innerText === 'Sold out'").await;
        assert_eq!(ask(&client, "document.querySelector('input[value=\"1-6-m\"]').checked").await, true);

        click(&client, "input[value=dusk]").await;
        until(&client, "document.querySelector('.k-buy-button .buy').innerText === 'Add to cart'").await;
        click(&client, ".k-buy-button .buy").await;
        says(&client, "h1", "Cart").await;
        says(&client, ".cart-what", "Colour: Dusk").await;
        until(&client, "document.querySelector('[data-cart-count]').textContent === ' 1'").await;
        click(&client, "a[href='/shop/checkout']").await;
        fill_in_and_pay(&client).await;
    })
    .await;
    assert_eq!(site.stock("WHI-DUS-16").await, Some(2));
}

#[sqlx::test(migrations = false)]
async fn without_script_the_same_purchase_goes_through(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::WideWithoutScript, |client| async move {
        client.goto(&format!("{base}/shop/products/whimbrel")).await.unwrap();
        click(&client, "input[value=dusk]").await;
        click(&client, "input[value='2-4-m']").await;
        click(&client, "noscript button").await;
        says(&client, ".k-price .now", "£74.00").await;
        says(&client, ".k-stock-line", "Only 2 left").await;
        click(&client, ".k-buy-button .buy").await;
        says(&client, ".cart-what", "Sail: 2.4 m").await;
        click(&client, "a[href='/shop/checkout']").await;
        fill_in_and_pay(&client).await;
    })
    .await;
    assert_eq!(site.stock("WHI-DUS-24").await, Some(1));
}

#[sqlx::test(migrations = false)]
async fn on_a_phone_the_bar_is_there_while_the_button_is_out_of_sight(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Phone, |client| async move {
        client.goto(&format!("{base}/shop/products/whimbrel")).await.unwrap();
        until(&client, "!document.querySelector('[data-sticky]').hidden").await;
        ask(&client, "document.querySelector('.k-buy-button').scrollIntoView({ block: 'center' })").await;
        until(&client, "document.querySelector('[data-sticky]').hidden").await;
        assert_eq!(
            ask(&client, "document.documentElement.scrollWidth <= innerWidth").await,
            true,
            "no sideways scroll"
        );
        ask(&client, "scrollTo(0, 0)").await;
        until(&client, "!document.querySelector('[data-sticky]').hidden").await;
        click(&client, "[data-sticky] button").await;
        says(&client, "h1", "Cart").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn tabs_thumbnails_and_quantity_answer_at_once(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        client.goto(&format!("{base}/shop/products/whimbrel?colour=dusk&sail=2-1-m")).await.unwrap();
        let open = "document.querySelector('.k-details [open] summary').innerText";
        assert_eq!(ask(&client, open).await, "What is in the bag");
        click(&client, ".k-details details:nth-child(2) summary").await;
        until(&client, &format!("{open} === 'Wind and size'")).await;
        click(&client, ".k-details details:nth-child(2) summary").await;
        assert_eq!(ask(&client, "document.querySelectorAll('.k-details [open]').length").await, 1, "a tab stays open");

        let marked = "document.querySelector('.thumbs [aria-current]').getAttribute('aria-label')";
        assert!(ask(&client, marked).await.as_str().unwrap().starts_with("Picture 1 of 4: Whimbrel in Dusk"));
        click(&client, ".thumbs li:nth-child(3) a").await;
        until(&client, &format!("{marked}.startsWith('Picture 3')")).await;
        until(&client, "Math.abs(document.querySelector('.slide:nth-child(3)').getBoundingClientRect().left - document.querySelector('.slides').getBoundingClientRect().left) < 2").await;

        let quantity = find(&client, "input[name=quantity]").await;
        quantity.send_keys(&format!("{}", Key::Up)).await.unwrap();
        until(&client, "document.querySelector('.hint').innerText === '2 for £136.00'").await;
        ask(&client, "(() => { const q = document.querySelector('input[name=quantity]'); q.value = 50; q.dispatchEvent(new Event('change', { bubbles: true })); })()").await;
        until(&client, "document.querySelector('.hint').innerText === 'There are only 9 left of this choice.'").await;
        until(&client, "document.querySelector('[data-buy]').getAttribute('aria-disabled') === 'true'").await;
    })
    .await;
}

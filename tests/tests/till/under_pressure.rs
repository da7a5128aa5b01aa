//! The last pieces, refused payments and prices that change under way, by plain requests as a browser sends them.

use compagina_tests::{Site, checkout_form};
use futures_util::{StreamExt, stream};
use reqwest::{Client, Response, StatusCode};
use sqlx::MySqlPool;

async fn put(site: &Site, shopper: &Client, choice: &[(&str, &str)]) -> Response {
    shopper.post(site.at("/shop/cart")).form(choice).send().await.unwrap()
}

async fn pay(site: &Site, shopper: &Client, payment: &str) -> Response {
    let form = checkout_form(payment, "");
    shopper.post(site.at("/shop/checkout")).form(&form).send().await.unwrap()
}

const CHALK: [(&str, &str); 3] = [("product", "whimbrel"), ("colour", "chalk"), ("sail", "1-6-m")];

#[sqlx::test(migrations = false)]
async fn twenty_orders_at_once_for_the_last_five(pool: MySqlPool) {
    let site = Site::start(pool).await;
    assert_eq!(site.stock("WHI-CHA-16").await, Some(5));
    let mut shoppers = Vec::new();
    for _ in 0..20 {
        let shopper = site.shopper();
        assert_eq!(put(&site, &shopper, &CHALK).await.status(), StatusCode::SEE_OTHER);
        shoppers.push(shopper);
    }
    let answers = futures_util::future::join_all(shoppers.iter().map(|s| pay(&site, s, "accept"))).await;
    let (sold, told): (Vec<_>, Vec<_>) =
        answers.into_iter().partition(|a| a.status() == StatusCode::SEE_OTHER);
    assert_eq!((sold.len(), told.len()), (5, 15));
    for answer in told {
        assert_eq!(answer.status(), StatusCode::CONFLICT);
        let page = answer.text().await.unwrap();
        assert!(page.contains("Nothing was charged") && page.contains("sold out"), "{page}");
    }
    assert_eq!(site.stock("WHI-CHA-16").await, Some(0));
    let page =
        site.shopper().get(site.at("/shop/products/whimbrel?colour=chalk&sail=1-6-m")).send().await.unwrap();
    assert!(page.text().await.unwrap().contains("Sold out in this size"), "the page kept ready was dropped");
}

#[sqlx::test(migrations = false)]
async fn many_shoppers_at_once_who_click_twice_buy_the_last_pieces_once(pool: MySqlPool) {
    // `COMPAGINA_SHOPPERS=500` makes a load test of it.
    let many = std::env::var("COMPAGINA_SHOPPERS").ok().and_then(|text| text.parse().ok()).unwrap_or(80_u32);
    let last = many / 10;
    let site = Site::start(pool.clone()).await;
    sqlx::query("UPDATE variant SET stock = ? WHERE sku = 'WHI-CHA-16'")
        .bind(last)
        .execute(&pool)
        .await
        .unwrap();
    let put_in = |_| async {
        let shopper = site.shopper();
        assert_eq!(put(&site, &shopper, &CHALK).await.status(), StatusCode::SEE_OTHER);
        shopper
    };
    let shoppers: Vec<Client> = stream::iter(0..many).map(put_in).buffer_unordered(50).collect().await;
    // Each sends the order twice, as an impatient finger does.
    let twice = |shopper: &Client| {
        let (site, shopper) = (&site, shopper.clone());
        async move {
            futures_util::future::join(pay(site, &shopper, "accept"), pay(site, &shopper, "accept")).await
        }
    };
    let answers = futures_util::future::join_all(shoppers.iter().map(twice)).await;
    let to_receipt = |answer: &Response| {
        let to = answer.headers().get("location").and_then(|to| to.to_str().ok()).unwrap_or_default();
        to.starts_with("/shop/orders/")
    };
    let sold = answers.iter().filter(|(a, b)| to_receipt(a) || to_receipt(b)).count();
    let both = answers.iter().filter(|(a, b)| to_receipt(a) && to_receipt(b)).count();
    let failed = answers.iter().flat_map(|(a, b)| [a, b]).filter(|a| a.status().is_server_error()).count();
    assert_eq!((sold, both, failed), (usize::try_from(last).unwrap(), 0, 0));
    let (orders, pieces): (i64, i64) = sqlx::query_as(
        "SELECT COUNT(DISTINCT o.cart_id), CAST(SUM(l.quantity) AS SIGNED) FROM shop_order o JOIN order_line l ON l.order_id = o.id WHERE o.state = 'paid'",
    )
    .fetch_one(&pool)
    .await
    .unwrap();
    assert_eq!((orders, pieces, site.stock("WHI-CHA-16").await), (i64::from(last), i64::from(last), Some(0)));
    assert_eq!(site.shopper().get(site.at("/healthz")).send().await.unwrap().status(), StatusCode::OK);
}

#[sqlx::test(migrations = false)]
async fn a_refused_payment_loses_nothing(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    put(&site, &shopper, &CHALK).await;
    let answer = pay(&site, &shopper, "refuse").await;
    assert_eq!(answer.status(), StatusCode::PAYMENT_REQUIRED);
    let page = answer.text().await.unwrap();
    assert!(
        page.contains("The payment was refused") && page.contains("jo@example.org"),
        "what was typed is kept"
    );
    assert_eq!(site.stock("WHI-CHA-16").await, Some(5));
    assert_eq!(pay(&site, &shopper, "slow").await.status(), StatusCode::SEE_OTHER);
    assert_eq!(site.stock("WHI-CHA-16").await, Some(4));
}

#[sqlx::test(migrations = false)]
async fn a_changed_price_is_said_and_taken_only_by_the_shopper(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    put(&site, &shopper, &CHALK).await;
    sqlx::query("UPDATE product SET price_minor = 7100 WHERE handle = 'whimbrel'")
        .execute(&site.pool)
        .await
        .unwrap();
    assert_eq!(pay(&site, &shopper, "accept").await.status(), StatusCode::CONFLICT);
    let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(cart.contains("The price changed: it was £68.00, now it is £71.00."), "{cart}");
    shopper.post(site.at("/shop/cart/accept")).send().await.unwrap();
    assert_eq!(pay(&site, &shopper, "accept").await.status(), StatusCode::SEE_OTHER);
}

#[sqlx::test(migrations = false)]
async fn what_cannot_be_bought_is_told_on_its_page(pool: MySqlPool) {
    let site = Site::start(pool).await;
    type Form = &'static [(&'static str, &'static str)];
    let cases: [(Form, StatusCode, &str); 5] = [
        (
            &[("product", "whimbrel"), ("colour", "ember")],
            StatusCode::UNPROCESSABLE_ENTITY,
            "Please choose first: Sail.",
        ),
        (
            &[("product", "whimbrel"), ("colour", "ember"), ("sail", "2-4-m")],
            StatusCode::CONFLICT,
            "This choice is sold out.",
        ),
        (
            &[("product", "whimbrel"), ("colour", "chalk"), ("sail", "2-4-m")],
            StatusCode::CONFLICT,
            "made in that choice",
        ),
        (
            &[("product", "whimbrel"), ("colour", "chalk"), ("sail", "2-1-m"), ("quantity", "2")],
            StatusCode::CONFLICT,
            "There is only 1 left.",
        ),
        (
            &[("product", "whimbrel"), ("quantity", "-1")],
            StatusCode::UNPROCESSABLE_ENTITY,
            "quantity from 1 to 99",
        ),
    ];
    for (form, status, sentence) in cases {
        let answer = put(&site, &site.shopper(), form).await;
        assert_eq!(answer.status(), status, "{form:?}");
        let page = answer.text().await.unwrap();
        assert!(page.contains(sentence), "{form:?}");
        assert!(page.contains("data-buy"), "it is the product's page");
    }
}

#[sqlx::test(migrations = false)]
async fn an_incomplete_checkout_keeps_what_was_typed(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    put(&site, &shopper, &CHALK).await;
    let form = [("email", "not an address"), ("name", "<script>alert(1)</script>"), ("payment", "accept")];
    let answer = shopper.post(site.at("/shop/checkout")).form(&form).send().await.unwrap();
    assert_eq!(answer.status(), StatusCode::UNPROCESSABLE_ENTITY);
    let page = answer.text().await.unwrap();
    assert!(page.contains("&lt;script&gt;") && !page.contains("<script>alert"));
    assert!(page.contains("look like an email address") && page.contains("Town is missing."));
    assert!(page.contains("1 × Whimbrel, Chalk, 1.6 m"), "what is bought is told to the choice: {page}");
    assert_eq!(site.stock("WHI-CHA-16").await, Some(5));
}

#[sqlx::test(migrations = false)]
async fn a_form_from_another_site_and_a_strangers_order_are_refused(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    let foreign =
        shopper.post(site.at("/shop/cart")).header("origin", "https://elsewhere.example").form(&CHALK);
    assert_eq!(foreign.send().await.unwrap().status(), StatusCode::FORBIDDEN);
    put(&site, &shopper, &CHALK).await;
    let paid = pay(&site, &shopper, "accept").await;
    let order = paid.headers()["location"].to_str().unwrap().to_owned();
    assert_eq!(shopper.get(site.at(&order)).send().await.unwrap().status(), StatusCode::OK);
    assert_eq!(site.shopper().get(site.at(&order)).send().await.unwrap().status(), StatusCode::NOT_FOUND);
}

#[sqlx::test(migrations = false)]
async fn a_provider_that_answers_twice_or_never_makes_one_order_or_none(pool: MySqlPool) {
    let site = Site::start(pool.clone()).await;
    let shopper = site.shopper();
    let place = |answer: &Response| answer.headers()["location"].to_str().unwrap().to_owned();
    put(&site, &shopper, &CHALK).await;
    let twice = pay(&site, &shopper, "twice").await;
    assert!(place(&twice).starts_with("/shop/orders/"));
    let outbox: i64 = sqlx::query_scalar("SELECT COUNT(*) FROM outbox").fetch_one(&pool).await.unwrap();
    assert_eq!((outbox, site.stock("WHI-CHA-16").await), (1, Some(4)), "one message, one piece");

    put(&site, &shopper, &CHALK).await;
    let never = place(&pay(&site, &shopper, "never").await);
    let page = shopper.get(site.at(&never)).send().await.unwrap().text().await.unwrap();
    assert!(page.contains("We wait for the payment"), "{page}");
    assert_eq!(site.stock("WHI-CHA-16").await, Some(3), "the piece is put aside");
    // After a while it is given back, and the cart with it.
    sqlx::query("UPDATE shop_order SET placed_at = placed_at - INTERVAL 20 MINUTE")
        .execute(&pool)
        .await
        .unwrap();
    let store = compagina_storage::Store::from_pool(pool).await.unwrap();
    let stale = store.stale_orders().await.unwrap();
    assert_eq!(stale.len(), 1, "and no paid one");
    store.settle_order(stale[0], false, None).await.unwrap();
    assert_eq!(site.stock("WHI-CHA-16").await, Some(4));
    let page = shopper.get(site.at(&never)).send().await.unwrap().text().await.unwrap();
    assert!(page.contains("Not paid") && page.contains("href=\"/shop/cart\""), "{page}");
    let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(cart.contains("Colour: Chalk"), "{cart}");
}

#[sqlx::test(migrations = false)]
async fn a_checkout_that_is_sent_twice_leads_to_the_same_receipt(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    put(&site, &shopper, &CHALK).await;
    let page = shopper.get(site.at("/shop/checkout")).send().await.unwrap().text().await.unwrap();
    let once = page.split("name=\"once\" value=\"").nth(1).and_then(|rest| rest.split('"').next()).unwrap();
    let form = checkout_form("accept", once);
    let send = || shopper.post(site.at("/shop/checkout")).form(&form).send();
    let (first, second) = (send().await.unwrap(), send().await.unwrap());
    assert_eq!(first.headers()["location"], second.headers()["location"]);
    assert_eq!(site.stock("WHI-CHA-16").await, Some(4));
}

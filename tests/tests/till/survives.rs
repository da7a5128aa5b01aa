//! The database dies while people buy: what was answered holds, and the last pieces are sold once.

use compagina_tests::{OwnDatabase, Site, checkout_form};
use futures_util::future::join_all;
use reqwest::Client;
use sqlx::MySqlPool;
use std::time::{Duration, Instant};

const GIVE_UP: Duration = Duration::from_secs(120);

/// Buys one, and sends everything again until it is answered. Gives the order's address, or none where all is gone.
async fn buy(site: &Site, number: u32) -> (Client, Option<String>) {
    let shopper = site.shopper();
    let once = format!("{number:032x}");
    let begun = Instant::now();
    let mut put = false;
    loop {
        assert!(begun.elapsed() < GIVE_UP, "shopper {number} is never answered");
        if !put {
            let choice = [("product", "whimbrel"), ("colour", "chalk"), ("sail", "1-6-m")];
            let answer = shopper.post(site.at("/shop/cart")).form(&choice).send().await;
            match answer.map(|answer| answer.status().as_u16()) {
                Ok(303) => put = true,
                Ok(409) => return (shopper, None),
                _ => tokio::time::sleep(Duration::from_millis(50)).await,
            }
            continue;
        }
        let form = checkout_form("accept", &once);
        let Ok(answer) = shopper.post(site.at("/shop/checkout")).form(&form).send().await else { continue };
        match answer.status().as_u16() {
            303 => {
                let to = answer.headers()["location"].to_str().unwrap().to_owned();
                return (shopper, to.starts_with("/shop/orders/").then_some(to));
            }
            409 => return (shopper, None),
            _ => tokio::time::sleep(Duration::from_millis(50)).await,
        }
    }
}

#[tokio::test(flavor = "multi_thread")]
async fn answered_orders_survive_the_death_of_the_database() {
    // `COMPAGINA_SHOPPERS=500` makes a load test of it.
    let many = std::env::var("COMPAGINA_SHOPPERS").ok().and_then(|text| text.parse().ok()).unwrap_or(60_u32);
    let last = many / 10;
    let mut database = OwnDatabase::start().await;
    let url = database.url("shop");
    let pool = MySqlPool::connect_lazy(&url).unwrap();
    let site = Site::start_on(pool, &url).await;
    sqlx::query("UPDATE variant SET stock = ? WHERE sku = 'WHI-CHA-16'")
        .bind(last)
        .execute(&site.pool)
        .await
        .unwrap();
    let buying = join_all((0..many).map(|number| buy(&site, number)));
    let dying = async {
        // In the middle of it: once the first are sold.
        for _ in 0..500 {
            let sold: Result<i64, _> =
                sqlx::query_scalar("SELECT COUNT(*) FROM shop_order").fetch_one(&site.pool).await;
            if sold.is_ok_and(|sold| sold >= 3) {
                break;
            }
            tokio::time::sleep(Duration::from_millis(5)).await;
        }
        database.kill();
        tokio::time::sleep(Duration::from_millis(300)).await;
        database.again().await;
    };
    let (bought, ()) = futures_util::future::join(buying, dying).await;
    let answered = bought.iter().filter(|(_, order)| order.is_some()).count();
    for (shopper, order) in &bought {
        if let Some(order) = order {
            let page = shopper.get(site.at(order)).send().await.unwrap();
            assert_eq!(page.status(), 200, "{order} was answered and is there");
        }
    }
    let (orders, carts, pieces): (i64, i64, i64) = sqlx::query_as(
        "SELECT COUNT(DISTINCT o.id), COUNT(DISTINCT o.cart_id), CAST(COALESCE(SUM(l.quantity), 0) AS SIGNED)
         FROM shop_order o JOIN order_line l ON l.order_id = o.id WHERE o.state <> 'refused'",
    )
    .fetch_one(&site.pool)
    .await
    .unwrap();
    let left = site.stock("WHI-CHA-16").await.unwrap();
    assert_eq!(i64::from(last - left), pieces, "what is gone was sold");
    assert_eq!((orders, carts), (pieces, pieces), "and nobody has it twice");
    assert!(answered <= usize::try_from(pieces).unwrap(), "{answered} were answered, {pieces} were sold");
    assert_eq!(left, 0, "all of the last ones are sold");
}

//! What is sold out or still to come: an address is left, and a message written when it can be had.

use compagina_storage::{Message, Store};
use compagina_tests::{ADDRESS, Browser, Screen, Site, find, until};
use sqlx::MySqlPool;

async fn messages(store: &Store) -> Vec<Message> {
    store.outbox(10).await.unwrap().into_iter().map(|(message, _)| message).collect()
}

#[sqlx::test(migrations = false)]
async fn who_waits_is_noted_once_and_told_once(pool: MySqlPool) {
    let site = Site::start(pool.clone()).await;
    sqlx::query("UPDATE variant SET stock = 0 WHERE sku = 'WHI-CHA-16'").execute(&pool).await.unwrap();
    let shopper = site.shopper();
    let wait = |email: &'static str, sail: &'static str| {
        let form = [
            ("product", "whimbrel"),
            ("colour", "chalk"),
            ("sail", sail),
            ("quantity", "1"),
            ("email", email),
        ];
        let (shopper, address) = (&shopper, site.at("/shop/interest"));
        async move {
            let answer = shopper.post(address).form(&form).send().await.unwrap();
            (answer.status().as_u16(), answer.text().await.unwrap())
        }
    };
    let (status, page) = wait("jo", "1-6-m").await;
    assert!(status == 422 && page.contains("This doesn't look like an email address"), "{page}");
    assert_eq!(wait("jo@example.org", "2-1-m").await.0, 409, "that one can be had");
    for _ in 0..2 {
        let (status, page) = wait("jo@example.org", "1-6-m").await;
        assert!(status == 200 && page.contains("We write to jo@example.org once it can be had."), "{page}");
    }
    let owner = site.owner().await;
    let grid: serde_json::Value = owner.get("/api/variants?product=whimbrel").await.json().await.unwrap();
    let row = grid["variants"].as_array().unwrap().iter().find(|v| v["sku"] == "WHI-CHA-16").unwrap();
    assert_eq!(row["waiting"], 1);

    let store = compagina_storage::Store::from_pool(pool.clone()).await.unwrap();
    assert_eq!(store.news().await.unwrap(), []);
    sqlx::query("UPDATE variant SET stock = 2 WHERE sku = 'WHI-CHA-16'").execute(&pool).await.unwrap();
    let news = store.news().await.unwrap();
    assert_eq!((news.len(), news[0].address.as_str()), (1, "whimbrel"));
    let message = compagina_storage::Message {
        address: news[0].email.clone(),
        subject: "Back".into(),
        body: String::new(),
    };
    // Two processes at once.
    let (a, b) = tokio::join!(store.tell(news[0].interest, &message), store.tell(news[0].interest, &message));
    a.unwrap();
    b.unwrap();
    assert_eq!(messages(&store).await, [message]);
    assert_eq!(store.news().await.unwrap(), []);
}

#[sqlx::test(migrations = false)]
async fn an_address_is_left_where_a_choice_is_sold_out_and_an_order_is_confirmed(pool: MySqlPool) {
    let site = Site::start(pool.clone()).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        client.goto(&format!("{base}/shop/products/whimbrel?colour=ember&sail=1-6-m")).await.unwrap();
        until(&client, "document.querySelector('[data-ready]')").await;
        until(&client, "document.querySelector('.interest').hidden").await;
        find(&client, "label:has([value='2-4-m'])").await.click().await.unwrap();
        until(&client, "!document.querySelector('.interest').hidden").await;
        find(&client, ".interest input").await.send_keys("jo@example.org\u{E007}").await.unwrap();
        until(&client, "document.querySelector('.notice')?.innerText.includes('We write to jo@example.org')")
            .await;

        client.goto(&format!("{base}/shop/products/whimbrel?colour=ember&sail=1-6-m")).await.unwrap();
        find(&client, ".k-buy-button .buy").await.click().await.unwrap();
        find(&client, "a.buy").await.click().await.unwrap();
        for (name, value) in ADDRESS {
            find(&client, &format!("form [name={name}]")).await.send_keys(value).await.unwrap();
        }
        find(&client, "[value=accept]").await.click().await.unwrap();
        find(&client, "form button.buy").await.click().await.unwrap();
        until(&client, "location.pathname.startsWith('/shop/orders/')").await;
    })
    .await;
    let store = compagina_storage::Store::from_pool(pool).await.unwrap();
    let outbox = messages(&store).await;
    assert_eq!(outbox.len(), 1);
    assert!(outbox[0].subject.starts_with("Your order "), "{outbox:?}");
    assert!(outbox[0].body.contains("1 × Whimbrel, Ember, 1.6 m: £68.00"), "{outbox:?}");
}

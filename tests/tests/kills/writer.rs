//! Writes of every kind, one after another, and what must hold whatever died in between.

use compagina_tests::checkout_form;
use reqwest::redirect::Policy;
use reqwest::{Client, Method};
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::future::Future;
use std::sync::Mutex;
use std::sync::atomic::Ordering::SeqCst;
use std::sync::atomic::{AtomicBool, AtomicU64};
use std::time::Duration;

/// What was answered before the server died; each writer goes on with it after the next start.
#[derive(Default)]
pub struct Answered {
    pub edits: AtomicU64,
    pub stock: AtomicU64,
    pub price: AtomicU64,
    pub pictures: Mutex<Vec<u64>>,
    pub published: AtomicU64,
    pub orders: Mutex<Vec<String>>,
}

pub struct Writer {
    pub base: String,
    client: Client,
    token: String,
    pub answered: Answered,
    variants: [u64; 2],
    gift_cards: i64,
    /// Whether it is enough.
    pub over: AtomicBool,
}

impl Writer {
    /// A writer for a running shop.
    pub async fn begin(base: &str, pool: &MySqlPool) -> Self {
        let client = Client::builder().cookie_store(true).build().unwrap();
        let body = json!({ "email": compagina_tests::EMAIL, "password": compagina_tests::PASSWORD });
        let answer = client.post(format!("{base}/api/session")).json(&body).send().await.unwrap();
        let token = answer.json::<Value>().await.unwrap()["csrf"].as_str().unwrap().to_owned();
        let ids: Vec<u64> = sqlx::query_scalar(
            "SELECT v.id FROM variant v JOIN product p ON p.id = v.product_id WHERE p.handle = 'whimbrel' ORDER BY v.id LIMIT 2",
        )
        .fetch_all(pool)
        .await
        .unwrap();
        let filled = "UPDATE variant v JOIN product p ON p.id = v.product_id SET v.stock = 10000 WHERE p.handle = 'gift-card'";
        sqlx::query(filled).execute(pool).await.unwrap();
        Self {
            base: base.to_owned(),
            client,
            token,
            answered: Answered::default(),
            variants: [ids[0], ids[1]],
            gift_cards: one(pool, LEFT).await,
            over: AtomicBool::new(false),
        }
    }

    async fn json(&self, method: Method, path: &str, body: Value) -> Option<Value> {
        let request =
            self.client.request(method, format!("{}{path}", self.base)).header("x-csrf-token", &self.token);
        let answer = request.json(&body).send().await.ok()?;
        let status = answer.status();
        let body = answer.bytes().await.ok()?;
        // While its database is gone the server can't know; it must not know better either.
        let sorry = status == 409 || status.is_server_error();
        assert!(status.is_success() || sorry, "{path} {status}: {}", String::from_utf8_lossy(&body));
        if status.is_success() { serde_json::from_slice(&body).ok() } else { None }
    }

    async fn draft(&self) -> Option<Value> {
        let answer = self.client.get(format!("{}/api/templates/2/desk", self.base)).send().await.ok()?;
        let draft = answer.json::<Value>().await.ok()?["draft"].take();
        draft.is_object().then_some(draft)
    }

    async fn edit(&self) -> Option<()> {
        let next = self.answered.edits.load(SeqCst) + 1;
        let value = format!("Edit {next}.");
        let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": value });
        let body = json!({ "revision": self.draft().await?["revision"], "op": op });
        self.json(Method::POST, "/api/templates/2/operations", body).await?;
        self.answered.edits.store(next, SeqCst);
        Some(())
    }

    async fn set_two_prices(&self) -> Option<()> {
        let next = self.answered.price.load(SeqCst) + 1;
        let body = json!({ "ids": self.variants, "price": format!("{}.{:02}", 10 + next / 100, next % 100) });
        self.json(Method::PATCH, "/api/variants?product=whimbrel", body).await?;
        self.answered.price.store(next, SeqCst);
        Some(())
    }

    async fn set_a_stock(&self) -> Option<()> {
        let next = self.answered.stock.load(SeqCst) + 1;
        let body = json!({ "ids": [self.variants[0]], "stock": next.to_string() });
        self.json(Method::PATCH, "/api/variants?product=whimbrel", body).await?;
        self.answered.stock.store(next, SeqCst);
        Some(())
    }

    async fn publish(&self) -> Option<()> {
        let revision = self.draft().await?["revision"].as_u64()?;
        self.json(
            Method::POST,
            "/api/drafts/template-2/publish",
            json!({ "revision": revision, "name": "k" }),
        )
        .await?;
        self.answered.published.fetch_max(revision, SeqCst);
        Some(())
    }

    async fn put_in_a_picture(&self) -> Option<()> {
        let svg = r#"<svg xmlns="http://www.w3.org/2000/svg" width="40" height="30"><rect width="40" height="30"/></svg>"#;
        let address = format!("{}/api/pictures?product=dunlin&name=k.svg", self.base);
        let request = self.client.post(address).header("x-csrf-token", &self.token).body(svg);
        let answer: Value = request.send().await.ok()?.json().await.ok()?;
        self.answered.pictures.lock().unwrap().push(answer["id"].as_u64()?);
        Some(())
    }

    async fn order(&self) -> Option<()> {
        let shopper = Client::builder().cookie_store(true).redirect(Policy::none()).build().unwrap();
        let put = [("product", "gift-card"), ("amount", "25"), ("quantity", "1")];
        shopper.post(format!("{}/shop/cart", self.base)).form(&put).send().await.ok()?;
        let form = checkout_form("accept", "");
        let answer = shopper.post(format!("{}/shop/checkout", self.base)).form(&form).send().await.ok()?;
        let to = answer.headers().get("location")?.to_str().ok()?.to_owned();
        let number = to.strip_prefix("/shop/orders/")?.to_owned();
        self.answered.orders.lock().unwrap().push(number);
        Some(())
    }

    /// Writes of every kind at once, until it is enough or the server is gone.
    pub async fn write(&self) {
        tokio::join!(
            async { while self.more(self.edit()).await {} },
            async { while self.more(self.set_two_prices()).await {} },
            async { while self.more(self.set_a_stock()).await {} },
            async { while self.more(self.publish()).await {} },
            async { while self.more(self.put_in_a_picture()).await {} },
            async { while self.more(self.order()).await {} },
        );
    }

    /// Takes a step, and tells whether there is to be another.
    async fn more(&self, step: impl Future<Output = Option<()>>) -> bool {
        if step.await.is_some() {
            return !self.over.load(SeqCst);
        }
        tokio::time::sleep(Duration::from_millis(20)).await;
        !self.over.load(SeqCst) && self.client.get(format!("{}/healthz", self.base)).send().await.is_ok()
    }
}

async fn one<T>(pool: &MySqlPool, question: &str) -> T
where
    T: for<'r> sqlx::Decode<'r, sqlx::MySql> + sqlx::Type<sqlx::MySql> + Send + Unpin,
{
    sqlx::query_scalar(sqlx::AssertSqlSafe(question.to_owned())).fetch_one(pool).await.unwrap()
}

/// How many gift cards are left.
const LEFT: &str = "SELECT CAST(SUM(v.stock) AS SIGNED) FROM variant v JOIN product p ON p.id = v.product_id WHERE p.handle = 'gift-card'";

/// No answered write is gone, and none is half there.
pub async fn check(pool: &MySqlPool, writer: &Writer) {
    let answered = &writer.answered;
    let draft: String = one(pool, "SELECT CAST(draft AS CHAR) FROM template WHERE id = 2").await;
    let edits = answered.edits.load(SeqCst);
    let is_there = |number: u64| draft.contains(&format!("Edit {number}."));
    assert!(edits == 0 || is_there(edits) || is_there(edits + 1), "edit {edits} is gone");
    let [a, b] = writer.variants;
    let price = |id| format!("SELECT CAST(price_minor AS SIGNED) FROM variant WHERE id = {id}");
    let (first, second): (Option<i64>, Option<i64>) =
        (one(pool, &price(a)).await, one(pool, &price(b)).await);
    if answered.price.load(SeqCst) > 0 {
        assert_eq!(first, second, "of two prices set at once one is there");
        let least = 1000 + i64::try_from(answered.price.load(SeqCst)).unwrap();
        assert!((least..=least + 1).contains(&first.unwrap()), "{first:?}, answered {least}");
    }
    let stock: Option<u32> = one(pool, &format!("SELECT stock FROM variant WHERE id = {a}")).await;
    let least = answered.stock.load(SeqCst);
    assert!(
        least == 0 || (least..=least + 1).contains(&u64::from(stock.unwrap())),
        "{stock:?}, answered {least}"
    );
    let published: u64 = one(pool, "SELECT published_revision FROM template WHERE id = 2").await;
    assert!(published >= answered.published.load(SeqCst), "{published}");
    let (pictures, orders) =
        (answered.pictures.lock().unwrap().clone(), answered.orders.lock().unwrap().clone());
    for id in pictures {
        let there: i64 = one(pool, &format!("SELECT COUNT(*) FROM picture WHERE id = {id}")).await;
        assert_eq!(there, 1, "picture {id}");
    }
    for number in orders {
        let lines: i64 =
            one(pool, &format!("SELECT COUNT(*) FROM order_line WHERE order_id = {number}")).await;
        assert_eq!(lines, 1, "order {number}");
    }
    let held = "SELECT CAST(COALESCE(SUM(l.quantity), 0) AS SIGNED) FROM order_line l JOIN shop_order o ON o.id = l.order_id
        JOIN variant v ON v.id = l.variant_id JOIN product p ON p.id = v.product_id
        WHERE o.state <> 'refused' AND p.handle = 'gift-card'";
    let (held, left): (i64, i64) = (one(pool, held).await, one(pool, LEFT).await);
    assert_eq!(held + left, writer.gift_cards, "what was sold and what is left make what there was");
    let without: i64 = one(pool, "SELECT COUNT(*) FROM shop_order o WHERE NOT EXISTS (SELECT 1 FROM order_line l WHERE l.order_id = o.id)").await;
    assert_eq!(without, 0, "no order without lines");
}

/// Whether something of every kind was answered.
pub fn every_kind(writer: &Writer) -> bool {
    let answered = &writer.answered;
    let counted = [&answered.edits, &answered.price, &answered.stock];
    counted.iter().all(|count| count.load(SeqCst) > 0)
        && !answered.pictures.lock().unwrap().is_empty()
        && !answered.orders.lock().unwrap().is_empty()
}

/// What was answered, in words; each kind at least once.
pub fn told(writer: &Writer) -> String {
    let answered = &writer.answered;
    let (prices, stocks) = (answered.price.load(SeqCst), answered.stock.load(SeqCst));
    let edits = answered.edits.load(SeqCst);
    let (pictures, orders) = (answered.pictures.lock().unwrap().len(), answered.orders.lock().unwrap().len());
    assert!(every_kind(writer), "{edits} {prices} {stocks} {pictures} {orders}");
    format!("{edits} edits, {prices} prices, {stocks} stocks, {pictures} pictures, {orders} orders")
}

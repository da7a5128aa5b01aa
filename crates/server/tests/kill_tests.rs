//! What was answered survives the sudden death of the server, whole.
#![allow(clippy::unwrap_used)]

use reqwest::redirect::Policy;
use reqwest::{Client, Method};
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::path::PathBuf;
use std::process::{Child, Command, Stdio};
use std::sync::atomic::AtomicU64;
use std::sync::atomic::Ordering::SeqCst;
use std::sync::{Arc, Mutex};
use std::time::Duration;

struct Server(Child);

impl Drop for Server {
    fn drop(&mut self) {
        // On Unix this is SIGKILL.
        let _ = self.0.kill();
        let _ = self.0.wait();
    }
}

fn free_port() -> u16 {
    std::net::TcpListener::bind(("127.0.0.1", 0)).unwrap().local_addr().unwrap().port()
}

async fn serve(database: &str, port: u16) -> Server {
    let top = PathBuf::from(concat!(env!("CARGO_MANIFEST_DIR"), "/../.."));
    let media = std::env::var_os("COMPAGINA_TEST_MEDIA").map_or(top.join("target/test-media"), PathBuf::from);
    let child = Command::new(env!("CARGO_BIN_EXE_compagina-server"))
        .args(["--demo", "--port", &port.to_string(), "--database", database, "--media"])
        .arg(media)
        .current_dir(top)
        .env("RUST_LOG", "error")
        .stdin(Stdio::null())
        .spawn()
        .unwrap();
    let server = Server(child);
    for _ in 0..1800 {
        let answer = reqwest::get(format!("http://127.0.0.1:{port}/healthz")).await;
        if answer.is_ok_and(|a| a.status().is_success()) {
            return server;
        }
        tokio::time::sleep(Duration::from_millis(100)).await;
    }
    panic!("the server did not start");
}

async fn sign_in(client: &Client, base: &str) -> String {
    let (_, email, password) = compagina_demo::OWNERS[0];
    let body = json!({ "email": email, "password": password });
    let answer = client.post(format!("{base}/api/session")).json(&body).send().await.unwrap();
    answer.json::<Value>().await.unwrap()["csrf"].as_str().unwrap().to_owned()
}

#[sqlx::test(migrations = false)]
async fn an_answered_edit_survives_kill_9(pool: MySqlPool) {
    let server = std::env::var("DATABASE_URL").unwrap();
    let name: String = sqlx::query_scalar("SELECT DATABASE()").fetch_one(&pool).await.unwrap();
    let database = format!("{}/{name}", server.rsplit_once('/').unwrap().0);
    let port = free_port();
    let base = format!("http://127.0.0.1:{port}");
    let client = Client::builder().cookie_store(true).build().unwrap();

    let first = serve(&database, port).await;
    let token = sign_in(&client, &base).await;
    for revision in 1..=5 {
        let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": format!("Edit {revision}") });
        let request =
            client.post(format!("{base}/api/templates/2/operations")).header("x-csrf-token", &token);
        let answer = request.json(&json!({ "revision": revision, "op": op })).send().await.unwrap();
        assert_eq!(answer.status(), 200);
    }
    drop(first);

    let _second = serve(&database, port).await;
    let answer = client.get(format!("{base}/api/templates/2/desk")).send().await.unwrap();
    let desk: Value = answer.json().await.unwrap();
    assert_eq!(desk["draft"]["revision"], 6, "the session holds too");
    assert_eq!(desk["draft"]["hints"]["p9"], "“Edit 5”");
    assert_eq!(desk["draft"]["can_undo"], true);
}

/// What was answered before the server died; each writer goes on with it after the next start.
#[derive(Default)]
struct Answered {
    edits: AtomicU64,
    stock: AtomicU64,
    price: AtomicU64,
    pictures: Mutex<Vec<u64>>,
    published: AtomicU64,
    orders: Mutex<Vec<String>>,
}

/// How often a test kills its server: a few times among the others, as often as one likes by hand.
fn kills() -> u64 {
    std::env::var("COMPAGINA_KILLS").ok().and_then(|text| text.parse().ok()).unwrap_or(4)
}

struct Writer {
    base: String,
    client: Client,
    token: String,
    answered: Arc<Answered>,
    variants: [u64; 2],
}

impl Writer {
    async fn json(&self, method: Method, path: &str, body: Value) -> Option<Value> {
        let request =
            self.client.request(method, format!("{}{path}", self.base)).header("x-csrf-token", &self.token);
        let answer = request.json(&body).send().await.ok()?;
        let status = answer.status();
        let body = answer.bytes().await.ok()?;
        assert!(status.is_success() || status == 409, "{path} {status}: {}", String::from_utf8_lossy(&body));
        if status.is_success() { serde_json::from_slice(&body).ok() } else { None }
    }

    async fn draft(&self) -> Option<Value> {
        let answer = self.client.get(format!("{}/api/templates/2/desk", self.base)).send().await.ok()?;
        Some(answer.json::<Value>().await.ok()?["draft"].take())
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
        self.json(Method::POST, "/api/templates/2/publish", json!({ "revision": revision, "name": "k" }))
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
        let address = [
            ("email", "jo@example.org"),
            ("name", "Jo"),
            ("street", "1 Quay"),
            ("town", "Wells"),
            ("postcode", "NR23"),
        ];
        let form: Vec<(&str, &str)> = address.into_iter().chain([("payment", "accept")]).collect();
        let answer = shopper.post(format!("{}/shop/checkout", self.base)).form(&form).send().await.ok()?;
        let to = answer.headers().get("location")?.to_str().ok()?.to_owned();
        let number = to.strip_prefix("/shop/orders/")?.to_owned();
        self.answered.orders.lock().unwrap().push(number);
        Some(())
    }

    /// Writes of every kind at once, until the server is gone.
    async fn write(&self) {
        tokio::join!(
            async { while self.edit().await.is_some() || self.lives().await {} },
            async { while self.set_two_prices().await.is_some() || self.lives().await {} },
            async { while self.set_a_stock().await.is_some() || self.lives().await {} },
            async { while self.publish().await.is_some() || self.lives().await {} },
            async { while self.put_in_a_picture().await.is_some() || self.lives().await {} },
            async { while self.order().await.is_some() || self.lives().await {} },
        );
    }

    async fn lives(&self) -> bool {
        self.client.get(format!("{}/healthz", self.base)).send().await.is_ok()
    }
}

async fn one<T>(pool: &MySqlPool, question: &str) -> T
where
    T: for<'r> sqlx::Decode<'r, sqlx::MySql> + sqlx::Type<sqlx::MySql> + Send + Unpin,
{
    sqlx::query_scalar(sqlx::AssertSqlSafe(question.to_owned())).fetch_one(pool).await.unwrap()
}

/// No answered write is gone, and none is half there.
async fn check(pool: &MySqlPool, writer: &Writer, gift_cards: i64) {
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
    let left = "SELECT CAST(SUM(v.stock) AS SIGNED) FROM variant v JOIN product p ON p.id = v.product_id WHERE p.handle = 'gift-card'";
    let (held, left): (i64, i64) = (one(pool, held).await, one(pool, left).await);
    assert_eq!(held + left, gift_cards, "what was sold and what is left make what there was");
    let without: i64 = one(pool, "SELECT COUNT(*) FROM shop_order o WHERE NOT EXISTS (SELECT 1 FROM order_line l WHERE l.order_id = o.id)").await;
    assert_eq!(without, 0, "no order without lines");
}

#[sqlx::test(migrations = false)]
async fn answered_writes_of_every_kind_survive_kill_9_whole(pool: MySqlPool) {
    let server = std::env::var("DATABASE_URL").unwrap();
    let name: String = sqlx::query_scalar("SELECT DATABASE()").fetch_one(&pool).await.unwrap();
    let database = format!("{}/{name}", server.rsplit_once('/').unwrap().0);
    let port = free_port();
    let base = format!("http://127.0.0.1:{port}");
    let client = Client::builder().cookie_store(true).build().unwrap();
    let first = serve(&database, port).await;
    let token = sign_in(&client, &base).await;
    drop(first);
    let ids: Vec<u64> = sqlx::query_scalar("SELECT v.id FROM variant v JOIN product p ON p.id = v.product_id WHERE p.handle = 'whimbrel' ORDER BY v.id LIMIT 2")
        .fetch_all(&pool)
        .await
        .unwrap();
    sqlx::query("UPDATE variant v JOIN product p ON p.id = v.product_id SET v.stock = 10000 WHERE p.handle = 'gift-card'")
        .execute(&pool)
        .await
        .unwrap();
    let cards: i64 = one(&pool, "SELECT CAST(SUM(v.stock) AS SIGNED) FROM variant v JOIN product p ON p.id = v.product_id WHERE p.handle = 'gift-card'").await;
    let writer = Writer { base, client, token, answered: Arc::default(), variants: [ids[0], ids[1]] };
    let mut pause = 7u64;
    for _ in 0..kills() {
        let running = serve(&database, port).await;
        pause = (pause * 1_103_515_245 + 12_345) % 2_147_483_648;
        let kill = async {
            tokio::time::sleep(Duration::from_millis(200 + pause % 700)).await;
            drop(running);
        };
        tokio::join!(writer.write(), kill);
        check(&pool, &writer, cards).await;
    }
    let answered = &writer.answered;
    let (prices, stocks) = (answered.price.load(SeqCst), answered.stock.load(SeqCst));
    let edits = answered.edits.load(SeqCst);
    let (pictures, orders) = (answered.pictures.lock().unwrap().len(), answered.orders.lock().unwrap().len());
    assert!([edits, prices, stocks].iter().all(|count| *count > 0) && pictures > 0 && orders > 0);
    eprintln!(
        "{} kills: {edits} edits, {prices} prices, {stocks} stocks, {pictures} pictures, {orders} orders",
        kills()
    );
}

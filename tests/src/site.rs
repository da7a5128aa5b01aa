use crate::{EMAIL, PASSWORD};
use compagina_server::{Config, Pace, start};
use reqwest::{Body, Client, Method, Response, redirect};
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::path::PathBuf;
use tracing_subscriber::filter::LevelFilter;

/// The application with the demo shop, listening on a free port.
pub struct Site {
    pub base: String,
    pub pool: MySqlPool,
}

/// The server's own program, which draws in a process of its own; it lies beside the folder of the tests' programs.
pub fn server_program() -> PathBuf {
    let tests = std::env::current_exe().unwrap();
    let built = tests.ancestors().nth(2).unwrap().join("compagina-server");
    assert!(built.is_file(), "{} is missing: cargo build -p compagina-server", built.display());
    built
}

impl Site {
    /// Starts on the empty database of a test. Pictures are drawn once and shared by all tests.
    pub async fn start(pool: MySqlPool) -> Self {
        Self::start_large(pool, 0).await
    }

    /// The same with so many more products, made by rule.
    pub async fn start_large(pool: MySqlPool, products: u32) -> Self {
        let name: String = sqlx::query_scalar("SELECT DATABASE()").fetch_one(&pool).await.unwrap();
        let server = std::env::var("DATABASE_URL").expect("run the tests with `cargo xtask test`");
        let (server, _) = server.rsplit_once('/').expect("an address with a database");
        Self::start_with(pool, &format!("{server}/{name}"), products).await
    }

    /// The same on any database, by its address.
    pub async fn start_on(pool: MySqlPool, database: &str) -> Self {
        Self::start_with(pool, database, 0).await
    }

    async fn start_with(pool: MySqlPool, database: &str, products: u32) -> Self {
        // What wasn't foreseen is told to nobody but the log. Another site of this program may have begun it.
        let _ = tracing_subscriber::fmt().with_ansi(false).with_max_level(LevelFilter::ERROR).try_init();
        let top = PathBuf::from(concat!(env!("CARGO_MANIFEST_DIR"), "/.."));
        let media =
            std::env::var_os("COMPAGINA_TEST_MEDIA").map_or(top.join("target/test-media"), PathBuf::from);
        let running = start(Config {
            port: 0,
            database: database.to_owned(),
            media,
            web: top.join("web/dist"),
            shop: top.join("shop/dist"),
            drawer: Some(server_program()),
            pace: Pace { typing: Pace::unhurried().typing, ..Pace::default() },
            demo: true,
            products,
        })
        .await
        .unwrap();
        let base = format!("http://127.0.0.1:{}", running.port);
        tokio::spawn(running.wait());
        Self { base, pool }
    }

    /// A shopper: keeps cookies, follows no redirect unseen.
    pub fn shopper(&self) -> Client {
        Client::builder().cookie_store(true).redirect(redirect::Policy::none()).build().unwrap()
    }

    pub fn at(&self, path: &str) -> String {
        format!("{}{path}", self.base)
    }

    pub async fn owner(&self) -> Owner {
        self.owner_named(EMAIL, PASSWORD).await
    }

    pub async fn owner_named(&self, email: &str, password: &str) -> Owner {
        Owner::named_at(&self.base, self.shopper(), email, password).await
    }

    /// How many of a variant there are.
    pub async fn stock(&self, sku: &str) -> Option<u32> {
        sqlx::query_scalar("SELECT stock FROM variant WHERE sku = ?")
            .bind(sku)
            .fetch_one(&self.pool)
            .await
            .unwrap()
    }
}

/// A signed-in owner at the API.
pub struct Owner {
    pub client: Client,
    pub token: String,
    base: String,
}

impl Owner {
    /// The demo's owner, at a site that runs somewhere.
    pub async fn at(base: &str) -> Self {
        Self::named_at(base, Client::builder().cookie_store(true).build().unwrap(), EMAIL, PASSWORD).await
    }
    async fn named_at(base: &str, client: Client, email: &str, password: &str) -> Self {
        let body = json!({ "email": email, "password": password });
        let session: Value = client
            .post(format!("{base}/api/session"))
            .json(&body)
            .send()
            .await
            .unwrap()
            .json()
            .await
            .unwrap();
        Self { client, token: session["csrf"].as_str().unwrap().to_owned(), base: base.to_owned() }
    }
    /// Which template serves what, as it is numbered now.
    pub async fn arrangement(&self) -> Value {
        self.get("/api/templates").await.json::<Value>().await.unwrap()["arrangement"].clone()
    }
    /// Moves something to another template, seeing everything as it is now.
    pub async fn shift(&self, mut moving: Value) -> Response {
        moving["arrangement"] = self.arrangement().await;
        self.post("/api/templates/shift", &moving).await
    }
    /// Drafts one price rule in the place of all rules and plans.
    pub async fn draft_rule(&self, mut rule: Value) {
        let view: Value = self.get("/api/prices").await.json().await.unwrap();
        (rule["id"], rule["counted"], rule["on"]) = (view["free"].clone(), json!("product"), json!(true));
        let drafted = self.draft_prices(json!({ "rules": [rule], "plans": [] })).await;
        assert!(drafted.status().is_success());
    }
    /// One price rule in the place of all rules and plans, for shoppers too.
    ///
    /// # Panics
    /// Where it can't be made.
    pub async fn live_rule(&self, rule: Value) {
        self.draft_rule(rule).await;
        let revision = json_of(self.get("/api/prices").await).await["revision"].clone();
        json_of(self.post("/api/drafts/prices/publish", &json!({ "revision": revision })).await).await;
    }
    /// Takes a step on the price rules, seeing them as they are now: `rules` and `plans` in the place of all that there
    /// are, the rest as it is called there.
    pub async fn draft_prices(&self, change: Value) -> Response {
        let view: Value = self.get("/api/prices").await.json().await.unwrap();
        let mut changes = Vec::new();
        for (key, to) in change.as_object().unwrap() {
            let Some(all) = to.as_array() else {
                changes.push(json!({ "of": key, "to": to }));
                continue;
            };
            let one = key.trim_end_matches('s');
            let gone = view[key].as_array().unwrap().iter().map(|known| &known["id"]);
            let gone = gone.filter(|id| all.iter().all(|put| &&put["id"] != id));
            changes.extend(gone.map(|id| json!({ "of": format!("drop_{one}"), "to": id })));
            changes.extend(all.iter().map(|put| json!({ "of": one, "to": put })));
        }
        self.post("/api/prices/steps", &json!({ "revision": view["revision"], "changes": changes })).await
    }
    pub async fn get(&self, path: &str) -> Response {
        self.client.get(format!("{}{path}", self.base)).send().await.unwrap()
    }
    pub async fn post(&self, path: &str, body: &Value) -> Response {
        let request = self.client.post(format!("{}{path}", self.base)).header("x-csrf-token", &self.token);
        request.json(body).send().await.unwrap()
    }
    pub async fn put(&self, path: &str, body: &Value) -> Response {
        let request = self.client.put(format!("{}{path}", self.base)).header("x-csrf-token", &self.token);
        request.json(body).send().await.unwrap()
    }
    /// A request of one's own, with the session's token.
    pub fn request(&self, method: Method, path: &str) -> reqwest::RequestBuilder {
        self.client.request(method, format!("{}{path}", self.base)).header("x-csrf-token", &self.token)
    }
    pub async fn patch(&self, path: &str, body: &Value) -> Response {
        let request = self.client.patch(format!("{}{path}", self.base)).header("x-csrf-token", &self.token);
        request.json(body).send().await.unwrap()
    }
    /// Sends bytes, or a body in JSON.
    pub async fn send(&self, method: Method, path: &str, body: Vec<u8>) -> Response {
        self.try_send(method, path, body.into()).await.unwrap()
    }
    pub async fn try_send(&self, method: Method, path: &str, body: Body) -> reqwest::Result<Response> {
        let kind = if method == Method::DELETE { "application/json" } else { "application/octet-stream" };
        let request = self.client.request(method, format!("{}{path}", self.base));
        let request = request.header("x-csrf-token", &self.token).header("content-type", kind);
        request.body(body).send().await
    }
    pub async fn delete(&self, path: &str) -> Response {
        let request = self.client.delete(format!("{}{path}", self.base)).header("x-csrf-token", &self.token);
        request.send().await.unwrap()
    }
    /// The text of what is at an address.
    pub async fn page(&self, path: String) -> String {
        self.get(&path).await.text().await.unwrap()
    }
    /// Adds an empty template; gives its number.
    /// A card by a starter, live for all products.
    ///
    /// # Panics
    /// Where it can't be made.
    pub async fn live_card(&self, starter: &str) -> u64 {
        let id = self.card(starter).await;
        let desk = json_of(self.get(&format!("/api/templates/{id}/desk")).await).await;
        let body = json!({ "revision": desk["draft"]["revision"] });
        json_of(self.post(&format!("/api/drafts/template-{id}/publish"), &body).await).await;
        id
    }

    /// The same, not live yet.
    ///
    /// # Panics
    /// Where it can't be made.
    pub async fn card(&self, starter: &str) -> u64 {
        let card = json!({ "name": "Buying", "purpose": "card" });
        let id = json_of(self.post("/api/templates", &card).await).await["id"].as_u64().unwrap_or_default();
        let body = json!({ "revision": 1, "starter": starter });
        json_of(self.post(&format!("/api/templates/{id}/starter"), &body).await).await;
        id
    }
    pub async fn empty_template(&self, name: &str) -> u64 {
        let added: Value = self.post("/api/templates", &json!({ "name": name })).await.json().await.unwrap();
        added["id"].as_u64().unwrap()
    }
    /// Gives a product's three options so many further values each, and a variant for every combination of them; tells
    /// how many there are then.
    pub async fn many_variants(&self, product: &str, values: usize) -> usize {
        let path = format!("/api/variants?product={product}");
        let now = json_of(self.get(&path).await).await;
        let names: Vec<&str> = now["options"]
            .as_array()
            .unwrap()
            .iter()
            .map(|option| option["name"].as_str().unwrap())
            .collect();
        let mut file = self.page(format!("/api/variants.csv?product={product}")).await;
        let head: Vec<String> = file.lines().next().unwrap().split(',').map(str::to_owned).collect();
        if !file.ends_with('\n') {
            file.push('\n');
        }
        for number in 0..values.pow(3) {
            let cell = |column: &String| match names.iter().position(|name| name == column) {
                Some(0) => format!("{column} {}", number % values + 1),
                Some(1) => format!("{column} {}", number / values % values + 1),
                Some(_) => format!("{column} {}", number / values.pow(2) + 1),
                None if column == "product" => product.to_owned(),
                None if column == "sku" => format!("MANY-{number}"),
                None if column == "stock" => "3".to_owned(),
                None => String::new(),
            };
            let line: Vec<String> = head.iter().map(cell).collect();
            file.push_str(&line.join(","));
            file.push('\n');
        }
        let answer = self.send(Method::POST, "/api/variants/import", file.into_bytes()).await;
        let report = answer.text().await.unwrap().lines().last().unwrap_or_default().to_owned();
        assert!(report.contains(&format!("\"added\":{}", values.pow(3))), "{report}");
        usize::try_from(json_of(self.get(&path).await).await["count"].as_u64().unwrap()).unwrap()
    }

    /// The draft of the template *Sport kites*.
    pub async fn draft(&self) -> Value {
        let desk: Value = self.get("/api/templates/2/desk").await.json().await.unwrap();
        desk["draft"].clone()
    }
}

/// What was answered, which must be no refusal.
pub async fn json_of(answer: Response) -> Value {
    let (status, text) = (answer.status(), answer.text().await.unwrap());
    assert_eq!(status, 200, "{text}");
    serde_json::from_str(&text).unwrap()
}

/// The sentence with which something was refused.
pub async fn refusal(answer: Response) -> String {
    let (status, text) = (answer.status(), answer.text().await.unwrap());
    assert_eq!(status, 422, "{text}");
    let body: Value = serde_json::from_str(&text).unwrap();
    let said = body["message"].as_str().unwrap();
    assert!(said.ends_with('.') && !said.ends_with(".."), "a sentence: {said}");
    said.to_owned()
}

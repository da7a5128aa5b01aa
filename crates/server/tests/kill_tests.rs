//! An edit that was answered survives the sudden death of the server.
#![allow(clippy::unwrap_used)]

use reqwest::Client;
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::path::PathBuf;
use std::process::{Child, Command, Stdio};
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

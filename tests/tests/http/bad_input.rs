//! Bad input gets the right status and a sentence; nothing is stored, nothing is executed.

use compagina_tests::{EMAIL, Owner, Site};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn refused(answer: reqwest::Response, status: StatusCode, code: &str) -> Value {
    assert_eq!(answer.status(), status);
    let body: Value = answer.json().await.unwrap();
    assert_eq!(body["code"], code, "{body}");
    assert!(body["message"].as_str().unwrap().len() > 20, "{body}");
    body
}

fn words(text: &str) -> Value {
    json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": text })
}

async fn set_words(owner: &Owner, revision: u64, text: &str) -> reqwest::Response {
    owner.post("/api/templates/2/operations", &json!({ "revision": revision, "op": words(text) })).await
}

#[sqlx::test(migrations = false)]
async fn without_signing_in_nothing_of_the_owners_is_to_be_had(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let stranger = site.shopper();
    for path in [
        "/api/session",
        "/api/shelf",
        "/api/templates",
        "/api/templates/2/desk",
        "/api/templates/2/proof?product=whimbrel",
    ] {
        let answer = stranger.get(site.at(path)).send().await.unwrap();
        refused(answer, StatusCode::UNAUTHORIZED, "sign_in_first").await;
    }
    let body = json!({ "revision": 1, "op": words("x") });
    let answer = stranger.post(site.at("/api/templates/2/operations")).json(&body).send().await.unwrap();
    refused(answer, StatusCode::UNAUTHORIZED, "sign_in_first").await;
}

#[sqlx::test(migrations = false)]
async fn without_the_sessions_token_nothing_is_changed(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = owner.draft().await;
    let body = json!({ "revision": 1, "op": words("x") });
    for token in [None, Some("wrong")] {
        let mut request = owner.client.post(site.at("/api/templates/2/operations")).json(&body);
        if let Some(token) = token {
            request = request.header("x-csrf-token", token);
        }
        refused(request.send().await.unwrap(), StatusCode::FORBIDDEN, "no_token").await;
    }
    assert_eq!(owner.draft().await, before);
}

#[sqlx::test(migrations = false)]
async fn what_is_not_there_is_404_and_what_cannot_be_read_is_400(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    for path in [
        "/api/templates/99/desk",
        "/api/templates/x/desk",
        "/api/nothing",
        "/api/templates/2/slip/piece/ghost",
        "/api/templates/2/slip/piece/%3Cscript%3E",
        "/api/templates/2/proof?product=ghost",
        "/api/templates/2/proof?product=../etc",
        "/media/0000",
    ] {
        refused(owner.get(path).await, StatusCode::NOT_FOUND, "not_found").await;
    }
    for path in [
        "/shop/products/ghost",
        "/shop/types/ghost",
        "/shop/nothing",
        "/shop/products/%2e%2e%2fx",
        "/shop/orders/1",
    ] {
        let answer = owner.get(path).await;
        assert_eq!(answer.status(), StatusCode::NOT_FOUND, "{path}");
        assert!(answer.text().await.unwrap().contains("<h1>Nothing here</h1>"), "{path}");
    }
    for body in ["{", "[]", r#"{"revision":1,"op":{"op":"eval","code":"1"}}"#, r#"{"revision":-1,"op":{}}"#] {
        let request =
            owner.client.post(site.at("/api/templates/2/operations")).header("x-csrf-token", &owner.token);
        let answer = request.header("content-type", "application/json").body(body).send().await.unwrap();
        refused(answer, StatusCode::BAD_REQUEST, "unreadable").await;
    }
}

#[sqlx::test(migrations = false)]
async fn a_wrong_revision_and_a_refused_operation_change_nothing(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    assert_eq!(set_words(&owner, 1, "Fly").await.status(), StatusCode::OK);
    let kept = owner.draft().await;
    let body = refused(set_words(&owner, 1, "Late").await, StatusCode::CONFLICT, "clash").await;
    assert_eq!(body["current_revision"], 2);
    let ghost = json!({ "revision": 2, "op": { "op": "remove_piece", "piece": "ghost" } });
    let answer = owner.post("/api/templates/2/operations", &ghost).await;
    let body = refused(answer, StatusCode::UNPROCESSABLE_ENTITY, "refused").await;
    assert!(body["message"].as_str().unwrap().contains("no piece “ghost”"));
    let long = set_words(&owner, 2, &"x".repeat(5000)).await;
    refused(long, StatusCode::UNPROCESSABLE_ENTITY, "refused").await;
    assert_eq!(owner.draft().await, kept);
}

#[sqlx::test(migrations = false)]
async fn a_body_of_twenty_megabytes_is_refused(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = owner.draft().await;
    let huge = json!({ "revision": 1, "op": words(&"x".repeat(20_000_000)) });
    let answer = owner.post("/api/templates/2/operations", &huge).await;
    refused(answer, StatusCode::PAYLOAD_TOO_LARGE, "too_large").await;
    let form = site.shopper().post(site.at("/shop/cart")).form(&[("product", "x".repeat(20_000_000))]);
    assert_eq!(form.send().await.unwrap().status(), StatusCode::PAYLOAD_TOO_LARGE);
    assert_eq!(owner.draft().await, before);
}

#[sqlx::test(migrations = false)]
async fn script_in_any_text_is_shown_and_not_run(pool: MySqlPool) {
    const EVIL: &str = "</script><script>alert(1)</script><img src=x onerror=alert(1)>";
    let site = Site::start(pool).await;
    let details = json!([{ "title": EVIL, "text": EVIL }]).to_string();
    sqlx::query("UPDATE product SET name = ?, summary = ?, details = ? WHERE handle = 'whimbrel'")
        .bind(EVIL)
        .bind(EVIL)
        .bind(details)
        .execute(&site.pool)
        .await
        .unwrap();
    sqlx::query("UPDATE option_value SET name = ? WHERE handle = 'ember'")
        .bind(EVIL)
        .execute(&site.pool)
        .await
        .unwrap();
    let owner = site.owner().await;
    assert_eq!(set_words(&owner, 1, &EVIL[..50]).await.status(), StatusCode::OK);
    let pages = [
        "/shop",
        "/shop/products/whimbrel",
        "/shop/products/whimbrel?colour=%3Cscript%3Ealert(1)%3C/script%3E",
        "/api/templates/2/proof?product=whimbrel",
    ];
    for path in pages {
        let answer = owner.get(path).await;
        let policy = answer.headers()["content-security-policy"].to_str().unwrap().to_owned();
        assert!(policy.contains("default-src 'self'") && !policy.contains("script-src"), "{policy}");
        let page = answer.text().await.unwrap();
        assert!(!page.contains("<script>alert") && !page.contains("<img src=x"), "{path}");
    }
}

#[sqlx::test(migrations = false)]
async fn failed_sign_ins_are_slowed_down(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let sign_in = |password: &'static str| {
        let body = json!({ "email": EMAIL, "password": password });
        site.shopper().post(site.at("/api/session")).json(&body).send()
    };
    for _ in 0..5 {
        refused(sign_in("wrong").await.unwrap(), StatusCode::UNAUTHORIZED, "wrong_password").await;
    }
    let answer = sign_in(compagina_tests::PASSWORD).await.unwrap();
    assert!(answer.headers().contains_key("retry-after"));
    let body = refused(answer, StatusCode::TOO_MANY_REQUESTS, "wait").await;
    assert!(body["wait_seconds"].as_i64().unwrap() >= 1);
}

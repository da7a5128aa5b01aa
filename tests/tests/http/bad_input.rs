//! Bad input gets the right status and a sentence; nothing is stored, nothing is executed.

use compagina_tests::{EMAIL, Owner, Site};
use reqwest::{Method, StatusCode};
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

/// Every operation of the API that isn't signing in and out, with something in the place of what its path names.
fn operations() -> Vec<(Method, String)> {
    let document = serde_json::to_value(compagina_server::openapi_document()).unwrap();
    let mut all = Vec::new();
    for (path, operations) in document["paths"].as_object().unwrap() {
        let named: Vec<&str> =
            path.split('/').map(|part| if part.starts_with('{') { "1" } else { part }).collect();
        for method in operations.as_object().unwrap().keys() {
            all.push((method.to_uppercase().parse().unwrap(), named.join("/")));
        }
    }
    all.retain(|(_, path)| path.starts_with("/api/") && path != "/api/session");
    all
}

#[sqlx::test(migrations = false)]
async fn every_operation_asks_for_an_owner_and_no_change_goes_without_the_sessions_token(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (owner, stranger) = (site.owner().await, site.shopper());
    let all = operations();
    assert!(all.len() > 100, "{}", all.len());
    let mut open = Vec::new();
    for (method, path) in all {
        let ask = async |client: &reqwest::Client| {
            let request = client.request(method.clone(), site.at(&path));
            let request = if method == Method::GET { request } else { request.json(&json!({})) };
            request.send().await.unwrap().status()
        };
        let asked_for_owner = ask(&stranger).await;
        if asked_for_owner != StatusCode::UNAUTHORIZED {
            open.push(format!("{method} {path} answers a stranger {asked_for_owner}"));
        }
        if method == Method::GET {
            continue;
        }
        // A body that can't be read may be refused first.
        let asked_for_token = ask(&owner.client).await;
        if ![StatusCode::FORBIDDEN, StatusCode::BAD_REQUEST].contains(&asked_for_token) {
            open.push(format!("{method} {path} answers without the token {asked_for_token}"));
        }
    }
    assert_eq!(open, Vec::<String>::new());
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
    assert!(body["message"].as_str().unwrap().contains("this piece isn't on the page any more"));
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

#[sqlx::test(migrations = false)]
async fn a_price_too_large_for_sums_is_refused_and_the_dearest_can_be_looked_at(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let product = json!({ "kind": "sport-kites", "name": "Dear one", "price": "92233720368547758.07" });
    refused(owner.post("/api/products", &product).await, StatusCode::UNPROCESSABLE_ENTITY, "refused").await;
    let free = json!({ "kind": "sport-kites", "name": "Odd one", "price": "-0.05" });
    refused(owner.post("/api/products", &free).await, StatusCode::UNPROCESSABLE_ENTITY, "refused").await;
    let dear = json!({ "kind": "sport-kites", "name": "Dear one", "price": "100000000" });
    assert_eq!(owner.post("/api/products", &dear).await.status(), StatusCode::OK);
    let page = owner.client.get(site.at("/shop/products/dear-one?quantity=99")).send().await.unwrap();
    assert_eq!(page.status(), StatusCode::OK, "the dearest there can be, ninety-nine times");
}

/// Signs that turn round or hide what stands beside them.
#[sqlx::test(migrations = false)]
async fn unseen_signs_and_links_elsewhere_are_refused_in_every_name(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let odd = "evil\u{202E}gpj.exe";
    let unprocessable = StatusCode::UNPROCESSABLE_ENTITY;
    let product = json!({ "kind": "sport-kites", "name": odd });
    refused(owner.post("/api/products", &product).await, unprocessable, "refused").await;
    refused(
        owner.post("/api/options/colour/values", &json!({ "name": odd })).await,
        unprocessable,
        "refused",
    )
    .await;
    let look = json!({ "stock": "as_it_is", "sale": "as_it_is", "coming_soon": false, "cart": "empty", "quantity": 1 });
    let situation = json!({ "name": odd, "look": look });
    refused(owner.post("/api/situations", &situation).await, unprocessable, "refused").await;
    let variants = json_of_page(&owner, "/api/variants?product=whimbrel").await;
    let change = json!({ "ids": [variants["variants"][0]["id"]], "sku": odd });
    refused(owner.patch("/api/variants?product=whimbrel", &change).await, unprocessable, "refused").await;
    let draft = owner.draft().await;
    let piece = draft["layout"]["bands"]
        .as_array()
        .unwrap()
        .iter()
        .flat_map(|band| band["columns"].as_array().unwrap())
        .flat_map(|column| column["pieces"].as_array().unwrap())
        .find(|piece| piece["kind"] == "buy_button")
        .unwrap()["id"]
        .clone();
    for link in ["/\\host", "//host", "/shop\\evil", "https://a b"] {
        let op = json!({ "op": "add_piece", "piece": { "id": "linked", "kind": "picture", "values": { "wide": { "link": link } } },
            "at": draft_place(&draft, piece.as_str().unwrap()) });
        let body = json!({ "revision": draft["revision"], "op": op });
        refused(owner.post("/api/templates/2/operations", &body).await, unprocessable, "refused").await;
    }
}

fn draft_place(draft: &Value, piece: &str) -> Value {
    let bands = draft["layout"]["bands"].as_array().unwrap();
    let columns = bands.iter().flat_map(|band| band["columns"].as_array().unwrap());
    let found =
        columns.into_iter().find(|c| c["pieces"].as_array().unwrap().iter().any(|p| p["id"] == piece));
    json!({ "column": found.unwrap()["id"], "index": 0 })
}

#[sqlx::test(migrations = false)]
async fn situations_words_and_plans_that_mean_nothing_are_refused_and_make_no_step(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let unprocessable = StatusCode::UNPROCESSABLE_ENTITY;
    let look = json!({ "stock": "as_it_is", "sale": "as_it_is", "coming_soon": false, "cart": "empty", "quantity": 1 });
    for (key, value) in [
        ("day", json!("x")),
        ("day", json!("2026-02-31")),
        ("choice", json!("c=x&".repeat(25_000))),
        ("quantity", json!(0)),
    ] {
        let mut look = look.clone();
        look[key] = value;
        refused(
            owner.post("/api/situations", &json!({ "name": "Odd", "look": look })).await,
            unprocessable,
            "refused",
        )
        .await;
    }
    assert_eq!(
        owner.post("/api/situations", &json!({ "name": "Plain", "look": look })).await.status(),
        StatusCode::OK
    );

    let words = json_of_page(&owner, "/api/wording?language=en").await;
    let nothing = json!({ "revision": words["revision"], "language": "en", "template": null, "key": "ghost", "text": null });
    refused(owner.put("/api/wording", &nothing).await, unprocessable, "refused").await;
    let same = json!({ "revision": words["revision"], "language": "en", "template": null, "key": "cart-link", "text": null });
    assert_eq!(owner.put("/api/wording", &same).await.status(), StatusCode::OK);
    assert_eq!(
        json_of_page(&owner, "/api/wording?language=en").await["revision"],
        words["revision"],
        "no step"
    );

    let revision = owner.draft().await["revision"].clone();
    let far = json!({ "revision": revision, "name": "Far", "at": "9999-12-31T23:59" });
    let told =
        refused(owner.post("/api/drafts/template-2/planned", &far).await, unprocessable, "refused").await;
    assert!(told["message"].as_str().unwrap().contains("a hundred years"), "{told}");
}

async fn json_of_page(owner: &Owner, path: &str) -> Value {
    serde_json::from_str(&owner.page(path.into()).await).unwrap()
}

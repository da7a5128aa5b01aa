//! A step whose answer was lost is sent again under its key, and is taken once.

use compagina_tests::{Owner, Site, json_of, refusal};
use reqwest::{Method, Response};
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn send(owner: &Owner, key: &str, path: &str, body: &Value) -> Response {
    owner.request(Method::POST, path).header("idempotency-key", key).json(body).send().await.unwrap()
}

async fn code(answer: Response) -> (u16, Value) {
    (answer.status().as_u16(), answer.json::<Value>().await.unwrap()["code"].clone())
}

async fn templates(owner: &Owner) -> usize {
    json_of(owner.get("/api/templates").await).await["templates"].as_array().unwrap().len()
}

#[sqlx::test(migrations = false)]
async fn what_is_sent_again_is_answered_as_the_first_time_and_taken_once(pool: MySqlPool) {
    let site = Site::start(pool.clone()).await;
    let owner = site.owner().await;
    let before = templates(&owner).await;
    let winter = json!({ "name": "Winter" });
    let add = async || json_of(send(&owner, "key-of-winter", "/api/templates", &winter).await).await;
    let first = add().await;
    assert_eq!((add().await, add().await), (first.clone(), first));
    assert_eq!(templates(&owner).await, before + 1);

    // As many at once: whoever loses is told that it was taken, or gets the winner's answer.
    let summer = json!({ "name": "Summer" });
    let all = (0..6).map(|_| send(&owner, "key-of-summer", "/api/templates", &summer));
    for answer in futures_util::future::join_all(all).await {
        let status = answer.status();
        assert!(status.is_success() || code(answer).await == (409, json!("taken_before")), "{status}");
    }
    assert_eq!(templates(&owner).await, before + 2);

    // Another owner's key is her own, and after a day nobody sends it any more.
    let tomas = site.owner_named("tomas@marramandgale.example", "reef-before-noon").await;
    send(&tomas, "key-of-winter", "/api/templates", &winter).await.error_for_status().unwrap();
    assert_eq!(templates(&owner).await, before + 3);
    sqlx::query("UPDATE step_key SET at = at - INTERVAL 25 HOUR").execute(&pool).await.unwrap();
    let store = compagina_storage::Store::from_pool(pool).await.unwrap();
    store.forget_old_keys().await.unwrap();
    add().await;
    assert_eq!(templates(&owner).await, before + 4);
}

#[sqlx::test(migrations = false)]
async fn a_refused_step_can_be_made_right_under_its_key_and_a_key_is_for_one_step(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = templates(&owner).await;
    let key = "key-of-a-template";
    refusal(send(&owner, key, "/api/templates", &json!({ "name": "" })).await).await;
    json_of(send(&owner, key, "/api/templates", &json!({ "name": "Winter" })).await).await;
    assert_eq!(templates(&owner).await, before + 1);
    let other = send(&owner, key, "/api/templates/2/undo", &json!({ "revision": 1 })).await;
    assert!(refusal(other).await.contains("belongs to another step"));
    for bad in ["short", "with space", &"x".repeat(65)] {
        let answer = send(&owner, bad, "/api/templates", &json!({ "name": "Summer" })).await;
        assert_eq!(code(answer).await, (400, json!("unreadable")), "{bad}");
    }
    assert_eq!(templates(&owner).await, before + 1);
}

#[sqlx::test(migrations = false)]
async fn where_the_first_answer_was_too_long_to_be_kept_it_is_told_that_it_was_taken(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let revision = owner.draft().await["revision"].as_u64().unwrap();
    let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": "Take it" });
    let look = json!({ "product": "whimbrel", "stock": "as_it_is", "sale": "as_it_is", "coming_soon": false,
        "quantity": 1, "cart": "empty", "prices": "as_it_is", "language": "en" });
    let body = json!({ "revision": revision, "op": op, "look": look });
    let edit = async || send(&owner, "key-of-an-edit", "/api/templates/2/operations", &body).await;
    let first = json_of(edit().await).await;
    assert!(first["proof"]["html"].as_str().unwrap().len() > 64 * 1024, "the whole page came along");
    assert_eq!(code(edit().await).await, (409, json!("taken_before")));
    assert_eq!(owner.draft().await["revision"], revision + 1);
}

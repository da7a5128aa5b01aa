//! Whatever has a draft is published, planned, taken back and brought back in the same way.

use compagina_tests::{Owner, Site, json_of, refusal};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::MySqlPool;

const ALL: [&str; 5] = ["template-2", "house", "wording", "prices", "listings"];

/// Takes the nth step on a draft, each in its own way.
async fn step(owner: &Owner, draft: &str, nth: u32) {
    let revision = state(owner, draft).await["revision"].clone();
    let answer = match draft {
        "house" => {
            let value = json!({ "revision": revision, "key": "sale", "value": format!("#10203{nth}") });
            owner.put("/api/house", &value).await
        }
        "wording" => {
            let word = json!({ "revision": revision, "language": "en", "key": "buy-button-words", "text": format!("Buy {nth}") });
            owner.put("/api/wording", &word).await
        }
        "listings" => {
            let title =
                json!({ "revision": revision, "of": "all", "change": { "title": format!("All {nth}") } });
            owner.put("/api/listings", &title).await
        }
        "prices" => {
            let vat = json!({ "percent": nth.to_string(), "types": [], "shown": "with" });
            owner.draft_prices(json!({ "rules": [], "plans": [], "vat": vat })).await
        }
        _ => {
            let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": format!("Buy {nth}") });
            owner.post("/api/templates/2/operations", &json!({ "revision": revision, "op": op })).await
        }
    };
    json_of(answer).await;
}

async fn state(owner: &Owner, draft: &str) -> Value {
    json_of(owner.get(&format!("/api/drafts/{draft}")).await).await
}

async fn send(owner: &Owner, draft: &str, what: &str, body: Value) -> Value {
    json_of(owner.post(&format!("/api/drafts/{draft}/{what}"), &body).await).await
}

/// The publications of a draft by their names, the newest first.
fn names(state: &Value) -> Vec<&str> {
    state["publications"].as_array().unwrap().iter().map(|one| one["name"].as_str().unwrap()).collect()
}

#[sqlx::test(migrations = false)]
async fn all_drafts_go_the_same_way(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    for draft in ALL {
        step(&owner, draft, 1).await;
        let first = state(&owner, draft).await;
        assert_eq!((&first["differs"], &first["can_undo"]), (&json!(true), &json!(true)), "{draft}");
        let body = json!({ "revision": first["revision"], "name": "First" });
        let published = send(&owner, draft, "publish", body.clone()).await;
        assert_eq!((&published["differs"], names(&published)[0]), (&json!(false), "First"), "{draft}");
        assert_eq!(published["publications"][0]["who"], "Isla Marram");

        step(&owner, draft, 2).await;
        let late = owner.post(&format!("/api/drafts/{draft}/publish"), &body).await;
        assert_eq!(late.status(), StatusCode::CONFLICT, "{draft}: it isn't what was looked at any more");
        let second = state(&owner, draft).await["revision"].clone();
        send(&owner, draft, "publish", json!({ "revision": second, "name": "Second" })).await;
        let back = send(&owner, draft, "take-back", json!({})).await;
        assert_eq!(names(&back)[..3], ["Taken back", "Second", "First"], "{draft}");
        assert_eq!(back["differs"], true, "{draft}: the draft stays");

        // What was published before becomes the draft, as a step that can be undone.
        let publications = back["publications"].as_array().unwrap();
        let id = publications.iter().find(|one| one["name"] == "First").unwrap()["id"].clone();
        let brought = json!({ "revision": back["revision"], "publication": id });
        let brought = send(&owner, draft, "bring-back", brought).await;
        assert_eq!(brought["differs"], false, "{draft}: that is what shoppers see");
        let undone = send(&owner, draft, "undo", json!({ "revision": brought["revision"] })).await;
        assert_eq!((&undone["differs"], &undone["can_redo"]), (&json!(true), &json!(true)), "{draft}");
        let redone = send(&owner, draft, "redo", json!({ "revision": undone["revision"] })).await;
        assert_eq!(redone["differs"], false, "{draft}");

        planned(&owner, &site, draft).await;
    }
    for path in ["/api/drafts/shelf", "/api/drafts/template-99", "/api/drafts/template-x"] {
        assert_eq!(owner.get(path).await.status(), StatusCode::NOT_FOUND, "{path}");
    }
    let stranger = json!({ "revision": state(&owner, "house").await["revision"], "publication": 999_999 });
    assert_eq!(owner.post("/api/drafts/house/bring-back", &stranger).await.status(), StatusCode::NOT_FOUND);
    assert_eq!(site.shopper().get(site.at("/api/drafts/house")).send().await.unwrap().status(), 401);
}

/// It is published by itself as it was when it was planned, and what is planned can be dropped.
async fn planned(owner: &Owner, site: &Site, draft: &str) {
    step(owner, draft, 3).await;
    let revision = state(owner, draft).await["revision"].clone();
    let at = |at: &str| json!({ "revision": revision, "name": "Spring", "at": at });
    let past = owner.post(&format!("/api/drafts/{draft}/planned"), &at("2020-01-01T09:00")).await;
    assert!(refusal(past).await.contains("this time is over"), "{draft}");
    let plan = send(owner, draft, "planned", at("2099-01-01T09:00")).await;
    assert_eq!(plan["planned"]["at"], "2099-01-01T09:00", "{draft}");
    let dropped = json_of(owner.delete(&format!("/api/drafts/{draft}/planned")).await).await;
    assert_eq!(dropped["planned"], Value::Null, "{draft}");
    send(owner, draft, "planned", at("2099-01-01T09:00")).await;
    step(owner, draft, 4).await;
    sqlx::query("UPDATE planned_publication SET at = UTC_TIMESTAMP()").execute(&site.pool).await.unwrap();
    let mut now = state(owner, draft).await;
    for _ in 0..200 {
        if now["planned"].is_null() {
            break;
        }
        tokio::time::sleep(std::time::Duration::from_millis(50)).await;
        now = state(owner, draft).await;
    }
    assert_eq!(
        (names(&now)[0], &now["differs"]),
        ("Spring", &json!(true)),
        "{draft}: the fourth step isn't shown"
    );
}

#[sqlx::test(migrations = false)]
async fn shoppers_see_what_was_published_and_again_what_was_before(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let says = async |words: &str| owner.page("/shop/products/whimbrel".into()).await.contains(words);
    for nth in [1, 2] {
        step(&owner, "wording", nth).await;
        let revision = state(&owner, "wording").await["revision"].clone();
        send(&owner, "wording", "publish", json!({ "revision": revision })).await;
    }
    assert!(says("Buy 2").await);
    send(&owner, "wording", "take-back", json!({})).await;
    assert!(says("Buy 1").await);
    let began = state(&owner, "wording").await;
    assert_eq!(names(&began).last(), Some(&"As it began"));
    let before: i64 = count(&site).await;
    step(&owner, "prices", 7).await;
    let revision = state(&owner, "prices").await["revision"].clone();
    send(&owner, "prices", "publish", json!({ "revision": revision })).await;
    send(&owner, "prices", "take-back", json!({})).await;
    assert_eq!(count(&site).await, before + 2, "both are in the history from which old prices come");
}

async fn count(site: &Site) -> i64 {
    sqlx::query_scalar("SELECT COUNT(*) FROM past_prices").fetch_one(&site.pool).await.unwrap()
}

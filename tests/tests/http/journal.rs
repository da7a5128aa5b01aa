//! The journal over HTTP: told, taken back, made again; two owners; products copied, moved and taken away.

use compagina_tests::{OTHER_EMAIL, OTHER_PASSWORD, Owner, Site, json_of, refusal};
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};
use sqlx::MySqlPool;

const MINI: &str = "/api/variants?product=whimbrel-mini";

async fn journal(owner: &Owner, of: &str) -> Value {
    json_of(owner.get(&format!("/api/journal?{of}")).await).await
}

/// Sends a change together with what was seen before it.
async fn with_seen(owner: &Owner, body: &Value, seen: &Value) -> reqwest::Response {
    sent_with_seen(owner, Method::PATCH, MINI, body, seen).await
}
async fn sent_with_seen(
    owner: &Owner,
    method: Method,
    path: &str,
    body: &Value,
    seen: &Value,
) -> reqwest::Response {
    let request = owner.request(method, path).header("x-seen", seen.as_str().unwrap());
    request.json(body).send().await.unwrap()
}

#[sqlx::test(migrations = false)]
async fn palette_and_options_are_not_overwritten_unseen(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (isla, tomas) = (site.owner().await, site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await);
    let palette = json_of(isla.get("/api/palette").await).await;
    let with = |more: &str| json!({ "text": format!("{}\n{more}", palette["text"].as_str().unwrap()) });
    json_of(tomas.put("/api/palette", &with("Kelp #445533")).await).await;
    let late =
        sent_with_seen(&isla, Method::PUT, "/api/palette", &with("Slack #8899AA"), &palette["seen"]).await;
    assert_eq!(late.status(), StatusCode::CONFLICT);
    let anew = json_of(isla.get("/api/palette").await).await;
    assert!(anew["text"].as_str().unwrap().contains("Kelp"), "{anew}");
    let both = json!({ "text": format!("{}\nSlack #8899AA", anew["text"].as_str().unwrap()) });
    let kept = sent_with_seen(&isla, Method::PUT, "/api/palette", &both, &anew["seen"]).await;
    assert_eq!(kept.status(), StatusCode::OK);

    // An option isn't merged away, split or taken away on an old look at it.
    let made = json_of(isla.post("/api/options", &json!({ "name": "Weave" })).await).await;
    json_of(tomas.post("/api/options/weave/values", &json!({ "name": "Ripstop" })).await).await;
    let into = json!({ "into": "colour" });
    let merged = sent_with_seen(&isla, Method::POST, "/api/options/weave/merge", &into, &made["seen"]).await;
    assert_eq!(merged.status(), StatusCode::CONFLICT);
    let away = sent_with_seen(&isla, Method::DELETE, "/api/options/weave", &json!({}), &made["seen"]).await;
    assert_eq!(away.status(), StatusCode::CONFLICT);
    assert_eq!(json_of(isla.get("/api/options/weave").await).await["values"][0]["name"], "Ripstop");
}

#[sqlx::test(migrations = false)]
async fn two_owners_are_told_of_each_other_and_each_takes_back_her_own(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (isla, tomas) = (site.owner().await, site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await);
    let seen = json_of(isla.get(MINI).await).await;
    let id = seen["variants"][0]["id"].clone();
    json_of(tomas.patch(MINI, &json!({ "ids": [id], "price": "41" })).await).await;

    // Something else of the same variant stays beside it; the same is told of and not overwritten.
    let stock = with_seen(&isla, &json!({ "ids": [id], "stock": "3" }), &seen["seen"]).await;
    assert_eq!(json_of(stock).await["variants"][0]["price"], "41.00");
    let late = with_seen(&isla, &json!({ "ids": [id], "price": "44" }), &seen["seen"]).await;
    assert_eq!(late.status(), StatusCode::CONFLICT);
    let late: Value = late.json().await.unwrap();
    assert_eq!(late["code"], "overtaken");
    let told = late["message"].as_str().unwrap();
    assert!(told.starts_with("Tomas") && told.contains("→ 41.00"), "{told}");
    assert_eq!(json_of(isla.get(MINI).await).await["variants"][0]["price"], "41.00");
    let anew = json_of(isla.get(MINI).await).await["seen"].clone();
    assert_eq!(
        with_seen(&isla, &json!({ "ids": [id], "price": "44" }), &anew).await.status(),
        StatusCode::OK
    );

    let of = "product=whimbrel-mini&view=variants";
    let view = journal(&isla, of).await;
    assert!(view["undo"].as_str().unwrap().contains("41.00 → 44.00"), "{view}");
    assert_eq!(view["steps"][0]["who"], "Isla Marram");
    for _ in 0..2 {
        json_of(isla.post(&format!("/api/journal/undo?{of}"), &json!({})).await).await;
    }
    let now = json_of(isla.get(MINI).await).await;
    let before = &seen["variants"][0];
    assert_eq!(
        (&now["variants"][0]["price"], &now["variants"][0]["stock"]),
        (&json!("41.00"), &before["stock"])
    );
    let nothing = isla.post(&format!("/api/journal/undo?{of}"), &json!({})).await;
    assert_eq!(nothing.status(), StatusCode::CONFLICT, "the rest is Tomas's");
    json_of(isla.post(&format!("/api/journal/redo?{of}"), &json!({})).await).await;
    assert_eq!(json_of(isla.get(MINI).await).await["variants"][0]["stock"], 3);

    let view = journal(&isla, "product=whimbrel-mini").await;
    let first = view["steps"].as_array().unwrap().last().unwrap()["id"].as_u64().unwrap();
    json_of(tomas.post(&format!("/api/journal/{first}/back?product=whimbrel-mini"), &json!({})).await).await;
    let back = json_of(isla.get(MINI).await).await;
    assert_eq!(back["variants"], seen["variants"]);
    for (path, status) in [("product=nothing", 404), ("view=texts", 400), ("product=knot&view=shelf", 400)] {
        assert_eq!(isla.get(&format!("/api/journal?{path}")).await.status(), status, "{path}");
    }
    assert_eq!(site.shopper().get(site.at("/api/journal?view=book")).send().await.unwrap().status(), 401);
}

#[sqlx::test(migrations = false)]
async fn a_product_is_copied_moved_and_taken_away_and_orders_keep_what_they_sold(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let copy = json!({ "name": "Whimbrel for two" });
    let made = json_of(owner.post("/api/products/whimbrel/copy", &copy).await).await;
    assert_eq!(made["handle"], "whimbrel-for-two");
    let told = refusal(owner.post("/api/products/whimbrel/copy", &copy).await).await;
    assert!(told.contains("the address “whimbrel-for-two” belongs to Whimbrel for two"), "{told}");
    let variants = json_of(owner.get("/api/variants?product=whimbrel-for-two").await).await;
    assert_eq!(
        (variants["variants"].as_array().unwrap().len(), &variants["variants"][0]["sku"]),
        (13, &json!("WHI-EMB-16-2"))
    );
    assert_eq!(variants["pictures"].as_array().unwrap().len(), 16);
    assert!(!owner.page("/shop".into()).await.contains("Whimbrel for two"));

    let path = "/api/products/whimbrel-for-two";
    let moved = owner.put(&format!("{path}/type"), &json!({ "kind": "spares" })).await;
    assert_eq!(moved.status(), StatusCode::NO_CONTENT);
    let spares = json_of(owner.get("/api/shelf?type=spares").await).await;
    assert_eq!(
        spares["types"][0]["products"].as_array().unwrap().last().unwrap()["handle"],
        "whimbrel-for-two"
    );

    let hanging = json_of(owner.get("/api/products/whimbrel/hanging").await).await;
    assert_eq!((&hanging["reviews"], &hanging["rules"]), (&json!(37), &json!(["Care for a new kite"])));
    assert_eq!(owner.delete(path).await.status(), StatusCode::NO_CONTENT);
    assert_eq!(owner.delete(path).await.status(), StatusCode::NOT_FOUND);
    assert_eq!(owner.delete("/api/products/whimbrel").await.status(), StatusCode::NO_CONTENT);
    assert_eq!(site.shopper().get(site.at("/shop/products/whimbrel")).send().await.unwrap().status(), 404);
    for told in ["“Whimbrel” removed", "“Whimbrel for two” removed"] {
        let back = json_of(owner.post("/api/journal/undo?view=shelf", &json!({})).await).await;
        assert_eq!(back["told"], told);
    }
    assert!(owner.page("/shop/products/whimbrel".into()).await.contains("37"), "with its reviews");
    let shelf = json_of(owner.get("/api/shelf?type=spares").await).await;
    assert_eq!(
        shelf["types"][0]["products"].as_array().unwrap().last().unwrap()["handle"],
        "whimbrel-for-two"
    );
}

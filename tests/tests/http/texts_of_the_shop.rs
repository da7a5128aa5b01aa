//! Texts of the shop and kept looks over HTTP: who may see and set them, and what is refused.

use compagina_tests::{Owner, Site, json_of, refusal};
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn set(owner: &Owner, key: &str, value: Value) -> Value {
    let revision = json_of(owner.get("/api/house").await).await["revision"].clone();
    json_of(owner.put("/api/house", &json!({ "revision": revision, "key": key, "value": value })).await).await
}
async fn keep(owner: &Owner, name: &str, text: &str) -> reqwest::Response {
    let revision = json_of(owner.get("/api/house").await).await["revision"].clone();
    let body = json!({ "revision": revision, "name": name, "kind": "price", "text": text });
    owner.post("/api/house/looks", &body).await
}
async fn texts(owner: &Owner) -> Value {
    json_of(owner.get("/api/house/texts").await).await
}

#[sqlx::test(migrations = false)]
async fn texts_are_listed_set_kept_as_looks_and_looks_removed(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    for path in ["/api/house/texts", "/api/house/texts/price/now"] {
        assert_eq!(site.shopper().get(site.at(path)).send().await.unwrap().status(), 401);
    }
    let of_price = |all: &Value| {
        let kinds = all["kinds"].as_array().unwrap();
        kinds.iter().find(|kind| kind["kind"] == "price").unwrap()["texts"][1].clone()
    };
    let old = of_price(&texts(&owner).await);
    assert_eq!(
        old,
        json!({ "key": "old", "label": "Old price", "says": "16 px, soft ink", "phone": "16 px, soft ink", "own": false })
    );
    set(&owner, "price.old.size.phone", json!(12)).await;
    let told = set(&owner, "price.old.case", json!("capitals")).await;
    assert_eq!(told["changes_not_live"], 2);
    let old = of_price(&texts(&owner).await);
    assert_eq!((&old["own"], &old["phone"]), (&json!(true), &json!("12 px, capitals, soft ink")));

    // The look of the text, on both screens, under a name of its own.
    assert_eq!(keep(&owner, "Was", "old").await.status(), 200);
    let looks = texts(&owner).await["looks"].clone();
    assert_eq!(
        looks,
        json!([{ "look": "kept-1", "name": "Was", "says": "16 px, capitals, soft ink", "phone": "12 px, capitals, soft ink" }])
    );
    let one = json_of(owner.get("/api/house/texts/look/1").await).await;
    assert_eq!((&one["label"], &one["sample"]), (&json!("Was"), &Value::Null));
    let twice = keep(&owner, "was", "now").await;
    assert_eq!(twice.status(), 422);
    assert!(refusal(twice).await.contains("there is a look called “was” already"));
    assert_eq!(keep(&owner, "Glow", "glow").await.status(), 404);

    let seen = json_of(owner.get("/api/house/texts/price/old").await).await;
    assert_eq!(seen["sample"]["sale"], "on", "it is shown where there is one");
    let fields = seen["fields"].as_array().unwrap();
    let field = |key: &str| fields.iter().find(|one| one["key"] == key).unwrap();
    assert_eq!(field("price.old.size")["phone"]["from"], "Set here.");
    assert_eq!(field("price.old.size")["wide"]["from"], "From the look “body”.");
    assert_eq!(field("price.old.colour")["wide"]["read"]["hundredths"], 619);
    let looks = field("price.old.look")["shape"]["options"].as_array().unwrap().clone();
    assert!(looks.iter().any(|one| one["value"] == "kept-1" && one["label"] == "Was"));

    let revision = texts(&owner).await["revision"].as_u64().unwrap();
    let remove = async |look: &str, revision: u64| {
        owner.delete(&format!("/api/house/looks/{look}?revision={revision}")).await.status()
    };
    assert_eq!(remove("kept-13", revision).await, 404);
    assert_eq!(remove("kept-1", revision - 1).await, 409, "somebody changed something meanwhile");
    assert_eq!(remove("kept-1", revision).await, 200);
    assert_eq!(texts(&owner).await["looks"], json!([]));
    assert_eq!(owner.get("/api/house/texts/look/1").await.status(), 404, "who has it open is told");
}

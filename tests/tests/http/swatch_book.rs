//! The swatch book over HTTP: what is changed for the whole shop, and what is refused.

use compagina_core::media::address;
use compagina_tests::pictures::photograph;
use compagina_tests::{Owner, Site, json_of, refusal};
use reqwest::Method;
use serde_json::{Value, json};
use sqlx::MySqlPool;

const COLOUR: &str = "/api/options/colour";

async fn colour(owner: &Owner) -> Value {
    json_of(owner.get(COLOUR).await).await
}

/// The page once it says so: pages that are kept ready learn of changes a moment later.
async fn page_with(owner: &Owner, path: &str, text: &str) -> String {
    let mut html = String::new();
    for _ in 0..50 {
        html = owner.page(path.to_owned()).await;
        if html.contains(text) {
            return html;
        }
        tokio::time::sleep(std::time::Duration::from_millis(100)).await;
    }
    panic!("{path} never said {text}: {html}");
}

fn value<'a>(option: &'a Value, name: &str) -> &'a Value {
    option["values"].as_array().unwrap().iter().find(|v| v["name"] == name).unwrap()
}

#[sqlx::test(migrations = false)]
async fn how_an_option_is_chosen_changes_on_every_page_at_once(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let whimbrel = "/shop/products/whimbrel";
    page_with(&owner, whimbrel, "class=\"cloth\"").await;
    let about = json!({ "page": "list", "card": "buttons", "about": "Of the sail; spars are black" });
    json_of(owner.patch(COLOUR, &about).await).await;
    let html = page_with(&owner, whimbrel, "<select form=\"buy\" name=\"colour\"").await;
    assert!(html.contains("Of the sail; spars are black"));
    let listing = owner.page("/shop".into()).await;
    assert!(listing.contains("?colour=ember") && !listing.contains("class=\"cloth\""));
    assert!(refusal(owner.patch(COLOUR, &json!({ "page": "nothing" })).await).await.contains("every choice"));
    assert!(refusal(owner.patch(COLOUR, &json!({ "card": "radios" })).await).await.contains("no room"));
    assert_eq!(owner.patch("/api/options/nowhere", &json!({})).await.status(), 404);
    assert_eq!(site.shopper().get(site.at(COLOUR)).send().await.unwrap().status(), 401);
}

#[sqlx::test(migrations = false)]
async fn what_a_value_shows_comes_from_the_first_that_is_there(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let ember = colour(&owner).await["values"][0]["id"].clone();
    let file = format!("{COLOUR}/files?name=EMBER.jpg");
    json_of(owner.send(Method::POST, &file, photograph(400, 300, 2)).await).await;
    let from = |now: &Value| value(now, "Ember")["from"].clone();
    assert_eq!(from(&colour(&owner).await), "book");
    let values = format!("{COLOUR}/values");
    let rejoined = json_of(owner.patch(&values, &json!({ "ids": [ember], "no_swatch": true })).await).await;
    assert_eq!(from(&rejoined), "file");
    json_of(owner.put("/api/palette", &json!({ "text": "ember #AA0000\nSea green" })).await).await;
    let painted = colour(&owner).await;
    assert_eq!(
        (from(&painted), &value(&painted, "Ember")["swatch"]["colours"]),
        (json!("palette"), &json!(["#AA0000"]))
    );
    page_with(&owner, "/shop/products/whimbrel", "background:#AA0000").await;

    // One product has its own; it is listed with its reason, and can rejoin.
    let own = json!({ "product": "whimbrel", "value": ember, "why": "Another mill's red",
        "swatch": { "kind": "colours", "colours": ["#BB1111"] } });
    let now = json_of(owner.put(&format!("{COLOUR}/own"), &own).await).await;
    assert_eq!(
        (&now["own"][0]["product"], &now["own"][0]["why"]),
        (&json!("whimbrel"), &json!("Another mill's red"))
    );
    page_with(&owner, "/shop/products/whimbrel", "background:#BB1111").await;
    let other = owner.page("/shop/products/whimbrel-mini".into()).await;
    let choices = other.split("<fieldset").nth(2).and_then(|rest| rest.split("</fieldset>").next()).unwrap();
    assert!(choices.contains("#AA0000") && !choices.contains("#BB1111"));
    let back = json!({ "product": "whimbrel", "value": ember, "swatch": null });
    assert_eq!(json_of(owner.put(&format!("{COLOUR}/own"), &back).await).await["own"], json!([]));
    let stranger = json!({ "product": "gift-card", "value": ember, "swatch": null });
    assert_eq!(owner.put(&format!("{COLOUR}/own"), &stranger).await.status(), 404);
}

#[sqlx::test(migrations = false)]
async fn bad_palettes_names_and_swatches_are_refused_and_nothing_changes(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = colour(&owner).await;
    let told =
        refusal(owner.put("/api/palette", &json!({ "text": "Ember\n#FF0000\nTide #2D6FA3" })).await).await;
    assert!(told.contains("line 1: “Ember”") && told.contains("line 2"), "{told}");
    assert_eq!(json_of(owner.get("/api/palette").await).await["text"], "");
    let (ember, values) = (before["values"][0]["id"].clone(), format!("{COLOUR}/values"));
    let change = |body: Value| {
        let (owner, values) = (&owner, &values);
        async move { refusal(owner.patch(values, &body).await).await }
    };
    assert!(change(json!({ "ids": [ember], "name": "TIDE" })).await.contains("two values"));
    assert!(change(json!({ "ids": [ember], "name": "!!" })).await.contains("letter or a digit"));
    assert!(change(json!({ "ids": [ember], "note": "a\nb" })).await.contains("one line"));
    let many =
        json!({ "kind": "colours", "colours": ["#111111", "#222222", "#333333", "#444444", "#555555"] });
    assert!(change(json!({ "ids": [ember], "swatch": many })).await.contains("one to four"));
    let hash = json!({ "kind": "picture", "hash": "../../etc/passwd" });
    assert!(change(json!({ "ids": [ember], "swatch": hash })).await.contains("picture"));
    let script = json!({ "ids": [ember], "swatch": { "kind": "colours", "colours": ["red;x"] } });
    assert_eq!(owner.patch(&values, &script).await.status(), 400);
    let missing = json!({ "ids": [ember, 999_999], "note": "x" });
    assert_eq!(owner.patch(&values, &missing).await.status(), 404);
    assert!(refusal(owner.post(&values, &json!({ "name": "ember" })).await).await.contains("already"));
    assert!(
        refusal(owner.send(Method::POST, &format!("{COLOUR}/files?name=x.png"), b"no".to_vec()).await)
            .await
            .contains("x.png")
    );
    assert_eq!(colour(&owner).await, before);
}

#[sqlx::test(migrations = false)]
async fn swatches_are_cut_from_pictures_that_belong_to_a_value(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let now = colour(&owner).await;
    let ids = json!([value(&now, "Ember")["id"], value(&now, "Tide")["id"]]);
    let take = |what: &str| json!({ "ids": ids, "take": what });
    let cut = json_of(owner.post(&format!("{COLOUR}/take"), &take("pictures")).await).await;
    let ember = &value(&cut, "Ember")["swatch"];
    let hash = ember["hash"].as_str().unwrap();
    assert_eq!(owner.get(&address(hash)).await.headers()["content-type"], "image/webp");
    assert_ne!(value(&cut, "Tide")["swatch"]["hash"], *hash);
    assert_eq!(value(&cut, "Fern")["swatch"]["kind"], "colours", "only those that were asked for");
    let painted = json_of(owner.post(&format!("{COLOUR}/take"), &take("colours")).await).await;
    let colour = value(&painted, "Ember")["swatch"]["colours"][0].as_str().unwrap().to_owned();
    let red = u8::from_str_radix(&colour[1..3], 16).unwrap();
    let blue = u8::from_str_radix(&colour[5..7], 16).unwrap();
    assert!(red > blue, "Ember's cloth is red, not sky: {colour}");
}

#[sqlx::test(migrations = false)]
async fn a_value_added_later_is_on_every_product_that_uses_the_whole_option(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let now = json_of(owner.post("/api/options/amount/values", &json!({ "name": "£250" })).await).await;
    assert_eq!((&value(&now, "£250")["products"], &value(&now, "£250")["from"]), (&json!(1), &json!("text")));
    // Shoppers are offered what is made, once it is.
    assert!(!owner.page("/shop/products/gift-card".into()).await.contains(">£250</span>"));
    json_of(owner.post("/api/variants/make?product=gift-card", &json!({})).await).await;
    page_with(&owner, "/shop/products/gift-card", ">£250</span>").await;
    // Whimbrel uses some colours only, and keeps to them.
    json_of(owner.post(&format!("{COLOUR}/values"), &json!({ "name": "Tomato" })).await).await;
    let now = colour(&owner).await;
    assert_eq!(value(&now, "Tomato")["proposed"], "#FF6347");
    assert!(!owner.page("/shop/products/whimbrel".into()).await.contains("Tomato"));
    let lines = json_of(owner.get("/api/options").await).await;
    assert_eq!(lines[0]["open"], 7, "four files, Bracken, Tomato, and Slate beside Storm");
}

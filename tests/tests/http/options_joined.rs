//! Options merged, split off, and kept for one product only, over HTTP.

use compagina_tests::pictures::photograph;
use compagina_tests::{Owner, Site, json_of, refusal};
use reqwest::{Method, Response};
use serde_json::{Value, json};
use sqlx::MySqlPool;

/// Has Date only.
const WORKSHOP: &str = "sew-your-first-kite";

fn names(option: &Value) -> Vec<&str> {
    option["values"].as_array().unwrap().iter().map(|v| v["name"].as_str().unwrap()).collect()
}

fn value<'a>(option: &'a Value, name: &str) -> &'a Value {
    option["values"].as_array().unwrap().iter().find(|v| v["name"] == name).unwrap()
}

/// Adds an option with values, each with a colour of the book.
async fn option(owner: &Owner, body: Value, values: &[(&str, &str)]) -> Value {
    let mut option = json_of(owner.post("/api/options", &body).await).await;
    let path = format!("/api/options/{}/values", option["handle"].as_str().unwrap());
    for (name, colour) in values {
        option = json_of(owner.post(&path, &json!({ "name": name })).await).await;
        let ids = [value(&option, name)["id"].clone()];
        let swatch = json!({ "kind": "colours", "colours": [colour] });
        option = json_of(owner.patch(&path, &json!({ "ids": ids, "swatch": swatch })).await).await;
    }
    option
}

async fn variants(owner: &Owner, product: &str) -> Value {
    json_of(owner.get(&format!("/api/variants?product={product}")).await).await
}

/// Chooses a product by one more option, and makes a variant for each of its values.
async fn also_by(owner: &Owner, product: &str, option: &Value) -> Response {
    let before = variants(owner, product).await;
    let ids = |option: &Value| {
        option["values"].as_array().unwrap().iter().map(|v| v["id"].clone()).collect::<Vec<_>>()
    };
    let used = before["options"].as_array().unwrap().iter();
    let mut uses: Vec<Value> = used.map(|o| json!({ "option": o["id"], "values": ids(o) })).collect();
    uses.push(json!({ "option": option["id"], "values": ids(option) }));
    owner.put(&format!("/api/variants/options?product={product}"), &json!(uses)).await
}

#[sqlx::test(migrations = false)]
async fn two_options_that_were_meant_to_be_one_become_one(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let cloth = option(
        &owner,
        json!({ "name": "Cloth" }),
        &[("EMBER", "#AA0000"), ("Bracken", "#6B5B2E"), ("Plum", "#6B2D5C")],
    )
    .await;
    json_of(also_by(&owner, WORKSHOP, &cloth).await).await;
    let made = variants(&owner, WORKSHOP).await["variants"].as_array().unwrap().len();

    let plan = json_of(owner.get("/api/options/cloth/merge?into=colour").await).await;
    assert_eq!(
        plan,
        json!({ "same": ["EMBER", "Bracken"], "over": ["Plum"], "products": ["Sew your first kite"] })
    );
    let into = json!({ "into": "colour" });
    let before = json_of(owner.get("/api/options/colour").await).await;
    let colour = json_of(owner.post("/api/options/cloth/merge", &into).await).await;
    assert_eq!(names(&colour), [names(&before), vec!["Plum"]].concat());
    // The option that stays keeps its own swatches and takes those that it lacked.
    assert_eq!(value(&colour, "Ember")["swatch"], value(&before, "Ember")["swatch"]);
    assert_eq!(value(&colour, "Bracken")["swatch"]["colours"], json!(["#6B5B2E"]));
    assert_eq!(owner.get("/api/options/cloth").await.status(), 404);

    let after = variants(&owner, WORKSHOP).await;
    assert_eq!(after["variants"].as_array().unwrap().len(), made, "no variant is lost");
    assert_eq!(after["options"][1]["id"], colour["id"]);
    let page = owner.page(format!("/shop/products/{WORKSHOP}?colour=ember")).await;
    assert!(page.contains("name=\"colour\" value=\"plum\""), "{page}");

    assert!(refusal(owner.post("/api/options/colour/merge", &into).await).await.contains("itself"));
    let both = refusal(owner.post("/api/options/sail/merge", &into).await).await;
    assert!(both.contains("Whimbrel, Whimbrel Mini use both"), "{both}");
}

#[sqlx::test(migrations = false)]
async fn some_products_get_an_option_of_their_own_that_begins_as_a_copy(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = variants(&owner, "whimbrel").await;
    let users = json_of(owner.get("/api/options/colour/products").await).await;
    let all: Vec<Value> = users.as_array().unwrap().iter().map(|user| user["product"].clone()).collect();
    let split = |name: &str, products: Value| {
        let body = json!({ "name": name, "products": products });
        let owner = &owner;
        async move { owner.post("/api/options/colour/split", &body).await }
    };
    assert!(refusal(split("Sail colour", json!(all)).await).await.contains("rename the option"));
    assert!(refusal(split("Sail colour", json!([])).await).await.contains("at least one product"));
    assert!(refusal(split("colour", json!(["whimbrel"])).await).await.contains("already"));
    let new = json_of(split("Sail colour", json!(["whimbrel"])).await).await;
    assert_eq!((&new["handle"], &new["products"]), (&json!("sail-colour"), &json!(1)));
    let old = json_of(owner.get("/api/options/colour").await).await;
    for name in names(&new) {
        assert_eq!(value(&new, name)["swatch"], value(&old, name)["swatch"], "{name}");
        assert_ne!(value(&new, name)["id"], value(&old, name)["id"], "{name}");
    }
    let after = variants(&owner, "whimbrel").await;
    assert_eq!(after["options"][0]["name"], "Sail colour");
    let told = |view: &Value| {
        let name = |id: &Value| {
            let values =
                view["options"].as_array().unwrap().iter().flat_map(|o| o["values"].as_array().unwrap());
            values.filter(|v| v["id"] == *id).map(|v| v["name"].clone()).next()
        };
        let rows = view["variants"].as_array().unwrap().iter();
        rows.map(|row| {
            (row["sku"].clone(), row["values"].as_array().unwrap().iter().map(name).collect::<Vec<_>>())
        })
        .collect::<Vec<_>>()
    };
    assert_eq!(told(&after), told(&before), "variants are chosen by the same names as before");
    // Pictures go along: the offer still shows the colour's own first.
    let offer = json_of(owner.get("/shop/products/whimbrel/offer?sail-colour=tide&sail=1-6-m").await).await;
    let mini = json_of(owner.get("/shop/products/whimbrel-mini/offer?colour=tide").await).await;
    assert_eq!(
        (offer["options"][0]["chosen"].clone(), mini["options"][0]["chosen"].clone()),
        (json!("tide"), json!("tide"))
    );
    assert_ne!(offer["pictures"][0], json!(0));

    // Merged again, everything is as it was.
    let into = json!({ "into": "colour" });
    json_of(owner.post("/api/options/sail-colour/merge", &into).await).await;
    let again = variants(&owner, "whimbrel").await;
    assert_eq!((&again["options"], &again["variants"]), (&before["options"], &before["variants"]));
    assert_eq!(again["pictures"], before["pictures"]);
}

#[sqlx::test(migrations = false)]
async fn an_option_of_one_product_is_used_by_no_other(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let body = json!({ "name": "Engraving", "product": "gift-card" });
    let engraving = option(&owner, body.clone(), &[("None", "#FFFFFF"), ("A name", "#000000")]).await;
    assert_eq!(engraving["handle"], "engraving-gift-card");
    assert!(refusal(owner.post("/api/options", &body).await).await.contains("already"));
    json_of(also_by(&owner, "gift-card", &engraving).await).await;
    let stranger = refusal(also_by(&owner, WORKSHOP, &engraving).await).await;
    assert!(stranger.contains("belongs to another product only"), "{stranger}");
    // Another product may have one of the same name.
    let other = json!({ "name": "Engraving", "product": WORKSHOP });
    json_of(owner.post("/api/options", &other).await).await;
    let into = json!({ "into": "engraving-gift-card" });
    assert!(refusal(owner.post("/api/options/reel/merge", &into).await).await.contains("one product only"));
}

#[sqlx::test(migrations = false)]
async fn a_value_shows_a_larger_picture_and_a_picture_over_a_colour(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let colour = json_of(owner.get("/api/options/colour").await).await;
    let ember = value(&colour, "Ember")["id"].clone();
    let path = format!("/api/options/colour/values/{ember}/closer");
    let now = json_of(owner.send(Method::PUT, &path, photograph(1600, 900, 3)).await).await;
    let closer = value(&now, "Ember")["closer"].as_str().unwrap().to_owned();
    let page = owner.page("/shop/products/whimbrel".into()).await;
    assert!(page.contains(&format!("<img class=\"closer\" src=\"{closer}\"")));
    let bytes = site.shopper().get(site.at(&closer)).send().await.unwrap().bytes().await.unwrap();
    assert!(bytes.len() < 60_000, "{} bytes", bytes.len());
    assert_eq!(owner.send(Method::PUT, &path, b"no picture".to_vec()).await.status(), 422);
    let gone = json_of(owner.delete(&path).await).await;
    assert_eq!(value(&gone, "Ember")["closer"], Value::Null);

    let hash = compagina_pictures::hash(&bytes);
    let over = json!({ "kind": "picture", "hash": hash, "over": "#14505C" });
    let body = json!({ "ids": [ember], "swatch": over });
    let now = json_of(owner.patch("/api/options/colour/values", &body).await).await;
    assert_eq!(value(&now, "Ember")["swatch"], over);
    let page = owner.page("/shop/products/whimbrel?colour=tide".into()).await;
    assert!(page.contains(&format!("url({closer}) 50%/cover #14505C")));
}

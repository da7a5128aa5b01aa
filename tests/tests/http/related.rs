//! Which products stand beside another one on its page, by the rule of the piece.

use compagina_tests::{Owner, Site, json_of};
use serde_json::{Value, json};
use sqlx::MySqlPool;

/// The handles of the related products on the page of a product, in their order.
async fn beside(owner: &Owner, product: &str) -> Vec<String> {
    let page = owner.page(format!("/shop/products/{product}")).await;
    let Some((_, rest)) = page.split_once("piece k-related") else { return vec![] };
    let (list, _) = rest.split_once("</ul>").unwrap();
    list.split("id=\"card-")
        .skip(1)
        .map(|one| one.split('"').next().unwrap().to_owned())
        .filter(|one| !one.ends_with("-form"))
        .collect()
}

/// Sets something of the piece of the template that serves kites, and publishes it.
async fn set(owner: &Owner, setting: &str, value: Value) {
    let draft = owner.draft().await;
    let pieces = draft["layout"]["bands"]
        .as_array()
        .unwrap()
        .iter()
        .flat_map(|band| band["columns"].as_array().unwrap());
    let mut pieces = pieces.flat_map(|column| column["pieces"].as_array().unwrap());
    let piece = pieces.find(|piece| piece["kind"] == "related").unwrap()["id"].clone();
    let op = json!({ "op": "set", "target": { "piece": piece }, "setting": setting, "device": "wide", "value": value });
    json_of(
        owner.post("/api/templates/2/operations", &json!({ "revision": draft["revision"], "op": op })).await,
    )
    .await;
    let revision = owner.draft().await["revision"].clone();
    json_of(owner.post("/api/drafts/template-2/publish", &json!({ "revision": revision })).await).await;
}

#[sqlx::test(migrations = false)]
async fn each_rule_finds_others_and_a_change_of_any_product_is_seen(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    assert_eq!(
        beside(&owner, "whimbrel").await[..2],
        ["whimbrel-mini", "dunlin"],
        "of its type, as arranged"
    );
    set(&owner, "apart", json!(true)).await;
    assert_eq!(beside(&owner, "whimbrel").await, Vec::<String>::new(), "all others of its type are siblings");
    set(&owner, "by", json!("price")).await;
    let near = beside(&owner, "whimbrel").await;
    assert!(near.len() == 4 && !near.contains(&"sanderling".to_owned()), "{near:?}");
    // Another one comes to cost as much, nobody having looked at it: it stands first, at once.
    let gift = json_of(owner.get("/api/products/hand-winder/selling").await).await;
    let kept = ["state", "price", "old_price", "most_per_order", "least", "step", "text"];
    let mut was = gift.clone();
    was.as_object_mut().unwrap().retain(|name, _| kept.contains(&name.as_str()));
    let mut selling = was.clone();
    selling["price"] = json!("68.00");
    json_of(owner.put("/api/products/hand-winder/selling", &json!({ "was": was, "selling": selling })).await)
        .await;
    assert_eq!(beside(&owner, "whimbrel").await[0], "hand-winder");
    set(&owner, "by", json!("hand")).await;
    set(&owner, "products", json!(["gift-card", "curlew", "gone"])).await;
    assert_eq!(beside(&owner, "whimbrel").await, ["gift-card", "curlew"]);

    // Bought together: five orders with both, four with another one.
    set(&owner, "by", json!("together")).await;
    assert_eq!(beside(&owner, "whimbrel").await, Vec::<String>::new());
    for number in 0..5 {
        let others: &[&str] =
            if number < 4 { &["whimbrel", "curlew", "plover"] } else { &["whimbrel", "curlew"] };
        sold(&site.pool, others).await;
    }
    // A step of an owner's: orders of the till note what they sold.
    let mut dearer = selling.clone();
    dearer["price"] = json!("69.00");
    json_of(
        owner.put("/api/products/hand-winder/selling", &json!({ "was": selling, "selling": dearer })).await,
    )
    .await;
    assert_eq!(beside(&owner, "whimbrel").await, ["curlew"]);
}

/// An order that was paid for.
async fn sold(pool: &MySqlPool, products: &[&str]) {
    let order = sqlx::query(
        "INSERT INTO shop_order (cart_id, state, contact, total_minor, currency) VALUES (0, 'paid', '{}', 0, 'GBP')",
    );
    let id = order.execute(pool).await.unwrap().last_insert_id();
    for product in products {
        let line = "INSERT INTO order_line (order_id, variant_id, sku, what, quantity, unit_minor, line_minor)
            SELECT ?, v.id, v.sku, '', 1, 0, 0 FROM variant v JOIN product p ON p.id = v.product_id WHERE p.handle = ? LIMIT 1";
        sqlx::query(line).bind(id).bind(product).execute(pool).await.unwrap();
    }
}

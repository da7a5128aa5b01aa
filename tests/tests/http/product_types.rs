//! A product type before its first product: the sample that stands in, and how real products take its place.

use compagina_tests::{Owner, Site, json_of, refusal};
use serde_json::{Value, json};
use sqlx::MySqlPool;

const SAMPLE: &str = "sample-of-power-kites";

fn new_type(template: Value) -> Value {
    let fields = json!({
        "options": ["sail", "colour"], "details": ["In the bag"], "facts": ["Pull"], "tags": ["strong wind"],
        "price_minor": 14900, "pictures": 2, "counted": true, "most_per_order": 3
    });
    json!({ "name": "Power kites", "fields": fields, "template": template })
}

fn by(template: u64) -> Value {
    json!({ "by": "template", "id": template })
}

async fn add(owner: &Owner, template: Value) -> Value {
    json_of(owner.post("/api/types", &new_type(template)).await).await
}

async fn desk_products(owner: &Owner, template: u64) -> Vec<(String, bool)> {
    let desk = json_of(owner.get(&format!("/api/templates/{template}/desk")).await).await;
    let product = |p: &Value| (p["handle"].as_str().unwrap().to_owned(), p["sample"] == true);
    desk["products"]["products"].as_array().unwrap().iter().map(product).collect()
}

#[sqlx::test(migrations = false)]
async fn a_sample_stands_in_on_the_desk_until_the_first_product_is_there(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let added = add(&owner, by(2)).await;
    assert_eq!(added, json!({ "handle": "power-kites", "template": 2, "sample": SAMPLE }));

    // On the desk it is the last of those that the template serves, and no product of the shop.
    let products = desk_products(&owner, 2).await;
    assert_eq!((products.len(), products.last().unwrap()), (13, &(SAMPLE.to_owned(), true)));
    assert_eq!(json_of(owner.get("/api/templates/2/desk").await).await["serves"], 12);
    let proof = owner.page(format!("/api/templates/2/proof?product={SAMPLE}")).await;
    for part in
        ["Sample of Power kites", "£149.00", "In the bag", "Pull", "Picture 2 stands here", "In stock"]
    {
        assert!(proof.contains(part), "{part}");
    }
    assert!(!proof.contains("Picture 3 stands here"));
    let situation = json_of(owner.get(&format!("/api/templates/2/situation?product={SAMPLE}")).await).await;
    let names: Vec<_> = situation["options"].as_array().unwrap().iter().map(|o| &o["name"]).collect();
    assert_eq!(names, ["Sail", "Colour"], "in the order in which they were named");

    // Its type is told with it, and shoppers meet neither.
    let view = json_of(owner.get("/api/templates").await).await;
    let kind = view["types"].as_array().unwrap().last().unwrap().clone();
    assert_eq!(
        (&kind["products"], &kind["sample"]),
        (&json!(0), &json!({ "handle": SAMPLE, "template": 2 }))
    );
    assert_eq!(json_of(owner.get("/api/shelf").await).await["types"][8]["sample"]["handle"], SAMPLE);
    assert!(!owner.page("/shop".into()).await.contains("Power kites"));
    for path in [format!("/shop/products/{SAMPLE}"), "/shop/types/power-kites".into()] {
        assert_eq!(owner.get(&path).await.status(), 404, "{path}");
    }

    // The first product takes its place.
    let first = json!({ "kind": "power-kites", "name": "Gannet" });
    assert_eq!(json_of(owner.post("/api/products", &first).await).await["handle"], "gannet");
    let products = desk_products(&owner, 2).await;
    assert_eq!((products.len(), products.last().unwrap()), (13, &("gannet".to_owned(), false)));
    assert_eq!(owner.get(&format!("/api/templates/2/proof?product={SAMPLE}")).await.status(), 404);
    let variants = json_of(owner.get("/api/variants?product=gannet").await).await;
    assert_eq!(variants["variants"].as_array().unwrap().len(), 40, "four sails in ten colours");
    assert!(variants["variants"].as_array().unwrap().iter().all(|v| v["stock"] == 0));

    // Shoppers see it once it is put on sale, with no word of the sample.
    assert!(!owner.page("/shop".into()).await.contains("Power kites"), "it begins out of sight");
    let path = "/api/products/gannet/selling";
    let mut selling = json_of(owner.get(path).await).await;
    let kept = ["state", "price", "old_price", "most_per_order", "least", "step", "text"];
    selling.as_object_mut().unwrap().retain(|key, _| kept.contains(&key.as_str()));
    assert_eq!((&selling["price"], &selling["most_per_order"]), (&json!("149.00"), &json!(3)));
    let was = selling.clone();
    selling["state"] = json!("on_sale");
    json_of(owner.put(path, &json!({ "was": was, "selling": selling })).await).await;
    assert!(owner.page("/shop/types/power-kites".into()).await.contains("Gannet"));
    let page = owner.page("/shop/products/gannet".into()).await;
    assert!(page.contains("Gannet") && !page.contains("stands here") && !page.contains("to be told"));
}

#[sqlx::test(migrations = false)]
async fn a_type_may_begin_with_a_template_of_its_own(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let added = add(&owner, json!({ "by": "new", "name": "Power kites", "copy_of": 2 })).await;
    let id = added["template"].as_u64().unwrap();
    assert_eq!(desk_products(&owner, id).await, [(SAMPLE.to_owned(), true)], "nothing else to look at");
    let view = json_of(owner.get("/api/templates").await).await;
    let own = view["templates"].as_array().unwrap().last().unwrap().clone();
    assert_eq!((&own["live"], &own["reach"]["types"]), (&json!(false), &json!(["power-kites"])));
    assert_eq!(own["pieces"], view["templates"][1]["pieces"], "as the one it is a copy of");

    // Its fields are the sample's at once.
    let mut fields = new_type(by(1))["fields"].clone();
    fields["options"] = json!([]);
    fields["price_minor"] = json!(2500);
    json_of(owner.put("/api/types/power-kites", &json!({ "name": "Traction", "fields": fields })).await)
        .await;
    let proof = owner.page(format!("/api/templates/{id}/proof?product={SAMPLE}")).await;
    assert!(proof.contains("Sample of Traction") && proof.contains("£25.00") && !proof.contains("£149.00"));

    assert_eq!(owner.delete("/api/types/power-kites").await.status(), 204);
    let view = json_of(owner.get("/api/templates").await).await;
    assert_eq!(view["types"].as_array().unwrap().len(), 8);
    assert_eq!(view["templates"].as_array().unwrap().last().unwrap()["reach"]["types"], json!([]));
}

#[sqlx::test(migrations = false)]
async fn a_type_is_like_another_in_what_its_products_have(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let like = json_of(owner.get("/api/types/workshops/fields").await).await;
    assert_eq!(like["options"], json!(["date"]));
    assert_eq!((&like["counted"], &like["details"][0]), (&json!(true), &json!("The day")));
    // Another product of a type that has some begins as they are.
    let added = owner.post("/api/products", &json!({ "kind": "workshops", "name": "Mend your kite" })).await;
    assert_eq!(json_of(added).await["handle"], "mend-your-kite");
    let variants = json_of(owner.get("/api/variants?product=mend-your-kite").await).await;
    assert_eq!(variants["options"][0]["name"], "Date");
}

#[sqlx::test(migrations = false)]
async fn what_cannot_be_a_type_or_a_product_is_refused_and_nothing_is_kept(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = json_of(owner.get("/api/templates").await).await;
    let with = |change: fn(&mut Value)| {
        let mut body = new_type(by(2));
        change(&mut body);
        body
    };
    let refused: [(&str, Value); 8] = [
        ("a type needs a name", with(|b| b["name"] = json!("  "))),
        ("needs a letter or a digit", with(|b| b["name"] = json!("–"))),
        ("already", with(|b| b["name"] = json!("Sport kites"))),
        ("too long for an address", with(|b| b["name"] = json!("k".repeat(90)))),
        ("no option “taste”", with(|b| b["fields"]["options"] = json!(["taste"]))),
        ("a price is zero or more", with(|b| b["fields"]["price_minor"] = json!(-1))),
        ("a sample has at most 6 pictures", with(|b| b["fields"]["pictures"] = json!(60))),
        ("a template's name can't be empty", with(|b| b["template"] = json!({ "by": "new", "name": "" }))),
    ];
    for (why, body) in refused {
        let message = refusal(owner.post("/api/types", &body).await).await;
        assert!(message.contains(why), "{message}");
    }
    for (status, body) in [
        (404, with(|b| b["template"] = json!({ "by": "template", "id": 99 }))),
        (404, with(|b| b["template"] = json!({ "by": "new", "name": "x", "copy_of": 99 }))),
        (400, with(|b| b["fields"]["colour"] = json!("red"))),
    ] {
        assert_eq!(owner.post("/api/types", &body).await.status(), status, "{body}");
    }
    assert_eq!(json_of(owner.get("/api/templates").await).await, before);
    let message = refusal(owner.delete("/api/types/spares").await).await;
    assert!(message.contains("“Spares” has products"), "{message}");

    let product = |name: &str| json!({ "kind": "sport-kites", "name": name });
    for (why, name) in [("the address “whimbrel” belongs to Whimbrel", "Whimbrel"), ("needs a letter", " ")]
    {
        let message = refusal(owner.post("/api/products", &product(name)).await).await;
        assert!(message.contains(why), "{message}");
    }
    assert_eq!(owner.post("/api/products", &json!({ "kind": "boats", "name": "Skiff" })).await.status(), 404);
    assert_eq!(
        site.shopper().post(site.at("/api/types")).json(&new_type(by(2))).send().await.unwrap().status(),
        401
    );
}

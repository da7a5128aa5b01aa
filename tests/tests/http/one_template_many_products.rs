//! One template serves products of several types; what has nothing to show isn't drawn, and the fallback has the rest.

use compagina_tests::Site;
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn page(site: &Site, path: &str) -> String {
    site.shopper().get(site.at(path)).send().await.unwrap().text().await.unwrap()
}

#[sqlx::test(migrations = false)]
async fn a_product_without_options_gets_the_page_without_them(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let with = page(&site, "/shop/products/whimbrel").await;
    assert!(with.contains("k-options") && with.contains("More from the loft"));
    let long_name = "avocet-long-tailed-diamond-for-light-evening-winds-and-unhurried-people";
    let without = page(&site, &format!("/shop/products/{long_name}")).await;
    assert!(without.contains("More from the loft"), "another type, the same template");
    assert!(!without.contains("k-options") && without.contains("k-buy-button"));
    assert!(!without.contains("class=\"thumbs\""), "one picture needs no thumbnails");
    let rest = page(&site, "/shop/products/connector-set").await;
    assert!(
        rest.contains("You may also like") && !rest.contains("More from the loft"),
        "the fallback serves the rest"
    );
    let winder = page(&site, "/shop/products/hand-winder").await;
    assert!(winder.contains("Cut to length on the day"), "lines have their own template");
    assert!(!winder.contains("k-details"), "the winder has no details");
    let workshop = page(&site, "/shop/products/sew-your-first-kite").await;
    assert!(!workshop.contains("k-quantity"), "one order holds one place");
}

#[sqlx::test(migrations = false)]
async fn a_changed_reach_counts_at_once(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = page(&site, "/shop/products/plover").await;
    assert!(before.contains("More from the loft"));
    let reached = async |types: &[&str]| {
        let reach = json!({ "rule": "types", "types": types });
        let change =
            json!({ "arrangement": owner.arrangement().await, "name": "Sport kites", "reach": reach });
        owner.put("/api/templates/2", &change).await
    };
    let view: Value = reached(&["sport-kites"]).await.json().await.unwrap();
    let served = |id: u64| {
        view["templates"].as_array().unwrap().iter().find(|t| t["id"] == id).unwrap()["products"].clone()
    };
    assert_eq!((served(1), served(2)), (json!(16), json!(6)));
    assert!(!page(&site, "/shop/products/plover").await.contains("More from the loft"));
    assert_eq!(reached(&["boats"]).await.status(), 422);
}

#[sqlx::test(migrations = false)]
async fn the_slip_tells_where_every_value_comes_from(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let op = json!({ "op": "set", "target": { "piece": "p5" }, "setting": "saving", "device": "phone", "value": "amount" });
    owner.post("/api/templates/2/operations", &json!({ "revision": 1, "op": op })).await;
    let slip: Value = owner.get("/api/templates/2/slip/piece/p5").await.json().await.unwrap();
    let saving = slip["fields"].as_array().unwrap().iter().find(|f| f["key"] == "saving").unwrap();
    assert_eq!(saving["wide"]["source"], json!({ "level": "house", "device": "wide" }));
    assert_eq!(saving["phone"]["source"], json!({ "level": "template", "device": "phone" }));
    assert_eq!(saving["phone"]["from"], "Set here. It hides “percent” of the house style.");
    assert_eq!((&saving["phone"]["says"], &saving["phone"]["own"]), (&json!("amount"), &json!(true)));
    assert_eq!((&saving["wide"]["says"], &saving["wide"]["own"]), (&json!("percent"), &json!(false)));

    // What other settings make meaningless on a screen is told so.
    let gallery: Value = owner.get("/api/templates/2/slip/piece/p2").await.json().await.unwrap();
    let width = gallery["fields"].as_array().unwrap().iter().find(|f| f["key"] == "thumb_share").unwrap();
    assert_eq!((&width["unit"], &width["wide"]["says"]), (&json!("%"), &json!("11 %")));
    assert_eq!((&width["wide"]["means"], &width["phone"]["means"]), (&json!(true), &json!(false)));
    let band: Value = owner.get("/api/templates/2/slip/band/b2").await.json().await.unwrap();
    assert_eq!(band["columns"], "seven and five of twelve");
}

#[sqlx::test(migrations = false)]
async fn the_script_is_answered_with_the_same_words_as_the_page(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let entry: Value = serde_json::from_str(
        &page(&site, "/shop/products/whimbrel/offer?colour=dusk&sail=1-6-m&quantity=2").await,
    )
    .unwrap();
    assert_eq!(entry["say"]["price"], "£68.00");
    assert_eq!(entry["say"]["hint"], "2 for £136.00");
    assert_eq!(entry["buy"], "ready");
    let entry: Value = serde_json::from_str(
        &page(&site, "/shop/products/whimbrel/offer?colour=dusk&sail=1-6-m&quantity=9").await,
    )
    .unwrap();
    assert_eq!(entry["say"]["hint"], "There are only 3 left of this choice.");
    assert_eq!(entry["buy"], "off");
}

#[sqlx::test(migrations = false)]
async fn an_offer_tells_prices_states_and_what_moved(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let offer = |query: &'static str| {
        let site = &site;
        async move {
            let path = format!("/shop/products/whimbrel/offer?{query}");
            serde_json::from_str::<Value>(&page(site, &path).await).unwrap()
        }
    };
    let now = offer("colour=dusk&sail=1-6-m&quantity=2&weight=heavy&sail=").await;
    assert_eq!(now["price"], json!({ "minor": 6800, "currency": "GBP", "text": "£68.00" }));
    assert_eq!(
        (&now["old_price"]["minor"], &now["quantity"], &now["up_to"]),
        (&json!(8500), &json!(2), &Value::Null)
    );
    assert!(now["variant"].is_string() && now["picture"].as_str().unwrap().starts_with("/media/"));
    assert_eq!(now["moved"], json!([]));
    let sails = &now["options"][1];
    assert_eq!((&sails["option"], &sails["chosen"]), (&json!("sail"), &json!("1-6-m")));
    let states: Vec<&str> =
        sails["values"].as_array().unwrap().iter().map(|v| v["state"].as_str().unwrap()).collect();
    assert!(states.contains(&"open"), "{states:?}");

    // Nothing chosen: prices span, and no variant is meant.
    let open = offer("").await;
    assert_eq!(
        (&open["variant"], &open["price"]["minor"], &open["up_to"]["minor"]),
        (&Value::Null, &json!(6800), &json!(7400))
    );
    // Chalk isn't made with the large sail: the last choice stays, the other moves.
    let moved = offer("sail=2-4-m&colour=chalk").await;
    assert_eq!(moved["options"][0]["chosen"], "chalk");
    assert_eq!((&moved["moved"][0]["option"], &moved["moved"][0]["from"]), (&json!("sail"), &json!("2-4-m")));
    let other = offer("colour=chalk&sail=2-4-m").await;
    assert_eq!(
        (&other["options"][1]["chosen"], &other["moved"][0]["option"]),
        (&json!("2-4-m"), &json!("colour"))
    );
    assert!(offer("colour=plaid").await["options"][0]["chosen"].is_null(), "what isn't known is passed over");
}

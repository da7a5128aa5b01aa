//! What the owner's application asks of the server: shelf, templates, desk, situation.

use compagina_tests::{Site, json_of};
use serde_json::{Value, json};
use sqlx::MySqlPool;

#[sqlx::test(migrations = false)]
async fn the_shelf_has_every_product_under_its_type_with_the_template_that_serves_it(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let shelf: Value = owner.get("/api/shelf").await.json().await.unwrap();
    let types = shelf["types"].as_array().unwrap();
    let names: Vec<_> = types.iter().map(|t| t["name"].as_str().unwrap()).collect();
    assert_eq!(names[..3], ["Sport kites", "Single-line kites", "Lines and winders"]);
    assert_eq!(types.iter().map(|t| t["count"].as_u64().unwrap()).sum::<u64>(), 28);
    assert_eq!(types[0]["templates"], json!([{ "id": 2, "name": "Sport kites", "draft": false }]));
    assert_eq!(types[0]["products"][0]["why"], "its type is Sport kites");
    assert_eq!(types[3]["products"][0]["why"], "no other template reaches it");
    let kept = |of: usize| types[1]["products"][of]["departures"].clone();
    assert_eq!((kept(0), kept(3)), (json!(2), json!(3)), "by the type, and by the Curlew itself");
    let kite = &types[0]["products"][0];
    assert_eq!((&kite["standing"], &kite["says"]), (&json!("on_sale"), &json!("")));
    assert_eq!((&kite["served_by"], &kite["kind"]), (&json!("Sport kites"), &json!("sport-kites")));
    let rest: Value = owner.get("/api/shelf?type=sport-kites&skip=2").await.json().await.unwrap();
    assert_eq!(rest["types"][0]["products"].as_array().unwrap().len(), 4);
    assert_eq!(owner.get("/api/shelf?type=boats").await.status(), 404);
}

/// The handles of products in an answer.
fn handles(answer: &Value) -> Vec<&str> {
    answer["products"].as_array().unwrap().iter().map(|p| p["handle"].as_str().unwrap()).collect()
}

#[sqlx::test(migrations = false)]
async fn the_shelf_is_searched_by_name_type_template_and_how_products_stand(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let search = async |query: &str| json_of(owner.get(&format!("/api/shelf/products{query}")).await).await;
    let all = search("").await;
    assert_eq!((&all["count"], handles(&all).len()), (&json!(28), 28));
    assert_eq!(all["types"][0], json!({ "handle": "sport-kites", "name": "Sport kites", "count": 6 }));
    assert_eq!(all["templates"][1], json!({ "id": 2, "name": "Sport kites", "count": 12 }));
    assert_eq!(handles(&search("?find=whim").await), ["whimbrel", "whimbrel-mini"]);
    assert_eq!(handles(&search("?find=mini%20whim").await), ["whimbrel-mini"]);
    let sport = search("?type=sport-kites&order=dearest").await;
    assert_eq!(sport["count"], 6);
    assert_eq!(
        sport["types"].as_array().unwrap().len(),
        all["types"].as_array().unwrap().len(),
        "others stay told"
    );
    assert_eq!(sport["templates"].as_array().unwrap().len(), 1);
    let whimbrel = json_of(owner.get("/api/variants?product=whimbrel-mini").await).await;
    let ids: Vec<_> = whimbrel["variants"].as_array().unwrap().iter().map(|v| v["id"].clone()).collect();
    let gone = json!({ "ids": ids, "stock": "0" });
    json_of(owner.patch("/api/variants?product=whimbrel-mini", &gone).await).await;
    let out = search("?find=whimbrel&standing=sold_out").await;
    assert_eq!((handles(&out), &out["products"][0]["says"]), (vec!["whimbrel-mini"], &json!("Sold out")));
    let says = json!([{ "standing": "on_sale", "says": "On sale", "count": 1 }, { "standing": "sold_out", "says": "Sold out", "count": 1 }]);
    assert_eq!(out["standings"], says);
    assert_eq!(search("?find=nothing-like-it").await["count"], 0);
    let rest = search("?order=name&skip=20").await;
    assert_eq!((&rest["count"], handles(&rest).len()), (&json!(28), 8));
    assert_eq!(owner.get("/api/shelf/products?standing=lost").await.status(), 400);
    assert_eq!(site.shopper().get(site.at("/api/shelf/products")).send().await.unwrap().status(), 401);
}

#[sqlx::test(migrations = false)]
async fn products_are_found_to_be_picked_with_their_types_and_pictures(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let found = json_of(owner.get("/api/products?find=whimbrel").await).await;
    assert_eq!(handles(&found), ["whimbrel", "whimbrel-mini"]);
    let first = &found["products"][0];
    assert_eq!((&first["name"], &first["kind"]), (&json!("Whimbrel"), &json!("Sport kites")));
    let picture = first["picture"].as_str().unwrap();
    assert_eq!(site.shopper().get(site.at(picture)).send().await.unwrap().status(), 200);
    let all = json_of(owner.get("/api/products").await).await;
    assert_eq!((&all["count"], handles(&all).len()), (&json!(28), 20), "part by part");
    let rest = json_of(owner.get("/api/products?skip=20").await).await;
    assert_eq!(handles(&rest).len(), 8);
}

#[sqlx::test(migrations = false)]
async fn a_small_page_is_drawn_once_and_anew_after_a_change(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let path = "/api/products/whimbrel/small";
    let tag = async || {
        let answer = owner.get(path).await;
        assert_eq!(answer.status(), 200);
        let tag = answer.headers()["etag"].to_str().unwrap().to_owned();
        (tag, answer.text().await.unwrap())
    };
    let (first, page) = tag().await;
    assert!(page.contains("Whimbrel") && !page.contains("<script"));
    assert_eq!(tag().await.0, first);
    let texts = json_of(owner.get("/api/products/whimbrel/texts").await).await;
    let mut wanted = texts["texts"].clone();
    wanted["summary"] = json!("Summed up otherwise.");
    let put =
        owner.put("/api/products/whimbrel/texts", &json!({ "was": texts["texts"], "texts": wanted })).await;
    assert_eq!(put.status(), 200, "{}", put.text().await.unwrap());
    let (second, page) = tag().await;
    assert!(second != first && page.contains("Summed up otherwise."));
    assert_eq!(owner.get("/api/products/nobody/small").await.status(), 404);
    assert_eq!(site.shopper().get(site.at(path)).send().await.unwrap().status(), 401);
}

#[sqlx::test(migrations = false)]
async fn an_unpublished_edit_shows_as_a_draft_on_shelf_and_templates(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let op = json!({ "op": "remove_piece", "piece": "p1" });
    let draft: Value = owner
        .post("/api/templates/2/operations", &json!({ "revision": 1, "op": op }))
        .await
        .json()
        .await
        .unwrap();
    assert_eq!((&draft["changes"], &draft["not_live"]), (&json!(1), &json!(["Breadcrumb removed"])));
    let shelf: Value = owner.get("/api/shelf").await.json().await.unwrap();
    assert_eq!(shelf["types"][0]["templates"][0]["draft"], true);
    assert_eq!(shelf["types"][2]["templates"][0]["draft"], false);
    let view: Value = owner.get("/api/templates").await.json().await.unwrap();
    assert_eq!(view["templates"][1]["changes_not_live"], 1);
    let draft: Value =
        owner.post("/api/drafts/template-2/publish", &json!({ "revision": 2 })).await.json().await.unwrap();
    assert_eq!((&draft["differs"], &draft["revision"]), (&json!(false), &json!(2)));
    assert_eq!(owner.post("/api/drafts/template-2/publish", &json!({ "revision": 1 })).await.status(), 409);
}

#[sqlx::test(migrations = false)]
async fn the_desk_leafs_through_what_the_template_serves(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let desk: Value = owner.get("/api/templates/2/desk").await.json().await.unwrap();
    let products: Vec<_> = desk["products"]["products"]
        .as_array()
        .unwrap()
        .iter()
        .map(|p| p["handle"].as_str().unwrap())
        .collect();
    assert_eq!(products[..4], ["whimbrel", "whimbrel-mini", "dunlin", "turnstone"]);
    let found = json_of(owner.get("/api/templates/2/products?find=dun").await).await;
    assert_eq!((handles(&found), &found["count"]), (vec!["dunlin"], &json!(1)));
    let near = json_of(owner.get("/api/templates/2/products?near=dunlin").await).await;
    assert_eq!((&near["skip"], &near["count"], handles(&near)), (&json!(0), &json!(12), products.clone()));
    let rest = json_of(owner.get("/api/templates/2/products?skip=10").await).await;
    assert_eq!((&rest["skip"], handles(&rest)), (&json!(10), products[10..].to_vec()));
    assert_eq!(owner.get("/api/templates/99/products").await.status(), 404);
    assert_eq!((&desk["serves"], &desk["serves_types"]), (&json!(12), &json!(2)));
    assert_eq!(desk["kinds"].as_array().unwrap().len(), 37);
    assert_eq!(desk["draft"]["hints"]["p11"], "tabs → folding rows");
    assert_eq!((&desk["draft"]["can_undo"], &desk["draft"]["can_redo"]), (&json!(false), &json!(false)));
}

#[sqlx::test(migrations = false)]
async fn the_situation_tells_states_ways_and_silent_pieces(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let path = "/api/templates/2/situation?product=whimbrel&choice=colour%3Dember%26sail%3D2-4-m";
    let facts: Value = owner.get(path).await.json().await.unwrap();
    assert_eq!(facts["chosen"], json!([0, 2]));
    assert_eq!(facts["states"][1][2], json!({ "state": "sold_out", "choice": "colour=ember&sail=2-4-m" }));
    assert_eq!(facts["states"][0][4]["state"], "not_made");
    assert_eq!(facts["states"][0][4]["choice"], "colour=chalk&sail=1-6-m", "the pick stands, the sail moves");
    assert_eq!(facts["silent"], json!([]));
    let few: Value =
        owner.get("/api/templates/2/situation?product=plover&stock=none").await.json().await.unwrap();
    assert_eq!(few["states"][0][0]["state"], "sold_out");
    let winder: Value =
        owner.get("/api/templates/1/situation?product=hand-winder").await.json().await.unwrap();
    let silent: Vec<_> =
        winder["silent"].as_array().unwrap().iter().map(|s| s["why"].as_str().unwrap()).collect();
    assert_eq!(
        silent,
        [
            "this product has no options",
            "no plan is for this product",
            "nothing is written onto this product",
            "this product has no details"
        ]
    );
}

#[sqlx::test(migrations = false)]
async fn a_proof_is_the_draft_under_its_situation(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let proof = owner.get("/api/templates/2/proof?product=whimbrel&stock=none").await.text().await.unwrap();
    assert!(proof.contains("data-piece=\"p9\"") && proof.contains("Sold out"));
    let proof = owner.get("/api/templates/2/proof?product=plover&quantity=2").await.text().await.unwrap();
    assert!(proof.contains("2 for £68.00"));
    assert_eq!(owner.get("/api/templates/2/proof?product=whimbrel&stock=lots").await.status(), 400);
    assert_eq!(owner.get("/api/templates/2/proof").await.status(), 400);
}

#[sqlx::test(migrations = false)]
async fn signing_out_ends_the_session_for_good(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    assert_eq!(owner.get("/api/session").await.status(), 200);
    let cookie = owner.client.get(site.at("/api/session")).send().await.unwrap();
    assert!(cookie.headers().get("set-cookie").is_none(), "a session isn't renewed by looking");
    let out = owner.client.delete(site.at("/api/session")).header("x-csrf-token", &owner.token);
    assert_eq!(out.send().await.unwrap().status(), 204);
    assert_eq!(owner.get("/api/session").await.status(), 401);
}

#[sqlx::test(migrations = false)]
async fn the_api_describes_itself(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let document: Value =
        site.shopper().get(site.at("/api/openapi.json")).send().await.unwrap().json().await.unwrap();
    let paths = document["paths"].as_object().unwrap();
    assert!(paths.contains_key("/api/templates/{id}/operations"), "{:?}", paths.keys());
    assert!(document["components"]["schemas"]["Op"]["oneOf"].as_array().unwrap().len() >= 8);
}

/// What appears from a day on does so when that day begins on the shop's clocks, not on the server's.
#[sqlx::test(migrations = false)]
async fn the_day_of_conditions_is_the_day_on_the_shops_clocks(pool: MySqlPool) {
    use chrono::{TimeDelta, Timelike, Utc};
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    // A zone in which it is another day just now: fourteen hours ahead, or twelve behind.
    let now = Utc::now();
    let (zone, hours) = if now.hour() >= 11 { ("Pacific/Kiritimati", 14) } else { ("Etc/GMT+12", -12) };
    sqlx::query("UPDATE shop SET zone = ?").bind(zone).execute(&site.pool).await.unwrap();
    sqlx::query("INSERT INTO change_note (product_id, goods) VALUES (NULL, TRUE)")
        .execute(&site.pool)
        .await
        .unwrap();
    let there = (now + TimeDelta::hours(hours)).format("%Y-%m-%d").to_string();
    assert_ne!(there, now.format("%Y-%m-%d").to_string());
    let draft = owner.draft().await;
    let only_then = json!({ "is": "between", "from": there, "to": there });
    let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "appears", "device": "wide", "value": only_then });
    let body = json!({ "revision": draft["revision"], "op": op });
    json_of(owner.post("/api/templates/2/operations", &body).await).await;
    let told = |situation: &Value| situation["verdicts"][0].clone();
    for _ in 0..100 {
        let situation = json_of(owner.get("/api/templates/2/situation?product=whimbrel").await).await;
        if told(&situation)["why"] == format!("the day is {there}") {
            assert_eq!(told(&situation)["holds"], true);
            return;
        }
        tokio::time::sleep(std::time::Duration::from_millis(50)).await;
    }
    panic!("the day is never the shop's");
}

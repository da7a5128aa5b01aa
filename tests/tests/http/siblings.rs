//! Products that belong together: proposed, joined, led to from one another, on one card.

use compagina_tests::{OTHER_EMAIL, OTHER_PASSWORD, Owner, Site, json_of, refusal};
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn sets(owner: &Owner, product: &str) -> Value {
    json_of(owner.get(&format!("/api/products/{product}/siblings")).await).await["sets"].clone()
}

/// What leads from a page to others: where to, and how each stands.
fn leads(page: &str) -> Vec<(String, String)> {
    let (_, row) = page.split_once("k-siblings").unwrap();
    let (row, _) = row.split_once("</fieldset>").unwrap();
    let part = |one: &str, name: &str| {
        let (_, rest) = one.split_once(&format!("{name}=\"")).unwrap();
        rest.split('"').next().unwrap().to_owned()
    };
    row.split("<a ").skip(1).map(|one| (part(one, "href"), part(one, "data-state"))).collect()
}

#[sqlx::test(migrations = false)]
async fn from_one_page_one_goes_to_the_others_with_what_they_have_of_the_choice(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let page = owner.page("/shop/products/whimbrel?colour=ember&sail=2-1-m".into()).await;
    let all = leads(&page);
    let to = |name: &str| all.iter().find(|(href, _)| href.contains(name)).unwrap().clone();
    assert_eq!(all.len(), 6);
    assert_eq!(to("whimbrel-mini").0, "/shop/products/whimbrel-mini?colour=ember", "it has no such sail");
    assert_eq!(to("dunlin").0, "/shop/products/dunlin", "nor the other one this colour");
    assert_eq!(to("turnstone").1, "coming");
    // One that is withdrawn is led to no more, one that is sold out says so, at once.
    let path = "/api/products/godwit/selling";
    let mut was = json_of(owner.get(path).await).await;
    let kept = ["state", "price", "old_price", "most_per_order", "least", "step", "text"];
    was.as_object_mut().unwrap().retain(|name, _| kept.contains(&name.as_str()));
    let mut selling = was.clone();
    selling["state"] = json!("withdrawn");
    json_of(owner.put(path, &json!({ "was": was, "selling": selling })).await).await;
    let variants = json_of(owner.get("/api/variants?product=sanderling").await).await;
    let ids: Vec<&Value> = variants["variants"].as_array().unwrap().iter().map(|one| &one["id"]).collect();
    json_of(owner.patch("/api/variants?product=sanderling", &json!({ "ids": ids, "stock": "0" })).await)
        .await;
    let all = leads(&owner.page("/shop/products/whimbrel?colour=ember&sail=2-1-m".into()).await);
    assert!(!all.iter().any(|(href, _)| href.contains("godwit")), "{all:?}");
    assert!(all.contains(&("/shop/products/sanderling".to_owned(), "sold_out".to_owned())), "{all:?}");
}

#[sqlx::test(migrations = false)]
async fn a_listing_shows_each_or_one_card_for_all_and_its_counts_say_so(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let cards = |page: &str| page.matches("class=\"on-card").count();
    let kites = async || owner.page("/shop/types/sport-kites".into()).await;
    let before = kites().await;
    assert_eq!(cards(&before), 6);
    assert!(!before.contains("k-card-siblings"), "each has a card of its own");
    let mut set = sets(&owner, "whimbrel").await[0].clone();
    let id = set["id"].clone();
    let members: Vec<Value> = set["members"]
        .as_array()
        .unwrap()
        .iter()
        .map(|one| json!({ "product": one["product"], "label": one["label"] }))
        .collect();
    set = json!({ "name": "Kite", "one_card": true, "members": members });
    assert!(owner.put(&format!("/api/siblings/{id}"), &set).await.status().is_success());
    let page = kites().await;
    assert_eq!(cards(&page), 1);
    assert!(page.contains("card-whimbrel") && page.contains(">1 product<"), "the first of the set");
    let (_, row) = page.split_once("k-card-siblings").unwrap();
    assert_eq!(row.split("</ul>").next().unwrap().matches("data-keeps").count(), 6, "a swatch for each");
    assert!(page.contains("from £42.00"), "the cheapest of them");
    // The desk shows a card in the same listing; of those on one card it is the one that is looked at.
    let card = owner.card("quiet").await;
    for product in ["whimbrel", "dunlin"] {
        let proof = owner.page(format!("/api/templates/{card}/proof?product={product}")).await;
        let its_own = format!("id=\"card-{product}\"");
        assert!(cards(&proof) == 1 && proof.contains(&its_own) && proof.contains("from £42.00"), "{product}");
    }
    // Where only another one fits, its card stands for them; the front page counts as listings do.
    let dear = owner.page("/shop/types/sport-kites?from=180".into()).await;
    assert!(cards(&dear) == 1 && dear.contains("card-godwit"));
    let front = owner.page("/shop".into()).await;
    assert!(front.contains("card-whimbrel") && !front.contains("card-dunlin"));
    // Parted, each stands for itself again.
    assert!(owner.delete(&format!("/api/siblings/{id}")).await.status().is_success());
    assert_eq!(cards(&kites().await), 6);
    assert_eq!(sets(&owner, "whimbrel").await, json!([]));
}

#[sqlx::test(migrations = false)]
async fn siblings_are_proposed_from_names_and_refused_with_the_reason(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let proposal =
        async |query: &str| json_of(owner.get(&format!("/api/siblings/proposal?{query}")).await).await;
    let alike = proposal("product=whimbrel").await;
    let told: Vec<(&str, &str)> = alike["members"]
        .as_array()
        .unwrap()
        .iter()
        .map(|one| (one["name"].as_str().unwrap(), one["label"].as_str().unwrap()))
        .collect();
    assert_eq!(told, [("Whimbrel", "Whimbrel"), ("Whimbrel Mini", "Mini")]);
    assert_eq!((&alike["name"], &alike["members"][0]["from"]), (&Value::Null, &json!("variant")));
    let named = proposal("product=plover&label=Ember&product=curlew&label=Tide").await;
    assert_eq!((&named["name"], &named["members"][1]["label"]), (&json!("Colour"), &json!("Tide")));
    assert_ne!(named["members"][0]["from"], "variant", "the swatch book has that label");
    assert_eq!(owner.get("/api/siblings/proposal?product=nothing").await.status(), 404);

    let member = |product: &str, label: &str| json!({ "product": product, "label": label });
    let make = async |name: &str, members: Value| {
        owner.post("/api/siblings", &json!({ "name": name, "members": members })).await
    };
    let two = json!([member("plover", "One"), member("curlew", "Two")]);
    assert!(refusal(make("  ", two.clone()).await).await.contains("a set needs a name, such as “Colour”"));
    assert!(refusal(make("Kind", json!([])).await).await.contains("a set needs two products at least"));
    let missing = json!([member("plover", "One"), member("nobody", "Two")]);
    assert_eq!(make("Kind", missing).await.status(), 404);
    assert_eq!(json_of(make("Kind", two.clone()).await).await["sets"][0]["name"], "Kind");
    assert!(refusal(make("kind", two).await).await.contains("stands in another set with the name “Kind”"));
    let shelf = json_of(owner.get("/api/shelf/products?find=plover").await).await;
    assert_eq!(shelf["products"][0]["siblings"][0]["count"], 2);
}

#[sqlx::test(migrations = false)]
async fn of_two_owners_who_change_a_set_the_second_is_told(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (isla, tomas) = (site.owner().await, site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await);
    let seen = json_of(isla.get("/api/products/whimbrel/siblings").await).await;
    let path = format!("/api/siblings/{}", seen["sets"][0]["id"]);
    let with = |name: &str, labels: [&str; 2]| {
        let [one, two] = labels;
        let members = json!([{ "product": "whimbrel", "label": one }, { "product": "dunlin", "label": two }]);
        json!({ "name": name, "members": members })
    };
    let late = async |method: Method, body: &Value, seen: &Value| {
        let request = isla.request(method, &path).header("x-seen", seen.as_str().unwrap());
        request.json(body).send().await.unwrap()
    };
    let theirs = with("Model", ["The Whimbrel", "The Dunlin"]);
    assert!(tomas.put(&path, &theirs).await.status().is_success());
    // Neither changed nor parted over the other's head.
    for (method, body) in [(Method::PUT, with("Kite", ["Large", "Small"])), (Method::DELETE, json!({}))] {
        let told = late(method, &body, &seen["seen"]).await;
        assert_eq!(told.status(), StatusCode::CONFLICT);
        let told: Value = told.json().await.unwrap();
        assert_eq!(told["code"], "overtaken");
        assert!(told["message"].as_str().unwrap().starts_with("Tomas"), "{told}");
    }
    let now = json_of(isla.get("/api/products/whimbrel/siblings").await).await;
    assert_eq!(now["sets"][0]["members"][1]["label"], "The Dunlin");
    let mine = late(Method::PUT, &with("Model", ["Large", "Small"]), &now["seen"]).await;
    assert_eq!(json_of(mine).await["sets"][0]["members"][1]["label"], "Small");
}

//! What changes where before a house style, a price rule or a swatch is published.

use compagina_tests::{Owner, Site, json_of};
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::collections::BTreeMap;

/// How many pages change in which way, with what is to be mended; and how many were compared.
async fn told(owner: &Owner, address: &str) -> (BTreeMap<String, Vec<String>>, u64) {
    let text = owner.page(address.into()).await;
    let (mut ways, mut pages, mut done) = (Vec::new(), BTreeMap::<String, Vec<String>>::new(), 0);
    for line in text.lines() {
        let part: Value = serde_json::from_str(line).unwrap();
        ways.extend(part["ways"].as_array().unwrap().clone());
        for page in part["pages"].as_array().unwrap() {
            let way = &ways[usize::try_from(page["way"].as_u64().unwrap()).unwrap()];
            let all = ["says", "mend"].map(|key| way[key].as_array().unwrap().clone()).concat();
            let way = all.iter().map(|one| one.as_str().unwrap()).collect::<Vec<_>>().join("; ");
            pages.entry(way).or_default().push(page["handle"].as_str().unwrap().to_owned());
        }
        done = part["done"].as_u64().unwrap();
    }
    (pages, done)
}

async fn restyle(owner: &Owner, key: &str, value: Value) {
    let revision = json_of(owner.get("/api/house").await).await["revision"].clone();
    let body = json!({ "revision": revision, "key": key, "value": value });
    json_of(owner.put("/api/house", &body).await).await;
}

#[sqlx::test(migrations = false)]
async fn a_house_style_tells_on_which_pages_it_shows_and_where_words_grow_weak(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    assert_eq!(told(&owner, "/api/house/changes").await, (BTreeMap::new(), 28), "nothing waits");

    restyle(&owner, "sale", json!("#E8B84A")).await;
    let (pages, _) = told(&owner, "/api/house/changes").await;
    let weak = "Marks: sale; Sale mark can’t be read by everybody: 1.8 to 1, it needs 4.5";
    assert_eq!(pages.keys().collect::<Vec<_>>(), [weak], "other pages have no such mark");
    assert_eq!(pages[weak], ["whimbrel", "line-care-kit", "repair-kit-club"]);

    // Once a piece has its own, what the house says of it is no longer seen.
    restyle(&owner, "sale", Value::Null).await;
    restyle(&owner, "choice_sold_out", json!("faded")).await;
    let (pages, _) = told(&owner, "/api/house/changes").await;
    assert!(pages["Choices: sold out"].contains(&"dunlin".to_owned()));
    assert!(!pages["Choices: sold out"].contains(&"hand-winder".to_owned()), "nothing to choose there");

    // The page after it is as it will be; nobody has seen it yet.
    restyle(&owner, "accent", json!("#7A2E5D")).await;
    let after = owner.page("/api/house/changes/page?product=dunlin".into()).await;
    let page = || owner.page("/shop/products/dunlin".into());
    assert!(after.contains("--accent:#7A2E5D;") && !page().await.contains("#7A2E5D"));
    let revision = json_of(owner.get("/api/house").await).await["revision"].clone();
    json_of(owner.post("/api/drafts/house/publish", &json!({ "revision": revision })).await).await;
    assert!(page().await == after, "it is the very page");
    assert_eq!(told(&owner, "/api/house/changes").await.0, BTreeMap::new());
}

#[sqlx::test(migrations = false)]
async fn price_rules_tell_which_pages_cost_less_or_more_at_once(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let steps = json!([{ "from": 1, "kind": "percent", "value": "10" }]);
    let rule =
        json!({ "name": "Spares, ten off", "reach": { "of": "types", "types": ["spares"] }, "steps": steps });
    // All other rules go, so that what they made cheaper costs more.
    owner.draft_rule(rule).await;
    let (pages, done) = told(&owner, "/api/prices/changes").await;
    assert_eq!(done, 28);
    let of = |way: &str| -> Vec<&String> {
        pages.iter().filter(|(told, _)| told.starts_with(way)).flat_map(|(_, pages)| pages).collect()
    };
    assert_eq!(of("Costs less"), ["carbon-spar", "connector-set", "fibreglass-spar", "sail-patch"]);
    assert!(of("Costs more from 12 pieces on").contains(&&"braided-line".to_owned()), "{pages:?}");
    assert!(!pages.values().flatten().any(|one| one == "gift-card"), "no rule was for it: {pages:?}");
}

#[sqlx::test(migrations = false)]
async fn a_swatch_is_tried_on_every_page_before_it_is_kept(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let colour = json_of(owner.get("/api/options/colour").await).await;
    let of = |name: &str| colour["values"].as_array().unwrap().iter().find(|v| v["name"] == name).unwrap();
    let (ember, tide) = (of("Ember"), of("Tide"));
    let address = |swatch: &Value, what: &str| {
        let swatch = swatch.to_string().replace('#', "%23");
        format!("/api/options/colour/values/{}/changes{what}swatch={swatch}", ember["id"])
    };
    let (pages, done) = told(&owner, &address(&ember["swatch"], "?")).await;
    assert_eq!((pages, done), (BTreeMap::new(), 28), "it is shown so already");

    let (pages, _) = told(&owner, &address(&tide["swatch"], "?")).await;
    let alike = "“Ember” is shown otherwise; “Ember” and “Tide” can’t be told apart";
    assert!(pages[alike].contains(&"whimbrel".to_owned()), "it offers both: {pages:?}");
    let near = &pages["On the card of another product"];
    assert!(near.contains(&"dunlin".to_owned()), "Whimbrel's card stands on it");
    let all: usize = pages.values().map(Vec::len).sum();
    assert!(all < 28 && !pages.values().flatten().any(|one| one == "gift-card"), "{pages:?}");

    let after = owner
        .page(format!(
            "{}&product=whimbrel",
            address(&json!({ "kind": "colours", "colours": ["#123456"] }), "/page?")
        ))
        .await;
    assert!(after.contains("background:#123456"));
    assert!(!owner.page("/shop/products/whimbrel".into()).await.contains("#123456"), "only tried");

    for (swatch, status) in [("{}", 400), ("{\"kind\":\"colours\",\"colours\":[]}", 422)] {
        let path = format!("/api/options/colour/values/{}/changes?swatch={swatch}", ember["id"]);
        assert_eq!(owner.get(&path).await.status(), status);
    }
    assert_eq!(
        owner
            .get(&format!("/api/options/colour/values/9999/changes?swatch={}", "{\"kind\":\"text\"}"))
            .await
            .status(),
        404
    );
    assert_eq!(site.shopper().get(site.at("/api/house/changes")).send().await.unwrap().status(), 401);
}

#[sqlx::test(migrations = false)]
async fn prices_of_the_draft_are_seen_on_the_desk_and_on_every_page_at_a_quantity_and_a_cart(
    pool: MySqlPool,
) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let steps = json!([{ "from": 3, "kind": "percent", "value": "10" }]);
    let spares = json!({ "of": "types", "types": ["spares"] });
    owner
        .draft_rule(json!({ "name": "With a Dunlin", "reach": spares, "steps": steps, "with": ["dunlin"] }))
        .await;
    let line = |page: &str| page.contains(">3 for £27.00<");
    // £10.00 a piece: 10 % less are £9.00.
    let visits = [
        ("", false),
        ("&quantity=3", false),
        ("&quantity=3&cart=this", false),
        ("&quantity=3&cart=other", false),
        ("&quantity=3&cart=other&cart_product=whimbrel", false),
        ("&quantity=3&cart=other&cart_product=dunlin", true),
        ("&quantity=3&cart=other&cart_product=dunlin&cart_pieces=2", true),
        ("&quantity=2&cart=other&cart_product=dunlin", false),
    ];
    for (visit, cheaper) in visits {
        let proof =
            owner.page(format!("/api/templates/1/proof?product=carbon-spar&prices=draft{visit}")).await;
        let after = owner.page(format!("/api/prices/changes/page?product=carbon-spar{visit}")).await;
        assert_eq!((line(&proof), line(&after)), (cheaper, cheaper), "{visit}");
        let live = owner.page(format!("/api/templates/1/proof?product=carbon-spar{visit}")).await;
        let now = owner.page(format!("/api/changes/now?product=carbon-spar{visit}")).await;
        assert!(!line(&live) && !line(&now), "{visit}: what is in force knows nothing of it");
    }
    assert!(
        owner.page("/api/changes/now?product=dunlin".into()).await
            == owner.page("/shop/products/dunlin".into()).await,
        "without a visit it is the very page"
    );
    for path in [
        "/api/changes/now?product=boat",
        "/api/changes/now?product=dunlin&cart=other&cart_product=boat",
        "/api/prices/changes?cart=other&cart_product=boat",
        "/api/templates/1/proof?product=dunlin&cart=other&cart_product=boat",
    ] {
        assert_eq!(owner.get(path).await.status(), 404, "{path}");
    }
    let spares = ["carbon-spar", "connector-set", "fibreglass-spar", "sail-patch"];
    let told_under = async |visit: &str| told(&owner, &format!("/api/prices/changes?{visit}")).await.0;
    let less = "Costs less with this cart";
    assert_eq!(told_under("quantity=3").await.get(less), None, "nothing without a Dunlin");
    let with = told_under("quantity=3&cart=other&cart_product=dunlin").await;
    assert_eq!(with.get(less), Some(&spares.map(str::to_owned).to_vec()), "{with:?}");
    // What waits is told on the desk, and a situation is kept with it.
    let waits = json_of(owner.get("/api/templates/1/situation?product=carbon-spar").await).await;
    assert_eq!(waits["prices_wait"], true);
    let look = json!({ "stock": "as_it_is", "sale": "as_it_is", "coming_soon": false, "cart": "other", "quantity": 3,
        "cart_product": "dunlin", "cart_pieces": 2, "prices": "draft" });
    let kept =
        json_of(owner.post("/api/situations", &json!({ "name": "Three with it", "look": look })).await).await;
    assert_eq!(kept[0]["look"]["cart_product"], "dunlin");
    let mut none = look.clone();
    none["cart_pieces"] = json!(0);
    assert_eq!(owner.post("/api/situations", &json!({ "name": "None", "look": none })).await.status(), 422);
}

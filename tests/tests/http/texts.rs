//! What is told of a product in words, as owners write it and shoppers read it.

use compagina_tests::{Owner, Site, json_of, refusal};
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn texts(owner: &Owner, product: &str) -> Value {
    json_of(owner.get(&format!("/api/products/{product}/texts")).await).await["texts"].clone()
}

async fn set(owner: &Owner, product: &str, was: &Value, texts: &Value) -> reqwest::Response {
    owner.put(&format!("/api/products/{product}/texts"), &json!({ "was": was, "texts": texts })).await
}

#[sqlx::test(migrations = false)]
async fn what_is_written_is_read_at_once_on_every_page_that_tells_it(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let page = |product: &str| owner.page(format!("/shop/products/{product}"));
    // Kept ready, with what stands around it.
    for product in ["whimbrel", "dunlin", "whimbrel", "dunlin"] {
        assert!(page(product).await.contains("Whimbrel"));
    }
    let was = texts(&owner, "whimbrel").await;
    let mut now = was.clone();
    now["name"] = json!(" Whimbrel <II> ");
    now["brand"] = json!("Søren & Son");
    now["summary"] = json!("Goes <b>up</b>.");
    now["details"] = json!([
        { "title": "Care", "text": "Keep it dry.\r\n\r\nMend it early." }, { "title": "Wind", "text": " " }
    ]);
    now["facts"] = json!([{ "name": "Span", "value": "2.1 m" }, { "name": "Weight", "value": "" }]);
    let kept = json_of(set(&owner, "whimbrel", &was, &now).await).await["texts"].clone();
    assert_eq!(kept["name"], "Whimbrel <II>");
    assert_eq!(kept["details"], json!([{ "title": "Care", "text": "Keep it dry.\n\nMend it early." }]));
    assert_eq!(kept["facts"], json!([{ "name": "Span", "value": "2.1 m" }]));
    assert_eq!(texts(&owner, "whimbrel").await, kept);

    let whimbrel = page("whimbrel").await;
    for part in
        ["Whimbrel &lt;II&gt;", "Goes &lt;b&gt;up&lt;/b&gt;.", "<p>Keep it dry.</p>", "<p>Mend it early.</p>"]
    {
        assert!(whimbrel.contains(part), "{part}");
    }
    assert!(!whimbrel.contains("<b>up") && !whimbrel.contains("8 to 30 km/h"));
    assert!(page("dunlin").await.contains("Whimbrel &lt;II&gt;"), "where it stands among others too");
    let listing = owner.page("/shop".to_owned()).await;
    assert!(listing.contains("Whimbrel &lt;II&gt;"));
}

#[sqlx::test(migrations = false)]
async fn what_somebody_else_wrote_meanwhile_isnt_written_over_unseen(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (one, other) = (site.owner().await, site.owner().await);
    let was = texts(&one, "curlew").await;
    let written = |summary: &str| {
        let mut texts = was.clone();
        texts["summary"] = json!(summary);
        texts
    };
    let theirs = json_of(set(&other, "curlew", &was, &written("Theirs.")).await).await["texts"].clone();
    let answer = set(&one, "curlew", &was, &written("Ours.")).await;
    assert_eq!(answer.status(), 409);
    let refused: Value = answer.json().await.unwrap();
    assert_eq!(refused["code"], "overtaken");
    assert_eq!(texts(&one, "curlew").await, theirs, "nothing was kept");
    let kept = json_of(set(&one, "curlew", &theirs, &written("Ours.")).await).await;
    assert_eq!(kept["texts"]["summary"], "Ours.", "having seen theirs");
}

#[sqlx::test(migrations = false)]
async fn texts_that_are_there_can_be_kept_and_a_first_product_is_offered_what_its_type_means_to_have(
    pool: MySqlPool,
) {
    let site = Site::start(pool.clone()).await;
    let owner = site.owner().await;
    let handles: Vec<String> =
        sqlx::query_scalar("SELECT handle FROM product ORDER BY id").fetch_all(&pool).await.unwrap();
    assert_eq!(handles.len(), 28);
    for handle in &handles {
        let was = texts(&owner, handle).await;
        let kept = json_of(set(&owner, handle, &was, &was).await).await;
        assert_eq!(kept["texts"], was, "{handle}");
    }
    // A type's first product has no texts yet, but its type says which there are to be.
    let fields = json!({ "details": ["In the bag"], "facts": ["Pull"], "tags": ["strong wind"] });
    let kind = json!({ "name": "Power kites", "fields": fields, "template": { "by": "template", "id": 2 } });
    json_of(owner.post("/api/types", &kind).await).await;
    let first = json!({ "kind": "power-kites", "name": "Gannet" });
    json_of(owner.post("/api/products", &first).await).await;
    let view = json_of(owner.get("/api/products/gannet/texts").await).await;
    assert_eq!((&view["texts"]["details"], &view["texts"]["tags"]), (&json!([]), &json!(["strong wind"])));
    let usual = json!({ "details": ["In the bag"], "facts": ["Pull"], "tags": ["strong wind"] });
    assert_eq!(view["usual"], usual);
}

#[sqlx::test(migrations = false)]
async fn a_tag_gives_a_product_to_the_template_for_that_tag(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let reach = json!({ "rule": "tags", "tags": ["for one"] });
    let change = json!({ "arrangement": owner.arrangement().await, "name": "Workshops", "reach": reach });
    json_of(owner.put("/api/templates/4", &change).await).await;
    let serves = async || json_of(owner.get("/api/templates/4/desk").await).await["serves"].clone();
    assert_eq!(serves().await, 0);
    let was = texts(&owner, "knot").await;
    let mut tagged = was.clone();
    tagged["tags"].as_array_mut().unwrap().push(json!("for one"));
    let kept = json_of(set(&owner, "knot", &was, &tagged).await).await["texts"].clone();
    assert_eq!(serves().await, 1);
    json_of(set(&owner, "knot", &kept, &was).await).await;
    assert_eq!(serves().await, 0);
}

#[sqlx::test(migrations = false)]
async fn texts_that_cant_be_kept_change_nothing_and_are_told_why(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let was = texts(&owner, "knot").await;
    let with = |key: &str, value: Value| {
        let mut texts = was.clone();
        texts[key] = value;
        texts
    };
    let bad = [
        (with("name", json!("  ")), "product needs a name"),
        (with("summary", json!("x".repeat(2_001))), "at most 2000 characters"),
        (with("facts", json!([{ "name": "", "value": "3 m" }])), "the fact “3 m” needs a name"),
        (with("tags", json!(["Beach", "beach"])), "“beach” stands there twice"),
    ];
    for (texts, why) in bad {
        let message = refusal(set(&owner, "knot", &was, &texts).await).await;
        assert!(message.contains(why), "{message}");
    }
    assert_eq!(texts(&owner, "knot").await, was);
    assert_eq!(owner.get("/api/products/no-such/texts").await.status(), 404);
    assert_eq!(set(&owner, "no-such", &was, &was).await.status(), 404);
    let stranger = site.shopper().get(site.at("/api/products/knot/texts")).send().await.unwrap();
    assert_eq!(stranger.status(), 401);
}

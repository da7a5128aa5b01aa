//! Listings: ordered and narrowed by their addresses, with counts that hold; searched; kept ready.

use compagina_tests::{OTHER_EMAIL, OTHER_PASSWORD, Owner, Site, json_of, refusal};
use serde_json::{Value, json};
use sqlx::MySqlPool;

/// The names of the cards of a listing, in their order.
fn names(page: &str) -> Vec<String> {
    let cards = page.split("class=\"card-name clamped\"").skip(1);
    cards.map(|rest| rest.split('>').nth(1).unwrap().split('<').next().unwrap().to_owned()).collect()
}

/// How many there are, as the form says it.
fn count(page: &str) -> usize {
    let (_, rest) = page.split_once("class=\"sift-count\" role=\"status\">").unwrap();
    rest.split(' ').next().unwrap().parse().unwrap()
}

async fn shop(owner: &Owner, path: &str) -> String {
    owner.page(format!("/shop{path}")).await
}

#[sqlx::test(migrations = false)]
async fn a_listing_is_ordered_and_narrowed_by_its_address(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let all = shop(&owner, "?order=arranged").await;
    assert_eq!((count(&all), names(&all).len()), (27, 27), "all but the withdrawn one");
    let cheapest = names(&shop(&owner, "?order=cheapest").await);
    let mut dearest = names(&shop(&owner, "?order=dearest").await);
    assert_eq!(dearest[0], *cheapest.last().unwrap());
    assert_ne!(cheapest, dearest);
    dearest.sort();
    let mut sorted = cheapest.clone();
    sorted.sort();
    assert_eq!(dearest, sorted, "the same products");
    let by_name = names(&shop(&owner, "?order=name").await);
    let folded: Vec<String> = by_name.iter().map(|name| name.to_lowercase()).collect();
    assert!(folded.is_sorted(), "{folded:?}");

    // Prices, tags and stock; what each would leave is what it leaves.
    let kites = shop(&owner, "/types/sport-kites?from=60&to=130").await;
    assert!(names(&kites).iter().any(|name| name == "Whimbrel") && !kites.contains("card-godwit"));
    assert_eq!(count(&kites), names(&kites).len());
    let told = |page: &str, after: &str| -> Option<usize> {
        let (_, rest) = page.split_once(after)?;
        let (_, rest) = rest.split_once("<span class=\"soft\"> ")?;
        rest.split('<').next()?.parse().ok()
    };
    let stock = told(&all, "name=\"stock\"").unwrap();
    let in_stock = shop(&owner, "?stock=1").await;
    assert_eq!(count(&in_stock), stock);
    assert!(stock < 27 && !names(&in_stock).iter().any(|name| name == "Knot"), "it is sold out");
    // Every box says how many it would leave, and leaves as many: types, tags, values of options, what costs less.
    for page in ["?order=name", "/types/sport-kites"] {
        let boxes = ticks(&shop(&owner, page).await);
        assert!(boxes.iter().any(|(ask, _)| ask.starts_with("value=colour.")), "{boxes:?}");
        assert!(boxes.iter().any(|(ask, _)| ask == "sale=1"), "{boxes:?}");
        assert_eq!(boxes.iter().any(|(ask, _)| ask.starts_with("type=")), page.starts_with('?'), "{boxes:?}");
        let path = page.split('?').next().unwrap();
        for (ask, left) in boxes {
            assert_eq!(count(&shop(&owner, &format!("{path}?{ask}")).await), left, "{page} with {ask}");
        }
    }
    // Of one option any of the values, of several options one each.
    let [one, other, both] =
        ["value=colour.ember", "value=colour.dusk", "value=colour.ember&value=colour.dusk"];
    let left = async |ask: &str| count(&shop(&owner, &format!("/types/sport-kites?{ask}")).await);
    assert!(left(both).await >= left(one).await.max(left(other).await));
    assert!(left("value=colour.ember&value=sail.2-4-m").await <= left(one).await);
}

/// What the boxes of a listing ask for, each with how many it says it would leave.
fn ticks(page: &str) -> Vec<(String, usize)> {
    let boxes = page.split("<input type=\"checkbox\" name=\"").skip(1);
    let one = |rest: &str| {
        let (name, rest) = rest.split_once("\" value=\"")?;
        let (value, rest) = rest.split_once('"')?;
        let (_, rest) = rest.split_once("<span class=\"soft\"> ")?;
        Some((format!("{name}={value}"), rest.split('<').next()?.parse().ok()?))
    };
    boxes.filter_map(one).collect()
}

/// Prices are those that the cards show, with the rules that are in force.
#[sqlx::test(migrations = false)]
async fn listings_follow_price_rules_at_once(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let cheap = async || names(&shop(&owner, "/types/spares?to=5").await);
    let (before, sale) = (cheap().await, count(&shop(&owner, "/types/spares?sale=1").await));
    let steps = json!([{ "from": 1, "kind": "percent", "value": "90" }]);
    owner
        .draft_rule(json!({ "name": "Nearly nothing", "reach": { "of": "types", "types": ["spares"] }, "steps": steps }))
        .await;
    assert_eq!(cheap().await, before, "not published yet");
    let book = json_of(owner.get("/api/prices").await).await;
    let body = json!({ "revision": book["revision"] });
    json_of(owner.post("/api/drafts/prices/publish", &body).await).await;
    assert!(cheap().await.len() > before.len(), "they cost a tenth now");
    assert!(count(&shop(&owner, "/types/spares?sale=1").await) > sale);
}

#[sqlx::test(migrations = false)]
async fn a_search_finds_names_summaries_tags_and_skus_the_best_first(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let found = async |words: &str| names(&shop(&owner, &format!("/search?q={words}")).await);
    assert_eq!(found("whimbrel").await[..2], ["Whimbrel", "Whimbrel Mini"]);
    assert_eq!(found("mini%20whim").await, ["Whimbrel Mini"], "every word, each by its beginning");
    assert_eq!(found("WHI-").await[0], "Whimbrel", "by its SKUs");
    assert!(found("the%20whimbrel").await.contains(&"Whimbrel".to_owned()), "common words don't matter");
    for nothing in ["zeppelin", "%2B%2B*%22(", "%25", ""] {
        assert!(found(nothing).await.is_empty(), "{nothing}");
    }
    let none = shop(&owner, "/search?q=%3Cb%3Ezeppelin").await;
    assert!(
        none.contains("Nothing has these words.") && none.contains("value=\"&lt;b&gt;zeppelin\""),
        "{none}"
    );
    // It is narrowed like any listing, and keeps its words.
    let narrowed = shop(&owner, "/search?q=kite&stock=1&order=cheapest").await;
    assert!(narrowed.contains("name=\"q\" value=\"kite\"") && count(&narrowed) > 1);
    let tag = json_of(owner.get("/api/products/whimbrel/texts").await).await["texts"]["tags"][0].clone();
    let tag = tag.as_str().unwrap();
    assert!(found(tag).await.contains(&"Whimbrel".to_owned()), "by its tag {tag}");
    let of_tag = names(&shop(&owner, &format!("/tags/{tag}")).await);
    assert!(of_tag.contains(&"Whimbrel".to_owned()));
    assert_eq!(owner.get("/shop/tags/nobody-has-it").await.status(), 404);
}

/// What is kept ready is what would be made now.
#[sqlx::test(migrations = false)]
async fn a_listing_is_kept_ready_until_anything_in_it_changes(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let path = "/types/sport-kites?order=cheapest";
    let first = owner.get(&format!("/shop{path}")).await;
    let tag = first.headers()["etag"].clone();
    let again = owner.get(&format!("/shop{path}")).await;
    assert_eq!(again.headers()["etag"], tag);
    assert_eq!(first.text().await.unwrap(), again.text().await.unwrap());
    let was = json_of(owner.get("/api/products/whimbrel/texts").await).await["texts"].clone();
    let mut texts = was.clone();
    texts["name"] = json!("Whimbrel of old");
    json_of(owner.put("/api/products/whimbrel/texts", &json!({ "was": was, "texts": texts })).await).await;
    assert!(shop(&owner, path).await.contains("Whimbrel of old"));
    // It is found under its new name, too.
    assert_eq!(names(&shop(&owner, "/search?q=of%20old").await), ["Whimbrel of old"]);
}

#[sqlx::test(migrations = false)]
async fn where_nothing_is_left_it_is_told_what_to_loosen(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let none = shop(&owner, "/types/sport-kites?from=100&to=1&stock=1").await;
    assert!(none.contains("Nothing here is all of that.") && names(&none).is_empty());
    assert!(none.contains("href=\"/shop/types/sport-kites?stock=1\">At any price: 5<"), "{none}");
    // What can't be read is passed over.
    let odd = shop(&owner, "/types/sport-kites?from=cheap&order=best&tag=&stock=yes").await;
    assert_eq!(names(&odd).len(), 6);
    let beyond = owner.get("/shop/types/sport-kites?page=2").await;
    assert_eq!(beyond.status(), 404);
}

/// Makes one thing of a listing in the draft.
async fn make(owner: &Owner, of: &str, change: Value) -> Value {
    let revision = json_of(owner.get("/api/listings").await).await["revision"].clone();
    json_of(owner.put("/api/listings", &json!({ "revision": revision, "of": of, "change": change })).await)
        .await
}

fn listing<'a>(view: &'a Value, of: &str) -> &'a Value {
    view["listings"].as_array().unwrap().iter().find(|one| one["of"] == of).unwrap()
}

#[sqlx::test(migrations = false)]
async fn an_owner_writes_orders_and_puts_first_and_shoppers_see_it_once_published(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let of = "type:sport-kites";
    let view = json_of(owner.get("/api/listings").await).await;
    assert_eq!(listing(&view, "all")["products"], 27);
    assert_eq!((&listing(&view, of)["products"], &listing(&view, of)["own"]), (&json!(6), &json!(false)));
    let kites = async || shop(&owner, "/types/sport-kites").await;
    let before = kites().await;
    make(&owner, of, json!({ "title": "Kites that <turn>" })).await;
    make(&owner, of, json!({ "words": "For two lines.\n\nSewn here." })).await;
    make(&owner, of, json!({ "order": "dearest" })).await;
    let view =
        make(&owner, of, json!({ "first": ["whimbrel-mini", "knot", "turnstone", "never-was"] })).await;
    assert_eq!((&view["changes_not_live"], &listing(&view, of)["own"]), (&json!(1), &json!(true)));
    let told = |one: &Value| (one["name"].as_str().map(str::to_owned), one["here"].as_bool().unwrap());
    let first: Vec<_> = listing(&view, of)["first"].as_array().unwrap().iter().map(told).collect();
    let named = |name: &str, here| (Some(name.to_owned()), here);
    assert_eq!(
        first,
        [named("Whimbrel Mini", true), named("Knot", false), named("Turnstone", true), (None, false)]
    );

    // The draft is seen by owners alone.
    assert_eq!(kites().await, before);
    let sample = owner.page(format!("/api/listings/sample?of={of}")).await;
    let own = ["Whimbrel Mini", "Turnstone", "Godwit", "Dunlin", "Whimbrel", "Sanderling"];
    assert_eq!(names(&sample), own);
    let body = json!({ "revision": view["revision"] });
    json_of(owner.post("/api/drafts/listings/publish", &body).await).await;
    let page = kites().await;
    assert_eq!(names(&page), own);
    assert!(
        page.contains("<h1>Kites that &lt;turn&gt;</h1>") && page.contains("<title>Kites that &lt;turn&gt;")
    );
    assert!(page.contains("<p>For two lines.</p><p>Sewn here.</p>"));
    assert!(page.contains("<meta name=\"description\" content=\"For two lines.\">"));
    assert!(page.contains("<option value=\"dearest\" selected>"));
    // Who sends the form as it is sees the same; who asks for another order sees nobody put first.
    assert_eq!(names(&shop(&owner, "/types/sport-kites?order=dearest&stock=").await), own);
    assert_eq!(names(&shop(&owner, "/types/sport-kites?order=arranged").await), names(&before));
    // Of those that come first filters leave what fits, and each way leads on in the order that is asked for.
    let narrowed = shop(&owner, "/types/sport-kites?to=60").await;
    assert_eq!(names(&narrowed), ["Whimbrel Mini", "Sanderling"]);
    assert!(!narrowed.contains("order=dearest"), "the usual order needs no asking");
    // Nothing else was changed; the front page has an order of its own.
    assert!(names(&shop(&owner, "").await)[0] == "Whimbrel");
    let everything = make(&owner, "all", json!({ "first": ["godwit", "knot"] })).await;
    json_of(owner.post("/api/drafts/listings/publish", &json!({ "revision": everything["revision"] })).await)
        .await;
    assert_eq!(names(&shop(&owner, "").await)[0], "Godwit");
    assert_eq!(names(&shop(&owner, "?page=1").await)[..2], ["Godwit", "Knot"]);
}

#[sqlx::test(migrations = false)]
async fn what_a_listing_cant_be_is_said_and_nothing_is_lost(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let view = make(&owner, "tag:small", json!({ "title": "For small hands" })).await;
    let put = async |of: &str, change: Value| {
        owner.put("/api/listings", &json!({ "revision": view["revision"], "of": of, "change": change })).await
    };
    let many: Vec<String> = (0..49).map(|n| format!("kite-{n}")).collect();
    for (change, says) in [
        (json!({ "title": "x".repeat(121) }), "at most 120 characters"),
        (json!({ "words": "a\u{200B}b" }), "can’t be seen"),
        (json!({ "first": many }), "at most 48 products come first"),
    ] {
        let told = refusal(put("tag:small", change).await).await;
        assert!(told.contains(says), "{told}");
    }
    for of in ["tag:", "type:No such", "shelf"] {
        assert_eq!(put(of, json!({ "title": "x" })).await.status(), 404, "{of}");
    }
    assert_eq!(owner.get("/api/listings/sample?of=type:no-such").await.status(), 404);
    let now = json_of(owner.get("/api/listings").await).await;
    assert_eq!(listing(&now, "tag:small")["title"], "For small hands");
    assert_eq!(now["revision"], view["revision"]);
    // A late step on the same title is told of; another listing's stays beside it.
    let tomas = site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await;
    let late = |of: &str, title: &str| json!({ "revision": 0, "of": of, "change": { "title": title } });
    let told = tomas.put("/api/listings", &late("tag:small", "Small ones")).await;
    assert_eq!(told.status(), 409);
    let told: Value = told.json().await.unwrap();
    assert!(told["message"].as_str().unwrap().contains("the title of the listing “small”"), "{told}");
    assert_eq!(tomas.put("/api/listings", &late("tag:team", "Teams")).await.status(), 200);
}

#[sqlx::test(migrations = false)]
async fn what_is_found_is_sent_compressed_where_that_is_understood(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let whole = site.shopper().get(site.at("/shop/search?q=kite")).send().await.unwrap();
    assert_eq!(whole.headers().get("content-encoding"), None);
    let whole = whole.bytes().await.unwrap();
    let asked = site.shopper().get(site.at("/shop/search?q=kite")).header("accept-encoding", "br, gzip");
    let small = asked.send().await.unwrap();
    assert_eq!(small.headers()["content-encoding"], "gzip");
    assert_eq!(small.headers()["vary"], "accept-encoding");
    let small = small.bytes().await.unwrap();
    assert!(small.starts_with(&[0x1f, 0x8b]) && small.len() * 3 < whole.len(), "{}", small.len());
}

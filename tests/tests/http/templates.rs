//! Which template serves what, what is kept different, what a draft changes where, and templates as files.

use compagina_tests::{Owner, Site, json_of};
use reqwest::Method;
use serde_json::{Value, json};
use sqlx::MySqlPool;

/// Makes an edit on a template's draft.
async fn edit(owner: &Owner, template: u64, op: Value) -> Value {
    let desk = json_of(owner.get(&format!("/api/templates/{template}/desk")).await).await;
    let body = json!({ "revision": desk["draft"]["revision"], "op": op });
    json_of(owner.post(&format!("/api/templates/{template}/operations"), &body).await).await
}

async fn publish(owner: &Owner, template: u64) {
    let desk = json_of(owner.get(&format!("/api/templates/{template}/desk")).await).await;
    let body = json!({ "revision": desk["draft"]["revision"] });
    json_of(owner.post(&format!("/api/drafts/template-{template}/publish"), &body).await).await;
}

async fn shop_page(owner: &Owner, product: &str) -> String {
    owner.page(format!("/shop/products/{product}")).await
}

fn words(whom: Option<Value>, words: &str) -> Value {
    let mut op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": words });
    if let Some(whom) = whom {
        op["op"] = json!("depart");
        op["whom"] = whom;
    }
    op
}

#[sqlx::test(migrations = false)]
async fn moving_a_product_or_a_type_is_told_before_it_is_done(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let shift = |body: Value| {
        let owner = &owner;
        async move { owner.shift(body).await }
    };
    let moving = json!({ "what": "type", "kind": "spares", "to": 3, "dry": true });
    let told = json_of(shift(moving.clone()).await).await;
    assert_eq!((&told["count"], &told["templates"]), (&json!(4), &Value::Null));
    assert_eq!(
        told["moves"][0],
        json!({ "handle": "carbon-spar", "name": "Carbon spar", "from": 1, "to": 3 })
    );
    assert!(!shop_page(&owner, "carbon-spar").await.contains("Cut to length on the day"), "only told");

    let moving = json!({ "what": "type", "kind": "spares", "to": 3 });
    let done = json_of(shift(moving).await).await;
    assert_eq!(done["templates"]["templates"][2]["products"], 8);
    assert!(shop_page(&owner, "carbon-spar").await.contains("Cut to length on the day"));

    // One product goes its own way, and why is told.
    json_of(shift(json!({ "what": "product", "product": "carbon-spar", "to": 1 })).await).await;
    let served = json_of(owner.get("/api/templates/served?type=spares").await).await;
    let why: Vec<_> = served["products"].as_array().unwrap().iter().take(2).map(|p| &p["why"]).collect();
    assert_eq!(why, ["it is named there", "its type is Spares"]);
    assert!(!shop_page(&owner, "carbon-spar").await.contains("Cut to length on the day"));

    for (body, status) in [
        (json!({ "what": "type", "kind": "boats", "to": 3 }), 404),
        (json!({ "what": "product", "product": "boat", "to": 3 }), 404),
        (json!({ "what": "product", "product": "dunlin", "to": 99 }), 404),
        (json!({ "what": "order", "order": [1, 2, 3] }), 422),
        (json!({ "what": "order", "order": [1, 2, 3, 3] }), 422),
        (json!({ "what": "reach", "template": 1, "reach": { "rule": "fallback", "on": false } }), 422),
        (
            json!({ "what": "reach", "template": 2, "reach": { "rule": "prices", "least": 9, "most": 1 } }),
            422,
        ),
    ] {
        assert_eq!(shift(body.clone()).await.status(), status, "{body}");
    }
}

#[sqlx::test(migrations = false)]
async fn what_the_dates_of_a_reach_will_change_is_told_before_it_is_kept_and_where_it_is_published(
    pool: MySqlPool,
) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let body = json!({ "name": "Winter", "from": 3 });
    let winter = json_of(owner.post("/api/templates", &body).await).await["id"].as_u64().unwrap();
    let reach = json!({ "rule": "types", "types": ["spares"], "except": ["carbon-spar"],
        "from": "2099-12-01T00:00", "until": "2100-01-01T09:30" });
    let shift = json!({ "what": "reach", "template": winter, "reach": reach });
    let mut dry = shift.clone();
    dry["dry"] = json!(true);
    let expected = json!([
        { "at": "2099-12-01T00:00", "says": ["3 products of Spares change from All products to Winter"] },
        { "at": "2100-01-01T09:30", "says": ["3 products of Spares change from Winter to All products"] }
    ]);
    let told = json_of(owner.shift(dry).await).await;
    assert_eq!((&told["count"], &told["ahead"]), (&json!(0), &expected), "as if it were live");
    let desk = format!("/api/templates/{winter}/desk");
    assert_eq!(json_of(owner.get(&desk).await).await["ahead"], json!([]), "only told");
    let done = json_of(owner.shift(shift).await).await;
    assert_eq!((&done["count"], &done["ahead"]), (&json!(0), &expected));
    let shown = json_of(owner.get(&desk).await).await;
    assert_eq!((&shown["serves"], &shown["ahead"]), (&json!(0), &expected));
    // Of the one that loses them nothing is told: it has no dates of its own.
    assert_eq!(json_of(owner.get("/api/templates/1/desk").await).await["ahead"], json!([]));
}

#[sqlx::test(migrations = false)]
async fn who_arranges_the_templates_learns_of_what_somebody_else_did_meanwhile(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (owner, other) = (site.owner().await, site.owner().await);
    let seen = owner.arrangement().await;
    json_of(other.shift(json!({ "what": "product", "product": "curlew", "to": 3 })).await).await;
    let reach = json!({ "rule": "types", "types": ["sport-kites"] });
    let change = json!({ "arrangement": seen, "name": "Sport kites", "reach": reach });
    let order = json!({ "arrangement": seen, "what": "order", "order": [3, 2, 1, 4] });
    for answer in
        [owner.put("/api/templates/2", &change).await, owner.post("/api/templates/shift", &order).await]
    {
        assert_eq!(answer.status(), 409);
        assert_eq!(answer.json::<Value>().await.unwrap()["code"], "rearranged");
    }
    let view = json_of(owner.get("/api/templates").await).await;
    let ids: Vec<_> = view["templates"].as_array().unwrap().iter().map(|t| &t["id"]).collect();
    assert_eq!(ids, [1, 2, 3, 4]);
    assert_eq!(view["templates"][2]["reach"]["also"], json!(["curlew"]), "what was answered stays");
    // Only telling it needs no number, and whoever has looked may go on.
    let told = json!({ "arrangement": seen, "what": "order", "order": [3, 2, 1, 4], "dry": true });
    json_of(owner.post("/api/templates/shift", &told).await).await;
    let change = json!({ "arrangement": view["arrangement"], "name": "Sport kites", "reach": reach });
    let view = json_of(owner.put("/api/templates/2", &change).await).await;
    assert_eq!(view["templates"][1]["name"], "Sport kites");
    // A template that comes is a change too.
    let arrangement = view["arrangement"].clone();
    json_of(other.post("/api/templates", &json!({ "name": "Winter" })).await).await;
    assert_ne!(owner.arrangement().await, arrangement);
}

#[sqlx::test(migrations = false)]
async fn of_two_templates_for_one_type_the_upper_one_serves_it(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let body = json!({ "name": "Winter", "from": 3 });
    let copy = json_of(owner.post("/api/templates", &body).await).await["id"].as_u64().unwrap();
    publish(&owner, copy).await;
    let reach = json!({ "rule": "types", "types": ["lines-and-winders"] });
    let shift = json!({ "what": "reach", "template": copy, "reach": reach });
    let done = json_of(owner.shift(shift).await).await;
    assert_eq!(done["count"], 0, "it stands below");
    let cells = done["templates"]["types"][2]["cells"].clone();
    let cell = |id: u64| cells.as_array().unwrap().iter().find(|c| c["template"] == id).unwrap().clone();
    assert_eq!(
        (&cell(3)["serves"], &cell(3)["tied"], &cell(copy)["yields"]),
        (&json!(4), &json!(4), &json!(4))
    );
    let order = json!({ "what": "order", "order": [1, 2, copy, 3, 4] });
    assert_eq!(json_of(owner.shift(order).await).await["count"], 4);
    let served = json_of(owner.get("/api/templates/served?type=lines-and-winders&find=BRAID").await).await;
    let sentence =
        "its type is Lines and winders, and it stands before By the metre that reaches it in the same way";
    assert_eq!((&served["count"], &served["products"][0]["why"]), (&json!(1), &json!(sentence)));
}

#[sqlx::test(migrations = false)]
async fn a_product_and_a_type_keep_their_values_while_the_template_changes(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    edit(&owner, 2, words(Some(json!({ "product": "dunlin" })), "Take the Dunlin")).await;
    edit(&owner, 2, words(Some(json!({ "type": "sport-kites" })), "Take it flying")).await;
    assert!(!shop_page(&owner, "dunlin").await.contains("Take"), "not live yet");
    publish(&owner, 2).await;
    edit(&owner, 2, words(None, "Buy")).await;
    publish(&owner, 2).await;
    for (product, says) in [
        ("dunlin", "Take the Dunlin"),
        ("whimbrel", "Take it flying"),
        ("plover", "Buy"),
        ("curlew", "Take the Curlew out"),
    ] {
        assert!(shop_page(&owner, product).await.contains(says), "{product}");
    }
    let slip = |query: &'static str| {
        let owner = &owner;
        async move {
            let slip = json_of(owner.get(&format!("/api/templates/2/slip/piece/p9?{query}")).await).await;
            slip["fields"].as_array().unwrap().iter().find(|f| f["key"] == "words").unwrap()["wide"].clone()
        }
    };
    let own = slip("product=dunlin&level=product").await;
    assert_eq!((&own["value"], &own["source"]["level"]), (&json!("Take the Dunlin"), &json!("product")));
    assert_eq!(own["from"], "Set here. It hides “Take it flying” of its type.");
    assert_eq!(slip("product=dunlin&level=type").await["value"], "Take it flying");
    assert_eq!(slip("product=dunlin").await["value"], "Buy");

    // The list tells them all; what has lost its piece is told too.
    edit(&owner, 2, json!({ "op": "remove_piece", "piece": "p15" })).await;
    let all = json_of(owner.get("/api/templates/2/departures").await).await;
    let find = |name: &str| all.as_array().unwrap().iter().find(|d| d["name"] == name).unwrap().clone();
    let dunlin = find("Dunlin");
    assert_eq!((&dunlin["piece"], &dunlin["label"]), (&json!("Buy button"), &json!("Words")));
    assert_eq!((&dunlin["says"], &dunlin["template_says"]), (&json!("“Take the Dunlin”"), &json!("“Buy”")));
    assert_eq!((&find("Little Stint")["lost"], &dunlin["lost"]), (&json!(true), &json!(false)));

    let mut bad = words(Some(json!({ "product": "dunlin" })), "x");
    bad["setting"] = json!("volume");
    let body = json!({ "revision": 99, "op": bad });
    assert_eq!(owner.post("/api/templates/2/operations", &body).await.status(), 409);
}

#[sqlx::test(migrations = false)]
async fn what_changes_where_tells_each_page_once_with_what_it_lacks(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    // The plover alone has no options in the demo's single-line kites? Options are moved: pages without them stay.
    edit(&owner, 2, words(None, "Buy")).await;
    edit(&owner, 2, json!({ "op": "remove_piece", "piece": "p6" })).await;
    let text = owner.page("/api/templates/2/impact".to_owned()).await;
    let parts: Vec<Value> = text.lines().map(|line| serde_json::from_str(line).unwrap()).collect();
    let last = parts.last().unwrap();
    assert_eq!((&last["done"], &last["of"]), (&json!(12), &json!(12)));
    let ways: Vec<Value> = parts.iter().flat_map(|p| p["ways"].as_array().unwrap().clone()).collect();
    let pages: Vec<Value> = parts.iter().flat_map(|p| p["pages"].as_array().unwrap().clone()).collect();
    assert_eq!(pages.len(), 12);
    let way = |handle: &str| {
        let page = pages.iter().find(|p| p["handle"] == handle).unwrap();
        ways[usize::try_from(page["way"].as_u64().unwrap()).unwrap()].clone()
    };
    assert_eq!(way("whimbrel")["mend"], json!(["no way to choose a variant"]));
    let says = |handle: &str, what: &str| way(handle)["says"].as_array().unwrap().contains(&json!(what));
    assert!(says("whimbrel", "Options removed"));
    let words_of = |handle: &str| says(handle, "Buy button: Words changed");
    assert!(words_of("plover") && !words_of("curlew"), "the Curlew keeps its own words");

    // A template that changes nothing that can be seen changes no page.
    edit(&owner, 3, json!({ "op": "add_piece", "piece": { "id": "text", "kind": "plans" }, "at": { "column": "c2-2", "index": 0 } })).await;
    let text = owner.page("/api/templates/3/impact".to_owned()).await;
    assert!(!text.contains("\"handle\""), "no line has a plan: {text}");
}

#[sqlx::test(migrations = false)]
async fn publishing_is_taken_back_planned_and_made_for_some(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    edit(&owner, 2, words(None, "Buy it")).await;
    publish(&owner, 2).await;
    assert!(shop_page(&owner, "whimbrel").await.contains("Buy it"));
    let back = json_of(owner.post("/api/drafts/template-2/take-back", &json!({})).await).await;
    assert!(shop_page(&owner, "whimbrel").await.contains("Add to cart"));
    assert_eq!(
        (&back["differs"], &back["publications"][0]["name"]),
        (&json!(true), &json!("Taken back")),
        "the draft stays"
    );

    // For some: they get a template of their own, the others stay.
    let revision = back["revision"].clone();
    let body = json!({ "revision": revision, "name": "Kites, apart", "products": ["dunlin", "godwit"] });
    let id =
        json_of(owner.post("/api/templates/2/publish-for-some", &body).await).await["id"].as_u64().unwrap();
    assert!(shop_page(&owner, "dunlin").await.contains("Buy it"));
    assert!(!shop_page(&owner, "whimbrel").await.contains("Buy it"));
    let none = json!({ "revision": revision, "name": "x", "products": [] });
    assert_eq!(owner.post("/api/templates/2/publish-for-some", &none).await.status(), 422);
    // And come back, by switching that template off.
    let arrangement = owner.arrangement().await;
    let off = json!({ "arrangement": arrangement, "name": "Kites, apart", "reach": { "rule": "named", "also": ["dunlin", "godwit"], "on": false } });
    json_of(owner.put(&format!("/api/templates/{id}"), &off).await).await;
    assert!(!shop_page(&owner, "dunlin").await.contains("Buy it"));

    // Planned: as it is now, whatever is changed later.
    let past = json!({ "revision": revision, "at": "2020-01-01T09:00" });
    assert_eq!(owner.post("/api/drafts/template-2/planned", &past).await.status(), 422);
    let plan = json!({ "revision": revision, "at": "2099-07-01T09:00", "name": "Spring" });
    let planned = json_of(owner.post("/api/drafts/template-2/planned", &plan).await).await["planned"].clone();
    assert_eq!((&planned["name"], &planned["at"]), (&json!("Spring"), &json!("2099-07-01T09:00")));
    edit(&owner, 2, words(None, "Later words")).await;
    sqlx::query("UPDATE planned_publication SET at = UTC_TIMESTAMP()").execute(&site.pool).await.unwrap();
    for _ in 0..100 {
        if shop_page(&owner, "whimbrel").await.contains("Buy it") {
            break;
        }
        tokio::time::sleep(std::time::Duration::from_millis(50)).await;
    }
    assert!(shop_page(&owner, "whimbrel").await.contains("Buy it"));
    let desk = json_of(owner.get("/api/templates/2/desk").await).await;
    assert_eq!((&desk["planned"], desk["draft"]["not_live"].as_array().unwrap().len()), (&Value::Null, 1));
    let history = owner.page("/api/templates/2/history".to_owned()).await;
    assert!(history.contains("Spring") && history.contains("Taken back"));
}

#[sqlx::test(migrations = false)]
async fn a_product_gets_a_page_of_its_own_and_comes_back(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let body = json!({ "name": "Curlew, own page", "from": 2, "product": "curlew" });
    let id = json_of(owner.post("/api/templates", &body).await).await["id"].as_u64().unwrap();
    let again = json_of(owner.post("/api/templates", &body).await).await;
    assert_eq!(again["id"], id, "the page that was begun is gone on with");
    let desk = json_of(owner.get(&format!("/api/templates/{id}/desk")).await).await;
    assert_eq!((&desk["serves"], &desk["products"]["products"][0]["handle"]), (&json!(1), &json!("curlew")));
    assert_eq!(desk["own_of"], json!({ "handle": "curlew", "name": "Curlew", "back_to": 2 }));
    assert!(json_of(owner.get("/api/templates/2/desk").await).await["own_of"].is_null());
    assert!(desk["draft"]["layout"].to_string().contains("Take the Curlew out"), "as it had it");
    assert!(desk["draft"]["layout"]["departures"].is_null());
    edit(&owner, id, json!({ "op": "remove_piece", "piece": "p14" })).await;
    publish(&owner, id).await;
    assert!(!shop_page(&owner, "curlew").await.contains("From people who fly it"));
    assert!(shop_page(&owner, "plover").await.contains("From people who fly it"));
    let back = json!({ "what": "product", "product": "curlew", "to": 2 });
    json_of(owner.shift(back).await).await;
    assert!(shop_page(&owner, "curlew").await.contains("From people who fly it"));
}

#[sqlx::test(migrations = false)]
async fn a_template_file_is_read_and_written_again_the_same(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let file = owner.page("/api/templates/2/file".to_owned()).await;
    let bring = |text: String| {
        let owner = &owner;
        async move { owner.send(Method::POST, "/api/templates/file", text.into_bytes()).await }
    };
    let brought = json_of(bring(file.clone()).await).await;
    let id = brought["id"].as_u64().unwrap();
    assert_eq!(brought["unmatched"], json!({ "types": [], "products": [], "tags": [], "media": [] }));
    assert_eq!(owner.page(format!("/api/templates/{id}/file")).await, file);

    // What this shop doesn't have is told, and kept.
    let other = file.replace("\"curlew\"", "\"heron\"").replace("\"single-line-kites\"", "\"balloons\"");
    let brought = json_of(bring(other.clone()).await).await;
    assert_eq!(brought["unmatched"]["types"], json!(["balloons"]));
    assert_eq!(brought["unmatched"]["products"], json!(["heron"]));
    let fallback = owner.page("/api/templates/1/file".to_owned()).await;
    assert_eq!(json_of(bring(fallback).await).await["other_fallback"], true);

    let count =
        || async { json_of(owner.get("/api/templates").await).await["templates"].as_array().unwrap().len() };
    let before = count().await;
    for (bad, place) in [
        (file.replace("\"version\": 1", "\"version\": 7"), "version 7"),
        (file.replace("compagina-template", "something-else"), "no template file"),
        (
            file.replace("\"kind\": \"gallery\"", "\"kind\": \"carousel\""),
            "layout.bands[1].columns[0].pieces[0].kind",
        ),
        (file[..file.len() / 2].to_owned(), "no JSON"),
        ("[]".to_owned(), "no JSON"),
        (file.replace("\"width\": 7", "\"width\": 8"), "layout"),
        (file.replacen("\"p2\"", "\"p3\"", 1), "is taken"),
    ] {
        let answer = bring(bad).await;
        let (status, text) = (answer.status(), answer.text().await.unwrap());
        assert!(status == 422 && text.contains(place), "{place}: {status} {text}");
    }
    let large = owner.try_send(Method::POST, "/api/templates/file", vec![b' '; 50_000_000].into()).await;
    assert!(large.is_err() || large.unwrap().status() == 413);
    assert_eq!(count().await, before, "nothing was changed");
}

#[sqlx::test(migrations = false)]
async fn a_linked_band_changes_everywhere_and_a_copy_does_not(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let revision = |template: u64| {
        let owner = &owner;
        async move {
            json_of(owner.get(&format!("/api/templates/{template}/desk")).await).await["draft"]["revision"]
                .clone()
        }
    };
    let bands = json_of(owner.get("/api/kept-bands").await).await;
    assert_eq!(bands[0]["used"], json!(["By the metre", "Workshops"]));
    let op = |body: &str| json!({ "op": "set", "target": { "piece": "kept1-0-0" }, "setting": "body", "device": "wide", "value": body });
    edit(&owner, 3, op("<p>By hand</p>")).await;
    let other = json_of(owner.get("/api/templates/4/desk").await).await;
    assert!(other["draft"]["layout"].to_string().contains("By hand"), "in the other draft at once");
    let impact = owner.page("/api/templates/3/impact".to_owned()).await;
    assert!(impact.contains("braided-line") && impact.contains("sew-your-first-kite"), "{impact}");
    assert!(!shop_page(&owner, "sew-your-first-kite").await.contains("By hand"));
    publish(&owner, 3).await;
    let workshop = shop_page(&owner, "sew-your-first-kite").await;
    assert!(workshop.contains("By hand"));
    assert!(!workshop.contains("Moved free of charge"), "the rest of that draft isn't live");
    // Undone in the other one, it is undone here too.
    let body = json!({ "revision": revision(4).await });
    json_of(owner.post("/api/templates/4/undo", &body).await).await;
    let here = json_of(owner.get("/api/templates/3/desk").await).await;
    assert!(here["draft"]["layout"].to_string().contains("hot blade"));

    // Kept, put elsewhere linked and as a copy, unlinked, forgotten.
    let body = json!({ "revision": revision(2).await, "band": "b3", "name": "The details" });
    let kept = json_of(owner.post("/api/templates/2/kept-bands", &body).await).await;
    assert_eq!(kept["layout"]["bands"][2]["kept"], 2);
    for copy in [Value::Null, json!("b-mine")] {
        let body = json!({ "revision": revision(1).await, "index": 1, "copy": copy });
        json_of(owner.post("/api/templates/1/kept-bands/2", &body).await).await;
    }
    let twice = json!({ "revision": revision(1).await, "index": 1 });
    assert_eq!(owner.post("/api/templates/1/kept-bands/2", &twice).await.status(), 422, "once on a page");
    edit(&owner, 2, json!({ "op": "remove_piece", "piece": "kept2-0-0" })).await;
    let pieces = |layout: &Value, band: &str| {
        let band = layout["bands"].as_array().unwrap().iter().find(|b| b["id"] == band).unwrap().clone();
        band["columns"][0]["pieces"].as_array().unwrap().len()
    };
    let one = json_of(owner.get("/api/templates/1/desk").await).await["draft"]["layout"].clone();
    assert_eq!((pieces(&one, "kept2"), pieces(&one, "b-mine")), (0, 1));
    assert_eq!(owner.delete("/api/kept-bands/2").await.status(), 422);
    for template in [1, 2] {
        let body = json!({ "revision": revision(template).await, "band": "kept2", "prefix": "b-own" });
        json_of(owner.post(&format!("/api/templates/{template}/unlink-band"), &body).await).await;
    }
    assert_eq!(json_of(owner.delete("/api/kept-bands/2").await).await.as_array().unwrap().len(), 1);
    let nameless = json!({ "revision": revision(2).await, "band": "b1", "name": " " });
    assert_eq!(owner.post("/api/templates/2/kept-bands", &nameless).await.status(), 422);
    let file = owner.page("/api/templates/3/file".to_owned()).await;
    assert!(!file.contains("\"kept\"") && file.contains("hot blade"));
}

#[sqlx::test(migrations = false)]
async fn a_template_goes_its_products_go_on_to_the_next_and_all_of_it_comes_back(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    edit(&owner, 2, words(None, "Buy it")).await;
    publish(&owner, 2).await;
    let before = json_of(owner.get("/api/templates").await).await;
    let serves = |view: &Value, id: u64| {
        let all = view["templates"].as_array().unwrap();
        all.iter().find(|one| one["id"] == id).map(|one| one["products"].as_u64().unwrap())
    };
    assert_eq!(serves(&before, 2), Some(12));

    // Told first, and nothing is done.
    let away = |dry: bool| json!({ "arrangement": before["arrangement"], "what": "away", "template": 2, "dry": dry });
    let told = json_of(owner.post("/api/templates/shift", &away(true)).await).await;
    assert_eq!((&told["count"], &told["moves"][0]["from"]), (&json!(12), &json!(2)));
    assert!(shop_page(&owner, "whimbrel").await.contains("Buy it"));

    let plan = json!({ "revision": 2, "at": "2099-07-01T09:00" });
    json_of(owner.post("/api/drafts/template-2/planned", &plan).await).await;
    let gone = json_of(owner.post("/api/templates/shift", &away(false)).await).await["templates"].clone();
    assert_eq!((serves(&gone, 2), &gone["away"][0]["id"]), (None, &json!(2)));
    let page = owner.get("/shop/products/whimbrel").await;
    assert_eq!(page.status(), 200, "the next one serves it");
    assert!(!page.text().await.unwrap().contains("Buy it"));
    for path in ["/api/templates/2/desk", "/api/templates/2/history", "/api/drafts/template-2"] {
        assert_eq!(owner.get(path).await.status(), 404, "{path}");
    }
    let planned: i64 =
        sqlx::query_scalar("SELECT COUNT(*) FROM planned_publication").fetch_one(&site.pool).await.unwrap();
    assert_eq!(planned, 0);
    assert_eq!(owner.post("/api/templates/shift", &away(false)).await.status(), 404, "it is gone already");

    // The one that serves all the rest stays; who looked before somebody else arranged is told so.
    let all = gone["templates"].as_array().unwrap();
    let fallback = all.iter().find(|one| one["reach"]["rule"] == "fallback").unwrap()["id"].clone();
    let stays = json!({ "arrangement": gone["arrangement"], "what": "away", "template": fallback });
    assert_eq!(owner.post("/api/templates/shift", &stays).await.status(), 422);
    let back = |arrangement: &Value| json!({ "arrangement": arrangement, "what": "back", "template": 2 });
    assert_eq!(owner.post("/api/templates/shift", &back(&before["arrangement"])).await.status(), 409);
    let view =
        json_of(owner.post("/api/templates/shift", &back(&gone["arrangement"])).await).await["templates"]
            .clone();
    assert_eq!((serves(&view, 2), &view["away"]), (Some(12), &json!([])));
    assert!(shop_page(&owner, "whimbrel").await.contains("Buy it"));
    let order = |view: &Value| {
        view["templates"].as_array().unwrap().iter().map(|one| one["id"].clone()).collect::<Vec<_>>()
    };
    assert_eq!(order(&view), order(&before), "in its place");
}

//! What the desk asks of the server for whole pages: starters, history, situations, company, media, previews, templates.

use compagina_tests::{Owner, Site};
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn json_of(answer: reqwest::Response) -> Value {
    let status = answer.status();
    let text = answer.text().await.unwrap();
    serde_json::from_str(&text).unwrap_or_else(|error| panic!("{status}: {error}: {text}"))
}

async fn edit(owner: &Owner, template: u64, op: Value) -> Value {
    let desk = json_of(owner.get(&format!("/api/templates/{template}/desk")).await).await;
    let body = json!({ "revision": desk["draft"]["revision"], "op": op });
    json_of(owner.post(&format!("/api/templates/{template}/operations"), &body).await).await
}

fn kinds(layout: &Value) -> Vec<&str> {
    let bands = layout["bands"].as_array().unwrap().iter();
    let columns = bands.flat_map(|b| b["columns"].as_array().unwrap());
    columns.flat_map(|c| c["pieces"].as_array().unwrap()).map(|p| p["kind"].as_str().unwrap()).collect()
}

#[sqlx::test(migrations = false)]
async fn a_new_template_is_empty_serves_nothing_and_isnt_live_until_it_is_published(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let id = owner.empty_template("  Autumn  ").await;
    let desk = json_of(owner.get(&format!("/api/templates/{id}/desk")).await).await;
    assert_eq!(
        (&desk["name"], &desk["draft"]["live"], &desk["serves"]),
        (&json!("Autumn"), &json!(false), &json!(0))
    );
    assert_eq!(
        desk["products"]["products"].as_array().unwrap().len(),
        28,
        "there is always something to look at"
    );
    assert!(desk["starters"].as_array().unwrap().len() >= 6);
    assert!(desk["tags"].as_array().unwrap().contains(&json!("beginners")));
    for (name, status) in [("", 422), ("   ", 422), (&"x".repeat(121), 422)] {
        assert_eq!(owner.post("/api/templates", &json!({ "name": name })).await.status(), status);
    }
    let published = owner
        .post(&format!("/api/drafts/template-{id}/publish"), &json!({ "revision": 1, "name": "First" }))
        .await;
    assert_eq!(json_of(published).await["publications"][0]["name"], "First");
    let long = json!({ "revision": 1, "name": "x".repeat(121) });
    assert_eq!(owner.post(&format!("/api/drafts/template-{id}/publish"), &long).await.status(), 422);
}

#[sqlx::test(migrations = false)]
async fn a_starter_fills_an_empty_page_and_keeps_the_pieces_of_a_full_one(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let id = owner.empty_template("Autumn").await;
    let begin = |template: u64, revision: u64, key: &str| {
        let body = json!({ "revision": revision, "starter": key });
        let owner = &owner;
        async move { owner.post(&format!("/api/templates/{template}/starter"), &body).await }
    };
    let begun = json_of(begin(id, 1, "centred").await).await;
    assert_eq!(begun["left_over"], json!([]));
    assert_eq!(begun["draft"]["prompting"].as_array().unwrap().len(), 2);
    assert!(kinds(&begun["draft"]["layout"]).contains(&"buy_button"));
    assert_eq!(begin(id, 1, "centred").await.status(), 409, "laying anew is made on what one sees");
    assert_eq!(begin(id, 2, "spiral").await.status(), 404);

    edit(&owner, 2, json!({ "op": "add_piece", "piece": { "id": "line", "kind": "rule", "values": {} }, "at": { "column": "c2-2", "index": 0 } })).await;
    let before = owner.draft().await;
    let begun = json_of(begin(2, before["revision"].as_u64().unwrap(), "three-columns").await).await;
    assert_eq!(begun["left_over"], json!(["line"]));
    let sorted = |layout: &Value| {
        let mut kinds: Vec<String> = kinds(layout).into_iter().map(str::to_owned).collect();
        kinds.sort();
        kinds
    };
    assert_eq!(sorted(&begun["draft"]["layout"]), sorted(&before["layout"]));
    let back = json_of(
        owner.post("/api/templates/2/undo", &json!({ "revision": begun["draft"]["revision"] })).await,
    )
    .await;
    assert_eq!(back["layout"], before["layout"]);
}

#[sqlx::test(migrations = false)]
async fn an_answer_brings_the_page_along_where_it_is_asked_for(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": "Fly it" });
    let body = json!({ "revision": 1, "op": op, "look": { "product": "whimbrel", "stock": "few", "language": "en" } });
    let answer = json_of(owner.post("/api/templates/2/operations", &body).await).await;
    let proof = answer["proof"]["html"].as_str().unwrap();
    assert!(
        proof.contains(">Fly it<") && proof.contains("Only 2 left") && proof.contains("data-piece=\"p9\"")
    );

    // Who has a page is told what differs from it.
    let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": "Take it" });
    let look =
        json!({ "product": "whimbrel", "stock": "few", "language": "en", "has": answer["proof"]["name"] });
    let body = json!({ "revision": 2, "op": op, "look": look });
    let next = json_of(owner.post("/api/templates/2/operations", &body).await).await;
    assert_eq!(next["proof"]["html"], Value::Null);
    let cuts = next["proof"]["cuts"].as_array().unwrap();
    let units: Vec<u16> = proof.encode_utf16().collect();
    let (mut made, mut at) = (Vec::new(), 0);
    for cut in cuts {
        let place = |name: &str| usize::try_from(cut[name].as_u64().unwrap()).unwrap();
        made.extend_from_slice(&units[at..place("from")]);
        made.extend(cut["text"].as_str().unwrap().encode_utf16());
        at = place("to");
    }
    made.extend_from_slice(&units[at..]);
    let whole = owner.page("/api/templates/2/proof?product=whimbrel&stock=few".into()).await;
    assert_eq!(String::from_utf16(&made).unwrap(), whole);
    let told = serde_json::to_string(cuts).unwrap();
    assert!(told.len() * 20 < whole.len(), "{told}");

    let undone = json!({ "revision": 3, "look": { "product": "gone" } });
    let answer = owner.post("/api/templates/2/undo", &undone).await;
    assert_eq!(answer.status(), 200, "the step is kept though the page can't be drawn");
    assert!(json_of(answer).await.get("proof").is_none());
}

#[sqlx::test(migrations = false)]
async fn a_proof_is_shown_in_every_situation_and_moment(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let proof = |query: &str| owner.page(format!("/api/templates/2/proof?product=whimbrel&{query}"));
    assert!(proof("sale=off").await.contains("data-shows=\"old\" hidden"));
    assert!(proof("coming_soon=true").await.contains(">Coming soon<"));
    assert!(proof("language=de").await.contains(">In den Warenkorb<"));
    assert!(proof("only=p9").await.matches("data-piece=").count() == 1);
    assert!(proof("starter=words-first").await.contains("id=\"b-s2\""));
    assert!(proof("moment=now").await.contains("id=\"p-p9\""));
    for (query, status) in [
        ("day=soon", 422),
        ("only=../x", 404),
        ("only=p9&moment=edit-999", 404),
        ("moment=yesterday", 404),
        ("starter=spiral", 404),
        ("stock=lots", 400),
    ] {
        let path = format!("/api/templates/2/proof?product=whimbrel&{query}");
        assert_eq!(owner.get(&path).await.status(), status, "{query}");
    }
}

#[sqlx::test(migrations = false)]
async fn conditions_are_judged_for_the_desk_and_kept_from_ready_pages_where_they_ask_for_the_cart(
    pool: MySqlPool,
) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let only = |rule: Value| json!({ "op": "set", "target": { "piece": "p10" }, "setting": "appears", "device": "wide", "value": rule });
    let draft = edit(&owner, 2, only(json!({ "is": "cart_holds_this" }))).await;
    let situation =
        |cart: &str| owner.page(format!("/api/templates/2/situation?product=whimbrel&cart={cart}"));
    let verdict: Value = serde_json::from_str(&situation("empty").await).unwrap();
    assert_eq!(
        verdict["verdicts"],
        json!([{ "target": { "piece": "p10" }, "holds": false, "why": "this product isn't in the cart" }])
    );
    assert!(situation("this").await.contains("\"holds\":true"));
    owner.post("/api/drafts/template-2/publish", &json!({ "revision": draft["revision"] })).await;

    // In the shop: with the product in the cart, for this shopper only.
    let (with, without) = (site.shopper(), site.shopper());
    let page = |shopper: reqwest::Client| {
        let at = site.at("/shop/products/whimbrel");
        async move { shopper.get(at).send().await.unwrap().text().await.unwrap() }
    };
    assert!(!page(with.clone()).await.contains("k-promises"));
    let form = [("product", "whimbrel"), ("colour", "ember"), ("sail", "1-6-m"), ("quantity", "1")];
    let put = with.post(site.at("/shop/cart")).header("origin", &site.base).form(&form).send().await.unwrap();
    assert_eq!(put.status(), 303);
    assert!(page(with).await.contains("k-promises"));
    assert!(!page(without).await.contains("k-promises"));

    for bad in [
        json!({ "is": "moon" }),
        json!({ "is": "tagged", "tag": "" }),
        json!({ "is": "between", "from": "2026-12-02", "to": "2026-12-01" }),
    ] {
        let body = json!({ "revision": owner.draft().await["revision"], "op": only(bad.clone()) });
        let status = owner.post("/api/templates/2/operations", &body).await.status();
        assert!(status == 400 || status == 422, "{bad}: {status}");
    }
}

#[sqlx::test(migrations = false)]
async fn situations_and_previews_are_checked(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let look = json!({ "stock": "few", "sale": "on", "coming_soon": false, "cart": "empty", "quantity": 1 });
    let kept =
        json_of(owner.post("/api/situations", &json!({ "name": "Nearly gone", "look": look })).await).await;
    assert_eq!(kept[0]["look"]["stock"], "few");
    assert_eq!(owner.post("/api/situations", &json!({ "name": " ", "look": look })).await.status(), 422);
    assert_eq!(
        owner.post("/api/situations", &json!({ "name": "x", "look": { "stock": "lots" } })).await.status(),
        400
    );
    let gone = json_of(owner.delete(&format!("/api/situations/{}", kept[0]["id"])).await).await;
    assert_eq!(gone, json!([]));

    let wish = |hours: i64, product: &str| json!({ "hours": hours, "product": product });
    for (wish, status) in [(wish(0, "whimbrel"), 422), (wish(745, "whimbrel"), 422), (wish(1, "gone"), 404)] {
        assert_eq!(owner.post("/api/templates/2/preview", &wish).await.status(), status);
    }
    let link = json_of(owner.post("/api/templates/2/preview", &wish(1, "whimbrel")).await).await;
    let path = link["path"].as_str().unwrap().to_owned();
    let stranger = site.shopper();
    assert_eq!(stranger.get(site.at(&path)).send().await.unwrap().status(), 200);
    let other = path.replace("whimbrel", "dunlin");
    assert_eq!(
        stranger.get(site.at(&other)).send().await.unwrap().status(),
        200,
        "other products of the shop too"
    );
    // A card is seen in its listing.
    let card = format!("/api/templates/{}/preview", owner.card("buying").await);
    let of_card = json_of(owner.post(&card, &wish(1, "whimbrel")).await).await;
    let seen =
        stranger.get(site.at(of_card["path"].as_str().unwrap())).send().await.unwrap().text().await.unwrap();
    assert!(seen.contains("data-buy") && seen.contains("id=\"card-dunlin\"") && seen.contains("Preview"));
    assert!(
        !owner.page("/shop/types/sport-kites".into()).await.contains("data-buy"),
        "shoppers don't see it yet"
    );
    assert_eq!(json_of(owner.delete("/api/templates/2/preview").await).await["links"], 1);
    assert_eq!(stranger.get(site.at(&path)).send().await.unwrap().status(), 404);
}

#[sqlx::test(migrations = false)]
async fn films_and_pictures_of_the_shop_are_listed_and_sent_as_what_they_are(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let media = json_of(owner.get("/api/media").await).await;
    let films: Vec<_> = media.as_array().unwrap().iter().filter(|m| m["film"] == true).collect();
    assert_eq!(films.len(), 1);
    assert!(media.as_array().unwrap().iter().all(|m| !m["alt"].as_str().unwrap().is_empty()));
    let op = json!({ "op": "add_piece", "piece": { "id": "film", "kind": "film", "values": { "wide": { "film": films[0]["name"] } } }, "at": { "column": "c3-1", "index": 0 } });
    edit(&owner, 2, op).await;
    let proof = owner.page("/api/templates/2/proof?product=whimbrel".into()).await;
    let src = proof.split("<video src=\"").nth(1).unwrap().split('"').next().unwrap();
    let film = site.shopper().get(site.at(src)).send().await.unwrap();
    assert_eq!(film.headers()["content-type"], "video/mp4");
    let picture = media[0]["small"].as_str().unwrap();
    let picture = site.shopper().get(site.at(picture)).send().await.unwrap();
    assert_eq!(picture.headers()["content-type"], "image/webp");
}

#[sqlx::test(migrations = false)]
async fn the_slip_leaves_out_what_means_nothing_and_the_desk_knows_what_pictures_weigh(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let keys = || async {
        let slip = json_of(owner.get("/api/templates/2/slip/piece/p2").await).await;
        let fields = slip["fields"].as_array().unwrap().clone();
        fields
            .into_iter()
            .map(|f| (f["key"].as_str().unwrap().to_owned(), f["part"].clone()))
            .collect::<Vec<_>>()
    };
    let has = |keys: &[(String, Value)], wanted: &str| keys.iter().any(|(key, _)| key == wanted);
    let plain = keys().await;
    assert!(has(&plain, "zoom") && !has(&plain, "lens_size") && !has(&plain, "height"));
    assert!(plain.contains(&("arrows_at".to_owned(), json!("Arrows"))));
    let set = |device: &str, setting: &str, value: &str| json!({ "op": "set", "target": { "piece": "p2" }, "setting": setting, "device": device, "value": value });
    // On any screen: the slip shows it as soon as it can mean something on one.
    edit(&owner, 2, set("phone", "zoom", "lens")).await;
    assert!(has(&keys().await, "lens_size"));
    edit(&owner, 2, set("wide", "arrows", "never")).await;
    assert!(!has(&keys().await, "arrows_at"));

    let weight = || async {
        let look = owner.get("/api/templates/2/situation?product=whimbrel").await;
        json_of(look).await["weight"].clone()
    };
    let before = weight().await;
    let first = |weight: &Value, device: &str| weight[device]["first"].as_u64().unwrap();
    assert!(
        first(&before, "wide") > 1000 && first(&before, "wide") < before["wide"]["all"].as_u64().unwrap()
    );
    edit(&owner, 2, set("wide", "thumbnails", "none")).await;
    assert!(first(&weight().await, "wide") < first(&before, "wide"));
    // The demo's drawings are 1600 pixels wide: enough for a frame of 589, not for a whole page's width from near.
    assert_eq!(before["too_small"], json!([]));
    let none = owner.get("/api/templates/2/situation?product=knot").await;
    assert_eq!(json_of(none).await["weight"]["wide"], json!({ "first": 0, "all": 0 }));
}

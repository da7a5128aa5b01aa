//! Pictures put in, described, ordered, taken out; and those that are refused.

use compagina_core::media::address;
use compagina_tests::pictures::{claims_to_be, cut_out, photograph};
use compagina_tests::{Owner, Site};
use futures_util::future::join_all;
use reqwest::header::HeaderValue;
use reqwest::{Method, Response};
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::time::Duration;

const AT: &str = "/api/pictures?product=whimbrel-mini";
const ORDER: &str = "/api/pictures/order?product=whimbrel-mini";

async fn put_in(owner: &Owner, name: &str, bytes: Vec<u8>) -> Response {
    owner.send(Method::POST, &format!("{AT}&name={name}"), bytes).await
}

async fn view(owner: &Owner) -> Value {
    owner.get(AT).await.json().await.unwrap()
}

/// The pictures once none is being made any more.
async fn made(owner: &Owner) -> Vec<Value> {
    for _ in 0..600 {
        let pictures = view(owner).await["pictures"].as_array().unwrap().clone();
        if pictures.iter().all(|p| p["waiting"] == false) {
            return pictures;
        }
        tokio::time::sleep(Duration::from_millis(100)).await;
    }
    panic!("pictures are still being made");
}

async fn refusal(answer: Response, status: u16) -> String {
    assert_eq!(answer.status(), status);
    let error: Value = answer.json().await.unwrap();
    error["message"].as_str().unwrap().to_owned()
}

#[sqlx::test(migrations = false)]
async fn a_picture_is_made_in_its_sizes_and_shown_on_the_page(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = made(&owner).await.len();
    let landed = put_in(&owner, "mini%20Ember%20in%20the%20rain.jpg", photograph(1500, 1000, 1)).await;
    assert_eq!(landed.status(), 200);
    assert_eq!(put_in(&owner, "by-itself.png", cut_out(400)).await.status(), 200);
    let pictures = made(&owner).await;
    assert_eq!(pictures.len(), before + 2);
    let [rain, alone] = &pictures[before..] else { panic!() };
    assert_eq!(
        (&rain["width"], &rain["height"], &rain["cut_out"]),
        (&json!(1500), &json!(1000), &json!(false))
    );
    assert_eq!((&alone["width"], &alone["cut_out"]), (&json!(400), &json!(true)));

    // Its name speaks of Ember; taken or not is the owner's choice.
    let ember = view(&owner).await["options"][0]["values"][1].clone();
    assert_eq!((&ember["name"], &rain["proposed"]), (&json!("Ember"), &json!([ember["id"]])));
    assert_eq!(rain["values"], json!([]));
    let body = json!({ "ids": [rain["id"]], "alt": "In the rain ", "values": rain["proposed"], "focus": { "x": 100, "y": 900 } });
    let changed: Value = owner.patch(AT, &body).await.json().await.unwrap();
    let rain = &changed["pictures"][before];
    assert_eq!((&rain["alt"], &rain["values"]), (&json!("In the rain"), &json!([ember["id"]])));
    assert_eq!(rain["proposed"], json!([]), "nothing is proposed to a picture that has its values");

    let page = owner.page("/shop/products/whimbrel-mini?colour=ember&sail=1-2-m".into()).await;
    assert!(page.contains("alt=\"In the rain\"") && page.contains("1500w"));
    assert!(page.contains("--at-wide:0.0% 50.0%"), "it is cropped around its point");
    let original = address(&compagina_pictures::hash(&photograph(1500, 1000, 1)));
    assert_eq!(owner.get(&original).await.status(), 404, "files as they came aren't handed out");
    let small = rain["small"].as_str().unwrap();
    let bytes = owner.get(small).await.bytes().await.unwrap();
    assert!(bytes.starts_with(b"RIFF"));
    let whole = format!("/media/{}", compagina_pictures::hash(&bytes));
    let led = owner.get(&whole).await;
    assert_eq!(
        (led.status().as_u16(), &led.headers()["location"]),
        (301, &HeaderValue::from_str(small).unwrap())
    );
}

#[sqlx::test(migrations = false)]
async fn pictures_are_ordered_replaced_and_taken_out(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let ids: Vec<u64> = made(&owner).await.iter().map(|p| p["id"].as_u64().unwrap()).collect();
    let mut turned = ids.clone();
    turned.reverse();
    let ordered: Value = owner.put(ORDER, &json!({ "ids": turned })).await.json().await.unwrap();
    let now: Vec<u64> =
        ordered["pictures"].as_array().unwrap().iter().map(|p| p["id"].as_u64().unwrap()).collect();
    assert_eq!(now, turned);

    // Another file in its place: words and values stay, and until its sizes are made the old ones are shown.
    let first = &ordered["pictures"][0];
    let address = format!("{AT}&name=new.jpg&replaces={}", first["id"]);
    assert_eq!(owner.send(Method::POST, &address, photograph(640, 480, 3)).await.status(), 200);
    let pictures = made(&owner).await;
    assert_eq!((&pictures[0]["alt"], &pictures[0]["values"]), (&first["alt"], &first["values"]));
    assert_eq!((&pictures[0]["file_name"], &pictures[0]["width"]), (&json!("new.jpg"), &json!(640)));

    let gone = json!({ "ids": ids[..3] });
    let left: Value =
        owner.send(Method::DELETE, AT, serde_json::to_vec(&gone).unwrap()).await.json().await.unwrap();
    assert_eq!(left["pictures"].as_array().unwrap().len(), ids.len() - 3);
    // What isn't there any more, or another product's, can't be changed; then nothing is.
    let mixed = json!({ "ids": [ids[5], ids[0]], "alt": "x" });
    assert_eq!(owner.patch(AT, &mixed).await.status(), 404);
    assert!(made(&owner).await.iter().all(|p| p["alt"] != "x"));
    for bad in [
        json!({ "ids": [ids[5]], "alt": "x".repeat(301) }),
        json!({ "ids": [ids[5]], "values": [999_999] }),
        json!({ "ids": [ids[5]], "focus": { "x": 1001, "y": 0 } }),
    ] {
        assert_eq!(owner.patch(AT, &bad).await.status(), 400, "{bad}");
    }
}

#[sqlx::test(migrations = false)]
async fn what_is_no_sound_picture_is_refused_with_a_sentence_and_leaves_nothing(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = made(&owner).await.len();
    let photo = photograph(900, 600, 7);
    let script =
        br#"<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><script>alert(1)</script></svg>"#;
    for (name, bytes, says) in [
        ("diary.png", b"Dear diary".to_vec(), "no picture that we can read"),
        ("photo.png", photo.clone(), "named as a PNG but is a JPEG"),
        ("bomb.png", claims_to_be(30_000, 30_000), "30000 x 30000 pixels"),
        ("drawing.svg", script.to_vec(), "a script"),
        ("half.jpg", photo[..photo.len() / 2].to_vec(), "damaged"),
        ("nothing.jpg", vec![], "empty"),
    ] {
        let message = refusal(put_in(&owner, name, bytes.clone()).await, 422).await;
        assert!(message.contains(says) && message.contains(name), "{message}");
        assert!(message.ends_with('.'), "{message}");
        let kept = address(&compagina_pictures::hash(&bytes));
        assert_eq!(owner.get(&kept).await.status(), 404, "{name} was kept");
    }
    let message = refusal(put_in(&owner, "huge.jpg", vec![0; 41_000_000]).await, 413).await;
    assert!(message.contains("40 MB"), "{message}");
    assert_eq!(made(&owner).await.len(), before);
    let stranger =
        site.shopper().post(site.at(&format!("{AT}&name=a.jpg"))).body(photo).send().await.unwrap();
    assert_eq!(stranger.status(), 401);
}

/// A connection that is cut in the middle of a file.
#[sqlx::test(migrations = false)]
async fn half_an_upload_leaves_nothing(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = made(&owner).await.len();
    let photo = photograph(900, 600, 8);
    let (first, _) = photo.split_at(photo.len() / 2);
    let parts = vec![Ok(first.to_vec()), Err(std::io::Error::other("the line was cut"))];
    let body = reqwest::Body::wrap_stream(futures_util::stream::iter(parts));
    assert!(owner.try_send(Method::POST, &format!("{AT}&name=half.jpg"), body).await.is_err());
    assert_eq!(made(&owner).await.len(), before);
}

#[sqlx::test(migrations = false)]
async fn a_film_gets_its_beginning_as_poster(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let poster: Value = put_in(&owner, "turn.jpg", photograph(640, 480, 9)).await.json().await.unwrap();
    let film =
        std::fs::read(concat!(env!("CARGO_MANIFEST_DIR"), "/../crates/demo/film/turning-kite.mp4")).unwrap();
    let at = |size: &str| {
        format!("/api/pictures/{}/film?product=whimbrel-mini&name=turn.mp4&{size}", poster["id"])
    };
    let not = owner.send(Method::PUT, &at("width=640&height=480"), b"no film".to_vec()).await;
    assert!(refusal(not, 422).await.contains("no MP4 or WebM film"));
    assert_eq!(owner.send(Method::PUT, &at("width=0&height=480"), film.clone()).await.status(), 422);
    let kept = owner.send(Method::PUT, &at("width=640&height=480"), film).await;
    assert_eq!(kept.status(), 200);
    let pictures = made(&owner).await;
    assert_eq!(pictures.last().unwrap()["film"]["width"], 640);
    let page = owner.page("/shop/products/whimbrel-mini".into()).await;
    assert!(page.contains("<video") && page.contains("playsinline"));
}

#[sqlx::test(migrations = false)]
async fn many_at_once_all_land(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = made(&owner).await.len();
    let photo = photograph(700, 500, 11);
    let all =
        (0..30).map(|n| put_in(&owner, if n % 10 == 9 { "bad.png" } else { "good.jpg" }, photo.clone()));
    let statuses: Vec<u16> = join_all(all).await.iter().map(|a| a.status().as_u16()).collect();
    assert_eq!(statuses.iter().filter(|s| **s == 200).count(), 27);
    assert_eq!(statuses.iter().filter(|s| **s == 422).count(), 3);
    let pictures = made(&owner).await;
    assert_eq!(pictures.len(), before + 27);
    assert!(pictures.iter().all(|p| p["width"].as_u64().unwrap() > 0 && p["trouble"] == ""));
}

#[sqlx::test(migrations = false)]
async fn the_shops_own_pictures_are_put_in_named_and_shown_by_a_piece(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let at = "/api/pictures?name=the%20loft.jpg";
    let landed: Value = owner.send(Method::POST, at, photograph(1200, 800, 5)).await.json().await.unwrap();
    let mut own: Value = owner.get("/api/pictures").await.json().await.unwrap();
    assert_eq!((&own["name"], &own["options"]), (&Value::Null, &json!([])));
    while own["pictures"].as_array().unwrap().last().unwrap()["waiting"] == true {
        tokio::time::sleep(Duration::from_millis(100)).await;
        own = owner.get("/api/pictures").await.json().await.unwrap();
    }
    let listed: Value = owner.get("/api/media").await.json().await.unwrap();
    let loft = listed.as_array().unwrap().last().unwrap().clone();
    assert_eq!(loft["alt"], "the loft.jpg", "its file's name, while nobody has said what it shows");
    let ids = json!([landed["id"]]);
    let bad = owner.patch("/api/pictures", &json!({ "ids": ids, "values": [1] })).await;
    assert_eq!(bad.status(), 400, "the shop has no choices");
    owner.patch("/api/pictures", &json!({ "ids": ids, "alt": "Our loft" })).await;
    let stranger = owner.patch(AT, &json!({ "ids": ids, "alt": "x" })).await;
    assert_eq!(stranger.status(), 404, "it is no picture of a product");

    let values = json!({ "wide": { "picture": [loft["name"]] } });
    let op = json!({ "op": "add_piece", "piece": { "id": "loft", "kind": "picture", "values": values },
        "at": { "column": "c3-1", "index": 0 } });
    let edit = json!({ "revision": 1, "op": op });
    assert_eq!(owner.post("/api/templates/2/operations", &edit).await.status(), 200);
    let proof = owner.page("/api/templates/2/proof?product=whimbrel".into()).await;
    assert!(proof.contains("alt=\"Our loft\"") && proof.contains("1200w"));
}

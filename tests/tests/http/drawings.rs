//! Drawings that strangers send: drawn apart, within limits, from what they hold themselves.

use compagina_tests::{Owner, Site, json_of, refusal};
use reqwest::{Method, Response};
use sqlx::MySqlPool;

const NAMES: &str = r#"xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink""#;

fn svg(width: u32, height: u32, inner: &str) -> Vec<u8> {
    format!(r#"<svg {NAMES} width="{width}" height="{height}">{inner}</svg>"#).into_bytes()
}

/// Each is wrong in its own way: shape, another file, a file that never ends, memory, time.
fn bad_drawings(folder: &std::path::Path) -> Vec<(&'static str, &'static str, Vec<u8>)> {
    let other = folder.join("other.svg");
    std::fs::write(&other, svg(10, 10, r#"<rect width="10" height="10" fill="red"/>"#)).unwrap();
    let endless = folder.join("endless.svg");
    assert!(std::process::Command::new("mkfifo").arg(&endless).status().unwrap().success());
    let image = |file: &std::path::Path| {
        svg(100, 100, &format!(r#"<image href="{}" width="100" height="100"/>"#, file.display()))
    };
    let filtered = |filter: &str, times: usize| {
        let rects = r##"<rect width="900" height="900" filter="url(#f)"/>"##.repeat(times);
        svg(1000, 1000, &format!(r#"<filter id="f" {filter}</filter>{rects}"#))
    };
    vec![
        ("tall.svg", "25600000 pixels", svg(1, 16_000, r#"<rect width="1" height="16000"/>"#)),
        ("borrows.svg", "a link to somewhere else", image(&other)),
        ("waits.svg", "a link to somewhere else", image(&endless)),
        (
            "blurs.svg",
            "too long or too much memory",
            filtered(r#"><feGaussianBlur stdDeviation="5000"/>"#, 20),
        ),
        (
            "swirls.svg",
            "too long or too much memory",
            filtered(
                r#"x="-10" y="-10" width="20" height="20"><feTurbulence numOctaves="2000000" baseFrequency="0.01"/>"#,
                1,
            ),
        ),
    ]
}

async fn as_picture(owner: &Owner, name: &str, bytes: &[u8]) -> Response {
    owner.send(Method::POST, &format!("/api/pictures?product=whimbrel&name={name}"), bytes.to_vec()).await
}

async fn as_swatch(owner: &Owner, name: &str, bytes: &[u8]) -> Response {
    owner.send(Method::POST, &format!("/api/options/colour/files?name={name}"), bytes.to_vec()).await
}

#[sqlx::test(migrations = false)]
async fn hostile_drawings_at_once_are_refused_with_the_reason_and_the_shop_goes_on(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let folder = tempfile::tempdir().unwrap();
    let bad = bad_drawings(folder.path());
    let pictures_before = json_of(owner.get("/api/pictures?product=whimbrel").await).await;
    let swatches =
        futures_util::future::join_all(bad.iter().map(|(name, _, bytes)| as_swatch(&owner, name, bytes)));
    let pictures =
        futures_util::future::join_all(bad.iter().map(|(name, _, bytes)| as_picture(&owner, name, bytes)));
    let shop = async {
        let client = site.shopper();
        for _ in 0..20 {
            assert!(client.get(site.at("/healthz")).send().await.unwrap().status().is_success());
            assert!(client.get(site.at("/shop/products/dunlin")).send().await.unwrap().status().is_success());
        }
    };
    let (swatches, pictures, ()) = futures_util::join!(swatches, pictures, shop);
    for (answers, kind) in [(swatches, "swatch"), (pictures, "picture")] {
        for ((name, why, _), answer) in bad.iter().zip(answers) {
            let said = refusal(answer).await;
            assert!(said.contains(name) && said.contains(why), "{kind} {name}: {said}");
        }
    }
    assert_eq!(json_of(owner.get("/api/pictures?product=whimbrel").await).await, pictures_before);
}

#[sqlx::test(migrations = false)]
async fn a_plain_drawing_is_drawn_in_its_sizes_and_as_a_swatch(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let inner = r##"<rect width="400" height="300" fill="#00807a"/><circle cx="200" cy="150" r="60" fill="#00807a"/>"##;
    let drawing = svg(400, 300, inner);
    let book = json_of(as_swatch(&owner, "bracken.svg", &drawing).await).await;
    assert!(book.to_string().contains("bracken.svg"));
    let id = json_of(as_picture(&owner, "plan.svg", &drawing).await).await["id"].clone();
    for _ in 0..600 {
        let all = json_of(owner.get("/api/pictures?product=whimbrel").await).await;
        let one =
            all["pictures"].as_array().unwrap().iter().find(|picture| picture["id"] == id).unwrap().clone();
        assert_eq!(one["trouble"], "", "{one}");
        if one["waiting"] == false {
            assert_eq!((&one["width"], &one["height"]), (&1600.into(), &1200.into()), "{one}");
            return;
        }
        tokio::time::sleep(std::time::Duration::from_millis(50)).await;
    }
    panic!("its sizes were never made");
}

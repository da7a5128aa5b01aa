//! A template is published again and again while shoppers look at its pages: each page is all old or all new, and nobody
//! goes back to an old one.

use compagina_tests::{Owner, Site};
use futures_util::future::join_all;
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::sync::atomic::{AtomicBool, AtomicU32, Ordering};

const SHOPPERS: usize = 24;
const TIMES: u32 = 12;
const PRODUCTS: [&str; 6] = ["whimbrel", "dunlin", "godwit", "plover", "whimbrel-mini", "sanderling"];

/// Sets two pieces that stand far apart to one number, as one step.
async fn write(owner: &Owner, number: u32) {
    let set = |piece: &str, setting: &str, value: Value| json!({ "op": "set", "target": { "piece": piece }, "setting": setting, "device": "wide", "value": value });
    let ops = [
        set("p9", "words", json!(format!("Buy number {number}"))),
        set("p12", "heading", json!(format!("More, number {number}"))),
    ];
    let desk: Value = owner.get("/api/templates/2/desk").await.json().await.unwrap();
    let body = json!({ "revision": desk["draft"]["revision"], "op": { "op": "many", "ops": ops } });
    let draft: Value = owner.post("/api/templates/2/operations", &body).await.json().await.unwrap();
    let body = json!({ "revision": draft["revision"] });
    assert_eq!(owner.post("/api/drafts/template-2/publish", &body).await.status(), 200, "{draft}");
}

/// The number that follows some words on a page.
fn number_after(page: &str, words: &str) -> u32 {
    let rest = page.split_once(words).unwrap_or_else(|| panic!("no “{words}”")).1;
    rest.chars().take_while(char::is_ascii_digit).collect::<String>().parse().unwrap()
}

#[sqlx::test(migrations = false)]
async fn shoppers_see_old_or_new_and_never_a_mix(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    write(&owner, 0).await;
    let (over, published) = (AtomicBool::new(false), AtomicU32::new(0));
    let shop = |shopper: usize| {
        let (site, over, published) = (&site, &over, &published);
        async move {
            let client = site.shopper();
            let (mut seen, mut pages) = (0, 0_u32);
            while !over.load(Ordering::SeqCst) || pages < 3 {
                let product = PRODUCTS[(shopper + pages as usize) % PRODUCTS.len()];
                let at_least = published.load(Ordering::SeqCst);
                let answer = client.get(site.at(&format!("/shop/products/{product}"))).send().await.unwrap();
                assert_eq!(answer.status(), 200);
                let page = answer.text().await.unwrap();
                let number = number_after(&page, "Buy number ");
                assert_eq!(
                    number,
                    number_after(&page, "More, number "),
                    "all of a page is of one publication"
                );
                assert!(number >= at_least, "what was published before the question is seen");
                assert!(number >= seen, "nobody goes back");
                (seen, pages) = (number, pages + 1);
            }
            pages
        }
    };
    let publishing = async {
        for number in 1..=TIMES {
            write(&owner, number).await;
            published.store(number, Ordering::SeqCst);
        }
        over.store(true, Ordering::SeqCst);
    };
    let (pages, ()) = tokio::join!(join_all((0..SHOPPERS).map(shop)), publishing);
    assert!(pages.iter().all(|pages| *pages >= 3));
}

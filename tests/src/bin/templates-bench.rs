//! A template that serves more than ten thousand products: how long it takes to tell what changes where, how much memory
//! that needs, and what shoppers feel while it is published again and again. For `cargo xtask bench`.
#![allow(
    clippy::unwrap_used,
    clippy::expect_used,
    clippy::print_stdout,
    reason = "a measurement that can't go on ends"
)]

use compagina_tests::{Owner, json_of};
use futures_util::future::join_all;
use reqwest::Client;
use serde_json::{Value, json};
use std::sync::atomic::{AtomicUsize, Ordering};
use std::time::{Duration, Instant};

const SHOPPERS: usize = 8;
/// Between two questions of a shopper, where the answer comes in time.
const PAUSE: Duration = Duration::from_millis(40);
const PUBLISH_EVERY: Duration = Duration::from_secs(4);
const FOR: Duration = Duration::from_secs(20);
/// Pages that many look at.
const OFTEN: usize = 200;

#[tokio::main]
async fn main() {
    let base = std::env::var("COMPAGINA_BASE").unwrap();
    let server: u32 = std::env::var("COMPAGINA_SERVER").unwrap().parse().unwrap();
    let owner = Owner::at(&base).await;
    let products = one_template_for_all(&owner).await;
    println!("{} products, all served by one template", products.len());

    // What making the shop has taken isn't meant.
    std::fs::write(format!("/proc/{server}/clear_refs"), "5").unwrap();
    write(&owner, &owner.draft().await["revision"], "A letter").await;
    told(&owner, "a template", "/api/templates/2/impact").await;
    restyle(&owner).await;
    told(&owner, "the house style", "/api/house/changes").await;
    ten_off(&owner).await;
    told(&owner, "price rules", "/api/prices/changes").await;
    told(&owner, "a swatch", &swatch(&owner).await).await;
    println!("memory of the server up to now, at most: {} MB", most_memory(server));

    under_publishing(&owner, &base, "any of all pages", &products).await;
    under_publishing(&owner, &base, &format!("{OFTEN} pages, kept ready"), &products[..OFTEN]).await;
    println!("memory of the server, at most: {} MB", most_memory(server));
}

/// Gives every type to one template; the handles of all products.
async fn one_template_for_all(owner: &Owner) -> Vec<String> {
    let view = json_of(owner.get("/api/templates").await).await;
    for kind in view["types"].as_array().unwrap() {
        let moving = json!({ "what": "type", "kind": kind["kind"]["handle"], "to": 2 });
        json_of(owner.shift(moving).await).await;
    }
    let mut handles = Vec::new();
    loop {
        let part =
            json_of(owner.get(&format!("/api/templates/2/products?skip={}", handles.len())).await).await;
        let some = part["products"].as_array().unwrap().iter();
        handles.extend(some.map(|product| product["handle"].as_str().unwrap().to_owned()));
        if handles.len() as u64 >= part["count"].as_u64().unwrap() {
            return handles;
        }
    }
}

/// Writes something on the buy button of the template's draft, which is at a revision; the revision then.
async fn write(owner: &Owner, revision: &Value, words: &str) -> Value {
    let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": words });
    let body = json!({ "revision": revision, "op": op });
    json_of(owner.post("/api/templates/2/operations", &body).await).await["revision"].clone()
}

async fn restyle(owner: &Owner) {
    let revision = json_of(owner.get("/api/house").await).await["revision"].clone();
    let body = json!({ "revision": revision, "key": "accent", "value": "#7A2E5D" });
    json_of(owner.put("/api/house", &body).await).await;
}

async fn ten_off(owner: &Owner) {
    let steps = json!([{ "from": 1, "kind": "percent", "value": "10" }]);
    owner.draft_rule(json!({ "name": "Ten off", "reach": { "of": "all" }, "steps": steps })).await;
}

async fn swatch(owner: &Owner) -> String {
    let option = json_of(owner.get("/api/options/colour").await).await;
    let tried = "%7B%22kind%22:%22colours%22,%22colours%22:%5B%22%23123456%22%5D%7D";
    format!("/api/options/colour/values/{}/changes?swatch={tried}", option["values"][0]["id"])
}

/// How long it takes until the first pages are told, and all.
async fn told(owner: &Owner, what: &str, address: &str) {
    let asked = Instant::now();
    let mut answer = owner.get(address).await;
    assert_eq!(answer.status(), 200);
    let (mut first, mut text) = (None, Vec::new());
    while let Some(part) = answer.chunk().await.unwrap() {
        first.get_or_insert_with(|| asked.elapsed());
        text.extend(part);
    }
    let (first, all) = (first.unwrap(), asked.elapsed());
    let last: Value =
        serde_json::from_slice(text.trim_ascii().rsplit(|b| *b == b'\n').next().unwrap()).unwrap();
    assert_eq!(last["done"], last["of"], "all pages are compared");
    println!(
        "what changes where of {what}: first told after {:.2} s, all {} pages after {:.1} s",
        first.as_secs_f64(),
        last["of"],
        all.as_secs_f64()
    );
}

/// The most memory that a process has held since it was told to begin anew.
fn most_memory(process: u32) -> u64 {
    let status = std::fs::read_to_string(format!("/proc/{process}/status")).unwrap();
    let line = status.lines().find_map(|line| line.strip_prefix("VmHWM:")).unwrap();
    line.trim().trim_end_matches("kB").trim().parse::<u64>().unwrap() / 1024
}

/// What shoppers feel as usual, and while the template is published again and again.
async fn under_publishing(owner: &Owner, base: &str, what: &str, products: &[String]) {
    shop(base, products, Instant::now() + FOR / 2).await;
    let usual = shop(base, products, Instant::now() + FOR).await;
    let mut revision = owner.draft().await["revision"].clone();
    let until = Instant::now() + FOR;
    let publishing = async {
        let (mut times, mut number) = (Vec::new(), 0);
        while Instant::now() < until {
            number += 1;
            revision = write(owner, &revision, &format!("Buy number {number}")).await;
            let asked = Instant::now();
            json_of(owner.post("/api/drafts/template-2/publish", &json!({ "revision": revision })).await)
                .await;
            times.push(asked.elapsed());
            tokio::time::sleep(PUBLISH_EVERY).await;
        }
        times
    };
    let (felt, mut times) = tokio::join!(shop(base, products, until), publishing);
    times.sort();
    println!(
        "{SHOPPERS} shoppers, {what}: as usual {}; publishing every {} s {}; a publication takes {} ms, at most {} ms",
        shares(usual),
        PUBLISH_EVERY.as_secs(),
        shares(felt),
        times[times.len() / 2].as_millis(),
        times.last().unwrap().as_millis()
    );
}

async fn shop(base: &str, products: &[String], until: Instant) -> Vec<Duration> {
    let walks = (0..SHOPPERS).map(|shopper| walk(base, products, shopper, until));
    join_all(walks).await.concat()
}

/// Where the next shopper's way begins, so that ways of later rounds don't follow those of earlier ones.
static BEGIN: AtomicUsize = AtomicUsize::new(0);

/// One shopper's way; each goes through the products in steps of its own.
async fn walk(base: &str, products: &[String], shopper: usize, until: Instant) -> Vec<Duration> {
    let client = Client::new();
    let (mut times, mut at) = (Vec::new(), BEGIN.fetch_add(1_237, Ordering::Relaxed));
    while Instant::now() < until {
        at += 7_919 + shopper * 2;
        let address = format!("{base}/shop/products/{}", products[at % products.len()]);
        let asked = Instant::now();
        let answer = client.get(address).send().await.unwrap();
        assert_eq!(answer.status(), 200);
        answer.bytes().await.unwrap();
        let took = asked.elapsed();
        times.push(took);
        tokio::time::sleep(PAUSE.saturating_sub(took)).await;
    }
    times
}

fn shares(mut times: Vec<Duration>) -> String {
    times.sort();
    let at = |share: usize| times[(times.len() * share / 100).min(times.len() - 1)].as_secs_f64() * 1000.0;
    format!("{:.1} / {:.1} / {:.1} ms (median / 95 % / 99 %)", at(50), at(95), at(99))
}

//! Measures pictures: what a page loads beside the same page with its pictures unresized, and what two hundred uploads
//! at once do to the server. Run by `cargo xtask bench`.
#![allow(clippy::unwrap_used, clippy::print_stdout)]

use compagina_tests::pictures::photograph;
use compagina_tests::{Browser, EMAIL, PASSWORD, Screen, until};
use futures_util::future::join_all;
use reqwest::Client;
use serde_json::{Value, json};
use std::time::{Duration, Instant};

const UPLOADS: usize = 200;
const PRODUCTS: [&str; 3] = ["whimbrel", "whimbrel-mini", "sew-your-first-kite"];

/// Bytes of the page's gallery pictures as loaded, and as they would be in their largest size.
const WEIGH: &str = r"
const done = arguments[arguments.length - 1];
(async () => {
  const loaded = performance.getEntriesByType('resource').filter(r => r.name.includes('/media/'));
  const ours = loaded.reduce((sum, r) => sum + r.encodedBodySize, 0);
  const large = new Set([...document.querySelectorAll('.slide:not([hidden])')].map(s => s.dataset.large));
  let theirs = 0;
  for (const address of large) theirs += (await (await fetch(address)).arrayBuffer()).byteLength;
  done([loaded.length, ours, theirs]);
})();
";

async fn weigh(base: &str) {
    for product in PRODUCTS {
        let address = &format!("{base}/shop/products/{product}");
        for (screen, name) in
            [(Screen::Wide, "wide, 1 dot a pixel"), (Screen::Phone, "phone, 2 dots a pixel")]
        {
            Browser::run(screen, |client| async move {
                client.goto(address).await.unwrap();
                until(&client, "document.querySelector('[data-ready]')").await;
                tokio::time::sleep(Duration::from_millis(1500)).await;
                let found = client.execute_async(WEIGH, vec![]).await.unwrap();
                let kilo = |n: usize| found[n].as_u64().unwrap() / 1000;
                println!(
                    "{product}, {name}: {} pictures, {} kB; the choice's pictures unresized {} kB, ratio {:.2}",
                    found[0],
                    kilo(1),
                    kilo(2),
                    found[1].as_f64().unwrap() / found[2].as_f64().unwrap()
                );
            })
            .await;
        }
    }
}

/// The same JPEG with a comment of its own, so that each is another file.
fn with_comment(jpeg: &[u8], number: usize) -> Vec<u8> {
    let comment = format!("{number:08}");
    let mut bytes = jpeg[..2].to_vec();
    bytes.extend([0xFF, 0xFE, 0, 10]);
    bytes.extend(comment.as_bytes());
    bytes.extend(&jpeg[2..]);
    bytes
}

/// The most memory that the server has held so far, in megabytes.
fn most_memory() -> Option<u64> {
    let processes = std::fs::read_dir("/proc").ok()?.flatten();
    let servers = processes.filter(|p| {
        let name = std::fs::read_to_string(p.path().join("comm")).unwrap_or_default();
        name.trim() == "compagina-serve" || name.trim() == "compagina-server"
    });
    let most = servers.filter_map(|p| {
        let status = std::fs::read_to_string(p.path().join("status")).ok()?;
        let line = status.lines().find_map(|l| l.strip_prefix("VmHWM:"))?;
        line.trim().trim_end_matches(" kB").parse::<u64>().ok()
    });
    most.max().map(|kilo| kilo / 1024)
}

async fn upload_many(base: &str) {
    let client = Client::builder().cookie_store(true).build().unwrap();
    let body = json!({ "email": EMAIL, "password": PASSWORD });
    let session: Value =
        client.post(format!("{base}/api/session")).json(&body).send().await.unwrap().json().await.unwrap();
    let token = session["csrf"].as_str().unwrap().to_owned();
    let at = format!("{base}/api/pictures?product=knot");
    let before = most_memory();
    let photo = photograph(4000, 3000, 5);
    let started = Instant::now();
    let uploads = (0..UPLOADS).map(|n| {
        let request = client.post(format!("{at}&name=photo-{n}.jpg")).header("x-csrf-token", &token);
        let request = request.body(with_comment(&photo, n));
        async move { request.send().await.map(|answer| answer.status().as_u16()) }
    });
    let waits = async {
        let mut waits = Vec::new();
        for _ in 0..60 {
            let asked = Instant::now();
            client.get(format!("{base}/api/templates/2/desk")).send().await.unwrap().text().await.unwrap();
            waits.push(asked.elapsed().as_secs_f64() * 1000.0);
            tokio::time::sleep(Duration::from_millis(250)).await;
        }
        waits.sort_by(f64::total_cmp);
        waits
    };
    let (statuses, waits) = tokio::join!(join_all(uploads), waits);
    let landed = statuses.iter().filter(|s| matches!(s, Ok(200))).count();
    let landed_after = started.elapsed();
    let mut left = UPLOADS;
    while left > 0 {
        tokio::time::sleep(Duration::from_secs(2)).await;
        let view: Value = client.get(&at).send().await.unwrap().json().await.unwrap();
        left = view["pictures"].as_array().unwrap().iter().filter(|p| p["waiting"] == true).count();
    }
    println!(
        "{UPLOADS} uploads at once of 12 megapixels, {} kB each: {landed} landed after {:.0} s, all sizes made after {:.0} s",
        photo.len() / 1000,
        landed_after.as_secs_f64(),
        started.elapsed().as_secs_f64()
    );
    println!(
        "  most memory of the server {} MB (before: {} MB); opening the desk meanwhile: median {:.0} ms, slowest {:.0} ms",
        most_memory().unwrap_or(0),
        before.unwrap_or(0),
        waits[waits.len() / 2],
        waits.last().unwrap()
    );
}

#[tokio::main]
async fn main() {
    let base = std::env::var("COMPAGINA_BASE").unwrap();
    weigh(&base).await;
    upload_many(&base).await;
}

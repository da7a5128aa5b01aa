//! The owner's application over a shop of more than ten thousand products, and a product of eight thousand variants: how
//! long until each view can be used, how much it is answered with at the most, and what the browser's page takes after
//! leafing through the shelf. For `cargo xtask bench`.
#![allow(
    clippy::unwrap_used,
    clippy::expect_used,
    clippy::print_stdout,
    reason = "a measurement that can't go on ends"
)]

use compagina_tests::desk::click;
use compagina_tests::{Browser, Owner, Screen, ask, find, json_of, until};
use fantoccini::Client;
use serde_json::json;
use std::time::{Duration, Instant};

/// Values of each of three options.
const VALUES: usize = 20;
/// Screens of the shelf that are leafed through, one a second: ten minutes.
const SCREENS: usize = 600;
const PRODUCT: &str = "carbon-spar";

/// A view, and what is there once it can be used.
const VIEWS: [(&str, &str, &str); 8] = [
    (
        "Shelf",
        "/",
        "(seen => seen.length > 4 && seen.every(one => one.querySelector('.card')))([...document.querySelectorAll('.shelf section li')].filter(one => one.getBoundingClientRect().top < innerHeight)) && document.querySelector('.looked select')?.options.length > 3",
    ),
    ("Shelf, searched", "/?find=mini&order=dearest", "document.querySelectorAll('.found .card').length > 0"),
    (
        "Desk",
        "/templates/1",
        "document.querySelector('.order .row') && document.querySelector('.leaf .product')?.textContent.includes(' of ')",
    ),
    ("Templates", "/templates", "document.querySelectorAll('tbody tr').length > 4"),
    ("Prices", "/prices", "document.querySelector('.bench .price')"),
    ("Variants", "/products/carbon-spar/variants", "document.querySelectorAll('.lines .row').length > 10"),
    ("Swatch book", "/swatch-book", "document.querySelector('.fan button')"),
    ("Texts", "/products/carbon-spar/texts", "document.querySelector('.texts textarea')"),
];

#[tokio::main]
async fn main() {
    let base = std::env::var("COMPAGINA_BASE").unwrap();
    let owner = Owner::at(&base).await;
    let shelf = json_of(owner.get("/api/shelf/products").await).await;
    println!("{} products; {} variants of one", shelf["count"], owner.many_variants(PRODUCT, VALUES).await);
    // What the server reads by itself after a change is read by then.
    owner.get("/shop?order=name").await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &base).await;
        let browser = Browser { client: client.clone() };
        for (name, path, usable) in VIEWS {
            let (ms, largest) = opened(&browser, &format!("{base}{path}"), usable).await;
            println!("{name}: usable after {ms} ms, its largest answer {largest} kB");
        }
        all_products(client, &base).await;
        answers(client, &base).await;
        leafed(client, &base).await;
    })
    .await;
}

/// Opens a view: after how many milliseconds it can be used, by the page's own clock from where it is asked for, and how
/// many kilobytes the largest answer of the API had.
async fn opened(browser: &Browser, address: &str, usable: &str) -> (u64, u64) {
    let client = &browser.client;
    client.goto("about:blank").await.unwrap();
    let watch = format!(
        "new MutationObserver((_, watch) => {{ try {{ if (!({usable})) return; }} catch {{ return; }} \
         window.usableAt = performance.now(); watch.disconnect(); }})\
         .observe(document, {{ childList: true, subtree: true, attributes: true, characterData: true }});"
    );
    let watching =
        browser.devtools("Page.addScriptToEvaluateOnNewDocument", json!({ "source": watch })).await;
    client.goto(address).await.unwrap();
    until(client, "window.usableAt").await;
    browser.devtools("Page.removeScriptToEvaluateOnNewDocument", watching).await;
    let at = ask(client, "Math.round(window.usableAt)").await.as_u64().unwrap();
    (at, largest(client).await)
}

async fn largest(client: &Client) -> u64 {
    let sizes = "Math.max(...performance.getEntriesByType('resource').filter(e => e.name.includes('/api/')).map(e => e.encodedBodySize))";
    ask(client, sizes).await.as_u64().unwrap_or(0) / 1000
}

/// A letter in the search, and a cell of eight thousand lines: until the answer is there.
async fn answers(client: &Client, base: &str) {
    client.goto(&format!("{base}/")).await.unwrap();
    until(client, VIEWS[0].2).await;
    let field = find(client, "[aria-label='Find a product']").await;
    let begun = Instant::now();
    field.send_keys("w").await.unwrap();
    until(client, "document.querySelectorAll('.found .card').length > 0").await;
    println!("Shelf: the first letter is answered after {} ms", begun.elapsed().as_millis());
    client.goto(&format!("{base}/products/{PRODUCT}/variants")).await.unwrap();
    until(client, "document.querySelectorAll('.lines .row').length > 10").await;
    let stock = find(client, "[data-cell='3:stock']").await;
    stock.click().await.unwrap();
    ask(client, "performance.clearResourceTimings()").await;
    let begun = Instant::now();
    stock.send_keys("7\u{e007}").await.unwrap();
    until(client, "document.querySelector('[data-test=saved]')?.innerText.startsWith('Saved')").await;
    println!(
        "Variants: a stock is kept after {} ms, answered with {} kB",
        begun.elapsed().as_millis(),
        largest(client).await
    );
}

/// The desk with all products of its template, opened from its button: until they stand there and the first of them is
/// drawn.
async fn all_products(client: &Client, base: &str) {
    client.goto(&format!("{base}/templates/1")).await.unwrap();
    until(client, VIEWS[2].2).await;
    let opened = "new Promise(done => {
        const begun = performance.now();
        [...document.querySelectorAll('.right button')].find(e => e.textContent.includes('All products')).click();
        const drawn = () => document.querySelectorAll('.all li .name').length > 20
            && [...document.querySelectorAll('.all iframe')].some(page => page.contentDocument?.querySelector('main img'));
        const look = () => drawn() ? done(Math.round(performance.now() - begun)) : requestAnimationFrame(look);
        look();
    })";
    println!(
        "All products: usable after {} ms, its largest answer {} kB",
        ask(client, opened).await,
        largest(client).await
    );
}

/// Leafs through the shelf by screens, and through all products on the desk.
async fn leafed(client: &Client, base: &str) {
    client.goto(&format!("{base}/?order=name")).await.unwrap();
    until(client, "document.querySelectorAll('.found .card').length > 20").await;
    let (mut most, mut takes) = (0, 0);
    for _ in 0..SCREENS {
        ask(client, "scrollBy(0, innerHeight)").await;
        tokio::time::sleep(Duration::from_secs(1)).await;
        let live = ask(client, "document.querySelectorAll('iframe').length").await.as_u64().unwrap();
        most = most.max(live);
        takes = takes.max(page_mb());
    }
    let cards = ask(client, "[...document.querySelectorAll('.found ul')].reduce((all, part) => all + Number(part.dataset.holds), 0)").await;
    println!(
        "Shelf: {cards} cards leafed through, at most {most} small pages live, at most {takes} MB taken meanwhile, {} after a rest",
        rested().await
    );
    client.goto(&format!("{base}/templates/1")).await.unwrap();
    until(client, "document.querySelector('.leaf .product')?.innerText.includes(' of ')").await;
    click(client, ".right button", "All products").await;
    let mut takes = 0;
    for _ in 0..SCREENS / 20 {
        ask(client, "document.querySelector('.all').scrollBy(0, 700)").await;
        tokio::time::sleep(Duration::from_millis(400)).await;
        takes = takes.max(page_mb());
    }
    // Their first screens are measured beside; a rest begins after that.
    while ask(client, "!!document.querySelector('.all .measured')").await == json!(true) {
        tokio::time::sleep(Duration::from_secs(1)).await;
        takes = takes.max(page_mb());
    }
    let live = ask(client, "document.querySelectorAll('.all iframe').length").await;
    println!(
        "All products: {live} small pages live, at most {takes} MB taken meanwhile, {} after a rest",
        rested().await
    );
}

/// What the page takes in megabytes once nothing was done for half a minute: a browser gives back what is no longer held
/// when it has nothing else to do.
async fn rested() -> u64 {
    tokio::time::sleep(Duration::from_secs(30)).await;
    page_mb()
}

/// What the largest of the browser's pages takes: its own memory, and its share of what it has in common with others.
fn page_mb() -> u64 {
    let renderers = std::fs::read_dir("/proc").unwrap().flatten().map(|entry| entry.path()).filter(|path| {
        std::fs::read(path.join("cmdline"))
            .is_ok_and(|line| String::from_utf8_lossy(&line).contains("--type=renderer"))
    });
    let share = |path: std::path::PathBuf| {
        let text = std::fs::read_to_string(path.join("smaps_rollup")).ok()?;
        let line = text.lines().find_map(|line| line.strip_prefix("Pss:"))?.trim().to_owned();
        line.split(' ').next()?.parse::<u64>().ok()
    };
    renderers.filter_map(share).max().unwrap_or(0) / 1000
}

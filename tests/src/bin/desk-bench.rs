//! Measures on the desk: from an edit until both proofs show it. Run by `cargo xtask bench`.
#![allow(clippy::unwrap_used, clippy::print_stdout)]

use compagina_tests::{Browser, Screen, find, until};
use serde_json::Value;

const EDITS: usize = 40;

/// Moves the price up and down by keyboard and waits, frame by frame, until both proofs have it there.
const MEASURE: &str = r#"
const done = arguments[arguments.length - 1];
const edits = arguments[0];
const pages = [...document.querySelectorAll('iframe')].map(f => f.contentDocument);
const isFirst = page => Boolean(page.querySelector('.k-price').compareDocumentPosition(page.querySelector('.k-summary')) & 4);
const times = [];
const next = () => {
  if (times.length === edits) return done(times);
  const wanted = !isFirst(pages[0]);
  const started = performance.now();
  document.body.dispatchEvent(new KeyboardEvent('keydown', { key: wanted ? 'ArrowUp' : 'ArrowDown', altKey: true, bubbles: true }));
  const look = () => {
    if (!pages.every(page => isFirst(page) === wanted)) return setTimeout(look, 1);
    times.push(performance.now() - started);
    setTimeout(next, 60);
  };
  look();
};
next();
"#;

#[tokio::main]
async fn main() {
    let base = std::env::var("COMPAGINA_BASE").unwrap();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        for screen in ["Wide", "Phone"] {
            let drawn = format!("document.querySelector('iframe[title=\"Proof, {screen}\"]')?.contentDocument?.getElementById('proof-fold')");
            until(&client, &drawn).await;
        }
        find(&client, ".order [data-piece=p5] .what").await.click().await.unwrap();
        let times = client.execute_async(MEASURE, vec![EDITS.into()]).await.unwrap();
        let mut times: Vec<f64> = times.as_array().unwrap().iter().filter_map(Value::as_f64).collect();
        times.sort_by(f64::total_cmp);
        let at = |share: usize| times[(times.len() * share / 100).min(times.len() - 1)];
        println!(
            "desk: {EDITS} edits, from the key press until both proofs show it: median {:.0} ms, 95 % within {:.0} ms, slowest {:.0} ms",
            at(50),
            at(95),
            at(100)
        );
    })
    .await;
}

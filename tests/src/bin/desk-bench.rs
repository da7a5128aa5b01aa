//! Measures on the desk: from an edit until both proofs are painted. Run by `cargo xtask bench`.
#![allow(clippy::unwrap_used, clippy::print_stdout)]

use compagina_tests::desk::open_value;
use compagina_tests::{Browser, Screen, find, until};
use serde_json::Value;

const EDITS: usize = 40;

/// Moves the price up and down by keyboard and waits until both proofs have it there and are painted: the task right behind the
/// frame in which they have it tells the time.
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
    if (!pages.every(page => isFirst(page) === wanted)) return requestAnimationFrame(look);
    scheduler.postTask(() => {
      times.push(performance.now() - started);
      setTimeout(next, 60);
    }, { priority: 'user-blocking' });
  };
  requestAnimationFrame(look);
};
next();
"#;

/// How much script the desk loads, as it would travel compressed.
const SCRIPT: &str = r#"
const done = arguments[arguments.length - 1];
(async () => {
  const scripts = performance.getEntriesByType('resource').map(r => r.name).filter(n => n.endsWith('.js'));
  let sum = 0;
  for (const name of new Set(scripts)) {
    const body = (await fetch(name)).body.pipeThrough(new CompressionStream('gzip'));
    sum += (await new Response(body).arrayBuffer()).byteLength;
  }
  done([scripts.length, sum]);
})();
"#;

/// Types a text into a field of the slip letter by letter; both proofs have to show each, painted.
const TYPE: &str = r#"
const done = arguments[arguments.length - 1];
const letters = arguments[0];
const pages = [...document.querySelectorAll('iframe')].map(f => f.contentDocument);
const field = document.querySelector('.slip [data-value="words:wide"] input');
const times = [];
let text = '';
const next = () => {
  if (times.length === letters) return done(times);
  text += 'abcdefghij'[times.length % 10];
  const wanted = text;
  const started = performance.now();
  field.focus();
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, wanted);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  const look = () => {
    if (!pages.every(page => page.querySelector('.k-buy-button .buy [data-say]').textContent === wanted)) return requestAnimationFrame(look);
    scheduler.postTask(() => {
      times.push(performance.now() - started);
      setTimeout(next, 60);
    }, { priority: 'user-blocking' });
  };
  requestAnimationFrame(look);
};
next();
"#;

/// Adds pieces to *Sport kites* until it has forty, of all the kinds that show something by themselves.
async fn forty_pieces(client: &fantoccini::Client) {
    let script = r#"
    const done = arguments[arguments.length - 1];
    (async () => {
      const { csrf } = await (await fetch('/api/session')).json();
      const desk = await (await fetch('/api/templates/2/desk')).json();
      const have = desk.draft.layout.bands.flatMap(b => b.columns).flatMap(c => c.pieces).length;
      const kinds = ['text', 'facts', 'details', 'summary', 'stock_line', 'sku_line', 'rating_line', 'promises', 'value_points', 'questions', 'rule', 'picture_row'];
      const values = { text: { body: '<h2>How we sew</h2><p>Every seam <strong>twice</strong>.</p>' }, promises: { lines: ['One', 'Two', 'Three'] },
        value_points: { points: [['Sewn here', 'By two people'], ['Mended', 'For ten years']] }, questions: { questions: [['Does it float?', 'Yes.'], ['Does it sink?', 'No.']] }, picture_row: { pictures: ['long-table', 'packed'] } };
      const column = desk.draft.layout.bands[2].columns[0].id;
      const ops = Array.from({ length: 40 - have }, (_, i) => { const kind = kinds[i % kinds.length];
        return { op: 'add_piece', piece: { id: `bench-${i}`, kind, values: { wide: values[kind] ?? {} } }, at: { column, index: 1 + i } }; });
      const answer = await fetch('/api/templates/2/operations', { method: 'POST', headers: { 'content-type': 'application/json', 'x-csrf-token': csrf },
        body: JSON.stringify({ revision: desk.draft.revision, op: { op: 'many', ops } }) });
      done(answer.status);
    })();"#;
    let status = client.execute_async(script, vec![]).await.unwrap();
    assert_eq!(status, 200);
}

fn tell(what: &str, times: &Value) {
    let mut times: Vec<f64> = times.as_array().unwrap().iter().filter_map(Value::as_f64).collect();
    times.sort_by(f64::total_cmp);
    let at = |share: usize| times[(times.len() * share / 100).min(times.len() - 1)];
    println!("{what}: median {:.0} ms, 95 % within {:.0} ms, slowest {:.0} ms", at(50), at(95), at(100));
}

#[tokio::main]
async fn main() {
    let base = std::env::var("COMPAGINA_BASE").unwrap();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        forty_pieces(&client).await;
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        for screen in ["Wide", "Phone"] {
            let drawn = format!("document.querySelector('iframe[title=\"Proof, {screen}\"]')?.contentDocument?.getElementById('proof-fold')");
            until(&client, &drawn).await;
        }
        let loaded = client.execute_async(SCRIPT, vec![]).await.unwrap();
        println!("desk: {} scripts, {} kB compressed", loaded[0], loaded[1].as_u64().unwrap() / 1000);
        let pieces = compagina_tests::ask(&client, "document.querySelectorAll('.order .row').length").await;
        find(&client, ".order [data-piece=p5] .what").await.click().await.unwrap();
        let times = client.execute_async(MEASURE, vec![EDITS.into()]).await.unwrap();
        tell(&format!("desk, page of {pieces} pieces, {EDITS} moves, from the key press until both proofs are painted"), &times);
        find(&client, ".order [data-piece=p9] .what").await.click().await.unwrap();
        open_value(&client, "words:wide").await;
        find(&client, ".slip [data-value='words:wide'] input").await;
        let times = client.execute_async(TYPE, vec![EDITS.into()]).await.unwrap();
        tell(&format!("desk, page of {pieces} pieces, {EDITS} letters, from the letter until both proofs are painted"), &times);
    })
    .await;
}

//! Formatted text: typed, pasted from elsewhere, hostile, and far too long.

use compagina_tests::desk::{choose, in_both, open_desk, open_value, press};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn add_text(client: &Client, base: &str) {
    open_desk(client, base, "/templates/2?product=whimbrel").await;
    choose(client, "Promises").await;
    press(client, "a").await;
    find(client, "[role=combobox]").await.send_keys(&format!("text{}", Key::Enter)).await.unwrap();
    until(client, "document.querySelector('.slip h2')?.textContent.includes('Text')").await;
    open_value(client, "body:wide").await;
    find(client, ".tiptap").await;
}

/// Pastes as a browser does, with both forms of the text.
async fn paste(client: &Client, html: &str, text: &str) {
    let script = "const place = document.querySelector('.tiptap'); place.focus();
        const data = new DataTransfer(); data.setData('text/html', arguments[0]); data.setData('text/plain', arguments[1]);
        place.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));";
    client.execute(script, vec![html.into(), text.into()]).await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn text_appears_as_it_is_typed_and_what_is_pasted_is_clean(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        add_text(&client, &base).await;
        find(&client, ".tiptap").await.send_keys("How we se").await.unwrap();
        in_both(&client, "page.querySelector('.k-text')?.textContent === 'How we se'").await;
        find(&client, ".tiptap").await.send_keys("w").await.unwrap();
        in_both(&client, "page.querySelector('.k-text')?.textContent === 'How we sew'").await;

        // From a word processor: structure stays, everything else goes.
        let words = "<html xmlns:o='x'><head><style>p{color:red}</style></head><body><h2 class=MsoTitle>Care</h2><p style='mso-x:y'><b>Dry</b> it <i>flat</i>.<o:p></o:p></p><ul><li>No iron</li></ul><p><a href='https://example.org/care'>More</a></p></body></html>";
        ask(&client, "document.querySelector('.tiptap').editor.commands.clearContent()").await;
        paste(&client, words, "Care\nDry it flat.").await;
        in_both(&client, "page.querySelector('.rich h2')?.textContent === 'Care' && page.querySelector('.rich strong')?.textContent === 'Dry' && page.querySelector('.rich em')?.textContent === 'flat' && page.querySelector('.rich li')?.textContent === 'No iron' && page.querySelector('.rich a')?.getAttribute('href') === 'https://example.org/care'").await;
        in_both(&client, "!page.querySelector('.rich [style], .rich [class], .rich style')").await;

        // Scripts, handlers and links that run something.
        paste(&client, "<p onclick='alert(1)'>Safe<script>alert(2)</script><img src=x onerror=alert(3)><a href='javascript:alert(4)'>link</a></p>", "Safe").await;
        in_both(&client, "page.querySelector('.rich').textContent.includes('Safe')").await;
        in_both(&client, "!/alert|onclick|onerror|javascript/.test(page.querySelector('.rich').innerHTML)").await;

        // A megabyte: refused as a whole, with a sentence, and what was there stays.
        paste(&client, &format!("<p>{}</p>", "x".repeat(1_000_000)), &"x".repeat(1_000_000)).await;
        until(&client, "document.querySelector('.rich [role=alert]')?.textContent.includes('1,000,000 characters')").await;
        in_both(&client, "page.querySelector('.rich h2')?.textContent === 'Care' && !page.querySelector('.rich').textContent.includes('xxxx')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn whoever_speaks_to_the_server_directly_gets_nothing_unsafe_kept(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let revision = || async { owner.draft().await["revision"].clone() };
    let at = json!({ "column": "c2-2", "index": 0 });
    let body = "<p onclick=\"x()\">Fly <strong>well</strong></p><script>x()</script><a href=\"javascript:x()\">y</a><iframe src=//e.example></iframe>";
    let piece = json!({ "id": "words", "kind": "text", "values": { "wide": { "body": body } } });
    let op = json!({ "op": "add_piece", "piece": piece, "at": at });
    let answer =
        owner.post("/api/templates/2/operations", &json!({ "revision": revision().await, "op": op })).await;
    assert_eq!(answer.status(), 200);
    let kept = owner.draft().await.to_string();
    assert!(
        kept.contains("Fly <strong>well</strong>")
            && !kept.contains("script")
            && !kept.contains("onclick")
            && !kept.contains("iframe")
    );

    let set = |value: Value| json!({ "op": "set", "target": { "piece": "words" }, "setting": "body", "device": "wide", "value": value });
    let long = json!({ "revision": revision().await, "op": set("x".repeat(20_001).into()) });
    let answer = owner.post("/api/templates/2/operations", &long).await;
    assert_eq!(answer.status(), 422);
    assert!(answer.text().await.unwrap().contains("at most 20000 characters; this is 20001 long"));
    let huge = json!({ "revision": revision().await, "op": set("x".repeat(1_100_000).into()) });
    assert_eq!(owner.post("/api/templates/2/operations", &huge).await.status(), 413);
    assert!(owner.draft().await.to_string().contains("Fly <strong>well</strong>"), "nothing was lost");
}

//! What a person does on a desk, step by step.

use crate::browser::{Browser, ask, find, until};
use fantoccini::Client;
use fantoccini::actions::{InputSource, MOUSE_BUTTON_LEFT, MouseActions, PointerAction};
use fantoccini::elements::Element;
use fantoccini::key::Key;
use std::time::Duration;

/// Signs in, opens a desk and waits until its proofs are drawn.
pub async fn open_desk(client: &Client, base: &str, path: &str) {
    Browser::sign_in(client, base).await;
    client.goto(&format!("{base}{path}")).await.unwrap();
    proofs_are_drawn(client).await;
}

/// Waits until both proofs are drawn and measured.
pub async fn proofs_are_drawn(client: &Client) {
    for name in ["Wide", "Phone"] {
        until(client, &in_proof(name, "page.getElementById('proof-fold')")).await;
    }
}

/// A question about the page within one proof, as `page`.
#[must_use]
pub fn in_proof(name: &str, question: &str) -> String {
    format!(
        "(() => {{ const page = document.querySelector('iframe[title=\"Proof, {name}\"]')?.contentDocument; return page?.body && ({question}); }})()"
    )
}

/// Waits until both proofs show it.
pub async fn in_both(client: &Client, question: &str) {
    for name in ["Wide", "Phone"] {
        until(client, &in_proof(name, question)).await;
    }
}

/// Clicks the line that begins with a label, and waits for its slip.
pub async fn choose(client: &Client, label: &str) {
    let row = format!(
        "[...document.querySelectorAll('.order .what')].find(e => e.textContent.trim().startsWith('{label}'))"
    );
    until(client, &row).await;
    ask(client, &format!("{row}.click()")).await;
    until(
        client,
        &format!("document.querySelector('.slip:not([inert]) h2')?.textContent.includes('{label}')"),
    )
    .await;
}

/// Clicks the first of some elements that has these words in it.
pub async fn click(client: &Client, css: &str, words: &str) {
    let found =
        format!("[...document.querySelectorAll(`{css}`)].find(e => e.textContent.includes('{words}'))");
    until(client, &found).await;
    ask(client, &format!("{found}.click()")).await;
}

/// Presses keys as if nothing in particular had the focus.
pub async fn press(client: &Client, keys: &str) {
    find(client, "body").await.send_keys(keys).await.unwrap();
}

/// Presses a key while another one is held down.
pub async fn press_with(client: &Client, held: Key, key: impl std::fmt::Display) {
    press(client, &format!("{held}{key}{held}")).await;
}

/// The names of the lines in the running order.
pub async fn order(client: &Client) -> Vec<String> {
    let names = ask(
        client,
        "[...document.querySelectorAll('.order .what')].map(e => e.firstChild.textContent.trim())",
    )
    .await;
    names.as_array().unwrap().iter().map(|name| name.as_str().unwrap().to_owned()).collect()
}

/// Waits until everything that was done is kept.
pub async fn kept(client: &Client) {
    until(
        client,
        "document.querySelector('[data-test=saved]:not([aria-busy])')?.textContent.startsWith('Saved')",
    )
    .await;
}

/// Types something in the place of what a field holds.
pub async fn type_into(client: &Client, css: &str, text: &str) {
    let field = find(client, css).await;
    field.send_keys(&format!("{}a{}{text}", Key::Control, Key::Control)).await.unwrap();
}

/// Turns a value on the slip, such as `words:wide`, into its control, in a part that is folded out for it.
pub async fn open_value(client: &Client, value: &str) {
    // Until the slip of what was chosen is here, that of what was chosen before can't be clicked.
    let cell = format!("document.querySelector('.slip:not([inert]) [data-value=\"{value}\"]')");
    let there = format!(
        "{cell} || [...document.querySelectorAll('.slip:not([inert]) .screens button')].find(b => b.textContent === 'Open all')?.click()"
    );
    until(client, &there).await;
    ask(client, &format!("{cell}.querySelector('button')?.click()")).await;
}

/// Types a value on the slip in the place of what is there; the field stays open.
pub async fn type_value(client: &Client, value: &str, text: &str) {
    open_value(client, value).await;
    type_into(client, &format!(".slip [data-value='{value}'] input"), text).await;
}

/// Picks a value on the slip from its list.
pub async fn pick_value(client: &Client, value: &str, words: &str) {
    open_value(client, value).await;
    let option = format!(
        "[...document.querySelectorAll('.pick-list li')].find(e => e.textContent.trim() === '{words}')"
    );
    until(client, &option).await;
    ask(client, &format!("{option}.click()")).await;
}

/// Picks a product from the list that a button opens, by words of its name.
pub async fn pick_product(client: &Client, button: &str, words: &str) {
    find(client, button).await.click().await.unwrap();
    let field = find(client, ".products [role=combobox]").await;
    field.send_keys(words).await.unwrap();
    let first = "document.querySelector('.products [role=option]')";
    until(client, &format!("{first}?.innerText.startsWith('{words}')")).await;
    field.send_keys(&Key::Enter.to_string()).await.unwrap();
    until(client, "!document.querySelector('.products')").await;
}

/// What a value on the slip says.
#[must_use]
pub fn value_says(value: &str) -> String {
    format!("document.querySelector('.slip [data-value=\"{value}\"]')?.innerText.trim()")
}

/// Lets no news through, as to a tab that lies behind others, so that two edit what they see.
pub async fn hold_back_news(client: &Client) {
    let hide = "(Object.defineProperty(document, 'visibilityState', { get: () => 'hidden' }),
                 document.dispatchEvent(new Event('visibilitychange')))";
    ask(client, hide).await;
}

/// Drags a line onto another one and holds it still for some milliseconds before it is let go.
pub async fn drag(client: &Client, what: &Element, to: &Element, still: u64) {
    // Near an edge of the list it would scroll by itself.
    ask(client, "document.querySelector('.order .scroll').scrollTop = 0").await;
    drag_here(client, what, to, still).await;
}

/// The same without scrolling the list.
pub async fn drag_here(client: &Client, what: &Element, to: &Element, still: u64) {
    let middle = |rectangle: (f64, f64, f64, f64)| {
        ((rectangle.0 + rectangle.2 / 3.0) as i64, (rectangle.1 + rectangle.3 / 2.0) as i64)
    };
    let (x, y) = middle(what.rectangle().await.unwrap());
    let (tx, ty) = middle(to.rectangle().await.unwrap());
    let at = |x: i64, y: i64, ms| PointerAction::MoveTo {
        duration: Some(Duration::from_millis(ms)),
        x: x as f64,
        y: y as f64,
    };
    let mouse = MouseActions::new("mouse".to_owned())
        .then(at(x, y, 50))
        .then(PointerAction::Down { button: MOUSE_BUTTON_LEFT })
        .then(at(x, y - 4, 80))
        .then(at(x, y - 10, 80))
        .then(at(tx, ty - 6, 200))
        .then(at(tx, ty - 6, still))
        .then(PointerAction::Up { button: MOUSE_BUTTON_LEFT });
    client.perform_actions(mouse).await.unwrap();
}

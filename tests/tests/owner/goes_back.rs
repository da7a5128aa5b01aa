//! Going back: two hundred mixed steps, the history with its moments, and the draft shown to somebody else for a while.

use compagina_tests::desk::{choose, click, in_both, in_proof, open_desk, press_with};
use compagina_tests::hand::Hand;
use compagina_tests::{Browser, Owner, Screen, Site, ask, find, until};
use fantoccini::actions::{InputSource, MOUSE_BUTTON_LEFT, MouseActions, PointerAction};
use fantoccini::key::Key;
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn step(owner: &Owner, revision: usize, op: Value) -> Value {
    let answer = owner.post("/api/templates/2/operations", &json!({ "revision": revision, "op": op })).await;
    assert_eq!(answer.status(), 200, "{op}");
    answer.json().await.unwrap()
}

/// The n-th of a run of mixed steps.
fn mixed(n: usize) -> Value {
    let value = |text: &str| json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": (["wide", "tablet", "phone"][n % 3]), "value": text });
    let piece = json!({ "id": format!("x{n}"), "kind": (["price", "text", "reviews"][n % 3]), "values": {} });
    match n % 8 {
        0 => json!({ "op": "add_piece", "piece": piece, "at": { "column": "c2-2", "index": n % 4 } }),
        1 => json!({ "op": "move_piece", "piece": "p5", "to": { "column": "c2-2", "index": n % 5 } }),
        2 => value(&format!("Words {n}")),
        3 => {
            json!({ "op": "copy_piece", "piece": "p10", "copy": format!("y{n}"), "to": { "column": "c3-1", "index": 0 } })
        }
        4 => json!({ "op": "move_band", "band": "b3", "index": n % 3 }),
        5 => {
            json!({ "op": "set", "target": { "band": "b2" }, "setting": "gap", "device": "wide", "value": n % 9 })
        }
        6 => {
            json!({ "op": "many", "ops": [value(&format!("Both {n}")), { "op": "set_frame", "frame": (["slim", "whole"][n / 8 % 2]) }] })
        }
        _ => {
            json!({ "op": "set_columns", "band": "b4", "columns": [{ "id": "c4-1", "width": 4 + n % 5 }, { "id": "c4-2", "width": 8 - n % 5 }] })
        }
    }
}

#[sqlx::test(migrations = false)]
async fn two_hundred_mixed_steps_go_back_exactly_also_after_the_desk_was_opened_anew(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let mut layouts = vec![owner.draft().await["layout"].to_string()];
    for n in 0..200 {
        layouts.push(step(&owner, n + 1, mixed(n)).await["layout"].to_string());
    }
    // Another sign-in, as after a reload.
    let again = site.owner().await;
    let mut revision = again.draft().await["revision"].as_u64().unwrap();
    for layout in layouts.iter().rev().skip(1) {
        let back = again.post("/api/templates/2/undo", &json!({ "revision": revision })).await;
        let back: Value = back.json().await.unwrap();
        assert_eq!(&back["layout"].to_string(), layout);
        revision = back["revision"].as_u64().unwrap();
    }
    assert_eq!(again.draft().await["can_undo"], false);
}

#[sqlx::test(migrations = false)]
async fn an_earlier_page_is_looked_at_compared_and_brought_back(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        choose(&client, "Price").await;
        press_with(&client, Key::Alt, Key::Up).await;
        in_both(&client, "page.querySelector('.k-price').compareDocumentPosition(page.querySelector('.k-summary')) & 4").await;
        // Published under a name.
        click(&client, ".head button", "Publish").await;
        find(&client, "form.dialog-sheet input").await.send_keys(&format!("Price first{}", Key::Enter)).await.unwrap();
        until(&client, "document.querySelector('[data-test=state]').textContent.includes('nothing changed')").await;
        press_with(&client, Key::Alt, Key::Down).await;
        in_both(&client, "page.querySelector('.k-summary').compareDocumentPosition(page.querySelector('.k-price')) & 4").await;

        click(&client, ".head button", "Page").await;
        click(&client, ".v-list-item", "History").await;
        click(&client, "[aria-label=History] li button", "Price first").await;
        until(&client, "document.querySelector('[aria-label=\"What differs\"]')?.textContent.includes('moved')").await;
        let then = "document.querySelector('[aria-label=History] iframe')?.contentDocument?.querySelector('.k-price')";
        until(&client, &format!("{then}?.compareDocumentPosition({then}.ownerDocument.querySelector('.k-summary')) & 4")).await;
        let moments = ask(&client, "[...document.querySelectorAll('[aria-label=History] .list li')].map(l => l.textContent).join(' | ')").await;
        assert_eq!(moments.as_str().unwrap().matches(" | ").count(), 3, "{moments}");
        click(&client, "[aria-label=History] button", "Bring it back").await;
        in_both(&client, "page.querySelector('.k-price').compareDocumentPosition(page.querySelector('.k-summary')) & 4").await;
        find(&client, "button[aria-label=Undo]:not(:disabled)").await.click().await.unwrap();
        in_both(&client, "page.querySelector('.k-summary').compareDocumentPosition(page.querySelector('.k-price')) & 4").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_preview_link_shows_the_draft_to_anyone_until_it_runs_out(pool: MySqlPool) {
    let site = Site::start(pool.clone()).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        find(&client, ".order button[aria-label^='Breadcrumb on wide']").await.click().await.unwrap();
        until(&client, &in_proof("Wide", "!page.querySelector('.k-breadcrumb')")).await;
        // Let go over a proof the menu stays, and an act is done once.
        ask(&client, "(() => { window.done = 0; addEventListener('click', e => e.target.closest('.v-list-item') && done++) })()").await;
        let button = MOUSE_BUTTON_LEFT;
        for (css, then) in [
            (".head [aria-haspopup=menu]", PointerAction::Down { button }),
            ("iframe[title='Proof, Wide']", PointerAction::Up { button }),
        ] {
            let element = find(&client, css).await;
            let to = PointerAction::MoveToElement { element, duration: None, x: 0.0, y: 0.0 };
            client.perform_actions(MouseActions::new("mouse".to_owned()).then(to).then(then)).await.unwrap();
        }
        until(&client, "document.querySelector('.v-list-item')?.closest('.v-overlay__content').getAnimations().length === 0").await;
        Hand::new(&client).click(".v-list-item", "Preview link").await;
        click(&client, "[aria-label='Preview link'] button", "Make a link").await;
        assert_eq!(ask(&client, "done").await, 1);
        until(&client, "document.querySelector('[aria-label=\"Preview link\"] input[readonly]')?.value.includes('/shop/preview/')").await;
        let link = ask(&client, "document.querySelector('[aria-label=\"Preview link\"] input[readonly]').value").await;
        let link = link.as_str().unwrap();

        let stranger = reqwest::Client::new();
        let seen = stranger.get(link).send().await.unwrap();
        assert_eq!(seen.status(), 200);
        assert_eq!(seen.headers()["x-robots-tag"], "noindex, nofollow");
        let page = seen.text().await.unwrap();
        assert!(page.contains("Preview, not yet in the shop.") && !page.contains("k-breadcrumb\""));
        assert!(!page.contains("data-piece"), "it is the shop's page, not a proof");
        let live = stranger.get(format!("{base}/shop/products/whimbrel")).send().await.unwrap().text().await.unwrap();
        assert!(live.contains("k-breadcrumb\""));

        sqlx::query("UPDATE preview_link SET expires_at = UTC_TIMESTAMP() - INTERVAL 1 MINUTE").execute(&pool).await.unwrap();
        let over = stranger.get(link).send().await.unwrap();
        assert_eq!(over.status(), 410);
        assert!(over.text().await.unwrap().contains("has run out"));
        let wrong = link.replace("/shop/preview/", "/shop/preview/x");
        assert_eq!(stranger.get(wrong).send().await.unwrap().status(), 404);
    })
    .await;
}

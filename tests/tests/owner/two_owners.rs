//! Two people at one desk, each in a browser of their own.

use compagina_tests::desk::{
    choose, click, hold_back_news, in_both, in_proof, kept, proofs_are_drawn, type_value,
};
use compagina_tests::{
    Browser, EMAIL, OTHER_EMAIL, OTHER_PASSWORD, PASSWORD, Screen, Site, ask, find, until,
};
use fantoccini::Client;
use serde_json::json;
use sqlx::MySqlPool;

async fn sit_down(client: &Client, base: &str, email: &str, password: &str) {
    Browser::sign_in_as(client, base, email, password).await;
    client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
    proofs_are_drawn(client).await;
}

async fn type_words(client: &Client, words: &str) {
    choose(client, "Buy button").await;
    type_value(client, "words:wide", words).await;
}

#[sqlx::test(migrations = false)]
async fn different_pieces_both_land_and_of_the_same_value_the_later_chooses(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |isla| async move {
        Browser::run(Screen::Wide, |tomas| async move {
            sit_down(&isla, &base, EMAIL, PASSWORD).await;
            sit_down(&tomas, &base, OTHER_EMAIL, OTHER_PASSWORD).await;
            let here = |name: &str| format!("document.querySelector('[data-test=here]')?.textContent.includes('{name}')");
            until(&isla, &here("Tomas Gale")).await;
            until(&tomas, &here("Isla Marram")).await;

            // What one does the other sees, without doing anything.
            choose(&isla, "Price").await;
            find(&isla, ".order button.phone[aria-label^='Breadcrumb on phones']").await.click().await.unwrap();
            until(&tomas, &in_proof("Phone", "page.querySelector('.k-breadcrumb').getBoundingClientRect().height === 0")).await;
            until(&tomas, "document.querySelector('.order .row .own.other')?.textContent === 'IM'").await;

            // Both at work on what they see: different pieces.
            hold_back_news(&tomas).await;
            find(&isla, ".order button.phone[aria-label^='Summary on phones']").await.click().await.unwrap();
            kept(&isla).await;
            until(&isla, &in_proof("Phone", "page.querySelector('.k-summary').getBoundingClientRect().height === 0")).await;
            find(&tomas, ".order button.phone[aria-label^='Promises on phones']").await.click().await.unwrap();
            until(&tomas, &in_proof("Phone", "page.querySelector('.k-promises').getBoundingClientRect().height === 0")).await;
            until(&tomas, &in_proof("Phone", "page.querySelector('.k-summary').getBoundingClientRect().height === 0")).await;
            until(&isla, &in_proof("Phone", "page.querySelector('.k-promises').getBoundingClientRect().height === 0")).await;

            // The same value: the later one is shown the earlier one's and chooses.
            type_words(&isla, "Fly it home").await;
            in_both(&isla, "page.querySelector('.k-buy-button .buy').innerText === 'Fly it home'").await;
            type_words(&tomas, "B").await;
            until(&tomas, "document.querySelector('[role=alertdialog]')?.textContent.includes('Isla Marram set this very value')").await;
            until(&tomas, "document.querySelector('[data-test=theirs]').textContent === 'Fly it home'").await;
            assert_eq!(ask(&tomas, "document.querySelector('[data-test=mine]').textContent").await, "B");
            click(&tomas, "[role=alertdialog] button", "Use mine").await;
            in_both(&tomas, "page.querySelector('.k-buy-button .buy').innerText === 'B'").await;
            in_both(&isla, "page.querySelector('.k-buy-button .buy').innerText === 'B'").await;
        })
        .await;
    })
    .await;
}

/// The first answer about the house style is held back once it has been read.
const READ_BEFORE: &str = r#"
    const at_once = window.fetch.bind(window);
    let first = true;
    window.fetch = async (wanted, options) => {
        const answer = await at_once(wanted, options);
        if (!String(wanted.url ?? wanted).endsWith("/api/house") || !first) return answer;
        first = false;
        await new Promise((go) => (window.deliver = go));
        return answer;
    };
    const Source = window.EventSource;
    window.EventSource = class extends Source {
        set onmessage(hear) {
            super.onmessage = (event) => { window.told ||= event.data.includes('"house"'); hear(event); };
        }
    };
"#;

#[sqlx::test(migrations = false)]
async fn what_somebody_changes_while_a_view_is_being_read_is_seen(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    Browser::run_with(Screen::Wide, READ_BEFORE, |client| async move {
        let client = &client;
        Browser::sign_in(client, &site.base).await;
        until(client, "document.querySelector('.shelf')").await;
        client.goto(&format!("{}/house-style", site.base)).await.unwrap();
        until(client, "window.deliver").await;
        let set = json!({ "revision": 0, "key": "type_0", "value": 23 });
        assert_eq!(owner.put("/api/house", &set).await.status(), 200);
        until(client, "window.told").await;
        ask(client, "window.deliver()").await;
        until(
            client,
            "document.querySelector('input[type=number][aria-labelledby=token-type_0]')?.value === '23'",
        )
        .await;
    })
    .await;
}

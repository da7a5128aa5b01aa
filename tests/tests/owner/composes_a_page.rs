//! An owner moves the price, changes the button's words, hides the breadcrumb on phones, goes back and forth, and
//! publishes.

use compagina_tests::desk::{
    choose, drag, in_both, in_proof, kept, open_desk, pick_value, press as keys, type_value,
};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use sqlx::MySqlPool;

const PRICE_FIRST: &str =
    "page.querySelector('.k-price').compareDocumentPosition(page.querySelector('.k-summary')) & 4";
const SUMMARY_FIRST: &str =
    "page.querySelector('.k-summary').compareDocumentPosition(page.querySelector('.k-price')) & 4";
const NEW_WORDS: &str = "page.querySelector('.k-buy-button .buy').innerText === 'Take it flying'";
const OLD_WORDS: &str = "page.querySelector('.k-buy-button .buy').innerText === 'Add to cart'";
const NO_CRUMBS: &str = "page.querySelector('.k-breadcrumb').getBoundingClientRect().height === 0";
const CRUMBS: &str = "page.querySelector('.k-breadcrumb').getBoundingClientRect().height > 0";

async fn make_three_edits(client: &Client) {
    choose(client, "Price").await;
    keys(client, &format!("{}{}{}", Key::Alt, Key::Up, Key::Alt)).await;
    in_both(client, PRICE_FIRST).await;

    choose(client, "Buy button").await;
    type_value(client, "words:wide", "Take it flying").await;
    in_both(client, NEW_WORDS).await;

    find(client, ".order button.phone[aria-label^='Breadcrumb on phones']").await.click().await.unwrap();
    until(client, &in_proof("Phone", NO_CRUMBS)).await;
    until(client, &in_proof("Wide", CRUMBS)).await;
    until(client, "document.querySelector('[data-test=state]').textContent.includes('3 changes not live')")
        .await;
}

#[sqlx::test(migrations = false)]
async fn three_edits_are_seen_undone_redone_and_published(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        in_both(&client, SUMMARY_FIRST).await;
        make_three_edits(&client).await;

        // What isn't published isn't seen in the shop.
        let shop =
            reqwest::get(format!("{base}/shop/products/whimbrel")).await.unwrap().text().await.unwrap();
        assert!(shop.contains("Add to cart") && !shop.contains("Take it flying"));

        for _ in 0..3 {
            find(&client, "button[aria-label=Undo]:not(:disabled)").await.click().await.unwrap();
        }
        in_both(&client, SUMMARY_FIRST).await;
        in_both(&client, OLD_WORDS).await;
        in_both(&client, CRUMBS).await;
        until(&client, "document.querySelector('[data-test=state]').textContent.includes('nothing changed')")
            .await;

        choose(&client, "Price").await;
        for _ in 0..3 {
            keys(&client, &format!("{}{}z{}{}", Key::Control, Key::Shift, Key::Shift, Key::Control)).await;
        }
        in_both(&client, PRICE_FIRST).await;
        in_both(&client, NEW_WORDS).await;
        until(&client, &in_proof("Phone", NO_CRUMBS)).await;

        let publish =
            "[...document.querySelectorAll('.head button')].find(b => b.textContent.trim() === 'Publish')";
        until(&client, &format!("!{publish}.disabled")).await;
        ask(&client, &format!("{publish}.click()")).await;
        find(&client, "[data-test=publish]").await.click().await.unwrap();
        until(&client, "document.querySelector('[data-test=state]').textContent.includes('nothing changed')")
            .await;
        let shop =
            reqwest::get(format!("{base}/shop/products/whimbrel")).await.unwrap().text().await.unwrap();
        assert!(shop.contains("Take it flying"));
        let (price, summary) = (shop.find("k-price").unwrap(), shop.find("k-summary").unwrap());
        assert!(price < summary, "the price stands above the summary");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_piece_is_found_added_copied_and_removed_by_keyboard(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/templates/1?product=carbon-spar")).await.unwrap();
        choose(&client, "Buy button").await;
        keys(&client, "a").await;
        find(&client, "[role=combobox]").await.send_keys(&format!("prom{}", Key::Enter)).await.unwrap();
        until(&client, "document.querySelectorAll('.order .row').length === 18").await;
        until(&client, "document.querySelector('.slip h2')?.textContent.includes('Promises')").await;
        keys(&client, "d").await;
        until(&client, "document.querySelectorAll('.order .row').length === 19").await;
        keys(&client, &Key::Delete.to_string()).await;
        until(&client, "document.querySelectorAll('.order .row').length === 18").await;
        keys(&client, "]").await;
        until(&client, "location.search.includes('connector-set')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_piece_is_dragged_into_another_column(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        in_both(&client, SUMMARY_FIRST).await;
        let row = find(&client, ".order .row[data-piece=p4]").await;
        let target = find(&client, ".order .row[data-piece=p2]").await;
        drag(&client, &row, &target, 0).await;
        until(&client, "document.querySelector('ol[data-column=c2-1] [data-piece=p4]')").await;
        in_both(&client, "page.querySelector('.k-summary').closest('.column').querySelector('.k-gallery')")
            .await;
    })
    .await;
}

/// Hands that hold still before they let go, as most do.
#[sqlx::test(migrations = false)]
async fn a_piece_held_still_before_it_is_let_go_stands_once_in_the_order_also_when_taken_back(
    pool: MySqlPool,
) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        let numbers = "[...document.querySelectorAll('.order .row .n')].map(n => n.textContent).join()";
        let pieces = "[...document.querySelectorAll('.order .row')].map(r => r.dataset.piece).join()";
        let (numbered, before) = (ask(&client, numbers).await, ask(&client, pieces).await);
        for still in [200, 600] {
            let row = find(&client, ".order .row[data-piece=p4]").await;
            let target = find(&client, ".order .row[data-piece=p2]").await;
            drag(&client, &row, &target, still).await;
            until(&client, "document.querySelector('ol[data-column=c2-1] [data-piece=p4]')").await;
            kept(&client).await;
            assert_eq!(ask(&client, numbers).await, numbered, "held for {still} ms");
            keys(&client, &format!("{}z{}", Key::Control, Key::Control)).await;
            until(&client, &format!("{pieces} === {before}")).await;
            assert_eq!(ask(&client, numbers).await, numbered, "taken back");
        }
    })
    .await;
}

/// What follows the click on the buy button is three actions away: its line, the value, and the choice.
#[sqlx::test(migrations = false)]
async fn three_actions_change_what_follows_the_click(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        choose(&client, "Buy button").await;
        pick_value(&client, "after:wide", "side cart").await;
        in_both(&client, "page.querySelector('input[name=after][value=side]')").await;
    })
    .await;
}

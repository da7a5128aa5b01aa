//! An owner keeps a band for other templates, and gives one piece the looks of another.

use compagina_tests::desk::{choose, click, in_both, open_desk, pick_value};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::key::Key;
use sqlx::MySqlPool;

#[sqlx::test(migrations = false)]
async fn a_band_is_kept_and_linked_on_another_page(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        click(&client, ".order .band", "tinted").await;
        find(&client, "[aria-label='Keep this band for other templates']").await.click().await.unwrap();
        let name = find(&client, "[aria-label='Kept band'] input").await;
        name.send_keys(&format!("The details{}", Key::Enter)).await.unwrap();
        until(&client, "document.querySelector('[aria-label=\"Kept as “The details”\"]')").await;

        client.goto(&format!("{base}/templates/1?product=connector-set")).await.unwrap();
        until(&client, "document.querySelectorAll('.order .band').length > 1").await;
        ask(&client, "[...document.querySelectorAll('.order .band')].at(-1).click()").await;
        find(&client, "[aria-label='Add a band below']").await.click().await.unwrap();
        click(&client, ".v-list-item", "“The details”, linked").await;
        until(&client, "document.querySelector('.order [data-piece=kept2-0-0]')").await;
        // It says where else it is.
        find(&client, "[aria-label='Kept as “The details”']").await.click().await.unwrap();
        until(&client, "document.querySelector('[aria-label=\"Kept band\"]')?.innerText.includes('changes in Sport kites too')").await;
        click(&client, "[aria-label='Kept band'] button", "Unlink it here").await;
        until(&client, "!document.querySelector('.order [data-piece=kept2-0-0]')").await;
        until(&client, "document.querySelector('[aria-label=\"Keep this band for other templates\"]')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_piece_takes_the_looks_of_another_of_its_kind_and_keeps_its_words(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        let lines = "document.querySelectorAll('.slip [aria-label=\"Looks of others of its kind\"]').length";
        choose(&client, "Promises").await;
        assert_eq!(ask(&client, lines).await, 0, "there is no other");
        find(&client, "[aria-label='Copy this piece']").await.click().await.unwrap();
        until(&client, "document.querySelector('.slip h2').textContent.includes('12 · Promises')").await;
        pick_value(&client, "align:wide", "centre").await;
        let centred = "[...page.querySelectorAll('.k-promises')].filter(e => view(e).textAlign === 'center').length";
        let centred = |count: u8| format!("(view => {centred} === {count})(e => page.defaultView.getComputedStyle(e.querySelector('li') ?? e))");
        in_both(&client, &centred(1)).await;
        find(&client, "[aria-label='Looks of others of its kind']").await.click().await.unwrap();
        click(&client, ".v-list-item", "Give it these looks").await;
        in_both(&client, &centred(2)).await;
    })
    .await;
}

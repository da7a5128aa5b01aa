//! The same work without a mouse, and the settings that the other tests don't touch.

use compagina_tests::desk::{
    click, open_desk as open, open_value, pick_value, press, press_with, value_says,
};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use sqlx::MySqlPool;

async fn alt(client: &Client, key: Key) {
    press_with(client, Key::Alt, key).await;
}

fn title_is(text: &str) -> String {
    format!("document.querySelector('.slip h2')?.textContent === '{text}'")
}

const ORDER: &str =
    "[...document.querySelectorAll('.order .what')].map(e => e.firstChild.textContent.trim()).join()";

#[sqlx::test(migrations = false)]
async fn walking_moving_and_going_back_by_keys(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base, "/templates/2?product=whimbrel").await;
        until(&client, &title_is("5 · Price")).await;
        press(&client, &format!("{}{}", Key::Up, Key::Up)).await;
        until(&client, &title_is("3 · Title")).await;
        // Up out of the column: to the end of the one before.
        alt(&client, Key::Up).await;
        until(&client, "document.querySelector('ol[data-column=c2-1] [data-piece=p3]')").await;
        alt(&client, Key::Down).await;
        until(&client, "document.querySelector('ol[data-column=c2-2] li[data-piece=p3]:first-child')").await;
        // Where it stands now is said aloud.
        let moved = "document.querySelector('[data-test=moved]').textContent";
        assert_eq!(ask(&client, moved).await, "Title: now 3 of 16, Two columns, 7 + 5");
        let start = ask(&client, ORDER).await;
        alt(&client, Key::Down).await;
        until(&client, &format!("{ORDER} !== '{}'", start.as_str().unwrap())).await;
        press(&client, &format!("{}z{}", Key::Control, Key::Control)).await;
        until(&client, &format!("{ORDER} === '{}'", start.as_str().unwrap())).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn proofs_are_shown_alone_and_keys_are_listed(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base, "/templates/2?product=whimbrel").await;
        for (key, frames) in [("1", "Proof, Wide"), ("2", "Proof, Phone"), ("3", "Proof, Wide+Proof, Phone")]
        {
            press(&client, key).await;
            until(
                &client,
                &format!(
                    "[...document.querySelectorAll('iframe')].map(f => f.title).join('+') === '{frames}'"
                ),
            )
            .await;
        }
        press(&client, "]").await;
        until(&client, "location.search === '?product=whimbrel-mini'").await;
        press(&client, "[").await;
        until(&client, "location.search === '?product=whimbrel'").await;
        press(&client, "?").await;
        until(&client, "document.querySelector('dl')?.textContent.includes('move the piece')").await;
        assert_eq!(ask(&client, "document.title").await, "Sport kites · Compagina");
        // Whoever doesn't want them to does nothing by letters alone any more, and arrows still walk.
        find(&client, ".dialog-sheet input[type=checkbox]").await.click().await.unwrap();
        click(&client, ".dialog-sheet button", "Close").await;
        until(&client, "!document.querySelector('.dialog-sheet')").await;
        let frames = "document.querySelectorAll('iframe[title^=Proof]').length";
        press(&client, "1").await;
        press(&client, &Key::Down.to_string()).await;
        until(&client, &title_is("6 · Siblings")).await;
        assert_eq!(ask(&client, frames).await, 2, "1 would have left the wide one alone");
        // Under one's name it is undone.
        find(&client, "button.who").await.click().await.unwrap();
        click(&client, ".v-list-item", "Keyboard shortcuts").await;
        find(&client, ".dialog-sheet input[type=checkbox]").await.click().await.unwrap();
        click(&client, ".dialog-sheet button", "Close").await;
        until(&client, "!document.querySelector('.dialog-sheet')").await;
        press(&client, "1").await;
        until(&client, &format!("{frames} === 1")).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_dialog_takes_the_keys_at_once_and_gives_them_back(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        let has_focus =
            async |what: &str| until(client, &format!("document.activeElement?.matches(`{what}`)")).await;
        Browser::sign_in(client, &base).await;
        client.goto(&format!("{base}/templates")).await.unwrap();
        // Its fields come once the templates are read, after the dialog; each time it opens anew.
        let opener = "[...document.querySelectorAll('button')].find(e => e.innerText === 'New product type')";
        until(client, opener).await;
        ask(client, &format!("{opener}.focus()")).await;
        let keys = async |keys: &str| find(client, ":focus").await.send_keys(keys).await.unwrap();
        for _ in 0..2 {
            keys(&Key::Enter.to_string()).await;
            has_focus("input[placeholder='Power kites']").await;
            keys(&format!("Foils{}", Key::Escape)).await;
            until(client, "!document.querySelector('.dialog-sheet')").await;
            until(client, &format!("document.activeElement === {opener}")).await;
        }
        // Where nothing is to be typed it begins at its act; opened from a menu, it ends at what opened the menu.
        client.goto(&format!("{base}/?find=whimbrel")).await.unwrap();
        find(client, "[aria-label='More about Whimbrel']").await.click().await.unwrap();
        click(client, ".v-list-item", "Remove").await;
        has_focus(".dialog-sheet [type=submit]").await;
        keys(&Key::Escape.to_string()).await;
        has_focus("[aria-label='More about Whimbrel']").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_band_is_added_filled_moved_and_removed(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base, "/templates/1?product=braided-line").await;
        find(&client, ".order section:nth-of-type(2) .band").await.click().await.unwrap();
        until(&client, &title_is("Band · Two columns, 6 + 6")).await;
        find(&client, "button[aria-label='Add a band below']").await.click().await.unwrap();
        let item = "[...document.querySelectorAll('.v-list-item')].find(i => i.textContent.trim() === 'Three columns')";
        until(&client, item).await;
        ask(&client, &format!("{item}.click()")).await;
        until(&client, &title_is("Band · Three columns, 4 + 4 + 4")).await;
        assert_eq!(ask(&client, "document.querySelectorAll('.order .nothing').length").await, 3);
        find(&client, ".order .nothing button").await.click().await.unwrap();
        find(&client, "[role=combobox]").await.send_keys(&format!("summ{}", Key::Enter)).await.unwrap();
        until(&client, "document.querySelectorAll('.order .nothing').length === 2").await;
        until(&client, "document.querySelector('iframe').contentDocument.querySelectorAll('.k-summary').length === 2").await;
        find(&client, ".order section:nth-of-type(3) .band").await.click().await.unwrap();
        until(&client, &title_is("Band · Three columns, 4 + 4 + 4")).await;
        alt(&client, Key::Up).await;
        until(&client, "document.querySelector('.order section:nth-of-type(2) .band').textContent.includes('Three')").await;
        press(&client, &Key::Delete.to_string()).await;
        until(&client, "document.querySelectorAll('.order .nothing').length === 0").await;
        until(&client, "document.querySelector('iframe').contentDocument.querySelectorAll('.k-summary').length === 1").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn lines_and_values_for_phones_are_typed_and_told_apart(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base, "/templates/2?product=whimbrel").await;
        find(&client, ".order .row[data-piece=p10] .what").await.click().await.unwrap();
        until(&client, &title_is("11 · Promises")).await;
        open_value(&client, "lines:wide").await;
        let lines = find(&client, ".slip .long textarea").await;
        lines.send_keys(&format!("{}{}{}Free advice", Key::Control, Key::End, Key::Control)).await.unwrap();
        lines.send_keys(&format!("{}By letter", Key::Enter)).await.unwrap();
        let phone = "document.querySelector('iframe[title=\"Proof, Phone\"]').contentDocument";
        until(&client, &format!("{phone}.querySelectorAll('.k-promises li').length === 4")).await;
        until(&client, "document.querySelector('.order .row[data-piece=p10] em').textContent === '4 lines'").await;

        pick_value(&client, "mark:phone", "dot").await;
        let mark = |frame: &str| format!("getComputedStyle(document.querySelector('iframe[title=\"Proof, {frame}\"]').contentDocument.querySelector('.k-promises li'), '::before').content");
        until(&client, &format!("{} === '\"•\"'", mark("Phone"))).await;
        assert_eq!(ask(&client, &mark("Wide")).await, "\"✓\"");
        until(&client, &format!("{} === 'dot'", value_says("mark:phone"))).await;
        assert_ne!(ask(&client, &value_says("mark:wide")).await, "dot");
        until(&client, "document.querySelector('.order .row[data-piece=p10] .own').textContent === '2 own'").await;
    })
    .await;
}

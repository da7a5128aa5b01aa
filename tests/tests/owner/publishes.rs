//! What is seldom done with a draft, in a real browser: published under a name or at a time, taken back, had again. Shown on
//! the house style; the other drafts have the same.

use compagina_tests::desk::{click, type_into};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use sqlx::MySqlPool;

const STATE: &str = "document.querySelector('[data-test=state]').textContent";

/// Sets the colour of buttons in the draft.
async fn colour(client: &Client, colour: &str) {
    click(client, ".house nav button", "Buttons").await;
    let field = find(client, ".token input[aria-labelledby=token-button_idle]:not([type])").await;
    field.send_keys(&format!("{}a{}{colour}{}", Key::Control, Key::Control, Key::Enter)).await.unwrap();
    until(client, &format!("{STATE}.includes('not live')")).await;
}

/// Chooses one of the acts that are seldom needed.
async fn act(client: &Client, title: &str) {
    find(client, "[aria-label='More about publishing']").await.click().await.unwrap();
    click(client, ".v-list-item", title).await;
}

async fn is_live(client: &Client) {
    until(client, &format!("{STATE}.includes('nothing changed')")).await;
}

#[sqlx::test(migrations = false)]
async fn a_draft_is_published_under_a_name_planned_taken_back_and_had_again(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let shop = async || {
            let page = reqwest::get(format!("{base}/shop/products/whimbrel")).await.unwrap();
            let page = page.text().await.unwrap();
            page.split("--button:").nth(1).and_then(|rest| rest.get(..7)).unwrap_or_default().to_owned()
        };
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/house-style")).await.unwrap();
        is_live(&client).await;
        // Nothing was published yet: there is nothing to take back, and the history says so.
        find(&client, "[aria-label='More about publishing']").await.click().await.unwrap();
        let disabled =
            "[...document.querySelectorAll('.v-list-item--disabled')].map(i => i.innerText).join()";
        until(&client, &format!("{disabled}.includes('Take the last publication back')")).await;
        assert!(ask(&client, disabled).await.as_str().unwrap().contains("Publish under a name"));
        click(&client, ".v-list-item", "What was published").await;
        until(
            &client,
            "document.querySelector('.dialog-sheet')?.innerText.includes('Nothing was published yet')",
        )
        .await;
        click(&client, ".dialog-sheet button", "Close").await;
        until(&client, "!document.querySelector('.dialog-sheet')").await;

        colour(&client, "#AA3300").await;
        act(&client, "Publish under a name").await;
        type_into(&client, ".dialog-sheet input[maxlength]", "Autumn").await;
        click(&client, ".dialog-sheet button", "Publish").await;
        is_live(&client).await;
        assert_eq!(shop().await, "#AA3300");

        // A time that is over is refused where it is typed; one to come is kept until it is given up.
        colour(&client, "#0033AA").await;
        let when = ".dialog-sheet .moment input";
        act(&client, "Publish under a name").await;
        // What is no day is told beside it, and isn't sent.
        type_into(&client, when, "when the wind turns\u{e004}").await;
        until(
            &client,
            "document.querySelector('.dialog-sheet [role=alert]')?.innerText.includes('Write it as')",
        )
        .await;
        type_into(&client, when, "2020-01-01 9:00\u{e004}").await;
        click(&client, ".dialog-sheet button", "Publish then").await;
        until(
            &client,
            "document.querySelector('.dialog-sheet [role=alert]')?.innerText.includes('this time is over')",
        )
        .await;
        // Typed; another day is picked from the calendar, and the time stays.
        type_into(&client, when, "9 January 2099, 9:00\u{e004}").await;
        click(&client, ".dialog-sheet .calendar", "").await;
        click(&client, ".v-date-picker button", "24").await;
        until(&client, &format!("document.querySelector('{when}').value === '24 January 2099, 09:00'")).await;
        click(&client, ".dialog-sheet button", "Publish then").await;
        until(&client, "document.querySelector('[data-test=planned]')?.innerText.includes('Goes live')")
            .await;
        assert_eq!(shop().await, "#AA3300", "shoppers see nothing of it yet");
        click(&client, "[data-test=planned] button", "Call it off").await;
        until(&client, "!document.querySelector('[data-test=planned]')").await;

        click(&client, ".house .view-head button", "Publish").await;
        is_live(&client).await;
        assert_eq!(shop().await, "#0033AA");
        act(&client, "Take the last publication back").await;
        until(&client, &format!("{STATE}.includes('not live')")).await;
        assert_eq!(shop().await, "#AA3300", "what was live before is live again, and the draft stays");

        // What it was at the very beginning becomes the draft, a step that can be undone.
        act(&client, "What was published").await;
        let lines = "[...document.querySelectorAll('.dialog-sheet li')].map(line => line.innerText)";
        until(&client, &format!("{lines}.length > 2 && {lines}.some(line => line.includes('Autumn'))")).await;
        until(&client, &format!("{lines}[0].includes('live now')")).await;
        let last = "[...document.querySelectorAll('.dialog-sheet li button')].at(-1)";
        until(&client, last).await;
        ask(&client, &format!("{last}.click()")).await;
        click(&client, ".dialog-sheet button", "Close").await;
        let field =
            "document.querySelector('.token input[aria-labelledby=token-button_idle]:not([type])').value";
        until(&client, &format!("{field} !== '#0033AA' && {field} !== '#AA3300'")).await;
        find(&client, ".house [aria-label=Undo]:not(:disabled)").await.click().await.unwrap();
        until(&client, &format!("{field} === '#0033AA'")).await;
    })
    .await;
}

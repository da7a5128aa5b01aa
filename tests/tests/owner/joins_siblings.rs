//! Products that belong together, joined on the shelf.

use compagina_tests::{Browser, OTHER_EMAIL, OTHER_PASSWORD, Owner, Screen, Site, ask, find, json_of, until};
use fantoccini::Client;
use fantoccini::actions::{
    InputSource, KeyAction, KeyActions, MOUSE_BUTTON_LEFT, MouseActions, PointerAction,
};
use fantoccini::key::Key;
use serde_json::json;
use sqlx::MySqlPool;

/// Lets the demo's kites be single products.
async fn parted(owner: &Owner) {
    let sets = json_of(owner.get("/api/products/whimbrel/siblings").await).await;
    let id = &sets["sets"][0]["id"];
    assert!(owner.delete(&format!("/api/siblings/{id}")).await.status().is_success());
}

/// Clicks while the shift key is held.
async fn click_with_shift(client: &Client, css: &str) {
    let (shift, element) = (char::from(Key::Shift), find(client, css).await);
    let keys = || KeyActions::new("keys".to_owned());
    client.perform_actions(keys().then(KeyAction::Down { value: shift })).await.unwrap();
    let click = MouseActions::new("mouse".to_owned())
        .then(PointerAction::MoveToElement { element, duration: None, x: 0.0, y: 0.0 })
        .then(PointerAction::Down { button: MOUSE_BUTTON_LEFT })
        .then(PointerAction::Up { button: MOUSE_BUTTON_LEFT });
    client.perform_actions(click).await.unwrap();
    client.perform_actions(keys().then(KeyAction::Up { value: shift })).await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn six_kites_are_joined_in_four_actions_and_lead_to_one_another(pool: MySqlPool) {
    let site = Site::start(pool).await;
    parted(&site.owner().await).await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &site.base).await;
        client.goto(&site.at("/")).await.unwrap();
        until(client, "document.querySelectorAll('.shelf .choose').length > 10").await;
        // 1 and 2: from the first to the sixth. 3: make siblings. 4: join them.
        let tick = |at: usize| format!(".shelf section li:nth-of-type({at}) .choose input");
        find(client, &tick(1)).await.click().await.unwrap();
        click_with_shift(client, &tick(6)).await;
        until(client, "document.querySelector('.chosen-bar b').textContent === '6 products chosen'").await;
        find(client, ".chosen-bar .v-btn").await.click().await.unwrap();
        until(client, "document.querySelectorAll('.dialog-sheet ol li').length === 6").await;
        until(client, "document.querySelector('.dialog-sheet [type=submit]:not([disabled])')").await;
        find(client, ".dialog-sheet [type=submit]").await.click().await.unwrap();
        until(client, "!document.querySelector('.dialog-sheet') && !document.querySelector('.chosen-bar')")
            .await;
        until(client, "document.querySelector('.shelf .rooms button')?.textContent.trim() === '6 siblings'")
            .await;

        // A shopper goes from one to another, and what was chosen goes along.
        client.goto(&site.at("/shop/products/whimbrel")).await.unwrap();
        find(client, "label:has([name=colour][value=tide])").await.click().await.unwrap();
        let mini = ".k-siblings a[href*='whimbrel-mini']";
        until(client, &format!("document.querySelector(\"{mini}\").search === '?colour=tide'")).await;
        find(client, mini).await.click().await.unwrap();
        until(client, "location.pathname.endsWith('/whimbrel-mini') && location.search === '?colour=tide'")
            .await;
        let here = "document.querySelector('.k-siblings [aria-current]').innerText";
        assert_eq!(ask(client, here).await, json!("Whimbrel Mini"));
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_set_is_put_in_order_named_coloured_and_taken_back(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &site.base).await;
        client.goto(&site.at("/")).await.unwrap();
        until(client, "document.querySelector('.shelf .rooms button')").await;
        find(client, ".shelf .rooms button").await.click().await.unwrap();
        until(client, "document.querySelectorAll('.dialog-sheet ol li').length === 6").await;
        let row = |at: usize| format!(".dialog-sheet ol li:nth-of-type({at})");
        let label = find(client, &format!("{} input", row(2))).await;
        label.clear().await.unwrap();
        label.send_keys("Ember").await.unwrap();
        // Moved up by its button; its label leads to what the swatch book has for it, once that is asked.
        find(client, &format!("{} .tool", row(2))).await.click().await.unwrap();
        let shown = format!("document.querySelector('{} .swatch-dot').style.background", row(1));
        until(
            client,
            &format!(
                "/linear-gradient|url/.test({shown}) && document.querySelector('{} input').value === 'Ember'",
                row(1)
            ),
        )
        .await;
        // Another one shows a colour of its own.
        find(client, &format!("{} .shows", row(3))).await.click().await.unwrap();
        until(client, "document.querySelectorAll('.v-menu .tick').length === 3").await;
        ask(client, "document.querySelectorAll('.v-menu .tick input')[1].click()").await;
        // While the menu comes into sight it can't be pointed at.
        let at_hand = "(field => field && getComputedStyle(field).pointerEvents !== 'none')(document.querySelector('.v-menu .colour input:not([type])'))";
        until(client, at_hand).await;
        let colour = find(client, ".v-menu .colour input:not([type])").await;
        colour.clear().await.unwrap();
        colour.send_keys("#123456\u{e007}").await.unwrap();
        let dot = format!("document.querySelector('{} .swatch-dot').style.background", row(3));
        until(client, &format!("{dot}.includes('rgb(18, 52, 86)')")).await;
        client.active_element().await.unwrap().send_keys("\u{e00c}").await.unwrap();
        until(client, "!document.querySelector('.v-menu .tick')").await;
        find(client, ".dialog-sheet .tick input").await.click().await.unwrap();
        find(client, ".dialog-sheet [type=submit]").await.click().await.unwrap();
        until(client, "!document.querySelector('.dialog-sheet')").await;
        let sets = json_of(owner.get("/api/products/whimbrel/siblings").await).await;
        let set = &sets["sets"][0];
        assert_eq!(set["one_card"], true);
        assert_eq!(set["members"][0]["product"], "whimbrel-mini");
        assert_eq!(set["members"][0]["label"], "Ember");
        assert_ne!(set["members"][0]["from"], "variant");
        assert_eq!(set["members"][2]["swatch"], json!({ "kind": "colours", "colours": ["#123456"] }));
        // Taken back where products are, once the step has come there.
        until(client, "!document.querySelector('.journal button').disabled").await;
        ask(client, "document.querySelector('.journal button').click()").await;
        until(client, "!document.querySelector('.journal button:nth-of-type(2)').disabled").await;
        let sets = json_of(owner.get("/api/products/whimbrel/siblings").await).await;
        assert_eq!(
            (&sets["sets"][0]["one_card"], &sets["sets"][0]["members"][0]["label"]),
            (&json!(false), &json!("Whimbrel"))
        );
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn who_comes_second_to_a_set_is_told_and_chooses(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let tomas = site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &site.base).await;
        client.goto(&site.at("/")).await.unwrap();
        until(client, "document.querySelector('.shelf .rooms button')").await;
        let theirs = async |label: &str| {
            let sets = json_of(tomas.get("/api/products/whimbrel/siblings").await).await;
            let members = json!([{ "product": "whimbrel", "label": label }, { "product": "dunlin", "label": "Dunlin" }]);
            let body = json!({ "name": "Kite", "members": members });
            json_of(tomas.put(&format!("/api/siblings/{}", sets["sets"][0]["id"]), &body).await).await
        };
        let label = ".dialog-sheet ol li:nth-of-type(1) input";
        let mine = async || {
            let field = find(client, label).await;
            field.clear().await.unwrap();
            field.send_keys("Big one").await.unwrap();
            find(client, ".dialog-sheet [type=submit]").await.click().await.unwrap();
            until(client, "document.querySelector('.dialog-sheet .note')?.innerText.includes('Tomas')").await;
        };
        find(client, ".shelf .rooms button").await.click().await.unwrap();
        until(client, "document.querySelectorAll('.dialog-sheet ol li').length === 6").await;
        theirs("The large one").await;
        mine().await;
        // What was typed is still there; theirs comes in its place when it is left.
        let shown = format!("document.querySelector('{label}').value");
        assert_eq!(ask(client, &shown).await, json!("Big one"));
        find(client, ".dialog-sheet .note button:nth-of-type(2)").await.click().await.unwrap();
        until(client, &format!("{shown} === 'The large one' && document.querySelectorAll('.dialog-sheet ol li').length === 2")).await;
        // The next time one's own is put in place of theirs.
        theirs("The largest").await;
        mine().await;
        find(client, ".dialog-sheet .note button:nth-of-type(1)").await.click().await.unwrap();
        until(client, "!document.querySelector('.dialog-sheet')").await;
        let sets = json_of(tomas.get("/api/products/whimbrel/siblings").await).await;
        assert_eq!(sets["sets"][0]["members"][0]["label"], "Big one");
    })
    .await;
}

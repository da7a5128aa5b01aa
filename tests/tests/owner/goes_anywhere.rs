//! From wherever one is to wherever one wants, by name or in two clicks.

use compagina_tests::desk::{click, press_with};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use sqlx::MySqlPool;

/// Opens the list, types some letters and takes the first that is found.
async fn go(client: &Client, letters: &str, first: &str) {
    press_with(client, Key::Control, "k").await;
    let field = find(client, "input[aria-label='Go to']").await;
    field.send_keys(letters).await.unwrap();
    until(client, &format!("document.querySelector('#anywhere-list li')?.innerText.startsWith('{first}')"))
        .await;
    field.send_keys(&Key::Enter.to_string()).await.unwrap();
    until(client, "!document.querySelector('#anywhere-list')").await;
}

#[sqlx::test(migrations = false)]
async fn everything_that_has_a_name_is_a_few_letters_away(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &site.base).await;
        until(&client, "document.querySelector('.shelf')").await;
        go(&client, "wor", "Wording").await;
        until(&client, "location.pathname === '/wording'").await;
        go(&client, "whimbrel", "Whimbrel").await;
        until(&client, "location.pathname === '/templates/2' && location.search === '?product=whimbrel'")
            .await;
        until(&client, "document.querySelector('.order .row')").await;
        go(&client, "lines by", "Lines by the number").await;
        until(&client, "location.pathname === '/prices' && document.querySelector('.panel')").await;

        // Of few products their views are there too; arrows walk, and nothing is said in a sentence.
        press_with(&client, Key::Control, "k").await;
        let field = find(&client, "input[aria-label='Go to']").await;
        field.send_keys("zzz").await.unwrap();
        until(
            &client,
            "document.querySelector('.go-anywhere')?.innerText.includes('Nothing here is called so')",
        )
        .await;
        field.send_keys(&format!("{}a{}dunlin", Key::Control, Key::Control)).await.unwrap();
        until(&client, "document.querySelectorAll('#anywhere-list li').length === 4").await;
        field.send_keys(&format!("{}{}{}", Key::Down, Key::Down, Key::Enter)).await.unwrap();
        until(&client, "location.pathname === '/products/dunlin/variants'").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn every_view_is_two_clicks_away_and_says_where_it_stands(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &site.base).await;
        until(&client, "document.querySelector('.shelf')").await;
        assert_eq!(ask(&client, "document.querySelectorAll('nav[aria-label=Views]').length").await, 0);
        let ways = [
            ("House style", "/house-style"),
            ("Swatch book", "/swatch-book"),
            ("Pictures", "/pictures"),
            ("Wording", "/wording"),
        ];
        for (view, path) in ways {
            click(&client, "nav[aria-label=Places] a", "Looks").await;
            click(&client, "nav[aria-label=Views] a", view).await;
            until(&client, &format!("location.pathname === '{path}'")).await;
            until(
                &client,
                &format!("document.querySelector('nav[aria-label=Views] .within')?.innerText === '{view}'"),
            )
            .await;
            until(&client, "document.querySelector('nav[aria-label=Places] .within')?.innerText === 'Looks'")
                .await;
        }
        // The views of a product lead to each other.
        client.goto(&format!("{}/products/whimbrel/texts", site.base)).await.unwrap();
        for (view, path) in [("Variants", "variants"), ("Pictures", "pictures"), ("Texts and facts", "texts")]
        {
            click(&client, "nav[aria-label=Views] a", view).await;
            until(&client, &format!("location.pathname === '/products/whimbrel/{path}'")).await;
        }
        until(&client, "document.querySelector('nav[aria-label=Places] .within')?.innerText === 'Shelf'")
            .await;
    })
    .await;
}

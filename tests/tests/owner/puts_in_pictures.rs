//! A product's pictures, from the files on a disk to the page.

use compagina_tests::desk::kept;
use compagina_tests::pictures::photograph;
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::key::Key;
use serde_json::json;
use sqlx::MySqlPool;

#[sqlx::test(migrations = false)]
async fn files_are_put_in_given_their_choices_described_and_ordered(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    let folder = std::env::temp_dir().join(format!("compagina-pictures-{}", std::process::id()));
    std::fs::create_dir_all(&folder).unwrap();
    let names = ["dusk-1.jpg", "ember.jpg", "plain.jpg", "diary.png"];
    let paths = names.map(|name| {
        let bytes = if name == "diary.png" {
            b"Dear diary".to_vec()
        } else {
            photograph(800, 600, u32::from(name.as_bytes()[0]))
        };
        std::fs::write(folder.join(name), bytes).unwrap();
        folder.join(name).display().to_string()
    });
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/products/knot/pictures")).await.unwrap();
        until(&client, "document.body.innerText.includes('No pictures yet.')").await;
        client.goto(&format!("{base}/products/whimbrel/pictures")).await.unwrap();
        let cards = "document.querySelectorAll('.grid .card').length";
        until(&client, &format!("{cards} === 16")).await;

        // Four files at once: three land, one says why not.
        find(&client, "input[type=file][multiple]").await.send_keys(&paths.join("\n")).await.unwrap();
        until(&client, &format!("{cards} === 19")).await;
        until(&client, "document.querySelector('.uploads .failed')?.innerText.includes('“diary.png” wasn\\'t taken')").await;
        find(&client, ".uploads .failed button").await.click().await.unwrap();
        until(&client, "!document.querySelector('.uploads')").await;
        until(&client, "document.querySelectorAll('.grid .card .pane > img').length === 19").await;

        // Two file names speak of colours.
        until(&client, "document.querySelector('.proposal')?.innerText.includes('2 files')").await;
        find(&client, ".proposal button").await.click().await.unwrap();
        until(&client, "!document.querySelector('.proposal')").await;
        let words = |nth: u32| format!("document.querySelector('.grid .card:nth-child({nth}) .line .words').innerText");
        until(&client, &format!("{} === 'Dusk' && {} === 'Ember' && {} === 'every choice'", words(17), words(18), words(19))).await;

        // Several at once, by Shift; then one of them is told about.
        ask(&client, "document.querySelector('.grid .card:nth-child(17) button').click()").await;
        ask(&client, "document.querySelector('.grid .card:nth-child(19) button').dispatchEvent(new MouseEvent('click', { bubbles: true, shiftKey: true }))").await;
        until(&client, "document.querySelector('.panel h2').innerText === '3 pictures'").await;
        ask(&client, "[...document.querySelectorAll('.panel .value')].find(v => v.innerText === 'Tide').click()").await;
        until(&client, &format!("{} === 'Dusk, Tide' && {} === 'Tide'", words(17), words(19))).await;
        ask(&client, "document.querySelector('.grid .card:nth-child(19) button').click()").await;
        let alt = find(&client, ".panel textarea").await;
        alt.send_keys(&format!("The Whimbrel by itself{}", Key::Enter)).await.unwrap();
        until(&client, "document.querySelector('.grid .card:nth-child(19)').innerText.includes('The Whimbrel by itself')").await;
        let point = find(&client, ".point").await;
        ask(&client, "document.querySelector('.point').focus()").await;
        point.send_keys(&format!("{}", Key::Left)).await.unwrap();
        until(&client, "document.querySelector('.point i').style.left === '47.5%'").await;

        // To the front by keyboard, and there it is on the page.
        for place in (2..=19).rev() {
            let card = find(&client, &format!(".grid .card:nth-child({place}) button")).await;
            card.send_keys(&format!("{}{}", Key::Alt, Key::Left)).await.unwrap();
            until(&client, &format!("document.querySelector('.grid .card:nth-child({}) button').innerText.includes('The Whimbrel by itself')", place - 1)).await;
        }
        until(&client, "!document.querySelector('.problem')?.innerText").await;
        kept(&client).await;
        client.goto(&format!("{base}/shop/products/whimbrel?colour=tide&sail=1-6-m")).await.unwrap();
        assert_eq!(ask(&client, "document.querySelector('.slide img').alt").await, json!("The Whimbrel by itself"));
    })
    .await;
    std::fs::remove_dir_all(folder).unwrap();
}

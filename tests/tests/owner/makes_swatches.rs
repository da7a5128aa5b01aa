//! Drop-down lists become swatches for the whole shop, from files on a disk.

use compagina_tests::desk::click;
use compagina_tests::pictures::photograph;
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use sqlx::MySqlPool;
use std::path::Path;

/// Seven with the names of values however they are written, three that are nearly right, one double, one of nothing.
const FILES: [&str; 12] = [
    "ember.png",
    "DUSK.png",
    "_Tide_.png",
    "fern.png",
    "Chálk.png",
    "slate.png",
    "Storm.png",
    "safron.png",
    "heather cloth.png",
    "brackn.png",
    "Ember.png",
    "IMG_2041.png",
];

/// The colours are chosen from lists and have nothing to show.
async fn lists_only(pool: &MySqlPool) {
    for statement in [
        "UPDATE shop_option SET way_page = 'list', way_card = 'list', way_quick = 'list' WHERE handle = 'colour'",
        "UPDATE option_value v JOIN shop_option o ON o.id = v.option_id SET v.swatch = NULL WHERE o.handle = 'colour'",
        "DELETE FROM swatch_file",
        "UPDATE option_value SET file_hash = NULL",
        "INSERT INTO change_note (product_id) VALUES (NULL)",
    ] {
        sqlx::query(statement).execute(pool).await.unwrap();
    }
}

async fn write_files(folder: &Path) -> String {
    std::fs::create_dir_all(folder).unwrap();
    let paths = (0u32..).zip(FILES).map(|(seed, name)| {
        // JPEG under the name of a PNG would be refused.
        let name = name.replace(".png", ".jpg");
        std::fs::write(folder.join(&name), photograph(300, 240, seed)).unwrap();
        folder.join(name).display().to_string()
    });
    paths.collect::<Vec<_>>().join("\n")
}

async fn clothes(client: &Client, base: &str, path: &str, within: &str) -> serde_json::Value {
    client.goto(&format!("{base}{path}")).await.unwrap();
    let all = format!("[...document.querySelectorAll('{within} .cloth')]");
    let count = format!("{all}.filter(c => c.style.background.includes('/media/')).length");
    ask(client, &count).await
}

#[sqlx::test(migrations = false)]
async fn lists_become_swatches_in_five_actions(pool: MySqlPool) {
    let site = Site::start(pool.clone()).await;
    lists_only(&pool).await;
    let base = site.base.clone();
    let folder = std::env::temp_dir().join(format!("compagina-swatches-{}", std::process::id()));
    let paths = write_files(&folder).await;
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        until(&client, "document.querySelector('.shelf')").await;
        // 1 and 2: from the shelf to the shop's looks and into the book, where Colour is open.
        click(&client, "nav a", "Looks").await;
        click(&client, "nav a", "Swatch book").await;
        until(&client, "document.querySelectorAll('.fan > li').length === 11").await;
        // 3: pages and cards at once.
        ask(&client, "[...document.querySelectorAll('.way button')].find(b => b.innerText === 'Swatches').click()").await;
        until(&client, "document.querySelectorAll('.fan .signal').length === 10").await;
        // 4: twelve files; a person drops them, the test gives them to the same field.
        find(&client, "input[type=file][multiple]").await.send_keys(&paths).await.unwrap();
        let says = "document.querySelector('.matches [role=status]')?.innerText";
        until(&client, &format!("{says}?.startsWith('7 in use · 3 nearly right · 1 doubled · 1 left over')")).await;
        // 5: those that are nearly right.
        ask(&client, "[...document.querySelectorAll('.matches .head button')].find(b => b.innerText.startsWith('Take all 3')).click()").await;
        until(&client, &format!("{says}?.startsWith('10 in use · 0 nearly right · 1 doubled · 1 left over')")).await;
        until(&client, "document.querySelectorAll('.fan .signal').length === 0").await;

        // The double says which file is shown, and the other can be had.
        until(&client, "document.querySelector('.wants')?.innerText.includes('also Ember')").await;
        ask(&client, "[...document.querySelectorAll('.wants button')].find(b => b.innerText === 'Use this one').click()").await;
        until(&client, "document.querySelector('.wants')?.innerText.includes('also Ember, which shows Ember.jpg')").await;
        // What means nothing is put aside.
        ask(&client, "[...document.querySelectorAll('.wants')].at(-1).querySelector('button').click()").await;
        until(&client, "document.querySelectorAll('.wants').length === 1").await;

        assert_eq!(clothes(&client, &base, "/shop/products/whimbrel", "fieldset:has(input)").await, 5);
        assert!(clothes(&client, &base, "/shop", ".on-card").await.as_u64().unwrap() >= 10, "cards show them too");
    })
    .await;
    std::fs::remove_dir_all(folder).unwrap();
}

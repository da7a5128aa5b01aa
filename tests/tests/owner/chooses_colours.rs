//! Paper or dark, as the system has it or as one chooses under one's name; proofs stay as shoppers see them.

use compagina_tests::desk::{click, in_both, open_desk, proofs_are_drawn};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use sqlx::MySqlPool;

const GROUND: &str = "getComputedStyle(document.querySelector('.slip')).backgroundColor";

/// Chooses a set of colours in the menu under one's name.
async fn choose(client: &Client, words: &str) {
    find(client, ".bar .who").await.click().await.unwrap();
    click(client, ".v-list-item", words).await;
}

#[sqlx::test(migrations = false)]
async fn dark_is_chosen_kept_and_leaves_the_proofs_as_they_are(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &site.base, "/templates/2?product=whimbrel").await;
        let page = "page.defaultView.getComputedStyle(page.body).backgroundColor";
        let white = ask(&client, &compagina_tests::desk::in_proof("Wide", page)).await;
        let (paper, white) = (ask(&client, GROUND).await, white.as_str().unwrap().to_owned());
        choose(&client, "Dark").await;
        until(&client, &format!("{GROUND} !== {paper}")).await;
        in_both(&client, &format!("{page} === '{white}'")).await;

        // It stays when the application is opened again, and the system's wish is heeded again once it is chosen.
        client.refresh().await.unwrap();
        proofs_are_drawn(&client).await;
        until(&client, &format!("{GROUND} !== {paper}")).await;
        in_both(&client, &format!("{page} === '{white}'")).await;
        choose(&client, "as the system has them").await;
        until(&client, &format!("{GROUND} === {paper}")).await;
    })
    .await;
}

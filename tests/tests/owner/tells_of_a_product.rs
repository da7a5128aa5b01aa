//! An owner writes what is told of a product, coming from the desk where it is read.

use compagina_tests::desk::{choose, click, in_both, open_desk, proofs_are_drawn, type_into};
use compagina_tests::{Browser, Screen, Site, ask, find, json_of, until};
use fantoccini::Client;
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn state(client: &Client, says: &str) {
    until(client, &format!("document.querySelector('.texts [data-test=state]')?.innerText === '{says}'"))
        .await;
}

#[sqlx::test(migrations = false)]
async fn a_summary_a_text_and_a_fact_are_written_and_read(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=sanderling").await;
        choose(&client, "Summary").await;
        click(&client, ".slip a", "What this product says here").await;
        until(&client, "location.pathname === '/products/sanderling/texts'").await;
        state(&client, "As shoppers read them").await;
        let summary = "document.querySelector('.texts textarea')";
        assert_eq!(ask(&client, "document.querySelector('.texts [type=submit]').disabled").await, true);
        type_into(&client, ".texts textarea", "Runs along the tide line.").await;
        state(&client, "Not kept yet").await;
        click(&client, "[aria-label=Texts] button", "Add a text").await;
        let write = async |placeholder: &str, words: &str| {
            until(&client, &format!("document.activeElement.placeholder === '{placeholder}'")).await;
            client.active_element().await.unwrap().send_keys(words).await.unwrap();
        };
        write("Title", "Launching").await;
        let text = "[data-group=details] > li:last-child textarea";
        type_into(&client, text, "Let out ten metres.").await;
        click(&client, "[aria-label=Facts] button", "Add a fact").await;
        write("Name", "Bridle").await;
        type_into(&client, "[data-group=facts] > li:last-child input:nth-child(2)", "Three legs").await;
        click(&client, "[data-group=facts] > li:last-child button", "").await;
        find(&client, ".texts [type=submit]").await.click().await.unwrap();
        state(&client, "As shoppers read them").await;
        let page = "document.querySelector('.texts figure iframe')?.contentDocument?.body.innerText";
        until(&client, &format!("{page}?.includes('Runs along the tide line.')")).await;

        // What isn't kept yet is kept on the way out.
        type_into(&client, ".texts textarea", "Runs ahead of the tide.").await;
        client.execute("history.back()", vec![]).await.unwrap();
        until(&client, "location.pathname === '/templates/2'").await;
        proofs_are_drawn(&client).await;
        in_both(&client, "page.querySelector('.k-summary').innerText.includes('Runs ahead of the tide.')")
            .await;
        in_both(&client, "page.querySelector('.facts').innerText.includes('Three legs')").await;
        in_both(&client, "page.querySelector('.k-details').textContent.includes('Let out ten metres.')")
            .await;
        assert_eq!(ask(&client, summary).await, Value::Null);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_cant_be_kept_stays_in_the_form_with_the_reason(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (base, owner) = (site.base.clone(), site.owner().await);
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/products/knot/texts")).await.unwrap();
        state(&client, "As shoppers read them").await;
        let address = "/api/products/knot/texts";
        let was = json_of(owner.get(address).await).await["texts"].clone();
        let mut theirs = was.clone();
        theirs["summary"] = json!("Theirs.");
        theirs["name"] = json!("Their knot");
        json_of(owner.put(address, &json!({ "was": was, "texts": theirs })).await).await;

        type_into(&client, ".texts input", "Knot of the shore").await;
        click(&client, "[aria-label=Facts] button", "Add a fact").await;
        type_into(&client, "[data-group=facts] > li:last-child input:nth-child(2)", "3 m").await;
        find(&client, "nav a[href='/']").await.click().await.unwrap();
        let told = |part: &str| {
            format!("document.querySelector('.texts [role=alert]')?.innerText.includes('{part}')")
        };
        until(&client, &told("“3 m” needs a name")).await;
        assert_eq!(ask(&client, "location.pathname").await, "/products/knot/texts", "one stays");

        // Then somebody else's is told; it stays where nothing was written here.
        type_into(&client, "[data-group=facts] > li:last-child input", "Tail").await;
        find(&client, ".texts [type=submit]").await.click().await.unwrap();
        until(&client, &told("Somebody else")).await;
        find(&client, ".texts [type=submit]").await.click().await.unwrap();
        state(&client, "As shoppers read them").await;
        let now = json_of(owner.get(address).await).await["texts"].clone();
        assert_eq!(now["summary"], "Theirs.");
        assert_eq!(now["name"], "Knot of the shore", "what is written here counts");
        assert!(now["facts"].as_array().unwrap().contains(&json!({ "name": "Tail", "value": "3 m" })));
    })
    .await;
}

//! The grid of variants by keyboard alone: walked along, and filled with a block from a spreadsheet in one step.

use compagina_tests::{Browser, Screen, Site, ask, find, json_of, until};
use fantoccini::key::Key;
use serde_json::json;
use sqlx::MySqlPool;

const SAID: &str = "document.querySelector('[data-test=saved]')?.innerText";

#[sqlx::test(migrations = false)]
async fn the_grid_is_walked_by_keys_and_a_pasted_block_fills_it_in_one_step(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = &site.owner().await;
    let grid = async || json_of(owner.get("/api/variants?product=whimbrel").await).await["variants"].clone();
    let before = grid().await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &site.base).await;
        until(client, "document.querySelector('.shelf')").await;
        client.goto(&format!("{}/products/whimbrel/variants", site.base)).await.unwrap();
        let cell = async |place: usize, field: &str| {
            until(client, &format!("document.activeElement?.dataset.cell === '{place}:{field}'")).await;
        };
        let all = format!("{}a{}", Key::Control, Key::Control);
        let first = find(client, "[data-cell='0:stock']").await;
        first.click().await.unwrap();
        first.send_keys(&format!("{all}21{}", Key::Enter)).await.unwrap();
        cell(1, "stock").await;
        let here = async || client.active_element().await.unwrap();
        here().await.send_keys(&format!("{all}22{}", Key::Up)).await.unwrap();
        cell(0, "stock").await;
        here().await.send_keys(&Key::Left.to_string()).await.unwrap();
        cell(0, "old_price").await;
        here().await.send_keys(&Key::Left.to_string()).await.unwrap();
        cell(0, "price").await;
        until(client, &format!("{SAID}.startsWith('Saved')")).await;
        let now = grid().await;
        assert_eq!((&now[0]["stock"], &now[1]["stock"], &now[2]), (&json!(21), &json!(22), &before[2]));

        // Three lines of price, old price and stock, as a spreadsheet copies them.
        let paste = r"(() => {
            const data = new DataTransfer();
            data.setData('text/plain', '61\t70\t5\n62\t\t6\r\n63\t75.5\t\n');
            const event = new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true });
            document.activeElement.dispatchEvent(event);
        })()";
        ask(client, paste).await;
        until(client, "document.querySelector('.tools [role=status]')?.innerText === '3 lines filled'").await;
        let now = grid().await;
        let set = |at: usize| json!([now[at]["price"], now[at]["old_price"], now[at]["stock"]]);
        assert_eq!(set(0), json!(["61.00", "70.00", 5]));
        assert_eq!(set(1), json!(["62.00", null, 6]));
        assert_eq!(set(2), json!(["63.00", "75.50", null]));
        until(client, "document.querySelector('[data-cell=\"2:price\"]').value === '63.00'").await;

        // One step, taken back as one.
        find(client, ".journal [aria-label=Undo]").await.click().await.unwrap();
        until(client, "document.querySelector('[data-cell=\"0:stock\"]').value === '21'").await;
        let now = grid().await;
        assert_eq!((&now[0]["price"], &now[2]["price"]), (&before[0]["price"], &before[2]["price"]));

        // What can't be read is told with the variant that it is about, and nothing of it is kept.
        find(client, "[data-cell='0:price']").await.click().await.unwrap();
        ask(client, &paste.replace("62\\t", "dear\\t")).await;
        let sku = before[1]["sku"].as_str().unwrap();
        until(client, &format!("document.querySelector('main [role=alert]')?.innerText.includes('{sku}: ')")).await;
        assert_eq!(grid().await[0]["price"], before[0]["price"]);
    })
    .await;
}

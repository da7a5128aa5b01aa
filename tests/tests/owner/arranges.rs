//! Many things at once: several pieces, other templates, other screens, conditions, situations, every product and state.

use compagina_tests::desk::{
    choose, click, in_both, in_proof, kept, open_desk, order, pick_value, press, press_with,
    proofs_are_drawn, type_value, value_says,
};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::Value;
use sqlx::MySqlPool;

/// What the browser's copy or cut puts onto the clipboard.
async fn to_clipboard(client: &Client, what: &str) -> String {
    clipboard_of(client, "document", what).await
}

/// The same, where one has pointed into a page: the desk, or a proof on it.
async fn clipboard_of(client: &Client, page: &str, what: &str) -> String {
    let script = format!(
        "const data = new DataTransfer(); {page}.body.dispatchEvent(new ClipboardEvent('{what}', {{ clipboardData: data, bubbles: true, cancelable: true }})); return data.getData('text/plain');"
    );
    client.execute(&script, vec![]).await.unwrap().as_str().unwrap().to_owned()
}

async fn from_clipboard(client: &Client, text: &str) {
    let script = "const data = new DataTransfer(); data.setData('text/plain', arguments[0]); document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));";
    client.execute(script, vec![text.into()]).await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn several_pieces_are_chosen_moved_copied_and_pasted_into_another_template(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        choose(&client, "Quantity").await;
        press_with(&client, Key::Shift, Key::Down).await;
        press_with(&client, Key::Shift, Key::Down).await;
        until(&client, "document.querySelector('.slip h2').textContent === '3 pieces'").await;
        press_with(&client, Key::Alt, Key::Up).await;
        let moved = "[...document.querySelectorAll('.order .what')].slice(6, 11).map(e => e.firstChild.textContent.trim()).join() === 'Options,Quantity,Buy button,Promises,Stock line'";
        until(&client, moved).await;
        press_with(&client, Key::Control, "z").await;
        until(&client, &format!("!({moved})")).await;

        let text = to_clipboard(&client, "copy").await;
        let proof = "document.querySelector('iframe[title=\"Proof, Phone\"]').contentDocument";
        assert_eq!(clipboard_of(&client, proof, "copy").await, text, "after pointing into a proof, too");
        let clip: Value = serde_json::from_str(&text).unwrap();
        assert_eq!((clip["compagina"].as_u64(), clip["pieces"].as_array().unwrap().len()), (Some(1), 3));
        client.goto(&format!("{base}/templates/1?product=braided-line")).await.unwrap();
        proofs_are_drawn(&client).await;
        let before = order(&client).await.len();
        choose(&client, "Details").await;
        from_clipboard(&client, &text).await;
        until(&client, &format!("document.querySelectorAll('.order .what').length === {}", before + 3)).await;
        in_both(&client, "page.querySelectorAll('.k-promises li').length === 4").await;
        kept(&client).await;

        // Cut and undone in one step each; a text that isn't ours changes nothing and says so.
        to_clipboard(&client, "cut").await;
        until(&client, &format!("document.querySelectorAll('.order .what').length === {}", before + 2)).await;
        press_with(&client, Key::Control, "z").await;
        until(&client, &format!("document.querySelectorAll('.order .what').length === {}", before + 3)).await;
        from_clipboard(&client, "just words").await;
        until(&client, "document.querySelector('.notice')?.textContent.includes('was not copied on a desk')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_line_is_found_bands_are_folded_and_given_other_columns(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        press(&client, "/").await;
        find(&client, "input[aria-label='Find a line']")
            .await
            .send_keys(&format!("loft{}", Key::Enter))
            .await
            .unwrap();
        until(&client, "document.querySelector('.slip h2').textContent.includes('Related products')").await;
        click(&client, "button[aria-label='Fold or unfold all bands']", "").await;
        until(&client, "document.querySelectorAll('.order .row').length === 0").await;
        assert!(
            ask(&client, "document.querySelector('.order').textContent")
                .await
                .as_str()
                .unwrap()
                .contains("10 pieces")
        );
        click(&client, "button[aria-label='Fold or unfold all bands']", "").await;
        click(&client, ".order .band", "Two columns, 7 + 5").await;
        pick_value(&client, "columns:wide", "four and eight").await;
        until(&client, "document.querySelector('.order').textContent.includes('Two columns, 4 + 8')").await;
        until(&client, &format!("{} === 'four and eight of twelve'", value_says("columns:wide"))).await;
        until(
            &client,
            &in_proof(
                "Wide",
                "page.querySelector('.k-gallery').offsetWidth < page.querySelector('.k-options').offsetWidth",
            ),
        )
        .await;
        // Any other way is typed.
        type_value(&client, "columns:wide", &format!("2 10{}", Key::Enter)).await;
        until(&client, &format!("{} === 'two and ten of twelve'", value_says("columns:wide"))).await;
        type_value(&client, "name:wide", "The buy box").await;
        until(&client, "document.querySelector('.order').textContent.includes('The buy box')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_tablet_gets_values_of_its_own_and_all_of_them_are_rejoined(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        choose(&client, "Buy button").await;
        // Tablets have a column of their own while they are looked at, and once something is set for them.
        assert_eq!(ask(&client, "document.querySelectorAll('.slip [role=columnheader]').length").await, 3);
        press(&client, "4").await;
        type_value(&client, "words:tablet", &format!("On a tablet{}", Key::Enter)).await;
        press(&client, "3").await;
        until(&client, "document.querySelectorAll('.slip [role=columnheader]').length === 4").await;
        let says = "page.querySelector('.k-buy-button .buy').innerText";
        until(&client, &in_proof("Phone", &format!("{says} === 'On a tablet'"))).await;
        until(&client, &in_proof("Wide", &format!("{says} === 'Add to cart'"))).await;
        ask(&client, "document.activeElement.blur()").await;
        press(&client, "4").await;
        until(
            &client,
            &in_proof("Tablet", &format!("page.defaultView.innerWidth === 820 && {says} === 'On a tablet'")),
        )
        .await;
        find(&client, "button[aria-label='Rejoin all values of this']").await.click().await.unwrap();
        until(&client, &in_proof("Tablet", &format!("{says} === 'Add to cart'"))).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_piece_that_appears_only_at_times_says_whether_and_why(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        choose(&client, "Promises").await;
        click(&client, ".slip .appears", "appears always").await;
        click(&client, ".slip button", "Only when").await;
        click(&client, ".v-list-item", "the product is on sale").await;
        until(&client, "document.querySelector('.slip').textContent.includes('Shown here: it is on sale.')")
            .await;
        in_both(&client, "page.querySelector('.k-promises')").await;
        // The opposite, by a click on the sentence.
        find(&client, ".slip .words").await.click().await.unwrap();
        until(
            &client,
            "document.querySelector('.slip').textContent.includes('Not shown here: it is on sale.')",
        )
        .await;
        in_both(&client, "!page.querySelector('.k-promises')").await;
        until(
            &client,
            "document.querySelector('.order .row.chosen em').textContent === 'not now: it is on sale'",
        )
        .await;
        // Another situation: no sale.
        click(&client, ".strip .part", "Sale").await;
        click(&client, ".v-list-item", "off").await;
        in_both(&client, "page.querySelector('.k-promises')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn situations_are_kept_and_every_product_and_state_is_seen(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        click(&client, ".strip .part", "Stock").await;
        click(&client, ".v-list-item", "few").await;
        let few = "page.querySelector('.k-stock-line').innerText === 'Only 2 left'";
        in_both(&client, few).await;
        click(&client, ".strip .keep", "Keep").await;
        let name = find(&client, "[aria-label='Kept situations'] input[maxlength]").await;
        name.send_keys(&format!("{}a{}Nearly gone{}", Key::Control, Key::Control, Key::Enter)).await.unwrap();
        until(&client, "document.querySelector('[aria-label=\"Kept situations\"] li')?.textContent.includes('Nearly gone')").await;
        press(&client, &Key::Escape.to_string()).await;
        click(&client, ".strip .quiet", "As it is now").await;
        in_both(&client, &format!("!({few})")).await;
        click(&client, ".strip .keep", "Keep").await;
        click(&client, "[aria-label='Kept situations'] li button", "Nearly gone").await;
        in_both(&client, few).await;

        press(&client, "5").await;
        until(&client, "document.querySelectorAll('.all li').length === 12").await;
        let drawn = "[...document.querySelectorAll('.all iframe')].filter(f => f.contentDocument?.querySelector('.piece')).length";
        until(&client, &format!("{drawn} >= 6")).await;
        click(&client, ".all li button", "Dunlin").await;
        until(&client, "location.search === '?product=dunlin'").await;
        in_both(&client, "page.querySelector('h1')?.innerText === 'Dunlin'").await;

        choose(&client, "Buy button").await;
        press(&client, "6").await;
        let state = |name: &str, says: &str| {
            format!("[...document.querySelectorAll('.all li')].find(li => li.textContent.includes('{name}'))?.querySelector('iframe')?.contentDocument?.body.innerText.includes('{says}')")
        };
        for (name, says) in [("Sold out", "Sold out"), ("Coming soon", "Coming soon"), ("In German", "In den Warenkorb")] {
            ask(&client, &format!("[...document.querySelectorAll('.all li')].find(li => li.textContent.includes('{name}')).scrollIntoView()")).await;
            until(&client, &state(name, says)).await;
        }
        // States in which it looks the same stand as one, which says which they are.
        let shown = "[...document.querySelectorAll('.all li')].filter(li => li.checkVisibility()).map(li => [...li.querySelectorAll('.names button')].map(b => b.innerText).join(', ')).join(' | ')";
        until(&client, &format!("({shown}).startsWith('As it is, ')")).await;
        until(&client, &format!("({shown}).includes('| Sold out |')")).await;
        click(&client, ".all li button", "Sold out").await;
        in_both(&client, "page.querySelector('.k-buy-button .buy').innerText === 'Sold out'").await;
        choose(&client, "Breadcrumb").await;
        press(&client, "6").await;
        until(&client, "document.querySelector('.all .head').innerText.includes('In 11 states it looks')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_band_whose_last_piece_was_taken_out_is_offered_to_be_removed(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &base, "/templates/2?product=whimbrel").await;
        let bands = "document.querySelectorAll('.band-row').length";
        let before = ask(&client, bands).await.as_u64().unwrap();
        assert_eq!(ask(&client, "document.querySelector('.band-row .quiet')").await, Value::Null);
        choose(&client, "Breadcrumb").await;
        press(&client, &Key::Delete.to_string()).await;
        until(&client, "document.querySelector('.band-row .quiet')?.textContent.includes('Empty: remove it')").await;
        find(&client, ".band-row .quiet").await.click().await.unwrap();
        until(&client, &format!("{bands} === {}", before - 1)).await;
        press_with(&client, Key::Control, "z").await;
        press_with(&client, Key::Control, "z").await;
        until(&client, &format!("{bands} === {before} && document.querySelector('.order .what').textContent.includes('Breadcrumb')")).await;
    })
    .await;
}

/// The edge between two columns is taken in the proof and let go further left.
#[sqlx::test(migrations = false)]
async fn the_edge_of_a_column_is_dragged_in_the_proof(pool: MySqlPool) {
    use fantoccini::actions::{InputSource, MOUSE_BUTTON_LEFT, MouseActions, PointerAction};
    use std::time::Duration;
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &site.base, "/templates/2?product=whimbrel").await;
        click(&client, ".order .band", "Two columns, 7 + 5").await;
        until(&client, &in_proof("Wide", "page.querySelectorAll('.proof-edge').length === 1")).await;
        until(&client, &in_proof("Phone", "page.querySelectorAll('.proof-edge').length === 0")).await;
        let place = "(() => { const frame = document.querySelector('iframe[title=\"Proof, Wide\"]');
            const [box, edge] = [frame, frame.contentDocument.querySelector('.proof-edge')].map(e => e.getBoundingClientRect());
            const scale = box.width / 1280, twelfth = frame.contentDocument.querySelector('[data-chosen-band] > .columns').clientWidth / 12;
            return [box.left + (edge.left + edge.width / 2) * scale, box.top + (edge.top + 60) * scale, twelfth * scale]; })()";
        let place = ask(&client, place).await;
        let [x, y, twelfth] = [0, 1, 2].map(|i| place[i].as_f64().unwrap().round());
        let at = |x: f64| PointerAction::MoveTo { duration: Some(Duration::from_millis(80)), x, y };
        let mouse = MouseActions::new("mouse".to_owned())
            .then(at(x))
            .then(PointerAction::Down { button: MOUSE_BUTTON_LEFT })
            .then(at(x - twelfth))
            .then(at(x - 2.0 * twelfth))
            .then(PointerAction::Up { button: MOUSE_BUTTON_LEFT });
        client.perform_actions(mouse).await.unwrap();
        until(&client, &format!("{} === 'five and seven of twelve'", value_says("columns:wide"))).await;
        until(&client, "document.querySelector('.order').textContent.includes('Two columns, 5 + 7')").await;
        // One drag is one step.
        press_with(&client, Key::Control, "z").await;
        until(&client, &format!("{} === 'seven and five of twelve'", value_says("columns:wide"))).await;
    })
    .await;
}

//! What was done to the catalogue is taken back by Ctrl Z in its view, and told in the product's history.

use compagina_tests::desk::{click, hold_back_news, press_with, type_into};
use compagina_tests::{Browser, OTHER_EMAIL, OTHER_PASSWORD, Screen, Site, ask, find, json_of, until};
use fantoccini::key::Key;
use fantoccini::{Client, Locator};
use serde_json::json;
use sqlx::MySqlPool;

async fn undo(client: &Client) {
    press_with(client, Key::Control, 'z').await;
}

/// The stocks that the grid shows, as one text.
const STOCKS: &str =
    "[...document.querySelectorAll('.lines [aria-label^=\"Stock\"]')].map(s => s.value).join()";

#[sqlx::test(migrations = false)]
async fn forty_variants_set_at_once_a_picture_and_a_product_come_back(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    // Four sails in ten colours.
    let fields = json!({ "options": ["sail", "colour"], "price_minor": 14900, "counted": true });
    let kind = json!({ "name": "Power kites", "fields": fields, "template": { "by": "template", "id": 2 } });
    json_of(owner.post("/api/types", &kind).await).await;
    json_of(owner.post("/api/products", &json!({ "kind": "power-kites", "name": "Gannet" })).await).await;

    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/products/gannet/variants")).await.unwrap();
        until(&client, "document.querySelector('.variants h1 + .soft')?.textContent.includes('40 variants')").await;
        until(&client, &format!("{STOCKS}.startsWith('0,0')")).await;
        let before = ask(&client, STOCKS).await;
        find(&client, "[aria-label='Choose all that are found']").await.click().await.unwrap();
        find(&client, "[aria-label='Value for all chosen']").await.send_keys("12").await.unwrap();
        click(&client, ".many button", "Set for all").await;
        until(&client, &format!("new Set({STOCKS}.split(',')).size === 1 && {STOCKS}.startsWith('12')")).await;
        until(&client, "document.querySelector('[aria-label=Undo]').title.includes('Stock of 40 variants: 12')").await;
        ask(&client, "document.activeElement.blur()").await;
        undo(&client).await;
        until(&client, &format!("{STOCKS} === {before}")).await;
        until(&client, "document.querySelector('.told').textContent === 'Taken back: Stock of 40 variants: 12'").await;
        press_with(&client, Key::Control, format!("{}Z", Key::Shift)).await;
        until(&client, &format!("{STOCKS}.startsWith('12,12')")).await;

        // The history tells of each, and leads back to before all of it.
        click(&client, "button", "History").await;
        until(&client, "document.querySelectorAll('.dialog-sheet ol li').length >= 4").await;
        let steps = "[...document.querySelectorAll('.dialog-sheet ol li')].map(l => l.innerText)";
        until(&client, &format!("{steps}[0].startsWith('Made again: Stock of') && {steps}[0].includes('Isla')")).await;
        until(&client, &format!("{steps}.at(-1).startsWith('“Gannet” made')")).await;
        ask(&client, "[...document.querySelectorAll('.dialog-sheet ol li')].at(-1).querySelector('[aria-label^=\"Back to this\"]').click()").await;
        until(&client, &format!("{steps}[0].startsWith('Brought back to how it was after')")).await;
        click(&client, ".dialog-sheet button", "Close").await;
        until(&client, "document.querySelector('.variants h1 + .soft').textContent.includes('40 variants')").await;
        until(&client, &format!("{STOCKS} === {before}")).await;

        // A picture goes at once and comes back.
        client.goto(&format!("{base}/products/whimbrel/pictures")).await.unwrap();
        let cards = "document.querySelectorAll('.grid .card').length";
        until(&client, &format!("{cards} === 16")).await;
        let first = ask(&client, "document.querySelector('.grid .card .words').innerText").await;
        find(&client, ".grid .card button").await.click().await.unwrap();
        find(&client, "[aria-label='Remove what is chosen']").await.click().await.unwrap();
        until(&client, &format!("{cards} === 15")).await;
        until(&client, "document.querySelector('[aria-label=Undo]').title.includes('removed')").await;
        undo(&client).await;
        until(&client, &format!("{cards} === 16 && document.querySelector('.grid .card .words').innerText === {first}")).await;

        // A product goes once it is told what hangs on it, out of the shop, and comes back.
        client.goto(&base).await.unwrap();
        find(&client, "[aria-label='More about Whimbrel']").await.click().await.unwrap();
        click(&client, ".v-list-item", "Remove").await;
        until(&client, "document.querySelector('.dialog-sheet ul')?.innerText.includes('13 variants, 16 pictures and 37 reviews')").await;
        click(&client, ".dialog-sheet button", "Remove").await;
        let there = "[...document.querySelectorAll('.card .name')].some(n => n.innerText === 'Whimbrel')";
        until(&client, &format!("document.querySelector('.card') && !({there})")).await;
        let status = "fetch('/shop/products/whimbrel').then(a => document.body.dataset.status = a.status)";
        ask(&client, status).await;
        until(&client, "document.body.dataset.status === '404'").await;
        undo(&client).await;
        until(&client, there).await;
        ask(&client, status).await;
        until(&client, "document.body.dataset.status === '200'").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_value_goes_and_comes_back_and_an_option_that_is_needed_stays(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/swatch-book/colour")).await.unwrap();
        click(&client, "ul.fan button", "Ember").await;
        click(&client, ".panel button", "Take Ember away").await;
        until(&client, "document.querySelector('.dialog-sheet ul')?.innerText.includes('8 variants')").await;
        click(&client, ".dialog-sheet button", "Remove").await;
        let fan = "document.querySelector('ul.fan').innerText";
        until(&client, &format!("!{fan}.includes('Ember')")).await;
        // Keys belong to the dialog until it has closed.
        until(&client, "!document.querySelector('[aria-label=Undo]').disabled && !document.querySelector('.dialog-sheet')").await;
        undo(&client).await;
        until(&client, &format!("{fan}.startsWith('Ember')")).await;

        client.goto(&format!("{base}/swatch-book/finish")).await.unwrap();
        find(&client, "[aria-label='More about this option']").await.click().await.unwrap();
        click(&client, ".v-list-item", "Remove").await;
        click(&client, ".dialog-sheet button", "Remove").await;
        // Two spars differ by nothing else: it is told which, and nothing goes.
        until(
            &client,
            "document.querySelector('[role=alert]')?.innerText.includes('would be the same choice')",
        )
        .await;
        until(
            &client,
            "[...document.querySelectorAll('.options .line')].some(l => l.innerText.startsWith('Finish'))",
        )
        .await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn who_sets_the_same_as_somebody_else_is_told_until_she_chose(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let tomas = site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await;
    let mini = "/api/variants?product=whimbrel-mini";
    let ids: Vec<u64> = json_of(tomas.get(mini).await).await["variants"]
        .as_array()
        .unwrap()
        .iter()
        .map(|variant| variant["id"].as_u64().unwrap())
        .collect();
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/products/whimbrel-mini/variants")).await.unwrap();
        let price = |row: usize| {
            format!("[...document.querySelectorAll('.lines [aria-label^=\"Price\"]')][{row}].value")
        };
        until(&client, "document.querySelectorAll('.lines [aria-label^=\"Price\"]').length > 1").await;
        hold_back_news(&client).await;
        for amount in ["41", "42"] {
            json_of(tomas.patch(mini, &json!({ "ids": [ids[0]], "price": amount })).await).await;
            let cells = client.find_all(Locator::Css(".lines [aria-label^='Price']")).await.unwrap();
            // Hers for the first, and at once something else that nobody came before.
            for (cell, text) in [(&cells[0], "44"), (&cells[1], if amount == "41" { "45" } else { "46" })] {
                cell.click().await.unwrap();
                client.execute("document.activeElement.select()", vec![]).await.unwrap();
                cell.send_keys(&format!("{text}{}", char::from(Key::Enter))).await.unwrap();
            }
            let told = "[...document.querySelectorAll('[role=alert]')].map(a => a.innerText).join()";
            until(&client, &format!("{told}.includes('Tomas') && {told}.includes('{amount}.00')")).await;
            until(&client, &format!("{} === '{}.00'", price(1), if amount == "41" { 45 } else { 46 })).await;
            assert_eq!(ask(&client, &price(0)).await, format!("{amount}.00"));
            assert!(
                ask(&client, told).await.as_str().unwrap().contains("Tomas"),
                "it is told until she chose"
            );
            let (button, then) =
                if amount == "41" { ("Leave theirs", "41.00") } else { ("Mine in place of theirs", "44.00") };
            click(&client, "[role=alert] button", button).await;
            until(&client, "!document.querySelector('[role=alert]')").await;
            until(&client, &format!("{} === '{then}'", price(0))).await;
            let kept = json_of(tomas.get(mini).await).await;
            assert_eq!(kept["variants"][0]["price"], then);
        }
    })
    .await;
}

/// What somebody else sets comes in while she is typing in the very field: she is told as she leaves it.
#[sqlx::test(migrations = false)]
async fn what_comes_in_under_the_typing_hand_is_not_overwritten_unseen(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let tomas = site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await;
    let mini = "/api/variants?product=whimbrel-mini";
    let rows = json_of(tomas.get(mini).await).await["variants"].clone();
    let (base, ids) = (site.base.clone(), [0, 1].map(|row: usize| rows[row]["id"].clone()));
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/products/whimbrel-mini/variants")).await.unwrap();
        let price = ".lines [aria-label^='Price']";
        let at = |row: usize| format!("document.querySelectorAll(\"{price}\")[{row}].value");
        until(&client, &format!("document.querySelectorAll(\"{price}\").length > 1")).await;
        let cells = client.find_all(Locator::Css(price)).await.unwrap();
        cells[0].click().await.unwrap();
        client.execute("document.activeElement.select()", vec![]).await.unwrap();
        cells[0].send_keys("44").await.unwrap();
        for (id, amount) in ids.iter().zip(["41", "45"]) {
            json_of(tomas.patch(mini, &json!({ "ids": [id], "price": amount })).await).await;
        }
        // Long enough for the news to come.
        tokio::time::sleep(std::time::Duration::from_millis(600)).await;
        assert_eq!(ask(&client, &at(0)).await, "44");
        cells[0].send_keys(&char::from(Key::Enter).to_string()).await.unwrap();
        let told = "[...document.querySelectorAll('[role=alert]')].map(a => a.innerText).join()";
        until(&client, &format!("{told}.includes('Tomas') && {told}.includes('41.00')")).await;
        until(&client, &format!("{} === '45.00'", at(1))).await;
        assert_eq!(json_of(tomas.get(mini).await).await["variants"][0]["price"], "41.00");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_product_stands_elsewhere_and_has_another_address(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        let names = "[...document.querySelector('section ul').querySelectorAll('.name')].map(n => n.innerText)";
        until(&client, "document.querySelectorAll('section .card').length > 2").await;
        let before = ask(&client, names).await;
        let first = before[0].as_str().unwrap().to_owned();
        let more = format!("[aria-label='More about {first}']");
        find(&client, &more).await.click().await.unwrap();
        click(&client, ".v-list-item", "Later among its type").await;
        until(&client, &format!("{names}[1] === '{first}'")).await;
        until(&client, "document.querySelector('[aria-label=Undo]').title.includes('another order')").await;
        undo(&client).await;
        until(&client, &format!("{names}.join() === '{}'", before.as_array().unwrap().iter().map(|n| n.as_str().unwrap()).collect::<Vec<_>>().join(","))).await;

        find(&client, &more).await.click().await.unwrap();
        click(&client, ".v-list-item", "Change its address").await;
        until(&client, "document.querySelector('[aria-label=Address]')?.value").await;
        let was = ask(&client, "document.querySelector('[aria-label=Address]').value").await;
        let was = was.as_str().unwrap();
        // One that belongs to another is refused where it is typed.
        type_into(&client, "[aria-label=Address]", "dunlin").await;
        click(&client, ".dialog-sheet button", "Move the page").await;
        until(&client, "document.querySelector('.dialog-sheet [role=alert]')?.innerText.includes('is the address of Dunlin')").await;
        type_into(&client, "[aria-label=Address]", "Storm Petrel").await;
        click(&client, ".dialog-sheet button", "Move the page").await;
        until(&client, "!document.querySelector('.dialog-sheet')").await;
        until(&client, "document.querySelector('[aria-label=Undo]').title.includes('storm-petrel')").await;
        client.goto(&format!("{base}/shop/products/{was}")).await.unwrap();
        assert_eq!(client.current_url().await.unwrap().path(), "/shop/products/storm-petrel");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_product_is_copied_and_becomes_one_of_another_type_and_back(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        until(&client, "document.querySelectorAll('section .card').length > 2").await;
        find(&client, "[aria-label='More about Dunlin']").await.click().await.unwrap();
        click(&client, ".v-list-item", "Copy").await;
        until(&client, "document.querySelector('.dialog-sheet input')?.value === 'Dunlin copy'").await;
        type_into(&client, ".dialog-sheet input", "Dunlin").await;
        click(&client, ".dialog-sheet button", "Copy it").await;
        until(&client, "document.querySelector('.dialog-sheet [role=alert]')?.innerText.includes('belongs to Dunlin')").await;
        type_into(&client, ".dialog-sheet input", "Dunlin for two").await;
        click(&client, ".dialog-sheet button", "Copy it").await;
        until(&client, "document.querySelector('.variants h1')?.innerText === 'Dunlin for two: variants'").await;
        until(&client, &format!("{STOCKS} !== '' && new Set({STOCKS}.split(',')).size === 1")).await;

        client.goto(&base).await.unwrap();
        let of = |kind: &str| {
            format!("[...document.querySelectorAll('section[aria-label=\"{kind}\"] li')].map(line => line.innerText)")
        };
        let (sport, single) = (of("Sport kites"), of("Single-line kites"));
        let there = |lines: &str| format!("{lines}.some(line => line.startsWith('Dunlin for two'))");
        until(&client, &there(&sport)).await;
        until(&client, &format!("{sport}.find(line => line.startsWith('Dunlin for two')).includes('Not on sale yet')")).await;
        find(&client, "[aria-label='More about Dunlin for two']").await.click().await.unwrap();
        click(&client, ".v-list-item", "Change its type").await;
        click(&client, ".dialog-sheet button", "Single-line kites").await;
        until(&client, &format!("{} && !({})", there(&single), there(&sport))).await;
        until(&client, "!document.querySelector('.dialog-sheet')").await;
        undo(&client).await;
        until(&client, &format!("{} && !({})", there(&sport), there(&single))).await;
        // One step more, and there is no copy.
        until(&client, "document.querySelector('[aria-label=Undo]').title.includes('Dunlin for two')").await;
        undo(&client).await;
        until(&client, &format!("!({}) && !({})", there(&sport), there(&single))).await;
        until(&client, "document.querySelector('.told').textContent.includes('“Dunlin for two” made')").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_palette_that_somebody_changed_meanwhile_isnt_overwritten_unseen(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let tomas = site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await;
    json_of(tomas.put("/api/palette", &json!({ "text": "Ember #D7512B" })).await).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/swatch-book/colour")).await.unwrap();
        click(&client, "button", "Palette").await;
        let text = "document.querySelector('.dialog-sheet textarea').value";
        until(&client, &format!("document.querySelector('.dialog-sheet textarea') && {text} !== ''")).await;
        let before = ask(&client, text).await;
        let before = before.as_str().unwrap();
        let add = async |line: &str| {
            let kept = tomas.put("/api/palette", &json!({ "text": format!("{before}\n{line}") })).await;
            assert!(kept.status().is_success());
        };
        add("Kelp #445533").await;
        let field = find(&client, ".dialog-sheet textarea").await;
        field
            .send_keys(&format!("{}{}{}\nSlack #8899AA", Key::Control, Key::End, Key::Control))
            .await
            .unwrap();
        click(&client, ".dialog-sheet button", "Save").await;
        until(&client, "document.querySelector('.dialog-sheet [role=alert]')?.innerText.includes('Tomas')")
            .await;
        assert!(ask(&client, text).await.as_str().unwrap().contains("Slack"), "what was typed stays");
        click(&client, ".dialog-sheet [role=alert] button", "Leave theirs").await;
        until(&client, &format!("{text}.includes('Kelp') && !{text}.includes('Slack')")).await;
        add("Skua #223344").await;
        let field = find(&client, ".dialog-sheet textarea").await;
        field
            .send_keys(&format!("{}{}{}\nSlack #8899AA", Key::Control, Key::End, Key::Control))
            .await
            .unwrap();
        click(&client, ".dialog-sheet button", "Save").await;
        click(&client, ".dialog-sheet [role=alert] button", "Mine in place of theirs").await;
        until(&client, "!document.querySelector('.dialog-sheet')").await;
        let kept = json_of(tomas.get("/api/palette").await).await["text"].as_str().unwrap().to_owned();
        assert!(kept.contains("Slack") && kept.contains("Kelp") && !kept.contains("Skua"), "{kept}");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn pictures_and_the_swatch_book_tell_of_others_until_one_chose_too(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let tomas = site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        let told = "[...document.querySelectorAll('[role=alert]')].map(a => a.innerText).join()";
        client.goto(&format!("{base}/swatch-book/colour")).await.unwrap();
        let about = "[aria-label='What it is about, for shoppers']";
        until(&client, &format!("document.querySelector(\"{about}\")")).await;
        hold_back_news(&client).await;
        json_of(tomas.patch("/api/options/colour", &json!({ "about": "Dyed in Leith" })).await).await;
        type_into(&client, about, "Dyed by hand").await;
        find(&client, about).await.send_keys(&char::from(Key::Enter).to_string()).await.unwrap();
        until(&client, &format!("{told}.includes('Tomas') && {told}.includes('Dyed in Leith')")).await;
        click(&client, "[role=alert] button", "Mine in place of theirs").await;
        until(&client, "!document.querySelector('[role=alert]')").await;
        until(&client, "document.querySelector('[aria-label=Undo]').title.includes('Dyed by hand')").await;
        let kept = json_of(tomas.get("/api/options/colour").await).await;
        assert_eq!(kept["about"], "Dyed by hand");

        let pictures = "/api/pictures?product=whimbrel";
        let first = json_of(tomas.get(pictures).await).await["pictures"][0]["id"].clone();
        client.goto(&format!("{base}/products/whimbrel/pictures")).await.unwrap();
        // While sizes are made the view is read anew by itself, and what it shows is as new as can be.
        let sizes = "fetch('/api/pictures?product=whimbrel').then(a => a.json()).then(v => \
                     document.body.dataset.made = v.pictures.every(p => !p.waiting))";
        until(&client, &format!("({sizes}, document.body.dataset.made === 'true')")).await;
        client.refresh().await.unwrap();
        until(&client, "document.querySelectorAll('.grid .card').length === 16").await;
        find(&client, ".grid .card button").await.click().await.unwrap();
        hold_back_news(&client).await;
        json_of(tomas.patch(pictures, &json!({ "ids": [first], "alt": "High over the bay" })).await).await;
        let words = ".panel textarea";
        until(&client, &format!("document.querySelector(\"{words}\")")).await;
        type_into(&client, words, "Low over the dunes").await;
        ask(&client, "document.activeElement.blur()").await;
        until(&client, &format!("{told}.includes('Tomas')")).await;
        click(&client, "[role=alert] button", "Leave theirs").await;
        until(&client, "!document.querySelector('[role=alert]')").await;
        let now = json_of(tomas.get(pictures).await).await;
        assert_eq!(now["pictures"][0]["alt"], "High over the bay");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_template_goes_once_it_is_told_who_serves_its_products_and_comes_back(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let templates = json_of(owner.get("/api/templates").await).await;
    let all = templates["templates"].as_array().unwrap();
    let gone =
        all.iter().find(|one| one["reach"]["rule"] != json!("fallback") && one["products"] != 0).unwrap();
    let name = gone["name"].as_str().unwrap().to_owned();
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        client.goto(&format!("{base}/templates")).await.unwrap();
        let there = format!("!!document.querySelector(\"[aria-label='Copy {name}']\")");
        until(&client, &there).await;
        find(&client, &format!("[aria-label='Remove {name}']")).await.click().await.unwrap();
        until(&client, &format!("document.querySelector('.dialog-sheet h1')?.innerText.includes({name:?})"))
            .await;
        // What would be laid out by what is told before anything goes.
        until(&client, "!document.querySelector('.dialog-sheet [type=submit]').disabled").await;
        click(&client, ".dialog-sheet button", "Remove").await;
        until(&client, &format!("!document.querySelector('.dialog-sheet') && !({there})")).await;
        let away = "document.querySelector('.away')?.innerText";
        until(&client, &format!("{away}.includes({name:?})")).await;
        // Reloaded, it is among those taken away still, and comes back from there.
        client.refresh().await.unwrap();
        until(&client, &format!("{away}?.includes({name:?})")).await;
        find(&client, &format!("[aria-label='bring it back: {name}']")).await.click().await.unwrap();
        until(&client, &format!("{there} && !document.querySelector('.away')")).await;
    })
    .await;
    let now = json_of(owner.get("/api/templates").await).await;
    let names = |view: &serde_json::Value| {
        let all = view["templates"].as_array().unwrap().iter();
        all.map(|one| (one["name"].clone(), one["products"].clone(), one["reach"].clone()))
            .collect::<Vec<_>>()
    };
    assert_eq!(names(&now), names(&templates), "in its place, with what it reached");
}

//! Jobs of a practised owner, each from begin to end, with the most actions that it is to take.

use compagina_tests::desk::{
    choose, click, drag, drag_here, in_both, in_proof, kept, open_desk, order, press, press_with,
    proofs_are_drawn,
};
use compagina_tests::hand::Hand;
use compagina_tests::{Browser, Owner, Screen, Site, ask, find, json_of, until};
use fantoccini::actions::{InputSource, KeyAction, KeyActions};
use fantoccini::key::Key;
use serde_json::{Value, json};
use sqlx::MySqlPool;

/// What stands in the answer, once it does.
async fn comes(owner: &Owner, path: &str, holds: impl Fn(&Value) -> bool) {
    let mut last = Value::Null;
    for _ in 0..100 {
        last = json_of(owner.get(path).await).await;
        if holds(&last) {
            return;
        }
        tokio::time::sleep(std::time::Duration::from_millis(100)).await;
    }
    panic!("{path}: {last}");
}

#[sqlx::test(migrations = false)]
async fn how_choices_look(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &base).await;

        client.goto(&format!("{base}/swatch-book/length")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click("[aria-label='How it is chosen: Pages'] button", "Buttons").await;
        hand.click("[aria-label='How it is chosen: Cards'] button", "Drop-down list").await;
        comes(&owner, "/api/options/length", |it| it["page"] == "buttons" && it["card"] == "list").await;
        hand.took("An option from a list to buttons on pages, a list on cards", 3);

        client.goto(&format!("{base}/swatch-book/colour")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click("ul.fan button", "Tide").await;
        hand.types(".panel input[aria-labelledby=colour-0]:not([type])", "#7A4B1C").await;
        hand.click(".panel fieldset button", "Another colour").await;
        hand.types(".panel input[aria-labelledby=colour-1]:not([type])", "#C9A227").await;
        hand.types(".panel input[maxlength='200']", "autumn bracken").await;
        let painted = |it: &Value| {
            it["values"].as_array().unwrap().iter().any(|value| {
                value["name"] == "Tide"
                    && value["note"] == "autumn bracken"
                    && value["swatch"]["colours"] == json!(["#7A4B1C", "#C9A227"])
            })
        };
        comes(&owner, "/api/options/colour", painted).await;
        hand.took("A value in two colours with a note", 5);

        client.goto(&format!("{base}/house-style")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click(".house nav button", "Colours").await;
        hand.types(".token input[aria-labelledby=token-accent]:not([type])", "#8A2BE2").await;
        hand.click(".view-head a", "What changes where").await;
        until(client, "document.querySelectorAll('.way .line').length > 0").await;
        hand.took("What another accent would change", 4);

        client.goto(&format!("{base}/wording")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click("[aria-label=Language] button", "Deutsch").await;
        until(client, "document.querySelector('tbody textarea')?.value === 'Laden'").await;
        hand.types("tbody textarea[aria-label^='Buy button, words']", "Zum Mitnehmen").await;
        let word = |it: &Value| {
            it["words"]
                .as_array()
                .unwrap()
                .iter()
                .any(|word| word["own"] == true && word["text"] == "Zum Mitnehmen")
        };
        comes(&owner, "/api/wording?language=de", word).await;
        hand.took("The button in German, in the whole shop", 3);
        let mut hand = Hand::new(client);
        hand.pick(".tools select", "2").await;
        until(client, "document.querySelectorAll('tbody textarea').length > 50").await;
        hand.types("tbody textarea[aria-label^='Buy button, words']", "Ab in den Wind").await;
        let word = |it: &Value| {
            it["words"]
                .as_array()
                .unwrap()
                .iter()
                .any(|word| word["own"] == true && word["text"] == "Ab in den Wind")
        };
        comes(&owner, "/api/wording?language=de&template=2", word).await;
        hand.took("The button in German, on one template", 3);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn pages(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let empty = owner.empty_template("Autumn page").await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &base).await;

        client.goto(&format!("{base}/templates/{empty}?product=whimbrel")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click(".order button", "Begin with a starter").await;
        hand.click("[aria-label='It is filled with'] button", "The essentials").await;
        hand.click("[aria-label=Starters] li button", "Side by side").await;
        until(client, "document.querySelectorAll('.order .what').length === 12").await;
        let line = async |piece: &str| {
            let found = format!("[...document.querySelectorAll('.order .row')].find(e => e.querySelector('.what')?.textContent.startsWith('{piece}'))");
            ask(client, &format!("{found}.setAttribute('data-line', '{}')", piece.len())).await;
            find(client, &format!("[data-line='{}']", piece.len())).await
        };
        let (title, crumbs) = (line("Title").await, line("Breadcrumb").await);
        drag(client, &title, &crumbs, 0).await;
        hand.did(1);
        in_both(client, "page.querySelector('.k-title').closest('.column').querySelector('.k-breadcrumb')").await;
        in_both(client, "page.querySelector('.k-buy-button') && page.querySelector('.k-related')").await;
        kept(client).await;
        assert_eq!(order(client).await.len(), 12);
        hand.took("A page from nothing, with its title across", 6);

        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        proofs_are_drawn(client).await;
        let mut hand = Hand::new(client);
        hand.click(".right button", "All products").await;
        let said = "document.querySelector('[data-test=first-screens]')?.innerText";
        until(client, &format!("{said}?.includes('they stand first')")).await;
        assert_eq!(ask(client, "document.querySelectorAll('.all .told').length").await, 12);
        hand.took("Whether the button is on a phone's first screen for twelve products", 1);

        let mut hand = Hand::new(client);
        hand.click(".all li:has(.told.signal) button", "").await;
        hand.click(".foot button", "Hide ").await;
        let late = "document.querySelector('.foot').innerText.includes('Phone: the buy button ends')";
        until(client, &format!("!({late})")).await;
        hand.took("The button brought onto a phone's first screen for one product", 2);
    })
    .await;
}

/// What a piece of the draft is set to on wide screens.
async fn set_to(owner: &Owner, kind: &str) -> Value {
    let draft = owner.draft().await;
    let bands = draft["layout"]["bands"].as_array().unwrap();
    let columns = bands.iter().flat_map(|band| band["columns"].as_array().unwrap());
    let pieces = columns.flat_map(|column| column["pieces"].as_array().unwrap());
    pieces.filter(|piece| piece["kind"] == kind).map(|piece| piece["values"]["wide"].clone()).next().unwrap()
}

#[sqlx::test(migrations = false)]
async fn how_pieces_look(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &base).await;
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        proofs_are_drawn(client).await;
        // A practised owner's parts are folded out: that is remembered.
        choose(client, "Gallery").await;
        click(client, ".slip .screens button", "Open all").await;

        let mut hand = Hand::new(client);
        hand.click(".order .what", "Gallery").await;
        let cell = |setting: &str| format!(".slip [data-value='{setting}:wide'] button");
        hand.drags(&cell("fit"), "whole, on a ground").await;
        hand.drags(&cell("thumbnails"), "dots").await;
        hand.drags(&cell("change"), "fades").await;
        hand.types(&cell("advance"), "5").await;
        hand.drags(&cell("arrows"), "while pointed at").await;
        hand.drags(&cell("zoom"), "under a lens").await;
        hand.types(&cell("lens_size"), "200").await;
        hand.drags(&cell("full_screen"), "nothing").await;
        kept(client).await;
        let wanted = json!({ "fit": "whole", "thumbnails": "dots", "change": "fade", "advance": 5, "arrows": "hover",
            "zoom": "lens", "lens_size": 200, "full_screen": "never" });
        let set = set_to(&owner, "gallery").await;
        for (setting, value) in wanted.as_object().unwrap() {
            assert_eq!(set[setting], *value, "{setting}: {set}");
        }
        hand.took("A gallery with dots, a ground, a lens, and pictures that come by themselves", 9);

        // The price is chosen as the desk is opened.
        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        proofs_are_drawn(client).await;
        let mut hand = Hand::new(client);
        hand.drags(&cell("colour"), "accent").await;
        let line = async |kind: &str| {
            find(client, &format!(".order .row:has([aria-label^='{kind} on wide'])")).await
        };
        let (price, summary) = (line("Price").await, line("Summary").await);
        drag(client, &price, &summary, 0).await;
        hand.did(1);
        in_both(client, "page.querySelector('.k-price').compareDocumentPosition(page.querySelector('.k-summary')) & 4").await;
        hand.click(".order .what", "Title").await;
        hand.drags(&cell("size"), "48 px").await;
        hand.writes(".k-buy-button .buy", "Fly it").await;
        hand.types(&cell("now"), "Buy it now").await;
        hand.drags(&cell("after"), "message").await;
        hand.drags(&cell("width"), "its words").await;
        hand.drags(&cell("icon"), "bag").await;
        kept(client).await;
        let apart = "(() => { const [one, other] = [...page.querySelectorAll('.k-buy-button .buy')].map(b => b.getBoundingClientRect());
            return other.left >= one.right + 8 || other.top >= one.bottom + 8; })()";
        in_both(client, apart).await;
        let set = set_to(&owner, "buy_button").await;
        let wanted = json!({ "words": "Fly it", "now": "Buy it now", "after": "stay", "width": "words", "icon": "bag" });
        for (setting, value) in wanted.as_object().unwrap() {
            assert_eq!(set[setting], *value, "{setting}: {set}");
        }
        assert_eq!(set_to(&owner, "price").await["colour"], "accent");
        hand.took("A bigger title, the price before the summary in the accent, a button of its own", 9);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn an_order_of_its_own_for_phones(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open_desk(client, &base, "/templates/2?product=whimbrel").await;
        proofs_are_drawn(client).await;
        let seen = |first: &str, second: &str| {
            format!("page.querySelector('{first}').getBoundingClientRect().top < page.querySelector('{second}').getBoundingClientRect().top")
        };
        let listed = order(client).await;
        let mut hand = Hand::new(client);
        // The stock line and the quantity away on phones, and the button above the options there.
        hand.click("[aria-label^='Stock line on phones']", "").await;
        hand.click("[aria-label^='Quantity on phones']", "").await;
        hand.key("2").await;
        until(client, &in_proof("Phone", "page.querySelector('.k-buy-button')")).await;
        let line = async |kind: &str| {
            find(client, &format!(".order .row:has([aria-label^='{kind} on wide'])")).await
        };
        let (button, options) = (line("Buy button").await, line("Options").await);
        ask(client, "document.querySelector(\".order .row:has([aria-label^='Stock line on wide'])\").scrollIntoView({ block: 'center' })").await;
        drag_here(client, &button, &options, 0).await;
        hand.did(1);
        until(client, &in_proof("Phone", &seen(".k-buy-button", ".k-options"))).await;
        until(client, &in_proof("Phone", "!page.querySelector('.k-stock-line').checkVisibility() && !page.querySelector('.k-quantity').checkVisibility()")).await;
        hand.took("An order of its own on phones", 4);
        assert_eq!(order(client).await, listed, "it is listed as on wide screens");
        assert_eq!(ask(client, "[...document.querySelectorAll('.order .second')].length > 2").await, json!(true));

        // By keys it goes on; wide screens stay as they are.
        click(client, ".order .what", "Buy button").await;
        press_with(client, Key::Alt, Key::Up).await;
        until(client, &in_proof("Phone", &seen(".k-buy-button", ".k-siblings"))).await;
        press(client, "3").await;
        until(client, &in_proof("Wide", &seen(".k-options", ".k-buy-button"))).await;
        until(client, &in_proof("Phone", &seen(".k-buy-button", ".k-options"))).await;
        press_with(client, Key::Control, "z").await;
        until(client, &in_proof("Phone", &seen(".k-siblings", ".k-buy-button"))).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn who_gets_what(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open_desk(client, &base, "/templates/1?product=connector-set").await;
        // A practised owner's parts are folded out: that is remembered.
        choose(client, "Gallery").await;
        click(client, ".slip .screens button", "Open all").await;
        let mut hand = Hand::new(client);
        hand.click(".order .what", "Gallery").await;
        until(client, "document.querySelector('.slip:not([inert]) .scope .levels')").await;
        hand.click(".scope .levels button", "Spares").await;
        hand.drags(".slip [data-value='thumbnails:wide'] button", "dots").await;
        hand.click(".scope .levels button", "Connector set").await;
        hand.writes(".k-buy-button .buy", "Take the set").await;
        kept(client).await;
        let departed = |it: &Value| {
            let all = it["draft"]["layout"]["departures"].as_array().unwrap();
            let set = |whom: Value, setting: &str, value: &str| {
                all.iter().any(|one| one["whom"] == whom && one["values"]["wide"][setting] == value)
            };
            set(json!({ "type": "spares" }), "thumbnails", "dots")
                && set(json!({ "product": "connector-set" }), "words", "Take the set")
        };
        comes(&owner, "/api/templates/1/desk", departed).await;
        hand.took("Thumbnails for a type, words for a product", 5);

        let copy = json_of(owner.post("/api/templates", &json!({ "name": "Winter", "from": 2 })).await).await;
        client.goto(&format!("{base}/templates")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click("tr:has(a[href='/templates/5']) button", "Name and reach").await;
        hand.click("[aria-label='Serves products'] button", "of some types").await;
        hand.click(".dialog-sheet label", "Spares").await;
        find(client, "[aria-label='But not these'] button").await.click().await.unwrap();
        hand.finds("connector", "Connector set").await;
        client.active_element().await.unwrap().send_keys(&Key::Escape.to_string()).await.unwrap();
        until(client, "document.querySelector('[aria-label=\"But not these\"] .chip')").await;
        hand.types(".dialog-sheet .pair label:nth-child(1) input", "1.12.2099, 9:00").await;
        hand.types(".dialog-sheet .pair label:nth-child(2) input", "1.3.2100, 9:00\u{e007}").await;
        let reaches = |it: &Value| {
            let reach =
                &it["templates"].as_array().unwrap().iter().find(|one| one["id"] == 5).unwrap()["reach"];
            reach["types"] == json!(["spares"])
                && reach["except"] == json!(["connector-set"])
                && reach["until"] == "2100-03-01T09:00"
        };
        comes(&owner, "/api/templates", reaches).await;
        hand.took("A type but one of its products, between two dates", 6);
        assert_eq!(copy["id"], 5);

        client.goto(&format!("{base}/templates/2?product=whimbrel")).await.unwrap();
        proofs_are_drawn(client).await;
        let mut hand = Hand::new(client);
        hand.click(".order .band", "tinted").await;
        hand.click("[aria-label='Keep this band for other templates']", "").await;
        let name = find(client, "[aria-label='Kept band'] input").await;
        name.send_keys(&format!("The details{}", Key::Enter)).await.unwrap();
        until(client, "document.querySelector('[aria-label=\"Kept as “The details”\"]')").await;
        client.goto(&format!("{base}/templates/1?product=connector-set")).await.unwrap();
        proofs_are_drawn(client).await;
        hand.did(2);
        hand.key("a").await;
        let finder = find(client, "[aria-label='Find a piece to add']").await;
        finder.send_keys("the details").await.unwrap();
        until(
            client,
            "document.querySelector('.piece-finder [aria-selected=true]')?.innerText.includes('a kept band')",
        )
        .await;
        finder.send_keys(&Key::Enter.to_string()).await.unwrap();
        hand.did(1);
        until(client, "document.querySelector('.slip:not([inert]) h2')?.innerText.startsWith('Band')").await;
        hand.drags(".slip [data-value='ground:wide'] button", "dark").await;
        let dark = |it: &Value| {
            let bands = it["draft"]["layout"]["bands"].as_array().unwrap();
            bands.iter().any(|band| band["kept"].is_u64() && band["values"]["wide"]["ground"] == "ink")
        };
        comes(&owner, "/api/templates/1/desk", dark).await;
        comes(&owner, "/api/templates/2/desk", dark).await;
        hand.took("A band in two templates, changed once", 7);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_product_from_nothing(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &base).await;
        let mut hand = Hand::new(client);
        hand.click(".shelf section button", "Add a product to Sport kites").await;
        hand.types(".dialog-sheet label:nth-child(1) input", "Merlin").await;
        hand.types(".dialog-sheet label:nth-child(2) input", "42.50").await;
        hand.click(".dialog-sheet fieldset .pill", "Ember").await;
        hand.click(".dialog-sheet fieldset .pill", "Tide").await;
        until(
            client,
            "document.querySelector('.dialog-sheet [role=status]')?.innerText === '2 variants are made.'",
        )
        .await;
        hand.types(".dialog-sheet textarea", "A kite for one hand and a light wind.").await;
        let picture =
            std::fs::canonicalize(concat!(env!("CARGO_MANIFEST_DIR"), "/../docs/screenshots/desk.png"));
        let picture = picture.unwrap();
        let field = find(client, ".dialog-sheet input[type=file]").await;
        field.send_keys(picture.to_str().unwrap()).await.unwrap();
        hand.did(1);
        hand.click(".dialog-sheet button[type=submit]", "").await;
        until(client, "location.pathname === '/products/merlin/variants'").await;
        until(client, "document.querySelectorAll('.lines .row').length === 2").await;
        hand.types("[data-cell='1:price']", "45").await;
        hand.click("nav a", "On the desk").await;
        proofs_are_drawn(client).await;
        in_both(
            client,
            "page.querySelector('h1').textContent.includes('Merlin') && page.querySelector('.k-gallery img')",
        )
        .await;
        hand.took("A product in two variants with prices, a picture and a text, and its page", 10);
        let made = json_of(owner.get("/api/variants?product=merlin").await).await;
        assert_eq!(made["price"], "42.50", "{made}");
    })
    .await;
}

/// What a shopper gets at an address.
async fn shop_page(base: &str, product: &str) -> String {
    let page = reqwest::get(format!("{base}/shop/products/{product}")).await.unwrap();
    page.error_for_status().unwrap().text().await.unwrap()
}

#[sqlx::test(migrations = false)]
async fn a_page_of_its_own(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open_desk(client, &base, "/templates/2?product=curlew").await;
        let mut hand = Hand::new(client);
        hand.menu(".head button", "Page", "A page of its own").await;
        until(client, "document.querySelector('h1').innerText === 'Curlew, own page'").await;
        proofs_are_drawn(client).await;

        // A picture as wide as the screen and half as high. Nobody has to say that it is shown.
        choose(client, "Breadcrumb").await;
        hand.did(1);
        hand.key("b").await;
        hand.click(".slip [data-value='picture:wide'] button", "none").await;
        hand.click(".shelf button", "dunes").await;
        hand.drags(".slip [data-value='height:wide'] button", "half the screen").await;
        let strip = "(() => { const band = page.querySelector('.behind img')?.closest('.band').getBoundingClientRect();
            return band && Math.abs(band.height - parseFloat(page.documentElement.style.getPropertyValue('--screen')) / 2) < 2; })()";
        in_both(client, strip).await;

        hand.key("a").await;
        // As fast as they come: no letter waits for what was added before.
        let mut typed = KeyActions::new("keys".to_owned());
        for piece in ["quotes", "rating", "row of pictures", "questions"] {
            for value in piece.chars() {
                typed = typed.then(KeyAction::Down { value }).then(KeyAction::Up { value });
            }
            let (shift, enter) = (char::from(Key::Shift), char::from(Key::Enter));
            typed = typed.then(KeyAction::Down { value: shift }).then(KeyAction::Down { value: enter });
            typed = typed.then(KeyAction::Up { value: enter }).then(KeyAction::Up { value: shift });
            hand.did(1);
        }
        find(client, "[aria-label='Find a piece to add']").await;
        client.perform_actions(typed).await.unwrap();
        until(
            client,
            "[...document.querySelectorAll('.order .what')].map(e => e.firstChild.textContent.trim()).join()
                .includes('Quotes,Rating line,Row of pictures,Questions')",
        )
        .await;
        // A line below the finder stays under the pointer until that is let go.
        Hand::new(client).click(".order .row[data-piece] .what", "Title").await;
        until(client, "document.querySelector('.slip h2')?.innerText.endsWith('Title')").await;
        hand.menu(".head button", "Page", "Slim").await;
        kept(client).await;
        hand.click(".head button", "Publish").await;
        hand.click(".v-dialog button[type=submit]", "").await;
        until(client, "document.querySelector('[data-test=state]').innerText.startsWith('Live')").await;
        hand.took("A page of its own with a picture across it and four pieces more, slim, published", 14);
        assert!(shop_page(&base, "curlew").await.contains("class=\"behind "));

        let mut hand = Hand::new(client);
        hand.menu(".head button", "Page", "Back to the template").await;
        hand.click(".v-dialog button[type=submit]", "Back to the template").await;
        until(client, "location.pathname === '/templates/2' && document.querySelector('h1').innerText === 'Sport kites'").await;
        hand.took("Back to the template", 2);
        assert!(!shop_page(&base, "curlew").await.contains("class=\"behind "));
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_is_sold_and_for_how_much(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &base).await;

        client.goto(&format!("{base}/prices")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click(".policies input", "on pages: once the cart has earned it").await;
        hand.click(".policies input", "on cards: at once, with the condition").await;
        hand.click(".view-head a", "What changes where").await;
        until(client, "document.querySelectorAll('.way .line').length > 0").await;
        hand.took("An old price once earned on pages, always on cards, and where that shows", 3);

        client.goto(&format!("{base}/prices")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click(".head button", "New rule").await;
        hand.types(".panel input[maxlength='80']", "By the handful").await;
        hand.pick("[aria-label='For what']", "types").await;
        hand.click(".panel [aria-label=Which] button", "Spares").await;
        hand.types("[aria-label='Step 1: from so many pieces']", "3").await;
        hand.types("[aria-label='Step 1: how much']", "10").await;
        hand.click(".panel button", "Another step").await;
        hand.types("[aria-label='Step 2: how much']", "20\u{e007}").await;
        let rule = |it: &Value| {
            it["rules"].as_array().unwrap().iter().any(|rule| {
                rule["name"] == "By the handful" && rule["steps"][1]["from"] == 6 && rule["products"] == 4
            })
        };
        comes(&owner, "/api/prices", rule).await;
        find(client, ".bench [aria-label^='Product:']").await.click().await.unwrap();
        hand.finds("sail patch", "Sail patch").await;
        let costs = "document.querySelector('.bench figure')?.innerText.replace(/\\s+/g, ' ')";
        until(client, &format!("{costs}?.includes('£5.40 3–5 £4.80 6+')")).await;
        hand.took("A price rule for a type, from three and from six, and what four and seven cost", 10);

        client.goto(&format!("{base}/?find=curlew")).await.unwrap();
        let mut hand = Hand::new(client);
        hand.click(".found li button", "More about Curlew").await;
        hand.click(".v-list-item", "Announce it as coming soon").await;
        comes(&owner, "/api/products/curlew/selling", |it| it["state"] == "coming_soon").await;
        until(client, "document.querySelector('.found li')?.innerText.includes('oming soon')").await;
        let page = owner.page("/shop/products/curlew".into()).await;
        assert!(page.contains("type=\"email\""), "shoppers can ask to be told");
        hand.took("Coming soon, with a note to whoever asks for it", 2);

        client.goto(&format!("{base}/products/whimbrel-mini/variants")).await.unwrap();
        let mut hand = Hand::new(client);
        until(client, "document.querySelector('a[href*=\"variants.csv\"]')").await;
        let file = owner.page("/api/variants.csv?product=whimbrel-mini".into()).await;
        hand.did(1);
        let mut lines: Vec<String> = file.lines().map(str::to_owned).collect();
        let mut cells: Vec<&str> = lines[1].split(',').collect();
        assert_ne!(cells[4], "77");
        cells[4] = "77";
        let line = cells.join(",");
        lines[1] = line;
        let path = std::env::temp_dir().join(format!("{}-mini.csv", std::process::id()));
        std::fs::write(&path, lines.join("\n")).unwrap();
        hand.did(1);
        hand.click("button", "Bring in a CSV").await;
        find(client, ".dialog-sheet input[type=file]").await.send_keys(path.to_str().unwrap()).await.unwrap();
        hand.did(1);
        until(client, "document.querySelector('.dialog-sheet')?.innerText.includes('changes 1 variant')")
            .await;
        hand.click(".dialog-sheet button", "Bring in").await;
        until(client, "document.querySelector('.dialog-sheet')?.innerText.includes('has added')").await;
        hand.took("Variants out, a number changed, and in again", 5);
        std::fs::remove_file(&path).unwrap();
    })
    .await;
}

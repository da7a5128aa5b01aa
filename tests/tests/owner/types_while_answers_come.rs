//! What is typed while answers are still on their way: every letter is kept, and goes where it was typed.

use compagina_tests::desk::{choose, click, in_proof, open_value, press, proofs_are_drawn};
use compagina_tests::{Browser, Screen, Site, ask, find, json_of, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::future::Future;
use std::time::Duration;

/// Answers to what changes something come late, by up to 600 ms, other ones each time. `window.fails` of them fail as a
/// proxy's would, without a body and without a server; `window.loses` are lost on their way back, though the server took
/// what was sent. That the desk tells every moment who is there is no step: it is left alone. Answers
/// about what `window.holds` names are held back until it lets them go.
const LATE: &str = r#"
    const fetch_at_once = window.fetch.bind(window);
    let drawn = 7;
    window.fetch = async (wanted, options) => {
        const [method, address] = [options?.method ?? wanted.method ?? "GET", String(wanted.url ?? wanted)];
        const is_step = method !== "GET" && address.includes("/api/") && !address.endsWith("/presence");
        if (window.holds && address.includes(window.holds.what)) {
            window.holds.asked = true;
            await window.holds.until;
        }
        if (!is_step) return fetch_at_once(wanted, options);
        if (window.fails > 0) { window.fails -= 1; return new Response(null, { status: 502 }); }
        const answer = await fetch_at_once(wanted, options);
        drawn = (drawn * 1103515245 + 12345) % 2147483648;
        await new Promise((go) => setTimeout(go, window.late ?? drawn % 600));
        if (window.loses > 0) { window.loses -= 1; throw new TypeError("the connection was cut"); }
        window.came = (window.came ?? 0) + 1;
        return answer;
    };
"#;

/// Opens a view of the owner's application in which answers come late.
async fn with_late_answers<F: Future<Output = ()>>(site: &Site, path: &str, steps: impl FnOnce(Client) -> F) {
    let (base, address) = (site.base.clone(), format!("{}{path}", site.base));
    Browser::run_with(Screen::Wide, LATE, |client| async move {
        Browser::sign_in(&client, &base).await;
        until(&client, "document.querySelector('.shelf')").await;
        client.goto(&address).await.unwrap();
        steps(client).await;
    })
    .await;
}

/// Holds back the answers about something.
async fn hold(client: &Client, what: &str) {
    let holds = format!(
        "void (window.holds = {{ what: '{what}', until: new Promise(go => {{ window.lets = go }}) }}, window.holds.go = window.lets)"
    );
    ask(client, &holds).await;
}

/// Types as a hand does, a letter every so often.
async fn type_at(client: &Client, css: &str, text: &str, every: u64) {
    let field = find(client, css).await;
    field.click().await.unwrap();
    ask(client, "document.activeElement.select?.()").await;
    for letter in text.chars() {
        client.active_element().await.unwrap().send_keys(&letter.to_string()).await.unwrap();
        tokio::time::sleep(Duration::from_millis(every)).await;
    }
}

async fn variants(site: &Site) -> Vec<Value> {
    let owner = site.owner().await;
    json_of(owner.get("/api/variants?product=whimbrel").await).await["variants"].as_array().unwrap().clone()
}

#[sqlx::test(migrations = false)]
async fn a_stock_and_then_a_price_in_another_row_are_both_kept_to_the_last_letter(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    with_late_answers(site, "/products/whimbrel/variants", |client| async move {
        let client = &client;
    until(client, "document.querySelectorAll('.row input:not([type])').length > 20").await;
    let skus: Vec<String> =
        variants(site).await.iter().take(7).map(|row| row["sku"].as_str().unwrap().to_owned()).collect();
    for (turn, pair) in skus.windows(2).enumerate() {
        let (stock, price) = (format!("[aria-label='Stock of {}']", pair[0]), format!("[aria-label='Price of {}']", pair[1]));
        type_at(client, &stock, &format!("{}", 11 + turn), 40).await;
        type_at(client, &price, &format!("12.8{turn}"), 70).await;
    }
    ask(client, "document.activeElement.blur()").await;
    let kept = |rows: &[Value]| {
        skus.windows(2).enumerate().all(|(turn, pair)| {
            let row = |sku: &str| rows.iter().find(|row| row["sku"] == sku).unwrap().clone();
            row(&pair[0])["stock"] == 11 + turn && row(&pair[1])["price"] == format!("12.8{turn}")
        })
    };
    for _ in 0..100 {
        if kept(&variants(site).await) {
            until(client, "[...document.querySelectorAll('.row input:not([type])')].every(i => i !== document.activeElement)").await;
            return;
        }
        tokio::time::sleep(Duration::from_millis(100)).await;
    }
    panic!("{:?}", variants(site).await);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn an_answer_without_a_body_is_no_success_and_what_was_typed_stays(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    with_late_answers(site, "/products/whimbrel/variants", |client| async move {
        let client = &client;
        until(client, "document.querySelectorAll('.row input:not([type])').length > 20").await;
        let sku = variants(site).await[0]["sku"].as_str().unwrap().to_owned();
        // Sent again by itself, and told meanwhile.
        ask(client, "window.fails = 3").await;
        let stock = format!("[aria-label='Stock of {sku}']");
        type_at(client, &stock, "77", 20).await;
        ask(client, "document.activeElement.blur()").await;
        until(
            client,
            "document.querySelector('[data-test=saved]').innerText === '1 step waits for the connection'",
        )
        .await;
        assert_eq!(ask(client, &format!("document.querySelector(\"{stock}\").value")).await, "77");
        until(client, "document.querySelector('[data-test=saved]').innerText.startsWith('Saved')").await;
        for _ in 0..100 {
            if variants(site).await[0]["stock"] == 77 {
                return;
            }
            tokio::time::sleep(Duration::from_millis(100)).await;
        }
        panic!("it was never kept");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_was_not_answered_is_sent_again_by_itself_and_taken_once(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    let steps = async || {
        let journal = json_of(owner.get("/api/journal?view=variants&product=whimbrel").await).await;
        journal["steps"].as_array().unwrap().len()
    };
    let (before, revision) = (steps().await, owner.draft().await["revision"].as_u64().unwrap());
    with_late_answers(site, "/products/whimbrel/variants", |client| async move {
        let client = &client;
        until(client, "document.querySelectorAll('.row input:not([type])').length > 20").await;
        let sku = variants(site).await[0]["sku"].as_str().unwrap().to_owned();
        ask(client, "window.fails = 1, window.loses = 2, window.came = 0").await;
        type_at(client, &format!("[aria-label='Stock of {sku}']"), "77", 20).await;
        ask(client, "document.activeElement.blur()").await;
        until(client, "window.came === 1").await;
        until(client, "!document.querySelector('[role=alert], .problem')").await;
        assert_eq!(variants(site).await[0]["stock"], 77);
        assert_eq!(steps().await, before + 1, "one step to take back");

        // On the desk the answer to an edit holds the whole page, which isn't kept: how it is now is read instead.
        client.goto(&format!("{}/templates/2?product=whimbrel", site.base)).await.unwrap();
        proofs_are_drawn(client).await;
        ask(client, "window.loses = 2, window.came = 0").await;
        find(client, ".order button.phone[aria-label^='Breadcrumb on phones']").await.click().await.unwrap();
        until(client, "window.came === 1").await;
        let gone = "page.querySelector('.k-breadcrumb').getBoundingClientRect().height === 0";
        until(client, &in_proof("Phone", gone)).await;
        assert_eq!(owner.draft().await["revision"], revision + 1, "once");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_typed_colour_and_the_first_letter_of_a_note_are_kept(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    with_late_answers(site, "/swatch-book/colour", |client| async move {
        let client = &client;
        until(client, "document.querySelectorAll('ul.fan > li').length === 11").await;
        click(client, "ul.fan button", "Bracken").await;
        until(client, "document.querySelector('.panel .title b')?.innerText === 'Bracken'").await;
        click(client, ".panel fieldset button", "Give it a colour").await;
        let first = ".panel .colour input:not([type])";
        until(client, &format!("document.querySelector(\"{first}\")")).await;
        type_at(client, first, "#7A4B1C", 40).await;
        // The click leaves the field and goes on from what stands there.
        click(client, ".panel fieldset button", "Another colour").await;
        type_at(client, "[maxlength='200']", "autumn bracken", 40).await;
        ask(client, "document.activeElement.blur()").await;
        let owner = site.owner().await;
        for _ in 0..100 {
            let book = json_of(owner.get("/api/options/colour").await).await;
            let all = book["values"].as_array().unwrap();
            let value = all.iter().find(|value| value["name"] == "Bracken").unwrap();
            let colours = value["swatch"]["colours"].as_array().cloned().unwrap_or_default();
            if value["note"] == "autumn bracken" && colours.len() == 2 {
                assert_eq!(colours[0], "#7A4B1C");
                return;
            }
            tokio::time::sleep(Duration::from_millis(100)).await;
        }
        panic!("{}", json_of(owner.get("/api/options/colour").await).await);
    })
    .await;
}

/// What is published is the draft with every step that was taken on it before.
#[sqlx::test(migrations = false)]
async fn publishing_waits_for_the_steps_that_are_on_their_way(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    with_late_answers(site, "/templates/2?product=whimbrel", |client| async move {
        let client = &client;
        proofs_are_drawn(client).await;
        hold(client, "/operations").await;
        for piece in ["Breadcrumb", "Summary", "Promises"] {
            let mark = format!(".order button.phone[aria-label^='{piece} on phones']");
            find(client, &mark).await.click().await.unwrap();
        }
        until(client, "window.holds.asked").await;
        click(client, ".head button", "Publish").await;
        find(client, "form.dialog-sheet [type=submit]").await.click().await.unwrap();
        let owner = site.owner().await;
        assert_eq!(owner.draft().await["revision"], 1, "none of them is taken yet");
        ask(client, "void window.holds.go()").await;
        until(client, "document.body.innerText.includes('Published. Shoppers see it now.')").await;
        let draft = owner.draft().await;
        assert_eq!((&draft["revision"], &draft["changes"]), (&json!(4), &json!(0)), "all three are live");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_product_is_looked_for_before_the_first_ones_have_come(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    with_late_answers(site, "/prices", |client| async move {
        let client = &client;
        until(client, "document.querySelector('.bench .price')").await;
        hold(client, "/api/products?").await;
        find(client, ".bench [aria-label^='Product:']").await.click().await.unwrap();
        until(client, "document.activeElement.matches('.products input')").await;
        client.active_element().await.unwrap().send_keys("sail patch").await.unwrap();
        assert_eq!(ask(client, "window.holds.asked").await, true);
        ask(client, "void window.holds.go()").await;
        let first =
            "document.querySelector('.products [aria-selected=true] .name')?.innerText === 'Sail patch'";
        until(client, first).await;
        client.active_element().await.unwrap().send_keys("\u{e007}").await.unwrap();
        until(client, "document.querySelector('.bench [aria-label=\"Product: Sail patch\"]')").await;
    })
    .await;
}

/// An answer about one number draws the others anew, while the next one is being typed.
#[sqlx::test(migrations = false)]
async fn numbers_of_the_house_style_typed_one_after_another_are_all_kept(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    with_late_answers(site, "/house-style", |client| async move {
        let client = &client;
        click(client, ".parts nav button", "Type").await;
        let field = |step: usize| format!(".token input[type=number][aria-labelledby=token-type_{step}]");
        until(client, &format!("document.querySelector('{}')", field(7))).await;
        for round in 0..4 {
            for step in 0..8 {
                type_at(client, &field(step), &format!("{}", 20 + (step + round) % 5), 60).await;
            }
        }
        ask(client, "document.activeElement.blur()").await;
        let owner = site.owner().await;
        let typed: Vec<i64> = (0..8).map(|step| 20 + (step + 3) % 5).collect();
        let mut kept = Vec::new();
        for _ in 0..100 {
            let house = json_of(owner.get("/api/house").await).await;
            let tokens = house["tokens"].as_array().unwrap();
            let value = |step: usize| {
                let token = tokens.iter().find(|token| token["key"] == format!("type_{step}")).unwrap();
                token["value"].as_i64().unwrap()
            };
            kept = (0..8).map(value).collect();
            if kept == typed {
                break;
            }
            tokio::time::sleep(Duration::from_millis(100)).await;
        }
        assert_eq!(kept, typed);
        for (step, number) in typed.into_iter().enumerate() {
            let shown = ask(client, &format!("document.querySelector('{}').value", field(step))).await;
            assert_eq!(shown, number.to_string(), "step {step}");
        }
    })
    .await;
}

/// Lines of the order that are copied, and what their pieces are in the document.
const COPIED: [(&str, &str); 3] = [("Title", "title"), ("Price", "price"), ("Summary", "summary")];

/// A step that waits for its turn belongs to the page on which it was made.
#[sqlx::test(migrations = false)]
async fn steps_that_wait_go_to_the_template_on_which_they_were_made(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    with_late_answers(site, "/templates/2?product=whimbrel", |client| async move {
        let client = &client;
        let owner = site.owner().await;
        let pieces = async |template: u64| {
            let desk = json_of(owner.get(&format!("/api/templates/{template}/desk")).await).await;
            desk["draft"]["layout"].to_string()
        };
        let other = pieces(1).await;
        proofs_are_drawn(client).await;
        ask(client, "window.late = 1200").await;
        for (line, _) in COPIED {
            choose(client, line).await;
            press(client, "d").await;
        }
        // Before they are answered another template is opened, by the way of the application.
        click(client, "nav a", "Pages").await;
        until(client, "document.querySelector('a[href^=\"/templates/1\"]')").await;
        find(client, "a[href^='/templates/1']").await.click().await.unwrap();
        until(client, "location.pathname === '/templates/1'").await;
        proofs_are_drawn(client).await;
        for _ in 0..100 {
            let now = pieces(2).await;
            if COPIED.iter().all(|(_, kind)| now.matches(&format!("\"kind\":\"{kind}\"")).count() == 2) {
                assert_eq!(pieces(1).await, other, "the other template is as it was");
                return;
            }
            tokio::time::sleep(Duration::from_millis(100)).await;
        }
        panic!("{}", pieces(2).await);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn until_the_slip_of_what_is_chosen_comes_nothing_is_typed_on_the_one_before(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    with_late_answers(site, "/templates/2?product=whimbrel", |client| async move {
        let client = &client;
        proofs_are_drawn(client).await;
        let slip_of =
            |piece: &str| format!("document.querySelector('.slip h2')?.textContent.includes('{piece}')");
        let comes = "document.querySelector('.slip').inert";
        click(client, ".order .what", "Facts").await;
        until(client, &slip_of("Facts")).await;
        open_value(client, "heading:wide").await;
        find(client, ".slip [data-value='heading:wide'] input").await;

        // Another one's is on its way: its name stands there, and the settings before it take nothing.
        hold(client, "/slip/").await;
        click(client, ".order .what", "Buy button").await;
        until(client, &slip_of("Buy button")).await;
        until(client, comes).await;
        assert_eq!(ask(client, "document.activeElement.closest('.slip')").await, Value::Null);
        // Enter goes into the settings that were asked for, as soon as they are here.
        press(client, "\u{e007}").await;
        ask(client, "void window.holds.go()").await;
        until(client, &format!("!{comes} && document.activeElement.closest('.slip')")).await;

        // One that was seen before is there at once, and stays as it is when it is told anew.
        hold(client, "/slip/").await;
        click(client, ".order .what", "Facts").await;
        until(client, &format!("{} && !{comes}", slip_of("Facts"))).await;
        open_value(client, "heading:wide").await;
        type_at(client, ".slip [data-value='heading:wide'] input", "From the", 40).await;
        ask(client, "void window.holds.go()").await;
        for letter in " loft".chars() {
            client.active_element().await.unwrap().send_keys(&letter.to_string()).await.unwrap();
        }
        until(client, &in_proof("Wide", "page.body.textContent.includes('From the loft')")).await;
        assert!(owner.draft().await.to_string().contains(r#""heading":"From the loft""#));
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_was_read_when_a_dialog_was_open_last_is_not_typed_on(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    with_late_answers(site, "/products/whimbrel/variants", |client| async move {
        let client = &client;
        click(client, "button", "How it is sold").await;
        let price = ".dialog-sheet .row label:nth-child(1) input";
        find(client, price).await;
        click(client, ".dialog-sheet button", "Cancel").await;
        until(client, "!document.querySelector('.dialog-sheet')").await;

        hold(client, "/selling").await;
        click(client, "button", "How it is sold").await;
        until(client, "document.querySelector('.dialog-sheet h1')").await;
        assert_eq!(ask(client, &format!("document.querySelector('{price}')")).await, Value::Null);
        ask(client, "void window.holds.go()").await;
        type_at(client, price, "71.50", 40).await;
        find(client, price).await.send_keys(&Key::Enter.to_string()).await.unwrap();
        until(client, "!document.querySelector('.dialog-sheet')").await;
        let selling = json_of(site.owner().await.get("/api/products/whimbrel/selling").await).await;
        assert_eq!(selling["price"], "71.50");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_cell_in_which_nothing_was_typed_takes_over_what_came_in_and_keeps_nothing(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    with_late_answers(site, "/templates/2?product=whimbrel", |client| async move {
        let client = &client;
        proofs_are_drawn(client).await;
        choose(client, "Buy button").await;
        open_value(client, "words:wide").await;
        let words = ".slip [data-value='words:wide'] input";
        find(client, words).await;
        let value = format!("document.querySelector(`{words}`)?.value");
        assert_eq!(ask(client, &value).await, "Add to cart");
        let op = json!({ "op": "set", "target": { "piece": "p9" }, "setting": "words", "device": "wide", "value": "Take it home" });
        let seen = json!({ "revision": owner.draft().await["revision"], "op": op });
        json_of(owner.post("/api/templates/2/operations", &seen).await).await;
        until(client, &format!("{value} === 'Take it home'")).await;
        choose(client, "Title").await;
        until(client, &in_proof("Wide", "page.body.textContent.includes('Take it home')")).await;
        assert!(owner.draft().await.to_string().contains("Take it home"));
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn the_first_of_many_variants_can_be_changed_while_the_others_are_on_their_way(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    let count = owner.many_variants("carbon-spar", 9).await;
    with_late_answers(site, "/?find=carbon", |client| async move {
        let client = &client;
        let all = "document.querySelector('[aria-label=\"Choose all that are found\"]')";
        hold(client, "carbon-spar&skip=").await;
        let link = find(client, "[href='/products/carbon-spar/variants']").await;
        link.click().await.unwrap();
        until(client, "document.querySelectorAll('.lines .row').length > 10").await;
        until(
            client,
            &format!(
                "document.querySelector('.head [role=status]').innerText.startsWith('{count} variants')"
            ),
        )
        .await;
        assert_eq!(
            ask(client, &format!("{all}.disabled")).await,
            true,
            "not all are here that it would choose"
        );
        type_at(client, "[data-cell='2:stock']", "41", 40).await;
        ask(client, "document.activeElement.blur()").await;
        until(client, "window.came > 0").await;
        ask(client, "window.lets()").await;
        until(client, &format!("!{all}.disabled")).await;
        assert_eq!(ask(client, "document.querySelector(\"[data-cell='2:stock']\").value").await, "41");
        ask(client, &format!("{all}.click()")).await;
        type_at(client, ".find", "MANY-728", 10).await;
        until(client, "document.querySelectorAll('.lines .row.chosen').length === 1").await;
        let kept = json_of(owner.get("/api/variants?product=carbon-spar").await).await;
        assert_eq!(kept["variants"][2]["stock"], 41);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_is_sent_twice_while_its_answer_is_late_is_made_once(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    with_late_answers(site, "/swatch-book/colour", |client| async move {
        let client = &client;
        ask(client, "void (window.late = 900)").await;
        let name = ".fan [aria-label='Name of a new value']";
        type_at(client, name, "Moss", 20).await;
        client.active_element().await.unwrap().send_keys("\u{e007}\u{e007}").await.unwrap();
        type_at(client, name, "Kelp", 20).await;
        until(client, "window.came > 0 && document.querySelector('[data-test=saved]:not([aria-busy])')")
            .await;
        let typed = format!("document.querySelector(\"{name}\").value");
        assert_eq!(ask(client, &typed).await, "Kelp", "what was typed meanwhile stays");
        client.active_element().await.unwrap().send_keys("\u{e007}").await.unwrap();
        until(client, "[...document.querySelectorAll('.fan b')].some(value => value.innerText === 'Kelp')")
            .await;
        let book = json_of(owner.get("/api/options/colour").await).await;
        let of =
            |name: &str| book["values"].as_array().unwrap().iter().filter(|one| one["name"] == name).count();
        assert_eq!((of("Moss"), of("Kelp")), (1, 1));
        assert_eq!(ask(client, "document.querySelectorAll('.problem').length").await, 0);

        client.goto(&format!("{}/", site.base)).await.unwrap();
        click(client, ".shelf header button", "New product type").await;
        ask(client, "void (window.late = 900)").await;
        type_at(client, ".dialog-sheet input", "Bells", 20).await;
        client.active_element().await.unwrap().send_keys("\u{e007}").await.unwrap();
        client.active_element().await.unwrap().send_keys("\u{e007}").await.unwrap();
        until(client, "document.querySelector('.order .row')").await;
        let shelf = json_of(owner.get("/api/shelf").await).await;
        let bells = shelf["types"].as_array().unwrap().iter().filter(|one| one["name"] == "Bells").count();
        assert_eq!(bells, 1);
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_linked_band_is_not_offered_to_be_kept_before_its_name_is_read(pool: MySqlPool) {
    let site = Site::start(pool).await;
    with_late_answers(&site, "/templates/3", async |client| {
        let client = &client;
        proofs_are_drawn(client).await;
        hold(client, "/api/kept-bands").await;
        click(client, ".order .band", "How we sew").await;
        let keeps = "[aria-label='Keep this band for other templates']";
        find(client, keeps).await;
        assert_eq!(ask(client, &format!("document.querySelector(\"{keeps}\").disabled")).await, true);
        ask(client, "void window.holds.go()").await;
        find(client, "[aria-label='Kept as “How we sew”']:enabled").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn an_address_is_typed_once_the_old_one_is_read(pool: MySqlPool) {
    let site = Site::start(pool).await;
    with_late_answers(&site, "/", async |client| {
        let client = &client;
        find(client, "[aria-label='More about Dunlin']").await.click().await.unwrap();
        hold(client, "/dunlin/address").await;
        click(client, ".v-list-item", "Change its address").await;
        until(client, "document.querySelector('[aria-label=Address]')?.disabled && window.holds.asked").await;
        ask(client, "void window.holds.go()").await;
        // Its keys come to the field then, and what is typed takes the old one's place.
        until(client, "document.activeElement?.ariaLabel === 'Address'").await;
        client.active_element().await.unwrap().send_keys("wader").await.unwrap();
        assert_eq!(ask(client, "document.querySelector('[aria-label=Address]').value").await, "wader");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_another_changed_is_shown_although_a_step_was_refused_while_it_was_read(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    with_late_answers(&site, "/templates/2?product=whimbrel", async |client| {
        let client = &client;
        proofs_are_drawn(client).await;
        choose(client, "Summary").await;
        hold(client, "/api/templates/2/draft").await;
        let desk = json_of(owner.get("/api/templates/2/desk").await).await;
        let summary = ask(client, "document.querySelector('.order .row.chosen').dataset.piece").await;
        let op = json!({ "op": "remove_piece", "piece": summary });
        let step = json!({ "revision": desk["draft"]["revision"], "op": op });
        assert_eq!(owner.post("/api/templates/2/operations", &step).await.status(), 200);
        until(client, "window.holds.asked").await;
        press(client, "d").await;
        until(client, "document.querySelector('main [role=alert]')").await;
        click(client, "main [role=alert] button", "Understood").await;
        until(client, "!document.querySelector('main [role=alert]')").await;
        ask(client, "void window.holds.go()").await;
        until(
            client,
            "![...document.querySelectorAll('.order .what')].some(e => e.innerText.startsWith('Summary'))",
        )
        .await;
    })
    .await;
}

//! Working without a connection, through a closed tab and a session that ended: nothing that was done is lost.

use compagina_tests::desk::{
    choose, click, in_proof, open_desk, open_value, order, press, press_with, type_into, type_value,
};
use compagina_tests::{
    Browser, EMAIL, OTHER_EMAIL, OTHER_PASSWORD, PASSWORD, Screen, Site, ask, find, json_of, until,
};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::{Value, json};
use sqlx::MySqlPool;

const SAID: &str = "document.querySelector('[data-test=saved]')?.innerText";

/// Nothing that changes something leaves the browser while this is noted there.
const CUT: &str = r#"
    const sends = window.fetch.bind(window);
    window.fetch = async (wanted, options) => {
        const address = String(wanted.url ?? wanted);
        const changes = (options?.method ?? wanted.method ?? "GET") !== "GET" && !address.includes("/api/session");
        if (changes && localStorage.getItem("cut")) throw new TypeError("cut");
        return sends(wanted, options);
    };
"#;

/// Closes the tab, opens another one there, and has what was left behind sent.
async fn open_again(client: &Client, address: &str) -> String {
    let old = client.window().await.unwrap();
    let new = client.new_window(true).await.unwrap();
    client.close_window().await.unwrap();
    client.switch_to_window(new.handle).await.unwrap();
    assert_ne!(client.window().await.unwrap(), old);
    client.goto(address).await.unwrap();
    until(client, "document.querySelector('[data-test=left]')").await;
    let left = ask(client, "document.querySelector('[data-test=left]').innerText").await;
    ask(client, "localStorage.removeItem('cut')").await;
    ask(client, "document.querySelector('[data-test=left] button').click()").await;
    until(client, &format!("{SAID}.startsWith('Saved')")).await;
    until(client, "!document.querySelector('[data-test=left]')").await;
    left.as_str().unwrap().to_owned()
}

/// How many steps wait, as the foot says it.
async fn waiting(client: &Client) -> u64 {
    until(client, &format!("{SAID}.endsWith('for the connection')")).await;
    ask(client, &format!("parseInt({SAID})")).await.as_u64().unwrap()
}

#[sqlx::test(migrations = false)]
async fn what_was_done_on_the_desk_is_sent_in_order_when_the_tab_is_opened_again(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    let before = owner.draft().await["revision"].as_u64().unwrap();
    Browser::run_with(Screen::Wide, CUT, |client| async move {
        let client = &client;
        open_desk(client, &site.base, "/templates/2?product=whimbrel").await;
        choose(client, "Title").await;
        ask(client, "localStorage.setItem('cut', '1')").await;
        for _ in 0..6 {
            press_with(client, Key::Alt, Key::Down).await;
        }
        for _ in 0..8 {
            press(client, "d").await;
        }
        for _ in 0..4 {
            press(client, &Key::Delete.to_string()).await;
        }
        for _ in 0..3 {
            press(client, &format!("{}z{}", Key::Control, Key::Control)).await;
        }
        press(client, "b").await;
        for _ in 0..3 {
            press_with(client, Key::Alt, Key::Up).await;
        }
        let count = waiting(client).await;
        assert_eq!(count, 25);
        let seen = order(client).await;
        let left = open_again(client, &format!("{}/templates/2?product=whimbrel", site.base)).await;
        assert!(left.starts_with("25 steps of "), "{left}");
        let draft = owner.draft().await;
        assert_eq!(draft["revision"], before + 25, "all of them, and none twice");
        client.refresh().await.unwrap();
        until(client, &format!("document.querySelectorAll('.order .what').length === {}", seen.len())).await;
        assert_eq!(order(client).await, seen);
    })
    .await;
}

/// The line of the whole browser, as DevTools emulates it.
async fn line(client: &Client, offline: bool, latency_ms: u32, bytes_a_second: i32) {
    let browser = Browser { client: client.clone() };
    browser.devtools("Network.enable", json!({})).await;
    let line = json!({
        "offline": offline, "latency": latency_ms,
        "downloadThroughput": bytes_a_second, "uploadThroughput": bytes_a_second,
    });
    browser.devtools("Network.emulateNetworkConditions", line).await;
}

#[sqlx::test(migrations = false)]
async fn a_line_that_goes_and_comes_back_slowly_loses_nothing_and_brings_what_others_did(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open_desk(client, &site.base, "/templates/2?product=whimbrel").await;
        choose(client, "Title").await;
        line(client, true, 0, -1).await;
        for _ in 0..2 {
            press_with(client, Key::Alt, Key::Down).await;
        }
        assert_eq!(waiting(client).await, 2);
        // A slip that was seen before is shown as it was; of one that wasn't it is told when it comes.
        click(client, ".order .what", "Summary").await;
        until(client, "document.querySelector('.slip .none')?.innerText.includes('What is set here is shown')").await;
        choose(client, "Title").await;
        let op = json!({ "op": "set", "target": { "piece": "p1" }, "setting": "shown", "device": "phone", "value": false });
        let step = json!({ "revision": 1, "op": op });
        assert_eq!(owner.post("/api/templates/2/operations", &step).await.status(), 200);
        // As slow as lines get on a train.
        line(client, false, 600, 30_000).await;
        until(client, &format!("{SAID}.startsWith('Saved')")).await;
        let gone = "page.querySelector('.k-breadcrumb').getBoundingClientRect().height === 0";
        until(client, &in_proof("Phone", gone)).await;
        assert_eq!(owner.draft().await["revision"], 4);

        // And again while nothing waits: what others do meanwhile is heard when it is back.
        line(client, true, 0, -1).await;
        let back = json!({ "revision": 4, "op": { "op": "set", "target": { "piece": "p1" }, "setting": "shown", "device": "phone", "value": null } });
        assert_eq!(owner.post("/api/templates/2/operations", &back).await.status(), 200);
        line(client, false, 40, -1).await;
        let there = "page.querySelector('.k-breadcrumb').getBoundingClientRect().height > 0";
        until(client, &in_proof("Phone", there)).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn what_is_typed_without_a_connection_is_kept_to_the_last_letter(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    Browser::run_with(Screen::Wide, CUT, |client| async move {
        let client = &client;
        open_desk(client, &site.base, "/templates/2?product=whimbrel").await;
        choose(client, "Buy button").await;
        open_value(client, "words:wide").await;
        ask(client, "localStorage.setItem('cut', '1')").await;
        let words = "Have it sent by the next tide";
        type_value(client, "words:wide", words).await;
        waiting(client).await;
        open_again(client, &format!("{}/templates/2?product=whimbrel", site.base)).await;
        let draft = owner.draft().await.to_string();
        assert!(draft.contains(words), "the tab was closed while the field had the focus: {draft}");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn in_every_view_what_waits_outlives_the_tab(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    let owner = &site.owner().await;
    Browser::run_with(Screen::Wide, CUT, |client| async move {
        let client = &client;
        Browser::sign_in(client, &site.base).await;
        until(client, "document.querySelector('.shelf')").await;
        ask(client, "localStorage.setItem('cut', '1')").await;
        let leave = "document.activeElement.blur()";
        let fields = [
            ("/products/knot/variants", ".lines input[aria-label^='Stock of']", "77"),
            ("/products/knot/texts", ".texts textarea", "Summed up anew."),
            ("/wording", ".words tbody textarea", "Said otherwise"),
            ("/listings", ".listings textarea", "All that flies."),
            ("/swatch-book/colour", "[aria-label^='What it is about']", "Which cloth"),
            ("/house-style", ".token input[type=number]", "17"),
            ("/products/whimbrel/pictures", ".panel textarea", "Over the dunes"),
        ];
        for (place, (path, field, text)) in (1..).zip(fields) {
            client.goto(&format!("{}{path}", site.base)).await.unwrap();
            if path.ends_with("pictures") {
                find(client, ".grid .card button").await.click().await.unwrap();
            }
            until(client, &format!("document.querySelector(`{field}`)")).await;
            type_into(client, field, text).await;
            ask(client, leave).await;
            if path.ends_with("texts") {
                find(client, ".texts [type=submit]").await.click().await.unwrap();
            }
            until(client, &format!("{SAID}?.startsWith('{place} step')")).await;
        }
        client.goto(&format!("{}/prices", site.base)).await.unwrap();
        let written =
            "[...document.querySelectorAll('.ways select')].find(e => e.querySelector('[value=code]'))";
        until(client, written).await;
        ask(
            client,
            &format!(
                "(() => {{ const e = {written}; e.value = 'code'; e.dispatchEvent(new Event('change')); }})()"
            ),
        )
        .await;
        until(client, &format!("{written}.value === 'code'")).await;
        assert_eq!(waiting(client).await, 8);
        let left = open_again(client, &format!("{}/", site.base)).await;
        assert!(
            left.contains(
                "Variants, Texts and facts, Wording, Listings, Swatch book, House style, Pictures, Prices"
            ),
            "{left}"
        );
        let get = async |path: &str| json_of(owner.get(path).await).await;
        assert_eq!(get("/api/variants?product=knot").await["variants"][0]["stock"], 77);
        assert_eq!(get("/api/products/knot/texts").await["texts"]["summary"], "Summed up anew.");
        assert_eq!(get("/api/wording?language=en").await["words"][0]["text"], "Said otherwise");
        assert_eq!(get("/api/listings").await["listings"][0]["words"], "All that flies.");
        assert_eq!(get("/api/options/colour").await["about"], "Which cloth");
        assert_eq!(get("/api/prices").await["style"]["unit"], "code");
        let house = get("/api/house").await;
        let first = house["tokens"].as_array().unwrap().iter().find(|token| token["own"] == true).unwrap();
        assert_eq!(first["value"], 17);
        assert_eq!(get("/api/pictures?product=whimbrel").await["pictures"][0]["alt"], "Over the dunes");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn who_is_signed_out_in_the_midst_of_it_signs_in_over_the_view(pool: MySqlPool) {
    let site = &Site::start(pool.clone()).await;
    let stock = async || {
        let variants: Value = json_of(site.owner().await.get("/api/variants?product=knot").await).await;
        variants["variants"][0]["stock"].clone()
    };
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        Browser::sign_in(client, &site.base).await;
        until(client, "document.querySelector('.shelf')").await;
        client.goto(&format!("{}/products/knot/variants", site.base)).await.unwrap();
        let field = ".lines input[aria-label^='Stock of']";
        until(client, &format!("document.querySelector(`{field}`)")).await;
        sqlx::query("DELETE FROM session").execute(&pool).await.unwrap();
        type_into(client, field, "41").await;
        ask(client, "document.activeElement.blur()").await;
        let dialog = "document.querySelector('.v-dialog [role=alertdialog]')";
        until(client, &format!("{dialog}?.innerText.includes('1 step waits')")).await;
        assert_eq!(ask(client, &format!("document.querySelector(`{field}`).value")).await, "41");
        let sign_in = async |email: &str, password: &str| {
            type_into(client, "[role=alertdialog] input[name=email]", email).await;
            type_into(client, "[role=alertdialog] input[name=password]", password).await;
            ask(client, "document.querySelector('[role=alertdialog] [type=submit]').click()").await;
        };
        sign_in(EMAIL, PASSWORD).await;
        until(client, &format!("{SAID}.startsWith('Saved')")).await;
        until(client, &format!("!{dialog}")).await;
        assert_eq!(stock().await, json!(41));

        // Somebody else is asked first, and what waits stays with who made it.
        sqlx::query("DELETE FROM session").execute(&pool).await.unwrap();
        type_into(client, field, "42").await;
        ask(client, "document.activeElement.blur()").await;
        until(client, &format!("{dialog}?.innerText.includes('1 step waits')")).await;
        sign_in(OTHER_EMAIL, OTHER_PASSWORD).await;
        until(client, &format!("{dialog}?.innerText.includes('Isla Marram was at work here')")).await;
        ask(client, "[...document.querySelectorAll('[role=alertdialog] button')].at(-1).click()").await;
        until(client, "document.querySelector('.who')?.innerText.includes('Tomas')").await;
        until(client, &format!("document.querySelector(`{field}`)")).await;
        assert_eq!(stock().await, json!(41));
        assert_eq!(ask(client, SAID).await, "Everything is saved");
    })
    .await;
}

/// Whether somebody is signed in isn't known while nobody answers: what an owner opens then waits for it.
#[sqlx::test(migrations = false)]
async fn whoever_opens_a_view_while_nobody_answers_is_not_signed_out(pool: MySqlPool) {
    let site = &Site::start(pool).await;
    const DOWN: &str = r#"
        const sends = window.fetch.bind(window);
        window.fetch = (wanted, options) => {
            if (localStorage.getItem("down")) return Promise.resolve(new Response(null, { status: 502 }));
            return sends(wanted, options);
        };
    "#;
    Browser::run_with(Screen::Wide, DOWN, |client| async move {
        let client = &client;
        Browser::sign_in(client, &site.base).await;
        until(client, "document.querySelector('.shelf')").await;
        ask(client, "localStorage.setItem('down', '1')").await;
        client.goto(&format!("{}/prices", site.base)).await.unwrap();
        until(client, "document.querySelector('.unknown')?.innerText.includes('doesn’t answer')").await;
        assert_eq!(
            ask(client, "document.querySelector('form') === null").await,
            true,
            "nobody is asked to sign in"
        );
        ask(client, "localStorage.removeItem('down')").await;
        until(client, "document.querySelector('.ways')").await;
        until(client, "!document.querySelector('.unknown')").await;
    })
    .await;
}

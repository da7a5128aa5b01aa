//! The slip as a job ticket: all settings of a piece at a glance, set without a mouse.

use compagina_tests::desk::{
    choose, click, in_both, in_proof, kept, open_desk, open_value, press, type_value, value_says,
};
use compagina_tests::{Browser, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::Value;
use sqlx::MySqlPool;

/// The settings that lie in sight whole, each with what it says on wide screens and on phones.
const IN_SIGHT: &str = "(() => {
  const slip = document.querySelector('.slip .sheet');
  const box = slip.getBoundingClientRect();
  const top = slip.querySelector('.screens').getBoundingClientRect().bottom;
  const heads = [...slip.querySelectorAll('.head.open')].map(e => e.getBoundingClientRect());
  return [...slip.querySelectorAll('.line')].filter(line => {
    const cells = line.querySelectorAll('[data-value] button');
    const own = line.getBoundingClientRect();
    const covered = heads.some(head => head.top < own.bottom - 1 && head.bottom > own.top + 1);
    return cells.length === 2 && [...cells].every(c => c.innerText.trim() !== '') && !covered
      && own.top >= top - 1 && own.bottom <= Math.min(box.bottom, innerHeight) + 1;
  }).length;
})()";

#[sqlx::test(migrations = false)]
async fn sixteen_settings_of_the_gallery_lie_in_sight_with_both_values(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &site.base, "/templates/2?product=whimbrel").await;
        choose(&client, "Gallery").await;
        click(&client, ".slip .screens button", "Open all").await;
        until(&client, "document.querySelector('.slip [data-value=\"arrows:phone\"]')").await;
        let edge = find(&client, "[role=separator][aria-label='Height of the slip']").await;
        edge.send_keys(&Key::Home.to_string()).await.unwrap();
        // Past what is the same on all screens, to where each has its own.
        ask(&client, "document.querySelector('.slip [data-value=\"form:wide\"]').scrollIntoView({ block: 'start' })").await;
        let seen = ask(&client, IN_SIGHT).await.as_u64().unwrap();
        assert!(seen >= 16, "only {seen} settings are in sight");
        let order = ask(&client, "[...document.querySelectorAll('.order .row')].filter(r => r.getBoundingClientRect().bottom < document.querySelector('.slip').getBoundingClientRect().top).length").await;
        assert!(order.as_u64().unwrap() >= 2, "the chosen line and its neighbours stay in sight: {order}");
    })
    .await;
}

/// Presses keys one after another where the focus is, as hands do, and counts those that aren't part of a value.
struct Hands<'a> {
    client: &'a Client,
    strokes: usize,
}

impl Hands<'_> {
    async fn send(&self, keys: &str) {
        self.client.active_element().await.unwrap().send_keys(keys).await.unwrap();
    }
    async fn key(&mut self, key: Key) {
        self.strokes += 1;
        self.send(&key.to_string()).await;
    }
    /// To the first setting under the next heading.
    async fn next_part(&mut self) {
        self.strokes += 1;
        self.send(&format!("{}{}{}", Key::Control, Key::Down, Key::Control)).await;
    }
    /// Types a value into the cell that has the focus.
    async fn says(&mut self, cell: &str, value: &str) {
        self.is_at(cell).await;
        self.key(Key::Enter).await;
        until(
            self.client,
            &format!("document.activeElement.closest('[data-value=\"{cell}\"]')?.querySelector('input')"),
        )
        .await;
        self.send(value).await;
    }
    async fn is_at(&self, cell: &str) {
        until(self.client, &format!("document.activeElement.closest('[data-value=\"{cell}\"]')")).await;
    }
}

#[sqlx::test(migrations = false)]
async fn five_settings_in_different_parts_take_fifteen_strokes_beyond_their_values(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &site.base, "/templates/2?product=whimbrel").await;
        choose(&client, "Gallery").await;
        let mut hands = Hands { client: &client, strokes: 0 };
        hands.key(Key::Enter).await;
        hands.is_at("shown:wide").await;
        hands.next_part().await; // Says
        hands.says("follow:wide", "jump").await;
        hands.next_part().await; // Looks
        hands.is_at("form:wide").await;
        hands.next_part().await; // Frame
        hands.key(Key::Right).await;
        hands.says("shape:phone", "4 : 5").await;
        hands.next_part().await; // Thumbnails
        hands.says("thumbnails:phone", "dots").await;
        hands.next_part().await; // Change of picture
        hands.send(&Key::Left.to_string()).await;
        hands.strokes += 1;
        hands.says("change:wide", "fades").await;
        hands.next_part().await; // Arrows
        hands.says("arrows:wide", "never").await;
        hands.key(Key::Enter).await;
        kept(&client).await;
        assert!(hands.strokes <= 15, "{} strokes", hands.strokes);

        let draft = owner.draft().await;
        let piece = &draft["layout"]["bands"]
            .as_array()
            .unwrap()
            .iter()
            .flat_map(|band| band["columns"].as_array().unwrap())
            .flat_map(|column| column["pieces"].as_array().unwrap())
            .find(|piece| piece["kind"] == "gallery")
            .unwrap()["values"]
            .clone();
        let set = |screen: &str, key: &str| piece[screen][key].clone();
        assert_eq!(set("wide", "follow"), "jump");
        assert_eq!(set("phone", "shape"), "tall");
        assert_eq!(set("phone", "thumbnails"), "dots");
        assert_eq!(set("wide", "change"), "fade");
        assert_eq!(set("wide", "arrows"), "never");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_setting_is_found_left_as_it_was_and_rejoined(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        open_desk(&client, &site.base, "/templates/2?product=whimbrel").await;
        choose(&client, "Buy button").await;
        // Found by a word of its name, in whatever part it lies.
        press(&client, "f").await;
        find(&client, "input[aria-label='Find a setting']").await.send_keys("align").await.unwrap();
        // Its own, and that of the hint under it.
        until(&client, "document.querySelectorAll('.slip [data-value]').length === 4").await;
        find(&client, "input[aria-label='Find a setting']").await.send_keys(&Key::Enter.to_string()).await.unwrap();
        until(&client, "document.activeElement.closest('[data-value=\"align:wide\"]')").await;
        let here = |key: Key| { let client = client.clone(); async move { client.active_element().await.unwrap().send_keys(&key.to_string()).await.unwrap() } };
        here(Key::Escape).await;
        until(&client, "!document.querySelector('input[aria-label=\"Find a setting\"]')").await;

        // What was begun and left by Escape is as it was, though the proofs had shown it.
        let says = |words: &str| format!("page.querySelector('.k-buy-button .buy').innerText === '{words}'");
        type_value(&client, "words:phone", "Halfway").await;
        until(&client, &in_proof("Phone", &says("Halfway"))).await;
        here(Key::Escape).await;
        in_both(&client, &says("Add to cart")).await;
        until(&client, &format!("{} === 'as wide'", value_says("words:phone"))).await;

        // Pointing tells where a value comes from; Delete has it inherited again.
        type_value(&client, "words:phone", &format!("Take it{}", Key::Enter)).await;
        until(&client, &in_proof("Phone", &says("Take it"))).await;
        until(&client, "document.querySelector('#slip-told')?.textContent.startsWith('Set here. It hides “Add to cart”')").await;
        here(Key::Delete).await;
        in_both(&client, &says("Add to cart")).await;
        until(&client, &format!("{} === 'as wide'", value_says("words:phone"))).await;

        // A number that can't be is refused in a sentence, and what was there stays.
        choose(&client, "Gallery").await;
        type_value(&client, "thumb_count:phone", &format!("40{}", Key::Enter)).await;
        until(&client, "document.querySelector('.problem')?.textContent.includes('“In a line” can be 3 to 12, not 40')").await;
        until(&client, &format!("{} === 'as wide'", value_says("thumb_count:phone"))).await;
        // What does nothing on a screen isn't set there by a click.
        open_value(&client, "thumb_share:phone").await;
        assert_eq!(ask(&client, &value_says("thumb_share:phone")).await, "–");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn words_of_other_languages_stand_under_each_text(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open_desk(client, &site.base, "/templates/2?product=whimbrel").await;
        choose(client, "Buy button").await;
        let german = value_says("words.de:wide");
        until(client, &format!("{german} === 'In den Warenkorb'")).await;
        type_value(client, "words:wide", "Fly it").await;
        until(client, &format!("{german} === 'Fly it'")).await;
        type_value(client, "words.de:wide", "Ab in den Wind").await;
        client.active_element().await.unwrap().send_keys(&Key::Enter.to_string()).await.unwrap();
        kept(client).await;
        let button =
            |says: &str| format!("page.querySelector('.k-buy-button .buy').textContent.includes('{says}')");
        in_both(client, &button("Fly it")).await;
        click(client, ".strip button", "English").await;
        click(client, ".v-list-item", "Deutsch").await;
        in_both(client, &button("Ab in den Wind")).await;
        // Not said any more, it is what was said in the shop's own language.
        find(client, ".slip [data-value='words.de:wide'] button").await.click().await.unwrap();
        let field = client.active_element().await.unwrap();
        field.send_keys(&format!("{}{}", Key::Escape, Key::Delete)).await.unwrap();
        in_both(client, &button("Fly it")).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn the_edge_of_the_slip_is_moved_by_keys_and_stays_where_it_was_put(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        let height = "document.querySelector('.slip').clientHeight";
        open_desk(&client, &site.base, "/templates/2?product=whimbrel").await;
        let before = ask(&client, height).await.as_i64().unwrap();
        let edge = find(&client, "[role=separator][aria-label='Height of the slip']").await;
        edge.send_keys(&format!("{}{}", Key::Down, Key::Down)).await.unwrap();
        until(&client, &format!("{height} === {}", before - 48)).await;
        edge.send_keys(&Key::Home.to_string()).await.unwrap();
        until(&client, &format!("{height} > {before}")).await;
        let most = ask(&client, height).await;
        open_desk_again(&client, &most).await;
    })
    .await;
}

async fn open_desk_again(client: &Client, wanted: &Value) {
    client.refresh().await.unwrap();
    until(client, &format!("document.querySelector('.slip')?.clientHeight === {wanted}")).await;
}

//! From an empty template to a whole page: with a starter, and by hand with the keyboard alone; then the phone.

use compagina_tests::desk::{click, in_proof, kept, order, press, press_with, proofs_are_drawn};
use compagina_tests::{Browser, Screen, Site, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use sqlx::MySqlPool;

const WANTED: [&str; 15] = [
    "Breadcrumb",
    "Gallery",
    "Title",
    "Price",
    "Summary",
    "Stock line",
    "Rating line",
    "Options",
    "Quantity",
    "Buy button",
    "Promises",
    "Details",
    "Questions",
    "Reviews",
    "Related products",
];

async fn has_all(client: &Client) {
    let names = order(client).await;
    for wanted in WANTED {
        assert!(names.iter().any(|name| name == wanted), "{wanted} is missing: {names:?}");
    }
}

/// An empty template on the desk.
async fn begin(site: &Site, client: &Client) {
    let id = site.owner().await.empty_template("Autumn page").await;
    Browser::sign_in(client, &site.base).await;
    client.goto(&format!("{}/templates/{id}?product=whimbrel", site.base)).await.unwrap();
    until(client, "document.querySelector('.order')?.textContent.includes('This page has nothing yet.')")
        .await;
}

#[sqlx::test(migrations = false)]
async fn a_starter_makes_a_whole_page_and_three_clicks_bring_its_button_into_the_phones_first_screen(
    pool: MySqlPool,
) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        begin(&site, &client).await;
        // Two actions.
        click(&client, ".order button", "Begin with a starter").await;
        until(&client, "document.querySelectorAll('[aria-label=Starters] li').length >= 6").await;
        let drawn = "document.querySelector('[aria-label=Starters] iframe')?.contentDocument?.querySelector('.k-buy-button')";
        until(&client, drawn).await;
        click(&client, "[aria-label=Starters] button", "Side by side").await;
        until(&client, "document.querySelectorAll('.order .what').length > 14").await;
        has_all(&client).await;
        proofs_are_drawn(&client).await;
        until(&client, &in_proof("Wide", "page.querySelector('.k-reviews') && page.querySelector('.k-questions')")).await;

        // Three more: what a phone can do without above the button.
        let late = "document.querySelector('.foot').textContent.includes('Phone: the buy button ends')";
        until(&client, late).await;
        for piece in ["Breadcrumb", "Summary", "Quantity"] {
            let toggle = format!(".order button.phone[aria-label^='{piece} on phones']");
            find(&client, &toggle).await.click().await.unwrap();
        }
        until(&client, &format!("!{late}")).await;
        let inside = "page.querySelector('.k-buy-button .buy').getBoundingClientRect().bottom + page.defaultView.scrollY <= 844";
        until(&client, &in_proof("Phone", inside)).await;
    })
    .await;
}

/// Counts what is typed: every key, and every key that is held down with it.
struct Hands<'a> {
    client: &'a Client,
    strokes: usize,
}

impl Hands<'_> {
    async fn key(&mut self, key: impl std::fmt::Display) {
        press(self.client, &key.to_string()).await;
        self.strokes += 1;
    }
    async fn with_alt(&mut self, key: Key) {
        press_with(self.client, Key::Alt, key).await;
        self.strokes += 2;
    }
    /// Opens the finder, narrows it by some letters and takes the first that is found.
    async fn add(&mut self, letters: &str, wanted: &str) {
        let before = order(self.client).await.len();
        self.key("a").await;
        let finder = find(self.client, "[role=combobox]").await;
        if !letters.is_empty() {
            finder.send_keys(letters).await.unwrap();
        }
        let first = format!("document.querySelector('#finder-list li')?.textContent.includes('{wanted}')");
        until(self.client, &first).await;
        finder.send_keys(&Key::Enter.to_string()).await.unwrap();
        self.strokes += letters.len() + 1;
        until(self.client, &format!("document.querySelectorAll('.order .what').length === {}", before + 1))
            .await;
        until(self.client, &format!("document.querySelector('.slip h2')?.textContent.includes('{wanted}')"))
            .await;
    }
}

#[sqlx::test(migrations = false)]
async fn by_keyboard_alone_the_same_page_takes_less_than_sixty_strokes(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        begin(&site, &client).await;
        let mut hands = Hands { client: &client, strokes: 0 };
        hands.add("", "Breadcrumb").await;
        hands.key("b").await;
        until(&client, "document.querySelector('.slip h2')?.textContent.startsWith('Band · Two columns')")
            .await;
        hands.add("g", "Gallery").await;
        hands.add("", "Title").await;
        hands.with_alt(Key::Down).await;
        until(
            &client,
            "document.querySelectorAll('.order section:nth-of-type(2) ol')[1]?.textContent.includes('Title')",
        )
        .await;
        for wanted in ["Price", "Summary", "Stock line", "Options", "Quantity", "Buy button", "Promises"] {
            hands.add("", wanted).await;
        }
        hands.add("ra", "Rating line").await;
        hands.key("b").await;
        until(&client, "document.querySelectorAll('.order section').length === 3").await;
        for (letters, wanted) in
            [("", "Details"), ("que", "Questions"), ("re", "Related products"), ("re", "Reviews")]
        {
            hands.add(letters, wanted).await;
        }
        kept(&client).await;
        has_all(&client).await;
        assert!(hands.strokes < 60, "{} strokes", hands.strokes);
        until(
            &client,
            &in_proof("Wide", "page.querySelector('.k-buy-button') && page.querySelector('.k-related')"),
        )
        .await;
    })
    .await;
}

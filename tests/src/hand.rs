//! A practised hand in the owner's application, that counts what it does.

use crate::{ask, find, until};
use fantoccini::actions::{InputSource, MOUSE_BUTTON_LEFT, MouseActions, PointerAction};
use fantoccini::elements::Element;
use fantoccini::{Client, Locator};
use std::time::Duration;

/// An action is a click, a drag, a key command or one typed entry; a list that opens counts two. Going to the view in
/// which a job begins isn't counted.
pub struct Hand<'a> {
    client: &'a Client,
    actions: usize,
}

impl<'a> Hand<'a> {
    #[must_use]
    pub const fn new(client: &'a Client) -> Self {
        Self { client, actions: 0 }
    }

    /// What can be clicked now: the first that matches and has the words.
    async fn reach(&self, css: &str, words: &str) -> Element {
        let found = format!(
            "[...document.querySelectorAll(`{css}`)].find(e => e.checkVisibility() && !e.disabled && (e.textContent.includes(`{words}`) || e.ariaLabel?.includes(`{words}`)))"
        );
        until(self.client, &found).await;
        let mark = format!(
            "(() => {{ document.querySelectorAll('[data-hand]').forEach(e => e.removeAttribute('data-hand')); {found}.setAttribute('data-hand', '') }})()"
        );
        ask(self.client, &mark).await;
        self.client.find(Locator::Css("[data-hand]")).await.unwrap()
    }

    /// A click where a pointer would have to be.
    pub async fn click(&mut self, css: &str, words: &str) {
        self.reach(css, words).await.click().await.unwrap();
        self.actions += 1;
    }

    /// A list that opens, and one of its values.
    pub async fn pick(&mut self, css: &str, value: &str) {
        self.reach(css, "").await.select_by_value(value).await.unwrap();
        self.actions += 2;
    }

    /// A list that opens as it is pressed, and is let go over one of its values: a drag.
    pub async fn drags(&mut self, css: &str, says: &str) {
        self.reach(css, "").await;
        self.lets_go("[role=option]", &format!("e.innerText === `{says}`")).await;
    }

    /// A menu that opens as its button is pressed, and is let go over one of its acts: a drag.
    pub async fn menu(&mut self, css: &str, words: &str, act: &str) {
        self.reach(css, words).await;
        self.lets_go("[data-acts] .v-list-item", &format!("e.innerText.includes(`{act}`)")).await;
    }

    async fn lets_go(&mut self, css: &str, is_it: &str) {
        ask(self.client, "document.querySelector('[data-hand]').scrollIntoView({ block: 'center' })").await;
        self.point("[data-hand]", PointerAction::Down { button: MOUSE_BUTTON_LEFT }).await;
        let found = format!("[...document.querySelectorAll('{css}')].find(e => {is_it})");
        until(self.client, &found).await;
        ask(self.client, &format!("{found}.setAttribute('data-let-go', '')")).await;
        self.point("[data-let-go]", PointerAction::Up { button: MOUSE_BUTTON_LEFT }).await;
        until(self.client, &format!("!document.querySelector('{css}')?.checkVisibility()")).await;
        self.actions += 1;
    }

    /// Moves the pointer to the middle of something and does something there with its button.
    async fn point(&self, css: &str, then: PointerAction) {
        // What was done before may still bring its own line into sight, and what opens is still growing.
        let still = format!(
            "(() => {{ const e = document.querySelector('{css}'), box = e.getBoundingClientRect(), now = JSON.stringify(box);
                const same = e.dataset.handAt === now; e.dataset.handAt = now;
                const grows = e.closest('.v-overlay__content')?.getAnimations().length > 0;
                const there = document.elementFromPoint(box.left + Math.min(box.width / 2, 60), box.top + box.height / 2);
                return same && !grows && e.contains(there); }})()"
        );
        until(self.client, &still).await;
        let (x, y, width, height) = find(self.client, css).await.rectangle().await.unwrap();
        let to = PointerAction::MoveTo {
            duration: Some(Duration::from_millis(40)),
            x: x + (width / 2.0).min(60.0),
            y: y + height / 2.0,
        };
        let mouse = MouseActions::new("mouse".to_owned()).then(to).then(then);
        self.client.perform_actions(mouse).await.unwrap();
    }

    /// An entry typed in the place of what stands there, and left.
    pub async fn types(&mut self, css: &str, text: &str) {
        self.reach(css, "").await.click().await.unwrap();
        // A cell turns into its field as it is clicked.
        until(self.client, "document.activeElement.matches('input, textarea')").await;
        ask(self.client, "document.activeElement.select()").await;
        let field = self.client.active_element().await.unwrap();
        field.send_keys(&format!("{text}\u{e004}")).await.unwrap();
        self.actions += 1;
    }

    /// Two clicks on a piece in the wide proof, and what is then written into its words.
    pub async fn writes(&mut self, piece: &str, text: &str) {
        let there = format!(
            "(() => {{ const frame = document.querySelector('iframe[title=\"Proof, Wide\"]'), at = frame.getBoundingClientRect();
                const share = at.width / frame.offsetWidth, box = frame.contentDocument.querySelector('{piece}').getBoundingClientRect();
                return [at.left + (box.left + 12) * share, at.top + (box.top + box.height / 2) * share]; }})()"
        );
        let there = ask(self.client, &there).await;
        let (x, y) = (there[0].as_f64().unwrap(), there[1].as_f64().unwrap());
        let button = MOUSE_BUTTON_LEFT;
        let mut mouse = MouseActions::new("mouse".to_owned()).then(PointerAction::MoveTo {
            duration: Some(Duration::from_millis(40)),
            x,
            y,
        });
        for _ in 0..2 {
            mouse = mouse.then(PointerAction::Down { button }).then(PointerAction::Up { button });
        }
        self.client.perform_actions(mouse).await.unwrap();
        until(self.client, "document.activeElement.matches('.slip input, .slip textarea')").await;
        ask(self.client, "document.activeElement.select()").await;
        let field = self.client.active_element().await.unwrap();
        field.send_keys(&format!("{text}\u{e004}")).await.unwrap();
        self.actions += 1;
    }

    /// Types into a list of products that has just opened, and takes what it then finds first.
    pub async fn finds(&mut self, text: &str, name: &str) {
        until(self.client, "document.activeElement.matches('.products input')").await;
        let field = self.client.active_element().await.unwrap();
        field.send_keys(text).await.unwrap();
        let first =
            format!("document.querySelector('.products [aria-selected=true] .name')?.innerText === `{name}`");
        until(self.client, &first).await;
        field.send_keys("\u{e007}").await.unwrap();
        self.actions += 1;
    }

    /// A key on the desk.
    pub async fn key(&mut self, key: &str) {
        crate::desk::press(self.client, key).await;
        self.actions += 1;
    }

    /// What was done otherwise.
    pub const fn did(&mut self, actions: usize) {
        self.actions += actions;
    }

    /// Ends a job, and tells where it took more than it is to take.
    pub fn took(&self, job: &str, most: usize) {
        assert!(self.actions <= most, "{job}: {} actions, {most} are the most", self.actions);
    }
}

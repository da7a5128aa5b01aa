//! Whatever can be clicked or typed into can be read and hit also while it is pointed at and while it has the focus.

use compagina_tests::{Browser, Screen, Site, ask, until};
use fantoccini::actions::{InputSource, MouseActions, PointerAction};
use fantoccini::{Client, Locator};
use serde_json::json;
use sqlx::MySqlPool;
use std::time::Duration;

const AXE: &str = concat!(env!("CARGO_MANIFEST_DIR"), "/../node_modules/axe-core/axe.min.js");

/// The views, each with what is there once it can be used.
const VIEWS: [(&str, &str); 14] = [
    ("/", ".shelf .card"),
    ("/templates", "[aria-label=Templates] tbody tr"),
    ("/templates/2?product=whimbrel", ".slip [data-value]"),
    ("/templates/4/changes", ".way .line"),
    ("/house-style", ".token"),
    ("/swatch-book/colour", "ul.fan > li"),
    ("/pictures", ".grid .card"),
    ("/listings?of=type:sport-kites", ".listings textarea"),
    ("/wording", "tbody textarea"),
    ("/prices", ".bench .price"),
    ("/products/carbon-spar/variants", ".lines .row"),
    ("/products/whimbrel-mini/pictures", ".grid .card"),
    ("/products/whimbrel/texts", ".texts textarea"),
    ("/messages", "main"),
];

/// Gathers what can be used, one of each kind and state: chosen ones beside those that aren't.
const GATHER: &str = "
    const seen = new Set();
    window.controls = [...document.querySelectorAll('a[href],button,input,select,textarea,summary,[tabindex]')].filter(e => {
        const box = e.getBoundingClientRect();
        if (!e.checkVisibility({ visibilityProperty: true, opacityProperty: true }) || e.disabled || e.closest('[inert]') || box.width < 2) return false;
        const kind = [e.tagName, e.className, e.parentElement.className, e.ariaPressed, e.ariaCurrent, e.ariaExpanded].join('|');
        return !seen.has(kind) && seen.add(kind);
    });
    return window.controls.length";
const LOOK: &str = "
    const [at, done] = arguments;
    axe.run(window.controls[at], { runOnly: ['color-contrast', 'target-size'], iframes: false }).then(found =>
        done(found.violations.flatMap(one => one.nodes.map(node => `${one.id}: ${node.target.join(' ')} | ${node.failureSummary?.slice(0, 160)}`))));";

async fn found(client: &Client, at: u64) -> Vec<String> {
    let found = client.execute_async(LOOK, vec![json!(at)]).await.unwrap();
    found.as_array().unwrap().iter().map(|line| line.as_str().unwrap().to_owned()).collect()
}

async fn point_at(client: &Client, at: u64) {
    let bring = "document.querySelector('[data-at]')?.removeAttribute('data-at');
        const e = window.controls[arguments[0]]; e.setAttribute('data-at', ''); e.scrollIntoView({ block: 'center' })";
    client.execute(bring, vec![json!(at)]).await.unwrap();
    let element = client.find(Locator::Css("[data-at]")).await.unwrap();
    let there = PointerAction::MoveToElement { element, duration: Some(Duration::ZERO), x: 0.0, y: 0.0 };
    client.perform_actions(MouseActions::new("mouse".to_owned()).then(there)).await.unwrap();
}

async fn every_control_in(pool: MySqlPool, colours: &str) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    let colours = colours.to_owned();
    let axe = std::fs::read_to_string(AXE).unwrap();
    Browser::run(Screen::Wide, |client| async move {
        Browser::sign_in(&client, &base).await;
        ask(&client, &format!("localStorage.setItem('colours', '{colours}')")).await;
        let mut looked_at = 0;
        for (view, there) in VIEWS {
            client.goto(&format!("{base}{view}")).await.unwrap();
            until(&client, &format!("document.querySelector(`{there}`)")).await;
            until(&client, &format!("document.documentElement.dataset.set === '{colours}'")).await;
            client.execute(&axe, vec![]).await.unwrap();
            let controls = client.execute(GATHER, vec![]).await.unwrap().as_u64().unwrap();
            let mut wrong: Vec<String> = Vec::new();
            for at in 0..controls {
                point_at(&client, at).await;
                wrong.extend(found(&client, at).await.into_iter().map(|line| format!("pointed at, {line}")));
                let focus =
                    "window.controls[arguments[0]].focus({ preventScroll: true, focusVisible: true })";
                client.execute(focus, vec![json!(at)]).await.unwrap();
                wrong.extend(found(&client, at).await.into_iter().map(|line| format!("focused, {line}")));
            }
            assert!(wrong.is_empty(), "{view} in {colours}:\n{}", wrong.join("\n"));
            looked_at += controls;
        }
        assert!(looked_at > 150, "only {looked_at} controls were looked at");
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn controls_on_paper_can_be_read_and_hit_in_every_state(pool: MySqlPool) {
    every_control_in(pool, "paper").await;
}

#[sqlx::test(migrations = false)]
async fn controls_in_dark_can_be_read_and_hit_in_every_state(pool: MySqlPool) {
    every_control_in(pool, "dark").await;
}

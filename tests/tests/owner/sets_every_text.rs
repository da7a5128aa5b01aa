//! Every text of every piece, each of its properties on each screen: what is set is what a browser shows, and what isn't
//! set is shown as the house style says that it ships.

use compagina_core::house::House;
use compagina_core::house::texts::{TEXTS, setting_of, settings_of};
use compagina_core::page::{Device, Kind, Purpose, SetValue, Setting, Shape};
use compagina_core::setting::{Property, Text};
use compagina_press::lettering::selector;
use compagina_tests::desk::{choose, click, in_both, open_desk, open_value, press_with};
use compagina_tests::{Browser, Owner, Screen, Site, ask, json_of, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::{Map, Value, json};
use sqlx::MySqlPool;
use std::collections::BTreeSet;

/// Products and situations that among them show every text.
const LOOKS: [&str; 5] =
    ["whimbrel&sale=on", "braided-line", "name-banner", "line-care-kit", "whimbrel&stock=none"];
const SCREENS: [(Device, u32, u32); 3] =
    [(Device::Wide, 1280, 800), (Device::Tablet, 820, 1180), (Device::Phone, 390, 844)];

/// A value for a property, another one for every screen, none of which is what a text ships as.
fn value(property: Property, device: Device) -> Option<SetValue> {
    let number = |values: [i64; 3]| Some(SetValue::Number(values[device as usize]));
    let text = |values: [&str; 3]| Some(SetValue::Text(values[device as usize].to_owned()));
    match property {
        Property::Look => None,
        Property::Family => text(["serif", "grotesque", "sans"]),
        Property::Size => number([21, 7, 17]),
        Property::Weight => number([300, 900, 500]),
        Property::Slope => text(["italic", "upright", "italic"]),
        Property::Line => number([170, 130, 95]),
        Property::Spacing => number([5, -2, 12]),
        Property::Case => text(["capitals", "small_capitals", "small"]),
        Property::Colour => text(["#6B2D5C", "accent", "signal"]),
        Property::Align => text(["end", "centre", "start"]),
    }
}

/// What a browser says of a property that has this value.
fn shown(property: Property, value: &SetValue, size: i64, house: &House) -> Option<(&'static str, String)> {
    let (number, name) = match value {
        SetValue::Number(number) => (*number, ""),
        SetValue::Text(name) => (0, name.as_str()),
        _ => return None,
    };
    let part = |percent: i64| {
        let pixels = f64::from(i32::try_from(percent * size).unwrap()) / 100.0;
        format!("{pixels}px")
    };
    Some(match property {
        Property::Look => return None,
        Property::Family => (
            "family",
            match name {
                "serif" | "heading" => "Fraunces Variable",
                "grotesque" => "Bricolage Grotesque Variable",
                _ => "Figtree Variable",
            }
            .into(),
        ),
        Property::Size => ("size", format!("{}px", house.size_of(number))),
        Property::Weight => ("weight", if number == 0 { "600".into() } else { number.to_string() }),
        Property::Slope => ("slope", if name == "italic" { "italic" } else { "normal" }.into()),
        Property::Line => ("line", part(number)),
        Property::Spacing => ("spacing", if number == 0 { "normal".into() } else { part(number) }),
        Property::Case => (
            "case",
            match name {
                "capitals" => "uppercase normal",
                "small_capitals" => "none all-small-caps",
                "small" => "lowercase normal",
                _ => "none normal",
            }
            .into(),
        ),
        Property::Colour => {
            let colour = if name.starts_with('#') { Some(name.to_owned()) } else { house.painted(name) }?;
            let part = |at: usize| u8::from_str_radix(&colour[at..at + 2], 16).unwrap();
            ("colour", format!("rgb({}, {}, {})", part(1), part(3), part(5)))
        }
        Property::Align => match name {
            "start" | "end" => ("align", name.into()),
            "centre" => ("align", "center".into()),
            _ => return None,
        },
    })
}

/// Something for a setting to say, so that its text is on the page.
fn said(kind: Kind, setting: &Setting, picture: &str) -> Option<Value> {
    if kind == Kind::CardFact && setting.key == "facts" {
        return Some(json!(["Span", "Wind"]));
    }
    let own_words = setting.wide == compagina_core::setting::Preset::Text("");
    match setting.shape {
        _ if setting.language.is_some()
            || !setting.is_said() && !matches!(setting.shape, Shape::Pictures { .. }) =>
        {
            None
        }
        Shape::Text { .. } if own_words => Some(json!("Words")),
        Shape::Rich { .. } => {
            Some(json!("<h2>Sewn here</h2><p>By two, <a href=\"/shop\">in the loft</a>.</p>"))
        }
        Shape::Rows { parts, .. } => Some(json!([vec!["Words"; parts.len()]])),
        Shape::Table { .. } => Some(json!([["", "One"], ["Span", "Two"]])),
        Shape::Pictures { .. } => Some(json!([picture])),
        Shape::Lines { .. } if kind == Kind::Promises => Some(json!(["Sent in two days"])),
        _ => None,
    }
}

/// A layout with every kind of piece, with what it says, and with or without its texts set.
fn layout(purpose: Purpose, picture: &str, set: bool) -> Value {
    let piece = |kind: Kind| {
        let mut values: [Map<String, Value>; 3] = Default::default();
        for setting in kind.settings() {
            if let Some(value) = said(kind, setting, picture) {
                values[0].insert(setting.key.into(), value);
            }
        }
        for (of, key, value) in [
            (Kind::Options, "shown_as", json!("buttons")),
            (Kind::Siblings, "shown_as", json!("buttons")),
            (Kind::Price, "vat", json!(true)),
            (Kind::StickyBar, "values", json!(true)),
            (Kind::CardChoices, "choosing", json!("card")),
            (Kind::CardChoices, "shown_as", json!("buttons")),
            (Kind::CardSiblings, "shown_as", json!("buttons")),
            (Kind::CardSiblings, "each", json!(true)),
            (Kind::CardPrice, "measure", json!(true)),
            (Kind::CardPrice, "saving", json!("percent")),
        ] {
            if of == kind {
                values[0].insert(key.into(), value);
            }
        }
        for text in kind.texts().filter(|_| set) {
            for property in text.properties() {
                for device in Device::ALL {
                    if let Some(value) = value(property, device) {
                        let at = &mut values[device as usize];
                        at.insert(text.key_of(property), serde_json::to_value(value).unwrap());
                    }
                }
            }
        }
        let [wide, tablet, phone] = values;
        let id = format!("p-{}", kind.key().replace('_', "-"));
        json!({ "id": id, "kind": kind, "values": { "wide": wide, "tablet": tablet, "phone": phone } })
    };
    let pieces: Vec<Value> = Kind::of(purpose).map(piece).collect();
    let column = json!({ "id": "c", "width": 12, "pieces": pieces });
    let frame = if purpose == Purpose::Card { "none" } else { "whole" };
    json!({
        "format": 1, "purpose": purpose, "frame": frame, "departures": [],
        "bands": [{ "id": "b", "values": {}, "columns": [column] }],
    })
}

async fn template(owner: &Owner, purpose: Purpose, set: bool) -> u64 {
    let media = json_of(owner.get("/api/media").await).await;
    let picture = media.as_array().unwrap().iter().find(|one| one["film"] == json!(false)).unwrap();
    let file = json!({
        "format": "compagina-template", "version": 1, "name": format!("{purpose:?} {set}"),
        "reach": { "rule": "named" }, "layout": layout(purpose, picture["name"].as_str().unwrap(), set),
    });
    let answer = owner.post("/api/templates/file", &file).await;
    let status = answer.status();
    let told = json_of(answer).await;
    told["id"].as_u64().unwrap_or_else(|| panic!("{status} {told}"))
}

/// What a browser says of the texts with these selectors, of those that are there.
async fn styles(client: &Client, texts: &[(String, String)]) -> Value {
    let list = serde_json::to_string(texts).unwrap();
    let script = format!(
        "Object.fromEntries({list}.flatMap(([name, at]) => {{
            const one = [...document.querySelectorAll(at)].find((one) => !one.matches(':disabled, [aria-disabled]') && !one.closest('.value:has(:checked), [aria-current]:not(.last)'));
            if (!one) return [];
            const is = getComputedStyle(one);
            return [[name, {{ family: is.fontFamily, size: is.fontSize, weight: is.fontWeight, slope: is.fontStyle,
                line: is.lineHeight, spacing: is.letterSpacing, case: is.textTransform + ' ' + is.fontVariantCaps,
                colour: is.color, align: is.textAlign }}]];
        }}))"
    );
    ask(client, &script).await
}

/// The properties of a text that a browser shows otherwise than they should be.
fn wrong(text: &Text, device: Device, set: bool, found: &Value, house: &House) -> Vec<String> {
    let wanted = |property: Property| {
        // Phones take the tablet's where nothing else is said; here all three are set.
        let value = if set { value(property, device) } else { None };
        value.unwrap_or_else(|| house.of_text(text, property, device))
    };
    let SetValue::Number(size) = wanted(Property::Size) else { panic!("a size is a number") };
    let size = house.size_of(size);
    let of = |property: Property| {
        let wanted = wanted(property);
        assert_eq!(setting_of(text, property).unwrap().check(&wanted), Ok(()));
        let (name, wanted) = shown(property, &wanted, size, house)?;
        let is = found[name].as_str().unwrap_or_default();
        let fits = if property == Property::Family {
            is.trim_start_matches('"').starts_with(&wanted)
        } else {
            is == wanted
        };
        (!fits)
            .then(|| format!("{} {} on {device:?}: {is} instead of {wanted}", text.name(), property.name()))
    };
    text.properties().filter_map(of).collect()
}

#[sqlx::test(migrations = false)]
async fn every_property_of_every_text_is_shown_as_it_is_set(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let about = owner.patch("/api/options/colour", &json!({ "about": "The cloth of the sail" })).await;
    assert_eq!(about.status(), 200);
    let mut pages = Vec::new();
    for purpose in [Purpose::Page, Purpose::Card] {
        for set in [false, true] {
            pages.push((purpose, set, template(&owner, purpose, set).await));
        }
    }
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        let browser = Browser { client: client.clone() };
        let client = &client;
        Browser::sign_in(client, &base).await;
        let house = House::default();
        let (mut seen, mut all_wrong) = (BTreeSet::new(), Vec::new());
        for (purpose, set, id) in pages {
            let here = |kind: &str| Kind::of(purpose).any(|one| one.key() == kind);
            let texts: Vec<&Text> = TEXTS.iter().filter(|text| here(text.of)).collect();
            for (device, width, height) in SCREENS {
                let size =
                    json!({ "width": width, "height": height, "deviceScaleFactor": 1, "mobile": false });
                browser.devtools("Emulation.setDeviceMetricsOverride", size).await;
                for look in LOOKS {
                    client.goto(&format!("{base}/api/templates/{id}/proof?product={look}")).await.unwrap();
                    let at = |text: &&Text| {
                        let kind = text.of.replace('_', "-");
                        (text.name(), format!("#p-p-{kind} {0}, .k-{kind} {0}", selector(text)))
                    };
                    let places: Vec<_> = texts.iter().map(at).collect();
                    let found = styles(client, &places).await;
                    for text in &texts {
                        let Some(of) = found.get(text.name()) else { continue };
                        seen.insert((text.name(), set));
                        all_wrong.extend(wrong(text, device, set, of, &house));
                    }
                }
            }
        }
        all_wrong.sort();
        all_wrong.dedup();
        assert_eq!(all_wrong, [] as [String; 0]);
        let unseen: Vec<String> =
            TEXTS.iter().map(Text::name).filter(|name| !seen.contains(&(name.clone(), true))).collect();
        assert_eq!(unseen, [] as [String; 0]);
        assert!(TEXTS.iter().all(|text| settings_of(text).len() >= 9));
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn a_colour_that_cannot_be_read_is_told_and_mended_by_one_click(pool: MySqlPool) {
    let site = Site::start(pool).await;
    Browser::run(Screen::Wide, |client| async move {
        let client = &client;
        open_desk(client, &site.base, "/templates/2?product=whimbrel").await;
        choose(client, "Price").await;
        open_value(client, "now.colour:wide").await;
        client.active_element().await.unwrap().send_keys(&format!("plum{}", Key::Enter)).await.unwrap();
        in_both(
            client,
            "getComputedStyle(page.querySelector('.k-price .now')).color === 'rgb(221, 160, 221)'",
        )
        .await;
        let told = "document.querySelector('.slip .read')?.textContent ?? ''";
        until(client, &format!("({told}).includes('2.0 to 1 on its ground, 3.0 are needed')")).await;
        click(client, ".slip .read button", "Nearest that can be read").await;
        until(client, &format!("/wide: 3\\.\\d to 1 on its ground\\./.test({told})")).await;
        in_both(
            client,
            "getComputedStyle(page.querySelector('.k-price .now')).color !== 'rgb(221, 160, 221)'",
        )
        .await;
        until(client, "!document.querySelector('.slip .read .signal')").await;
        // One step, so one undo.
        press_with(client, Key::Control, "z").await;
        in_both(
            client,
            "getComputedStyle(page.querySelector('.k-price .now')).color === 'rgb(221, 160, 221)'",
        )
        .await;
    })
    .await;
}

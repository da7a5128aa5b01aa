//! How texts are set: where each stands in its piece, and the rules that its properties come to.
//!
//! What the style sheet of all pages gives to a text is what core says that it ships as; rules are written only where
//! something else counts. A house style says them for a kind of piece, a piece for itself.

use crate::ctx::Styled;
use crate::sheet::{Sheet, class_of};
use compagina_core::house::House;
use compagina_core::page::{Choice, Device, Kind, SetValue};
use compagina_core::setting::text::{Case, Slope, TextAlign};
use compagina_core::setting::{Font, Property, Text};
use std::fmt::Write;

/// Where a text stands in its piece.
struct Place {
    /// What matches it.
    at: &'static str,
    /// What matches it while its own colour is what it is by itself: not pointed at, pressed, chosen or out of use.
    idle: Option<&'static str>,
    /// The colour that it has by itself, where that isn't its piece's.
    own: &'static str,
}

const fn at(at: &'static str) -> Place {
    Place { at, idle: None, own: "inherit" }
}
const fn own(at: &'static str, own: &'static str) -> Place {
    Place { at, idle: None, own }
}
const BUTTON: Place = Place {
    at: ".buy:not(.second)",
    idle: Some(".buy:not(.second,:hover,:active,:disabled,[aria-disabled])"),
    own: "var(--button-words)",
};
const VALUES: Place = Place {
    at: ":is(.text,.name)",
    idle: Some(".value:not(:has(:checked),[aria-current]) :is(.text,.name)"),
    own: "inherit",
};

/// Where each text stands, by its name.
const PLACES: &[(&str, Place)] = &[
    ("breadcrumb.link", at("a")),
    ("breadcrumb.here", at(".last")),
    ("title.name", at("h1")),
    ("gallery.sale", own(".badge.sale", "var(--sale-words)")),
    ("gallery.gone", own(".badge.gone", "var(--sold-out-words)")),
    ("gallery.coming", own(".badge.coming", "var(--coming-words)")),
    ("gallery.few", own(".badge.few", "var(--few-words)")),
    ("price.now", at(".now")),
    ("price.old", at(".old")),
    ("price.saving", own(".saving span", "var(--sale-words)")),
    ("price.per", at(".per")),
    ("price.vat", at(".vat")),
    ("price.promise", at(".promise")),
    ("price.from", at(".from")),
    ("price.note", at(".note")),
    ("summary.text", at("p")),
    ("stock_line.line", at("p")),
    ("options.label", at("legend")),
    ("options.chosen", at("legend strong")),
    ("options.value", VALUES),
    ("options.about", at(".about")),
    ("options.clear", at(".clear")),
    ("quantity.label", at("label>span")),
    ("quantity.number", own("input", "var(--field-words)")),
    ("buy_button.words", BUTTON),
    (
        "buy_button.second",
        Place {
            at: ".buy.second",
            idle: Some(".buy.second:not(:hover,:active,:disabled,[aria-disabled])"),
            own: "var(--button-words)",
        },
    ),
    ("buy_button.hint", at(".hint")),
    ("promises.line", at("li")),
    // Stronger than the rules for the one that is open.
    ("details.title", at(":is(#_,.folds,.texts) :is(summary,h2)")),
    ("details.text", at(".fold-text")),
    ("related.heading", at("h2")),
    ("sticky_bar.name", at(".bar-name")),
    ("sticky_bar.values", at(".bar-values")),
    ("sticky_bar.price", at(".bar-price")),
    ("sticky_bar.words", BUTTON),
    ("text.text", at(".rich")),
    ("text.heading", at(".rich :is(h2,h3,h4)")),
    ("text.link", at(".rich a")),
    ("picture.caption", at("figcaption")),
    ("picture_row.heading", at("h2")),
    ("quotes.heading", at("h2")),
    ("quotes.quote", at("blockquote")),
    ("quotes.name", at("figcaption")),
    ("questions.heading", at("h2")),
    ("questions.question", at("summary")),
    ("questions.answer", at(".fold-text")),
    ("comparison.heading", at("h2")),
    ("comparison.head", at("th")),
    ("comparison.cell", at("td")),
    ("reviews.heading", at("h2")),
    ("reviews.figure", at(".average strong")),
    ("reviews.title", at(".reviews strong")),
    ("reviews.text", at(".reviews p")),
    ("reviews.name", at(".reviews .soft")),
    ("value_points.heading", at("h2")),
    ("value_points.title", at(".points strong")),
    ("value_points.text", at(".points p")),
    ("facts.heading", at("h2")),
    ("facts.name", at("dt")),
    ("facts.value", at("dd")),
    ("sku_line.line", at("p")),
    ("rating_line.count", at(".how-many")),
    ("size_chart.title", at("summary")),
    ("size_chart.head", at("th")),
    ("size_chart.cell", at("td")),
    ("size_chart.note", at(".fold-text>p")),
    ("share_links.label", at(".share .soft")),
    ("share_links.link", at(".share a")),
    ("neighbours.way", at(".neighbours .soft")),
    ("neighbours.name", at(".neighbours strong")),
    ("siblings.label", at("legend")),
    ("siblings.chosen", at("legend strong")),
    ("siblings.value", VALUES),
    ("variant_list.heading", at("h2")),
    ("variant_list.name", at(".text")),
    ("variant_list.price", at(".line-price")),
    ("variant_list.gone", at(".gone")),
    ("price_ladder.heading", at("h2")),
    ("price_ladder.step", at("tbody :is(th,td:not(:last-child))")),
    ("price_ladder.saving", at("tbody td:last-child")),
    ("plans.label", at("legend")),
    ("plans.name", at(".plan-name")),
    ("plans.saving", at(".plan-saving")),
    ("plans.then", at(".plan-then")),
    ("plans.price", at(".plan-price")),
    ("plans.note", at(".side-note")),
    ("personal_text.label", at(".personal-label")),
    ("personal_text.hint", at(".hint")),
    ("pay_shortcuts.words", at(".side-note")),
    ("pay_shortcuts.name", own(".pay", "var(--ink)")),
    ("wish_button.words", at(".wish")),
    ("card_marks.sale", own(".badge.sale", "var(--sale-words)")),
    ("card_marks.gone", own(".badge.gone", "var(--sold-out-words)")),
    ("card_marks.coming", own(".badge.coming", "var(--coming-words)")),
    ("card_marks.few", own(".badge.few", "var(--few-words)")),
    ("card_name.name", at(".card-name")),
    ("card_rating.count", at(".how-many")),
    ("card_price.now", at(".now")),
    ("card_price.old", at(".old")),
    ("card_price.saving", own(".saving span", "var(--sale-words)")),
    ("card_price.per", at(".per")),
    ("card_choices.value", VALUES),
    ("card_siblings.value", VALUES),
    ("card_variants.name", at(".text")),
    ("card_variants.price", at(".line-price")),
    ("card_quantity.label", at(".label")),
    ("card_buy.words", BUTTON),
    ("card_wish.words", at(".wish")),
    ("card_quick_look.words", at(".quick")),
    ("card_fact.name", at("dt")),
    ("card_fact.value", at("dd")),
    ("card_text.text", at("p")),
];

fn place(text: &Text) -> Option<&'static Place> {
    PLACES.iter().find(|(name, _)| name.split_once('.') == Some((text.of, text.key))).map(|(_, place)| place)
}

/// What matches a text within its piece; for whoever looks for it on a page.
#[must_use]
pub fn selector(text: &Text) -> &'static str {
    place(text).map_or("", |place| place.at)
}

/// The rules of a piece's texts for a screen.
pub(crate) fn css(root: &str, styled: &Styled<'_>, device: Device, house: &House) -> String {
    let mut css = String::new();
    for text in styled.piece.kind.texts() {
        let sized = text.size_key.is_some();
        if !sized && !styled.chain.sets(text) {
            continue;
        }
        let differs = |property: Property, value: &SetValue| {
            (sized && property == Property::Size) || *value != house.of_text(text, property, device)
        };
        let settings = styled.piece.kind.settings().iter();
        let own = settings.filter_map(|setting| {
            let (_, property) = setting.text.filter(|(of, _)| of.key == text.key)?;
            let value = styled.chain.value(setting, device);
            differs(property, &value).then_some((property, value))
        });
        rules(&mut css, root, text, own, house);
    }
    css
}

/// The rules of all texts of which the house style says something.
pub(crate) fn of_house(house: &House) -> String {
    let mut sheet = Sheet::default();
    for text in house.own_texts() {
        let kind = Kind::ALL.into_iter().find(|kind| kind.key() == text.of).map(class_of);
        // As strong as the rules of pieces, which come after it, and stronger than those of all pages.
        let root = format!(":is(#_,.{})", kind.unwrap_or_default());
        let shipped = House::default();
        sheet.add(|device| {
            let value = |property| (property, house.of_text(text, property, device));
            let differs = |(property, value): &(Property, SetValue)| {
                let set = [Property::Look, *property];
                let named = |on: &Device| set.iter().any(|one| house.set_of_text(text, *one, *on).is_some());
                device.and_wider().iter().any(named) && *value != shipped.of_text(text, *property, device)
            };
            let mut css = String::new();
            rules(&mut css, &root, text, text.properties().map(value).filter(differs), house);
            css
        });
    }
    sheet.finish()
}

fn rules(
    css: &mut String,
    root: &str,
    text: &Text,
    set: impl Iterator<Item = (Property, SetValue)>,
    house: &House,
) {
    let Some(place) = place(text) else { return };
    let (mut all, mut colour) = (String::new(), String::new());
    for (property, value) in set {
        let part = if property == Property::Colour { &mut colour } else { &mut all };
        part.push_str(&declaration(text, place, property, &value, house));
    }
    if let (None, false) = (place.idle, colour.is_empty()) {
        all.push_str(&colour);
        colour.clear();
    }
    if !all.is_empty() {
        let _ = write!(css, "{root} {}{{{}}}", place.at, all.trim_end_matches(';'));
    }
    if let Some(idle) = place.idle.filter(|_| !colour.is_empty()) {
        let _ = write!(css, "{root} {idle}{{{}}}", colour.trim_end_matches(';'));
    }
}

/// A property in CSS. Values come from closed lists, whole numbers and checked colours only.
fn declaration(text: &Text, place: &Place, property: Property, value: &SetValue, house: &House) -> String {
    let (number, name) = match value {
        SetValue::Number(number) => (*number, ""),
        SetValue::Text(name) => (0, name.as_str()),
        _ => return String::new(),
    };
    match property {
        Property::Look => String::new(),
        Property::Family => format!("font-family:{};", family(name)),
        Property::Size => format!("font-size:{}px;", house.size_of(number)),
        Property::Weight if number == 0 && text.weight == Some(0) => {
            "font-weight:var(--button-weight);".into()
        }
        Property::Weight if number == 0 => "font-weight:var(--heading-weight);".into(),
        Property::Weight => format!("font-weight:{number};"),
        Property::Slope => match Slope::from_name(name) {
            Some(Slope::Italic) => "font-style:italic;".into(),
            _ => "font-style:normal;".into(),
        },
        Property::Line => format!("line-height:{};", hundredths(number)),
        Property::Spacing => format!("letter-spacing:{}em;", hundredths(number)),
        Property::Case => match Case::from_name(name) {
            Some(Case::Capitals) => "text-transform:uppercase;font-variant-caps:normal;".into(),
            Some(Case::SmallCapitals) => "text-transform:none;font-variant-caps:all-small-caps;".into(),
            Some(Case::Small) => "text-transform:lowercase;font-variant-caps:normal;".into(),
            _ => "text-transform:none;font-variant-caps:normal;".into(),
        },
        Property::Colour => format!("color:{};", paint(name, place.own)),
        Property::Align => match TextAlign::from_name(name) {
            Some(TextAlign::Start) => "text-align:start;".into(),
            Some(TextAlign::Centre) => "text-align:center;".into(),
            Some(TextAlign::End) => "text-align:end;".into(),
            _ => "text-align:inherit;".into(),
        },
    }
}

/// `150` as `1.5`, `-1` as `-0.01`.
fn hundredths(number: i64) -> String {
    let sign = if number < 0 { "-" } else { "" };
    let (whole, part) = (number.abs() / 100, number.abs() % 100);
    match format!("{part:02}").trim_end_matches('0') {
        "" => format!("{sign}{whole}"),
        part => format!("{sign}{whole}.{part}"),
    }
}

fn family(name: &str) -> &'static str {
    match name {
        "heading" => "var(--heading)",
        name => Font::from_name(name).map_or("var(--text)", crate::font::family),
    }
}

fn paint<'a>(name: &'a str, own: &'a str) -> &'a str {
    match name {
        "own" => own,
        "piece" => "inherit",
        "ink" => "var(--ink)",
        "soft" => "var(--soft)",
        "accent" => "var(--accent)",
        "signal" => "var(--signal)",
        "paper" => "var(--paper)",
        "on_dark" => "var(--on-dark)",
        colour => colour,
    }
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;
    use compagina_core::house::texts::TEXTS;

    #[test]
    fn every_text_has_its_place_and_every_place_its_text() {
        let named: Vec<String> = TEXTS.iter().map(Text::name).collect();
        let placed: Vec<&str> = PLACES.iter().map(|(name, _)| *name).collect();
        assert_eq!(named, placed);
    }

    #[test]
    fn every_kind_that_holds_texts_is_a_kind() {
        for text in TEXTS {
            assert!(Kind::ALL.into_iter().any(|kind| kind.key() == text.of), "{}", text.of);
        }
    }

    fn house(values: &[(&str, SetValue)]) -> House {
        let mut house = House::default();
        for (key, value) in values {
            house.set(key, Some(value.clone())).unwrap();
        }
        house
    }
    fn text(name: &str) -> SetValue {
        SetValue::Text(name.into())
    }

    #[test]
    fn the_house_writes_rules_for_what_it_sets_alone_and_for_each_screen() {
        assert_eq!(of_house(&House::default()), "");
        let plum =
            house(&[("price.now.colour", text("#6B2D5C")), ("price.now.size.phone", SetValue::Number(30))]);
        assert_eq!(
            of_house(&plum),
            "@media (min-width:641px){:is(#_,.k-price) .now{color:#6B2D5C}}\
             @media (max-width:640px){:is(#_,.k-price) .now{font-size:30px;color:#6B2D5C}}"
        );
        let look = house(&[("price.old.look", text("heading"))]);
        assert_eq!(
            of_house(&look),
            ":is(#_,.k-price) .old{font-family:var(--heading);font-size:24px;font-weight:var(--heading-weight)}"
        );
        assert_eq!(of_house(&house(&[("price.old.colour", text("soft"))])), "", "as it ships");
    }

    #[test]
    fn a_piece_writes_what_differs_from_the_house_and_its_size() {
        let plum = house(&[("price.now.colour", text("#6B2D5C"))]);
        let words = compagina_core::wording::Words::of(compagina_core::wording::Language::En);
        let css_of = |values: serde_json::Value| {
            let piece = serde_json::json!({ "id": "p1", "kind": "price", "values": { "wide": values } });
            let piece: compagina_core::page::Piece = serde_json::from_value(piece).unwrap();
            css("#p-p1", &Styled::new(&piece, &words, &plum), Device::Wide, &plum)
        };
        assert_eq!(css_of(serde_json::json!({})), "#p-p1 .now{font-size:24px}");
        assert_eq!(css_of(serde_json::json!({ "now.colour": "#6B2D5C" })), "#p-p1 .now{font-size:24px}");
        assert_eq!(
            css_of(serde_json::json!({ "now.colour": "piece", "old.slope": "italic" })),
            "#p-p1 .now{font-size:24px;color:inherit}#p-p1 .old{font-style:italic}"
        );
    }

    #[test]
    fn the_words_of_a_button_keep_their_colours_in_other_states() {
        let plum = house(&[("buy_button.words.colour", text("accent"))]);
        let css = of_house(&plum);
        assert!(css.ends_with("aria-disabled]){color:var(--accent)}") && css.contains(":hover"), "{css}");
    }

    #[test]
    fn hundredths_are_written_short() {
        assert_eq!(
            [150, 112, 100, 80, 5, 0, -1].map(hundredths),
            ["1.5", "1.12", "1", "0.8", "0.05", "0", "-0.01"]
        );
    }
}

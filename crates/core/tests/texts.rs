//! How texts are set: by the house style, by looks, on pieces and on single screens.
#![allow(clippy::unwrap_used)]

use compagina_core::house::House;
use compagina_core::house::texts::{TEXTS, setting_of, settings_of, texts_of};
use compagina_core::page::piece::shared::TEXT_STYLE;
use compagina_core::page::{Device, Kind, Layout, SetValue, Setting, Values};
use compagina_core::setting::{Property, Text};
use compagina_core::style::{
    Chain, Level, ground_of, legibility, text_told, told, where_from, where_in_house,
};

fn text(of: &str, key: &str) -> &'static Text {
    texts_of(of).find(|text| text.key == key).unwrap()
}
fn set(text: &Text, property: Property) -> &'static Setting {
    setting_of(text, property).unwrap()
}
fn word(text: &str) -> SetValue {
    SetValue::Text(text.into())
}
fn number(number: i64) -> SetValue {
    SetValue::Number(number)
}
fn house(values: &[(&str, SetValue)]) -> House {
    let mut house = House::default();
    for (key, value) in values {
        house.set(key, Some(value.clone())).unwrap();
    }
    house
}

#[test]
fn a_text_ships_in_its_look_unless_it_says_otherwise_itself() {
    let house = House::default();
    let wide = |text, property| house.of_text(text, property, Device::Wide);
    let caption = text("picture", "caption");
    assert_eq!(wide(caption, Property::Size), number(0), "fine print is step 0");
    let heading = text("reviews", "heading");
    assert_eq!(wide(heading, Property::Size), number(4));
    assert_eq!(wide(heading, Property::Family), word("heading"));
    assert_eq!(wide(heading, Property::Weight), number(0), "as the house style has it for headings");
    assert_eq!(wide(text("reviews", "figure"), Property::Size), number(38), "it says its size itself");
    assert_eq!(wide(text("summary", "text"), Property::Family), word("text"));
    let name = text("title", "name");
    assert_eq!(
        Device::ALL.map(|device| house.of_text(name, Property::Size, device)),
        [number(6), number(6), number(5)]
    );
}

#[test]
fn the_steps_of_the_house_move_what_ships_in_a_look() {
    let larger = house(&[("heading_size", number(6))]);
    let size = |text| larger.of_text(text, Property::Size, Device::Phone);
    assert_eq!(size(text("facts", "heading")), number(6));
    assert_eq!(size(text("price_ladder", "heading")), number(15));
}

#[test]
fn the_house_style_sets_a_text_for_the_whole_shop_and_for_phones_apart() {
    let now = text("price", "now");
    let house = house(&[
        ("price.now.colour", word("#6B2D5C")),
        ("price.now.size", number(6)),
        ("price.now.size.phone", number(26)),
    ]);
    let size = |device| house.of_text(now, Property::Size, device);
    assert_eq!(Device::ALL.map(size), [number(6), number(6), number(26)]);
    assert_eq!(house.of_text(now, Property::Colour, Device::Phone), word("#6B2D5C"));
    assert_eq!(house.of_text(now, Property::Weight, Device::Wide), number(700), "the rest as it ships");
    assert_eq!(house.own_texts().map(Text::name).collect::<Vec<_>>(), ["price.now"]);
    assert_eq!(text_told(&house, now, Device::Wide), "38 px, bold 700, #6B2D5C");
    assert_eq!(text_told(&house, now, Device::Phone), "26 px, bold 700, #6B2D5C");
    assert_eq!(house.differences(&House::default()), 3);
    let mut other = house.clone();
    other.set("price.now.size.phone", None).unwrap();
    assert_eq!(house.other_texts(&other).collect::<Vec<_>>(), ["price.now.size.phone"]);
    assert_eq!(other.other_texts(&house).collect::<Vec<_>>(), ["price.now.size.phone"], "either way");
}

#[test]
fn a_look_that_the_house_style_gives_stands_before_what_ships_and_behind_what_is_set() {
    let old = text("price", "old");
    let given = house(&[("price.old.look", word("heading"))]);
    assert_eq!(given.of_text(old, Property::Size, Device::Wide), number(4));
    assert_eq!(given.of_text(old, Property::Family, Device::Wide), word("heading"));
    assert_eq!(given.of_text(old, Property::Colour, Device::Wide), word("soft"), "a look says no colour");
    let set = house(&[("price.old.look", word("heading")), ("price.old.size", number(11))]);
    assert_eq!(set.of_text(old, Property::Size, Device::Wide), number(11));
    let size = |house, device| where_in_house(house, old, Property::Size, device);
    assert_eq!(size(&given, Device::Wide), "From the look “heading”.");
    assert_eq!(size(&given, Device::Phone), "As on wide screens.");
    assert_eq!(size(&set, Device::Wide), "Set here.");
    assert_eq!(where_in_house(&House::default(), old, Property::Slope, Device::Wide), "As it ships.");
}

#[test]
fn on_a_piece_a_text_takes_its_own_then_its_look_then_that_of_the_whole_piece_then_the_house() {
    let house = house(&[("price.now.size", number(7)), ("price.now.weight", number(900))]);
    let now = text("price", "now");
    let (size, family) = (set(now, Property::Size), set(now, Property::Family));
    let read =
        |values: &Values, setting, device| Chain::of_template(values).styled(&house).value(setting, device);
    let none = Values::default();
    assert_eq!(read(&none, size, Device::Phone), number(7));
    let whole = none.clone().with(Device::Wide, &TEXT_STYLE, word("lead"));
    assert_eq!(read(&whole, size, Device::Wide), number(3));
    assert_eq!(read(&whole, set(now, Property::Weight), Device::Wide), number(900), "lead says no weight");
    assert_eq!(read(&whole, set(text("price", "old"), Property::Size), Device::Wide), number(3));
    let look = whole.clone().with(Device::Phone, set(now, Property::Look), word("heading"));
    assert_eq!(read(&look, family, Device::Phone), word("heading"));
    assert_eq!(read(&look, family, Device::Wide), word("text"));
    let own = look.clone().with(Device::Wide, size, number(44));
    assert_eq!(read(&own, size, Device::Phone), number(44), "what is set goes before a look");

    let chain = Chain::of_template(&look).styled(&house);
    let from = |device| where_from(family, device, Level::Template, &chain.explain(family, device), &house);
    assert_eq!(from(Device::Phone), "From the look “heading”.");
    assert_eq!(from(Device::Wide), "From the look “lead”.");
    assert!(chain.sets(now) && !Chain::of_template(&none).sets(now));
}

#[test]
fn documents_know_the_size_of_a_name_and_a_price_as_before() {
    for (of, key) in [("title", "name"), ("price", "now"), ("summary", "text")] {
        assert_eq!(set(text(of, key), Property::Size).key, "size");
    }
    assert_eq!(set(text("price", "now"), Property::Weight).key, "now.weight");
}

#[test]
fn what_is_no_text_or_does_not_fit_is_refused_with_the_reason() {
    let mut house = House::default();
    let mut refuse = |key: &str, value| house.set(key, Some(value)).unwrap_err().to_string();
    assert_eq!(refuse("price.glow.size", number(3)), "the house style has no “price.glow.size”");
    assert_eq!(refuse("price.now.size.watch", number(3)), "the house style has no “price.now.size.watch”");
    assert_eq!(refuse("price.now.align", word("end")), "the house style has no “price.now.align”");
    assert_eq!(refuse("price.now.size", number(9)), "“Size” can be 10 to 120, not 9");
    assert_eq!(refuse("price.now.colour", word("own")), "“Colour” takes a colour such as #0D6A6E");
    assert_eq!(refuse("price.now.family", word("Comic")), "“Family” has no choice “Comic”");
    assert_eq!(house, House::default());
}

#[test]
fn values_that_no_longer_fit_are_passed_over() {
    let odd: House =
        serde_json::from_str(r#"{"price.now.size":9000,"price.now.family":"gone","old.gone.size":3}"#)
            .unwrap();
    assert_eq!(odd.of_text(text("price", "now"), Property::Size, Device::Wide), number(4));
    assert_eq!(odd.of_text(text("price", "now"), Property::Family, Device::Wide), word("text"));
    assert_eq!(odd.differences(&House::default()), 2, "those of texts that there are");
}

#[test]
fn every_text_is_told_by_a_name_of_its_own_within_its_kind() {
    for kind in Kind::ALL {
        let mut labels: Vec<&str> = kind.texts().map(|text| text.label).collect();
        labels.sort_unstable();
        let all = labels.len();
        labels.dedup();
        assert_eq!(labels.len(), all, "{kind:?}");
    }
    let house = House::default();
    for text in TEXTS {
        for setting in settings_of(text) {
            let (_, property) = setting.text.unwrap();
            let value = house.of_text(text, property, Device::Phone);
            assert_eq!(setting.check(&value), Ok(()), "{} {}", text.name(), setting.label);
            assert!(!told(setting, &value, &house).is_empty(), "{} {}", text.name(), setting.label);
        }
        assert!(text_told(&house, text, Device::Wide).contains(" px"), "{}", text.name());
    }
}

#[test]
fn a_colour_is_read_on_the_ground_on_which_its_text_really_stands() {
    let layout = |band: serde_json::Value, kind: &str, values: serde_json::Value| -> Layout {
        serde_json::from_value(serde_json::json!({ "format": 1, "bands": [{ "id": "b", "values": { "wide": band },
            "columns": [{ "id": "c", "width": 12, "pieces": [{ "id": "p", "kind": kind, "values": { "wide": values } }] }] }] }))
        .unwrap()
    };
    let ground = |layout: &Layout, key: &str| {
        let house = House::default();
        let piece = layout.pieces().next().unwrap();
        let chain = Chain::of_template(&piece.values).styled(&house);
        ground_of((layout, &piece.id), text(piece.kind.key(), key), &chain, Device::Phone, &house)
    };
    let none = serde_json::json!({});
    let is = |band: serde_json::Value, kind: &str, values: serde_json::Value, key: &str| {
        ground(&layout(band, kind, values), key)
    };
    let some = |colour: &str| Some(colour.to_owned());
    let ink = serde_json::json!({ "ground": "ink" });
    assert_eq!(is(none.clone(), "price", none.clone(), "now"), some("#FFFFFF"));
    assert_eq!(is(serde_json::json!({ "ground": "tinted" }), "price", none.clone(), "now"), some("#F3EFE6"));
    assert_eq!(is(ink.clone(), "price", serde_json::json!({ "under": "accent" }), "now"), some("#0D6A6E"));
    assert_eq!(is(serde_json::json!({ "behind": "picture" }), "price", none.clone(), "now"), None);
    assert_eq!(
        is(none.clone(), "price", none.clone(), "saving"),
        some("#B8420F"),
        "a mark has a ground of its own"
    );
    assert_eq!(is(none.clone(), "buy_button", none.clone(), "words"), some("#1D2A32"));
    assert_eq!(
        is(none.clone(), "buy_button", serde_json::json!({ "tone": "accent" }), "words"),
        some("#0D6A6E")
    );
    assert_eq!(is(ink, "buy_button", none, "words"), some("#FDFBF6"));
}

#[test]
fn large_letters_need_less_and_what_is_too_pale_is_told_with_the_nearest_that_can_be_read() {
    let house = House::default();
    let read = |colour: &str, size: i64, weight: i64| {
        legibility(&house, "#FFFFFF", |property| match property {
            Property::Colour => word(colour),
            Property::Size => number(size),
            Property::Weight => number(weight),
            _ => word(""),
        })
    };
    let plum = read("#DDA0DD", 16, 400).unwrap();
    assert_eq!((plum.hundredths, plum.needed, plum.holds()), (206, 450, false));
    assert!(plum.nearest.is_some());
    let needed = |size, weight| read("#6B2D5C", size, weight).unwrap().needed;
    assert_eq!([needed(24, 400), needed(19, 700), needed(19, 600), needed(18, 900)], [300, 300, 450, 450]);
    let soft = read("soft", 16, 400).unwrap();
    assert!(soft.holds() && soft.nearest.is_none());
    assert_eq!(read("piece", 16, 400), None);
}

#[test]
fn a_look_is_kept_under_a_name_and_given_to_texts_which_follow_it() {
    let mut house = house(&[
        ("card_price.now.colour", word("#6B2D5C")),
        ("card_price.now.weight", number(800)),
        ("card_price.now.size.phone", number(18)),
    ]);
    let look = house.keep_look(" Our sale price ", text("card_price", "now")).unwrap();
    assert_eq!(house.kept_looks().collect::<Vec<_>>(), [("kept-1".to_owned(), "Our sale price".to_owned())]);
    house.set("price.now.look", Some(word(&look))).unwrap();
    let now = text("price", "now");
    let read = |house: &House, property, device| house.of_text(now, property, device);
    assert_eq!(read(&house, Property::Colour, Device::Wide), word("#6B2D5C"));
    assert_eq!(read(&house, Property::Weight, Device::Phone), number(800));
    assert_eq!(
        [Device::Wide, Device::Phone].map(|on| read(&house, Property::Size, on)),
        [number(1), number(18)]
    );
    assert_eq!(
        where_in_house(&house, now, Property::Weight, Device::Wide),
        "From the look “Our sale price”."
    );

    // What is changed of the look is changed of all that have it; what a text sets itself stands.
    house.set("look.1.weight", Some(number(500))).unwrap();
    assert_eq!(read(&house, Property::Weight, Device::Wide), number(500));
    house.set("price.now.weight", Some(number(300))).unwrap();
    assert_eq!(read(&house, Property::Weight, Device::Wide), number(300));

    let none = Values::default().with(Device::Wide, set(text("price", "old"), Property::Look), word(&look));
    let chain = Chain::of_template(&none).styled(&house);
    assert_eq!(chain.value(set(text("price", "old"), Property::Colour), Device::Wide), word("#6B2D5C"));
    let mut gone = house.clone();
    gone.remove_look(&look);
    assert_eq!(gone.kept_looks().count(), 0);
    assert_eq!(read(&gone, Property::Colour, Device::Wide), word("piece"), "as if it said nothing");
    assert_eq!(told(set(now, Property::Look), &word(&look), &gone), "removed");
}

#[test]
fn looks_have_names_of_their_own_and_there_are_twelve_at_most() {
    let mut house = House::default();
    let now = text("price", "now");
    house.keep_look("Loud", now).unwrap();
    let told = |house: &mut House, name: &str| house.keep_look(name, now).unwrap_err().to_string();
    assert_eq!(
        told(&mut house, "loud "),
        "there is a look called “loud” already; give this one another name"
    );
    assert_eq!(told(&mut house, " … "), "a look that is kept needs a name with a letter or a digit in it");
    assert!(told(&mut house, &"x".repeat(41)).contains("at most 40"));
    assert_eq!(house.kept_looks().count(), 1, "what is refused changes nothing");
    for n in 2..=12 {
        house.keep_look(&format!("Look {n}"), now).unwrap();
    }
    assert!(told(&mut house, "One more").starts_with("12 looks are kept"));
    assert!(house.set("look.2.name", Some(word("Loud"))).is_err());
    house.set("look.2.name", Some(word("Louder"))).unwrap();
    house.remove_look("kept-5");
    assert_eq!(house.keep_look("One more", now).unwrap(), "kept-5");
    let mut button = house.clone();
    button.remove_look("kept-5");
    button.set("look.5.colour", Some(word("#6B2D5C"))).unwrap();
    button.keep_look("Button", text("buy_button", "words")).unwrap();
    assert_eq!(button.of_text(text("buy_button", "words"), Property::Colour, Device::Wide), word("own"));
    assert!(
        serde_json::to_value(&button).unwrap().get("look.5.colour").is_none(),
        "a button's own colour stays its own"
    );
}

//! A value as its line on the slip tells it, and in a sentence where it comes from and what it hides.

use super::{Explained, Level, Source};
use crate::house::House;
use crate::house::texts::setting_of;
use crate::screen::Device;
use crate::setting::font::families;
use crate::setting::text::{Look, paints};
use crate::setting::{Choice, Property, Rule, SetValue, Setting, Shape, Text};

/// So much of a longer text is told.
const MOST: usize = 80;

/// A value in the few words that an owner would use for it; nothing for an empty text.
#[must_use]
pub fn told(setting: &Setting, value: &SetValue, house: &House) -> String {
    match (setting.shape, value) {
        (Shape::Space, SetValue::Number(step)) => format!("{} px", house.space(*step)),
        (Shape::TypeSize, SetValue::Number(step)) => format!("{} px", house.type_size(*step)),
        (Shape::TextSize, SetValue::Number(size)) => format!("{} px", house.size_of(*size)),
        (Shape::Family, SetValue::Text(name)) => named(families(), name),
        (Shape::Paint { own }, SetValue::Text(name)) => {
            let role = named(paints(own), name);
            if role.is_empty() { name.clone() } else { role }
        }
        (Shape::Look, SetValue::Text(name)) => look_called(house, name),
        (Shape::Steps(steps), SetValue::Number(number)) => steps
            .iter()
            .find(|(known, _)| known == number)
            .map_or_else(|| number.to_string(), |(_, label)| in_a_line(label)),
        (Shape::Choice(names), SetValue::Text(name)) => named(names.iter().copied(), name),
        (Shape::Rich { .. }, SetValue::Text(html)) => shortened(&without_tags(html)),
        (Shape::Film, SetValue::Text(name)) => if name.is_empty() { "none" } else { "1 film" }.into(),
        (Shape::Pictures { .. }, SetValue::Lines(names)) => counted(names.len(), "picture"),
        (Shape::Products { .. }, SetValue::Lines(handles)) => counted(handles.len(), "product"),
        (Shape::Order { .. }, SetValue::Lines(pieces)) => {
            if pieces.is_empty() { "as listed" } else { "its own" }.into()
        }
        (Shape::Table { .. }, SetValue::Rows(rows)) => match rows.first() {
            Some(head) => format!("{} of {}", counted(rows.len(), "row"), counted(head.len(), "column")),
            None => "empty".into(),
        },
        (_, SetValue::Flag(flag)) => if *flag { "yes" } else { "no" }.into(),
        (_, SetValue::Number(number)) => format!("{number} {}", setting.unit).trim_end().into(),
        (_, SetValue::Text(text)) => shortened(text),
        (_, SetValue::Lines(lines)) => listed(lines.iter().map(String::as_str)),
        (_, SetValue::Rows(rows)) => listed(rows.iter().filter_map(|row| row.first()).map(String::as_str)),
        (_, SetValue::Rule(rule)) => appears(rule),
    }
}

/// The word of a name, as it stands within a line; nothing where there is no such name.
fn named(names: impl IntoIterator<Item = (&'static str, &'static str)>, name: &str) -> String {
    let mut names = names.into_iter();
    names.find(|(known, _)| *known == name).map_or_else(String::new, |(_, label)| in_a_line(label))
}

/// What a look is called; one that was removed isn't any more.
fn look_called(house: &House, look: &str) -> String {
    let shipped = named(Look::NAMES.iter().copied(), look);
    if shipped.is_empty() { house.look_called(look).unwrap_or_else(|| "removed".into()) } else { shipped }
}

/// A label as it stands within a line: small, unless it begins with a sign or a name all in capitals.
#[must_use]
pub fn in_a_line(label: &str) -> String {
    let mut chars = label.chars();
    let (first, second) = (chars.next(), label.chars().nth(1));
    match first {
        Some(first) if !second.is_some_and(char::is_uppercase) => first.to_lowercase().chain(chars).collect(),
        _ => label.to_owned(),
    }
}

/// When something appears, after *appears*.
fn appears(rule: &Rule) -> String {
    let of = match rule {
        Rule::All { of } | Rule::Any { of } => of.as_slice(),
        one => std::slice::from_ref(one),
    };
    match (of, rule) {
        ([], Rule::All { .. }) => "always".into(),
        ([], _) => "never".into(),
        ([one], _) => {
            one.complete().map_or_else(|| "on one condition".into(), |words| format!("when {words}"))
        }
        (_, Rule::Any { .. }) => format!("when one of {} conditions holds", of.len()),
        _ => format!("on {} conditions", of.len()),
    }
}

/// The screens of a device, as sentences name them.
fn screens(device: Device) -> &'static str {
    match device {
        Device::Wide => "wide screens",
        Device::Tablet => "tablets",
        Device::Phone => "phones",
    }
}

/// Whose a value is.
fn owner(level: Level) -> &'static str {
    match level {
        Level::House => "the house style",
        Level::Template => "the template",
        Level::Type => "its type",
        Level::Product => "this product",
    }
}

/// Where a value comes from and what it hides, for whoever looks at it on a screen while values are set for `looking`.
#[must_use]
pub fn where_from(
    setting: &Setting,
    device: Device,
    looking: Level,
    explained: &Explained,
    house: &House,
) -> String {
    let Source { level, device: of } = explained.source;
    if let (Some((_, language)), Level::House) = (setting.language, level) {
        return format!("Nothing is said here in {0}; readers of {0} see this.", language.label());
    }
    if let Some(look) = &explained.look {
        return format!("From the look “{}”.", look_called(house, look));
    }
    let mut sentence = if level == looking && of == device {
        "Set here.".to_owned()
    } else if level == looking {
        format!("As on {}.", screens(of))
    } else {
        let screen = if of == device { "" } else { &format!(", as on {}", screens(of)) };
        format!("From {}{screen}.", owner(level))
    };
    if level > Level::House
        && let Some(under) = explained.hides.first()
        && under.value != explained.value
    {
        let Source { level: hidden, device: of } = under.source;
        let value = told(setting, &under.value, house);
        let value = if value.is_empty() { "nothing".into() } else { format!("“{value}”") };
        let house_of = setting.language.is_some() && hidden == Level::House;
        let whose = if hidden == level || house_of { "" } else { &format!(" of {}", owner(hidden)) };
        // Of the house style a screen is told only where it knows one from another.
        let alike = house_of || hidden == Level::House && setting.phone.is_none();
        let screen = if of == device || alike { "" } else { &format!(" for {}", screens(of)) };
        sentence.push_str(&format!(" It hides {value}{whose}{screen}."));
    }
    sentence
}

/// Where a property of a text comes from, for whoever sets it in the house style.
#[must_use]
pub fn where_in_house(house: &House, text: &Text, property: Property, device: Device) -> String {
    let of = house.source_of(text, property, device);
    if house.set_of_text(text, property, device).is_some() {
        return "Set here.".to_owned();
    }
    if of != device {
        return format!("As on {}.", screens(of));
    }
    match house.look_of(text, property, device) {
        Some(look) => format!("From the look “{}”.", look_called(house, &look)),
        None => "As it ships.".to_owned(),
    }
}

/// How a text is set, in a few words: `24 px, bold, accent`. What is as it mostly is isn't told.
#[must_use]
pub fn text_told(house: &House, text: &Text, device: Device) -> String {
    let told = |property| {
        let value = house.of_text(text, property, device);
        let usual = match (property, &value) {
            (Property::Family, SetValue::Text(name)) => name == "text",
            (Property::Weight, SetValue::Number(number)) => [0, 400].contains(number),
            (Property::Slope, SetValue::Text(name)) => name == "upright",
            (Property::Case, SetValue::Text(name)) => name == "written",
            (Property::Colour | Property::Align, SetValue::Text(name)) => name == "piece" || name == "own",
            _ => false,
        };
        let setting = setting_of(text, property).filter(|_| !usual)?;
        Some(self::told(setting, &value, house))
    };
    use Property::{Align, Case, Colour, Family, Size, Slope, Weight};
    [Size, Weight, Slope, Case, Family, Colour, Align]
        .into_iter()
        .filter_map(told)
        .collect::<Vec<_>>()
        .join(", ")
}

fn counted(number: usize, what: &str) -> String {
    match number {
        0 => "none".into(),
        1 => format!("1 {what}"),
        number => format!("{number} {what}s"),
    }
}

/// The first of a list, and how many more there are.
fn listed<'a>(entries: impl Iterator<Item = &'a str>) -> String {
    let entries: Vec<&str> = entries.collect();
    match entries.as_slice() {
        [] => String::new(),
        [one] => shortened(one),
        [first, more @ ..] => format!("{} and {} more", shortened(first), more.len()),
    }
}

fn shortened(text: &str) -> String {
    match text.char_indices().nth(MOST) {
        Some((end, _)) => format!("{} …", text.get(..end).unwrap_or(text).trim_end()),
        None => text.to_owned(),
    }
}

/// The words of formatted text.
pub(super) fn without_tags(html: &str) -> String {
    let mut inside = false;
    let mut plain = String::new();
    for c in html.chars() {
        match c {
            '<' => inside = true,
            '>' => {
                inside = false;
                plain.push(' ');
            }
            c if !inside => plain.push(c),
            _ => {}
        }
    }
    let plain = plain.replace("&nbsp;", " ").replace("&lt;", "<").replace("&gt;", ">").replace("&amp;", "&");
    plain.split_whitespace().collect::<Vec<_>>().join(" ")
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::page::Values;
    use crate::page::piece::shared::{APPEARS, SPACE_ABOVE};
    use crate::page::piece::{facts, gallery, price, promises, questions, text};
    use crate::style::Chain;

    fn say(setting: &Setting, value: SetValue) -> String {
        setting.check(&value).unwrap();
        told(setting, &value, &House::default())
    }
    fn word(text: &str) -> SetValue {
        SetValue::Text(text.into())
    }

    #[test]
    fn a_value_is_told_as_an_owner_says_it() {
        let house = House::default();
        assert_eq!(say(&gallery::THUMBNAILS, word("left")), "left");
        assert_eq!(say(&gallery::THUMB_FLOW, word("slide")), "one line that slides");
        assert_eq!(say(&gallery::SHAPE, word("wide")), "4 : 3");
        assert_eq!(say(&gallery::PACE, SetValue::Number(350)), "350 ms");
        assert_eq!(say(&gallery::SHARE, SetValue::Number(80)), "80 %");
        assert_eq!(say(&gallery::THUMB_COUNT, SetValue::Number(6)), "6");
        assert_eq!(say(&gallery::FILM_FIRST, SetValue::Flag(true)), "yes");
        assert_eq!(say(&facts::COLUMNS, SetValue::Number(2)), "2");
        assert_eq!(say(&SPACE_ABOVE, SetValue::Number(3)), format!("{} px", house.space(3)));

        assert_eq!(say(&price::NOTE, word("")), "");
        assert_eq!(say(&text::BODY, word("<p>Sent &amp; <b>sewn</b> here.</p>")), "Sent & sewn here.");
        let long = say(&text::BODY, word(&"kite ".repeat(40)));
        assert!(long.ends_with(" …") && long.chars().count() <= MOST + 2);
    }

    #[test]
    fn of_a_list_the_first_is_told_and_how_many_more_there_are() {
        let lines = |lines: &[&str]| SetValue::Lines(lines.iter().map(|l| (*l).into()).collect());
        assert_eq!(say(&promises::LINES, lines(&[])), "");
        assert_eq!(say(&promises::LINES, lines(&["Sent in two days"])), "Sent in two days");
        assert_eq!(
            say(&promises::LINES, lines(&["Sent in two days", "b", "c"])),
            "Sent in two days and 2 more"
        );
        let rows = SetValue::Rows(vec![vec!["How big?".into(), "So big.".into()]]);
        assert_eq!(say(&questions::QUESTIONS, rows), "How big?");
    }

    #[test]
    fn it_is_told_when_a_piece_appears() {
        let when = |rule| say(&APPEARS, SetValue::Rule(rule));
        assert_eq!(when(Rule::always()), "always");
        assert_eq!(when(Rule::OnSale), "when the product is on sale");
        assert_eq!(when(Rule::Not { of: Box::new(Rule::SoldOut) }), "when it can be had");
        assert_eq!(when(Rule::All { of: vec![Rule::SoldOut, Rule::HasReviews] }), "on 2 conditions");
        assert_eq!(
            when(Rule::Any { of: vec![Rule::SoldOut, Rule::HasReviews] }),
            "when one of 2 conditions holds"
        );
        assert_eq!(when(Rule::StockUnder { count: 5 }), "when its stock is under 5");
        assert_eq!(when(Rule::PriceOver { minor: 5000 }), "on one condition");
        assert_eq!(when(Rule::Any { of: vec![] }), "never");
    }

    #[test]
    fn pointing_at_a_value_tells_where_it_comes_from_and_what_it_hides() {
        let house = House::default();
        let setting = &gallery::THUMBNAILS;
        let from = |chain: &Chain<'_>, device, looking| {
            where_from(setting, device, looking, &chain.explain(setting, device), &house)
        };
        let none = Values::default();
        let bare = Chain::of_template(&none);
        assert_eq!(from(&bare, Device::Wide, Level::Template), "From the house style.");
        assert_eq!(from(&bare, Device::Phone, Level::Template), "From the house style.");
        assert_eq!(from(&bare, Device::Tablet, Level::Template), "From the house style, as on wide screens.");

        let set = Values::default().with(Device::Wide, setting, word("right"));
        let one = Chain::of_template(&set);
        assert_eq!(
            from(&one, Device::Wide, Level::Template),
            "Set here. It hides “left” of the house style."
        );
        assert_eq!(
            from(&one, Device::Phone, Level::Template),
            "As on wide screens. It hides “under” of the house style."
        );

        let own = Values::default().with(Device::Phone, setting, word("dots"));
        let two = Chain::of_template(&set).then(Level::Product, &own);
        assert_eq!(
            from(&two, Device::Phone, Level::Product),
            "Set here. It hides “right” of the template for wide screens."
        );
        assert_eq!(
            from(&two, Device::Wide, Level::Product),
            "From the template. It hides “left” of the house style."
        );
        let gap = Values::default().with(Device::Phone, &gallery::THUMB_GAP, SetValue::Number(2));
        let explained = Chain::of_template(&gap).explain(&gallery::THUMB_GAP, Device::Phone);
        assert_eq!(
            where_from(&gallery::THUMB_GAP, Device::Phone, Level::Template, &explained, &house),
            "Set here. It hides “8 px” of the house style.",
            "which has the same for all screens"
        );
        let both = set.clone().with(Device::Phone, setting, word("none"));
        assert_eq!(
            from(&Chain::of_template(&both), Device::Phone, Level::Template),
            "Set here. It hides “right” for wide screens."
        );
    }
}

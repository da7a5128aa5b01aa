//! Every text that pieces hold, by the kinds that hold it: how each ships, and what the house style says of it.

use super::kept::{KEPT, LOOK};
use super::{House, token as t};
use crate::screen::Device;
use crate::setting::text::Look;
use crate::setting::{Choice, Property, SetValue, Setting, Text};
use std::collections::BTreeMap;
use std::sync::LazyLock;

const fn text(of: &'static str, key: &'static str, label: &'static str) -> Text {
    Text::new(of, key, label)
}
const fn heading(of: &'static str) -> Text {
    text(of, "heading", "Heading").heading()
}
const fn name_of_option(of: &'static str) -> Text {
    text(of, "label", "Option's name").size(15).colour("soft").block()
}
const fn mark(of: &'static str, key: &'static str, label: &'static str, ground: &'static Setting) -> Text {
    text(of, key, label).size(14).weight(600).colour("own").on(ground)
}

/// All of them, in the order in which pages and then cards have their kinds.
pub const TEXTS: &[Text] = &[
    text("breadcrumb", "link", "Links").size(14).colour("soft"),
    text("breadcrumb", "here", "Where one is").size(14).colour("soft"),
    text("title", "name", "Name").heading().size(6).on_phones(5).sized_by("size"),
    mark("gallery", "sale", "Sale mark", &t::SALE),
    mark("gallery", "gone", "Sold-out mark", &t::SOLD_OUT),
    mark("gallery", "coming", "Coming-soon mark", &t::COMING),
    mark("gallery", "few", "Few-left mark", &t::FEW),
    text("price", "now", "Price now").size(4).sized_by("size").weight(700),
    text("price", "old", "Old price").colour("soft"),
    mark("price", "saving", "Saving", &t::SALE),
    text("price", "per", "Price per measure").size(15).colour("soft"),
    text("price", "vat", "Word on VAT").size(15).colour("soft"),
    text("price", "promise", "What a price asks for").size(15).colour("soft"),
    text("price", "from", "Before the least price").size(15).colour("soft"),
    text("price", "note", "Note").size(15).colour("soft"),
    text("summary", "text", "Words").size(1).sized_by("size").block(),
    text("stock_line", "line", "Line").size(15).colour("soft").block(),
    name_of_option("options"),
    text("options", "chosen", "Chosen value").size(15).weight(600).colour("ink"),
    text("options", "value", "Values").size(15).colour("own").line(130),
    text("options", "about", "What it is about").size(14).colour("soft").block(),
    text("options", "clear", "Link that clears").size(14),
    text("quantity", "label", "Label").size(15).colour("soft"),
    text("quantity", "number", "Number").colour("own").on(&t::FIELD_GROUND),
    text("buy_button", "words", "Words").button(&t::BUTTON_IDLE),
    text("buy_button", "second", "Words of the second").button(&t::BUTTON_IDLE),
    text("buy_button", "hint", "Hint").size(15).colour("soft").block(),
    text("promises", "line", "Lines").size(15),
    text("details", "title", "Titles").weight(600).colour("own"),
    text("details", "text", "Text").block(),
    heading("related"),
    text("sticky_bar", "name", "Name").weight(700),
    text("sticky_bar", "values", "What is chosen").size(14).colour("own"),
    text("sticky_bar", "price", "Price").weight(600),
    text("sticky_bar", "words", "Words of the button").button(&t::BUTTON_IDLE),
    text("text", "text", "Text").block(),
    text("text", "heading", "Headings").heading().line(120),
    text("text", "link", "Links").colour("accent"),
    text("picture", "caption", "Caption").fine().block(),
    heading("picture_row"),
    heading("quotes"),
    text("quotes", "quote", "Quote").look("subheading").weight(400).line(140).block(),
    text("quotes", "name", "Name").fine().block(),
    heading("questions"),
    text("questions", "question", "Question").weight(600),
    text("questions", "answer", "Answer").block(),
    heading("comparison"),
    text("comparison", "head", "Heads").weight(600).block(),
    text("comparison", "cell", "Cells").block(),
    heading("reviews"),
    text("reviews", "figure", "Average").look("heading").size(38).line(100),
    text("reviews", "title", "Title of a review").weight(700),
    text("reviews", "text", "Text of a review").block(),
    text("reviews", "name", "Who wrote it").fine(),
    heading("value_points"),
    text("value_points", "title", "Title of a point").weight(700).block(),
    text("value_points", "text", "Text of a point").colour("soft").block(),
    heading("facts"),
    text("facts", "name", "Name of a fact").colour("soft").block(),
    text("facts", "value", "Value").block(),
    text("sku_line", "line", "Line").fine().block(),
    text("rating_line", "count", "Number of reviews").size(15),
    text("size_chart", "title", "Title").weight(600),
    text("size_chart", "head", "Heads").weight(600).block(),
    text("size_chart", "cell", "Cells").block(),
    text("size_chart", "note", "Note").colour("soft").block(),
    text("share_links", "label", "Words before").size(15).colour("soft"),
    text("share_links", "link", "Links").size(15),
    text("neighbours", "way", "Before and next").colour("soft").block(),
    text("neighbours", "name", "Name").weight(700).block(),
    name_of_option("siblings"),
    text("siblings", "chosen", "Chosen one").size(15).weight(600).colour("ink"),
    text("siblings", "value", "Their labels").size(15).colour("own").line(130),
    heading("variant_list"),
    text("variant_list", "name", "Variant"),
    text("variant_list", "price", "Price"),
    text("variant_list", "gone", "Sold out").size(14).colour("soft"),
    text("price_ladder", "heading", "Heading").heading().size(15),
    text("price_ladder", "step", "Steps").size(15).block(),
    text("price_ladder", "saving", "Saving").size(15).colour("signal").block(),
    text("plans", "label", "Label").block(),
    text("plans", "name", "Names of plans"),
    text("plans", "saving", "Saving").size(14).colour("signal").block(),
    text("plans", "then", "What follows").size(14).colour("soft").block(),
    text("plans", "price", "Price").weight(600),
    text("plans", "note", "Note").size(15).colour("soft").block(),
    text("personal_text", "label", "Label"),
    text("personal_text", "hint", "What is taken").size(15).colour("soft"),
    text("pay_shortcuts", "words", "Words above").size(15).colour("soft").block(),
    text("pay_shortcuts", "name", "Names").size(16).weight(600).line(120).colour("own").on(&t::PAPER),
    text("wish_button", "words", "Words"),
    mark("card_marks", "sale", "Sale mark", &t::SALE),
    mark("card_marks", "gone", "Sold-out mark", &t::SOLD_OUT),
    mark("card_marks", "coming", "Coming-soon mark", &t::COMING),
    mark("card_marks", "few", "Few-left mark", &t::FEW),
    text("card_name", "name", "Name").weight(600).block(),
    text("card_rating", "count", "Number of reviews").size(14).colour("soft"),
    text("card_price", "now", "Price now"),
    text("card_price", "old", "Old price").colour("soft"),
    mark("card_price", "saving", "Saving", &t::SALE),
    text("card_price", "per", "Price per measure").size(15).colour("soft"),
    text("card_choices", "value", "Values").size(13).colour("own").line(130),
    text("card_siblings", "value", "Their labels").size(13).colour("own").line(130),
    text("card_variants", "name", "Variant").size(15),
    text("card_variants", "price", "Price").size(15),
    text("card_quantity", "label", "Label"),
    text("card_buy", "words", "Words").button(&t::BUTTON_IDLE).size(15),
    text("card_wish", "words", "Words"),
    text("card_quick_look", "words", "Words").size(13).weight(500).line(120),
    text("card_fact", "name", "Name of a fact").size(14).colour("soft"),
    text("card_fact", "value", "Value").size(14),
    text("card_text", "text", "Words").size(15).colour("soft").block(),
];

/// The texts of a kind of piece.
pub fn texts_of(kind: &str) -> impl Iterator<Item = &'static Text> + use<'_> {
    TEXTS.iter().filter(move |text| text.of == kind)
}

/// The setting of each property of each text; made once, as long as the program runs.
static SETTINGS: LazyLock<BTreeMap<&'static str, BTreeMap<&'static str, Vec<&'static Setting>>>> =
    LazyLock::new(|| {
        let mut all: BTreeMap<_, BTreeMap<_, Vec<&'static Setting>>> = BTreeMap::new();
        for text in TEXTS.iter().chain(&KEPT) {
            let settings = text.properties().map(|property| &*Box::leak(Box::new(text.setting(property))));
            all.entry(text.of).or_default().insert(text.key, settings.collect());
        }
        all
    });

/// The properties of a text as settings of the piece that holds it.
#[must_use]
pub fn settings_of(text: &Text) -> &'static [&'static Setting] {
    SETTINGS.get(text.of).and_then(|kind| kind.get(text.key)).map_or(&[], Vec::as_slice)
}

/// A property of a text as a setting.
#[must_use]
pub fn setting_of(text: &Text, property: Property) -> Option<&'static Setting> {
    settings_of(text).iter().copied().find(|one| one.text.is_some_and(|(_, own)| own == property))
}

/// How the house style knows a property of a text on a screen: `price.now.weight`, `price.now.weight.phone`.
#[must_use]
pub fn key_on(text: &Text, property: Property, device: Device) -> String {
    let key = format!("{}.{}.{}", text.of, text.key, property.name());
    match device {
        Device::Wide => key,
        Device::Tablet => key + ".tablet",
        Device::Phone => key + ".phone",
    }
}

/// What a key of the house style stands for, if it is a property of a text.
#[must_use]
pub fn property_of(key: &str) -> Option<(&'static Text, &'static Setting, Device)> {
    let mut parts = key.split('.');
    let (kind, name, property) = (parts.next()?, parts.next()?, parts.next()?);
    let device = match parts.next() {
        None => Device::Wide,
        Some("tablet") => Device::Tablet,
        Some("phone") => Device::Phone,
        Some(_) => return None,
    };
    let text = texts_of(kind).chain(KEPT.iter().filter(|_| kind == LOOK)).find(|text| text.key == name)?;
    let is = |one: &&&'static Setting| one.text.is_some_and(|(_, own)| own.name() == property);
    let setting = settings_of(text).iter().find(is)?;
    parts.next().is_none().then_some((text, *setting, device))
}

/// What a look gives to a text of what isn't set apart.
#[must_use]
pub fn of_look(house: &House, look: &str, property: Property, device: Device) -> Option<SetValue> {
    let Some(shipped) = Look::from_name(look) else { return house.of_kept(look, property, device) };
    let (size, family) = match shipped {
        Look::Own => return None,
        Look::Fine => (&t::FINE_SIZE, "text"),
        Look::Body => (&t::BODY_SIZE, "text"),
        Look::Lead => (&t::LEAD_SIZE, "text"),
        Look::Subheading => (&t::SUBHEADING_SIZE, "heading"),
        Look::Heading => (&t::HEADING_SIZE, "heading"),
    };
    match property {
        Property::Family => Some(SetValue::Text(family.to_owned())),
        Property::Size => Some(house.value(size)),
        Property::Weight if family == "heading" => Some(SetValue::Number(0)),
        _ => None,
    }
}

impl House {
    /// What the house style itself sets of a text for a screen, that screen's own value alone.
    #[must_use]
    pub fn set_of_text(&self, text: &Text, property: Property, device: Device) -> Option<SetValue> {
        let value = self.values.get(&key_on(text, property, device))?;
        setting_of(text, property).filter(|setting| setting.check(value).is_ok()).map(|_| value.clone())
    }
    /// What counts for a text on a screen as far as the house style says, or as it ships.
    #[must_use]
    pub fn of_text(&self, text: &Text, property: Property, device: Device) -> SetValue {
        let own = |property| device.and_wider().iter().find_map(|on| self.set_of_text(text, property, *on));
        if let Some(value) = own(property) {
            return value;
        }
        let look = own(Property::Look).filter(|_| property != Property::Look);
        if let Some(SetValue::Text(look)) = look
            && let Some(value) = of_look(self, &look, property, device)
        {
            return value;
        }
        if !text.says(property)
            && let Some(value) = of_look(self, text.look, property, device)
        {
            return value;
        }
        let shipped = setting_of(text, property);
        let on = |on: &Device| shipped.and_then(|setting| setting.house(*on));
        device.and_wider().iter().find_map(on).unwrap_or(SetValue::Number(0))
    }
    /// The look from which it has a property of a text, where one gives it.
    #[must_use]
    pub fn look_of(&self, text: &Text, property: Property, device: Device) -> Option<String> {
        let SetValue::Text(look) = self.of_text(text, Property::Look, device) else { return None };
        let given = look != text.look || !text.says(property);
        let gives = given && property != Property::Look && of_look(self, &look, property, device).is_some();
        gives.then_some(look)
    }
    /// The screen for which it says what counts on another one: that one or a wider one.
    #[must_use]
    pub fn source_of(&self, text: &Text, property: Property, device: Device) -> Device {
        let on = |on: &&Device| self.set_of_text(text, property, **on).is_some();
        let alike = |on: &&Device| self.of_text(text, property, **on) == self.of_text(text, property, device);
        let set = device.and_wider().iter().find(on);
        set.or_else(|| device.and_wider().iter().rev().find(alike)).copied().unwrap_or(device)
    }
    /// The texts of which it sets anything.
    pub fn own_texts(&self) -> impl Iterator<Item = &'static Text> + '_ {
        let texts =
            self.values.keys().filter_map(|key| Some(property_of(key)?.0)).filter(|text| text.of != LOOK);
        // Keys of one text stand together.
        let mut last = None;
        texts.filter(move |text| last.replace((text.of, text.key)) != Some((text.of, text.key)))
    }
}

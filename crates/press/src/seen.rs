//! What is seen of a page, and what of a house style is seen on it, told from the page itself.

use crate::house::css;
use compagina_core::house::kept::LOOK;
use compagina_core::house::texts::property_of;
use compagina_core::house::{Contrast, House};
use compagina_core::page::{Device, Group, SetValue, Setting};
use compagina_core::setting::{Property, Text};
use std::collections::BTreeMap;

/// What the elements that a token shows on have in common: one of these pieces of markup, not hidden. A star stands
/// for any ending; a token that isn't here is seen on every page.
const SHOWN_ON: &[(&str, &[&str])] = &[
    ("sale", &["class=\"badge sale\"", "class=\"note\""]),
    ("sold_out", &["class=\"badge gone\""]),
    ("coming", &["class=\"badge coming\""]),
    ("few", &["class=\"badge few\""]),
    ("mark_corner", &["class=\"badge", "class=\"note\""]),
    ("button_*", &["class=\"buy"]),
    ("field_*", &["type=\"number\"", "type=\"email\"", "<select", "<textarea"]),
    ("choice_gap", &["class=\"option\"", "class=\"values"]),
    ("choice_*", &["class=\"cloth"]),
];

/// A page without what tells its script when to ask anew: nobody sees that.
#[must_use]
pub fn as_seen(page: &str) -> String {
    page.replacen("\"cart\":true,\"quantity\"", "\"cart\":false,\"quantity\"", 1)
}

/// A page without the house style's own properties: what is left differs only where a piece comes out otherwise.
#[must_use]
pub fn apart_from_house(page: &str, house: &House) -> String {
    page.replacen(&css(house), "", 1)
}

/// Whether a token that is one of the page's properties shows on it.
fn shows(page: &str, token: &Setting) -> bool {
    if let Some((text, _)) = token.text {
        return holds(page, text);
    }
    let words_of = token.key.strip_suffix("_words");
    let on = SHOWN_ON.iter().find(|(key, _)| match key.strip_suffix('*') {
        Some(begins) => token.key.starts_with(begins),
        None => token.key == *key || words_of == Some(*key),
    });
    on.is_none_or(|(_, markups)| markups.iter().any(|markup| is_there(page, markup)))
}

/// Whether a page has a piece that holds a text.
fn holds(page: &str, text: &Text) -> bool {
    let class = text.of.replace('_', "-");
    page.contains(&format!("k-{class}\"")) || page.contains(&format!("k-{class} "))
}

/// Whether a house style gives a kept look to a text that a page has.
fn gives(page: &str, house: &House, look: &Text) -> bool {
    let look = SetValue::Text(format!("kept-{}", look.key));
    let has = |text: &&Text| {
        Device::ALL.into_iter().any(|device| house.of_text(text, Property::Look, device) == look)
    };
    house.own_texts().filter(has).any(|text| holds(page, text))
}

/// Whether some element with this markup isn't hidden.
fn is_there(page: &str, markup: &str) -> bool {
    page.match_indices(markup).any(|(at, _)| {
        let element = page[at..].split('>').next().unwrap_or_default();
        !element.contains(" hidden")
    })
}

/// A house style before and after some change, and what of the change a page shows.
#[derive(Debug, Clone)]
pub struct Restyled {
    before: House,
    after: House,
    /// Tokens that differ, and whether each is one of the page's properties.
    changed: Vec<(&'static Setting, bool)>,
    /// Pairs of colours that could be read before and can't be after.
    weak: Vec<(Contrast, [&'static Setting; 2])>,
}

impl Restyled {
    /// One house style in the place of another.
    #[must_use]
    pub fn new(before: House, after: House) -> Self {
        let differs = |token: &&'static Setting| before.value(token) != after.value(token);
        let is_property = |token: &'static Setting| {
            let mut other = before.clone();
            other.set(token.key, Some(after.value(token))).is_ok() && css(&other) != css(&before)
        };
        let changed = House::TOKENS.iter().copied().filter(differs).map(|token| (token, is_property(token)));
        let held = |what: &str| before.contrasts().iter().any(|pair| pair.what == what && pair.holds);
        let weak = after.contrasts().into_iter().filter(|pair| !pair.holds && held(pair.what));
        let weak = weak.filter_map(|pair| Some((House::tokens_of(pair.what)?, pair)));
        let texts = after.other_texts(&before).filter_map(property_of).map(|(_, one, _)| (one, true));
        Self {
            changed: changed.chain(texts).collect(),
            weak: weak.map(|(tokens, pair)| (pair, tokens)).collect(),
            before,
            after,
        }
    }

    /// The later one.
    #[must_use]
    pub fn after(&self) -> &House {
        &self.after
    }

    /// Whether pages may come out otherwise, apart from the house style's own properties.
    #[must_use]
    pub fn lays_otherwise(&self) -> bool {
        self.changed
            .iter()
            .any(|(token, is_property)| !is_property || token.text.is_some_and(|(look, _)| look.of == LOOK))
    }

    /// The tokens whose change is seen on a page, by their groups; `before` and `after` are the same page under the two
    /// house styles.
    #[must_use]
    pub fn seen(&self, before: &str, after: &str) -> BTreeMap<Group, Vec<&'static str>> {
        let laid_otherwise = apart_from_house(before, &self.before) != apart_from_house(after, &self.after);
        let is_seen = |(token, is_property): &&(&Setting, bool)| {
            match token.text {
                // Pieces may have it, or texts of the whole shop.
                Some((look, _)) if look.of == LOOK => laid_otherwise || gives(after, &self.after, look),
                _ if *is_property => shows(after, token),
                _ => laid_otherwise,
            }
        };
        let mut seen: BTreeMap<Group, Vec<_>> = BTreeMap::new();
        for (token, _) in self.changed.iter().filter(is_seen) {
            let labels = seen.entry(token.group).or_default();
            let label = token.text.map_or(token.label, |(text, _)| text.label);
            if !labels.contains(&label) {
                labels.push(label);
            }
        }
        seen
    }

    /// Pairs of colours on the page that can't be read any more.
    #[must_use]
    pub fn weak(&self, after: &str) -> Vec<&Contrast> {
        let both = |tokens: &[&Setting; 2]| tokens.iter().all(|token| shows(after, token));
        self.weak.iter().filter(|(_, tokens)| both(tokens)).map(|(pair, _)| pair).collect()
    }
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    fn with(values: &[(&str, SetValue)]) -> House {
        let mut house = House::default();
        for (key, value) in values {
            house.set(key, Some(value.clone())).unwrap();
        }
        house
    }
    fn colour(text: &str) -> SetValue {
        SetValue::Text(text.into())
    }
    fn page(house: &House, body: &str) -> String {
        format!("<style id=\"house\">{}</style>{body}", css(house))
    }

    #[test]
    fn a_token_is_seen_where_what_it_dresses_is_on_the_page() {
        let (before, after) =
            (House::default(), with(&[("accent", colour("#333333")), ("few", colour("#FFFFFF"))]));
        let restyled = Restyled::new(before.clone(), after.clone());
        let told = |body: &str| {
            let (was, is) = (page(&before, body), page(&after, body));
            (restyled.seen(&was, &is), restyled.weak(&is).iter().map(|pair| pair.what).collect::<Vec<_>>())
        };
        let (seen, weak) = told("<p>plain</p>");
        assert_eq!(seen, BTreeMap::from([(Group::Colours, vec!["Accent"])]));
        assert_eq!(weak, [] as [&str; 0]);
        let mark = "<span class=\"badge few\" data-say=\"mark-few\">2 left</span>";
        let (seen, weak) = told(mark);
        assert_eq!(
            seen,
            BTreeMap::from([(Group::Colours, vec!["Accent"]), (Group::Marks, vec!["Few left"])])
        );
        assert_eq!(weak, ["Few-left mark"]);
        assert_eq!(told(&mark.replace(" data-say", " hidden data-say")).1, [] as [&str; 0]);
    }

    #[test]
    fn what_is_no_property_is_seen_where_the_page_comes_out_otherwise() {
        let (before, after) = (House::default(), with(&[("choice_not_made", colour("faded"))]));
        let restyled = Restyled::new(before.clone(), after.clone());
        let same = (page(&before, "<p>"), page(&after, "<p>"));
        assert!(restyled.seen(&same.0, &same.1).is_empty());
        let other = page(&after, "<p class=\"made-faded\">");
        assert_eq!(restyled.seen(&same.0, &other)[&Group::Choices], ["Not made"]);
    }

    #[test]
    fn what_was_weak_before_is_no_news() {
        let pale = with(&[("ink", colour("#EEEEEE"))]);
        let paler = with(&[("ink", colour("#EFEFEF"))]);
        assert_eq!(Restyled::new(pale.clone(), paler).weak(""), Vec::<&Contrast>::new());
        assert_eq!(Restyled::new(House::default(), pale).weak("").len(), 2, "on paper and on tint");
    }

    #[test]
    fn a_text_is_seen_where_its_piece_is_and_a_kept_look_where_a_text_has_it() {
        let number = SetValue::Number;
        let (before, after) = (House::default(), with(&[("price.now.weight", number(900))]));
        let seen = |before: &House, after: &House, body: &str| {
            let restyled = Restyled::new(before.clone(), after.clone());
            restyled.seen(&page(before, body), &page(after, body)).remove(&Group::Texts)
        };
        let price = "<div class=\"piece k-price\">";
        assert_eq!(seen(&before, &after, price), Some(vec!["Price now"]));
        assert_eq!(seen(&before, &after, "<div class=\"piece k-price-ladder\">"), None);

        let mut kept = House::default();
        let now = compagina_core::house::texts::texts_of("price").find(|text| text.key == "now").unwrap();
        let look = kept.keep_look("Loud", now).unwrap();
        kept.set("title.name.look", Some(SetValue::Text(look))).unwrap();
        let mut louder = kept.clone();
        louder.set("look.1.weight", Some(number(900))).unwrap();
        assert!(Restyled::new(kept.clone(), louder.clone()).lays_otherwise(), "pieces may have it");
        assert_eq!(seen(&kept, &louder, "<div class=\"piece k-title\">"), Some(vec!["Kept look"]));
        assert_eq!(seen(&kept, &louder, price), None);
    }
}

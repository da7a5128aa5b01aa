//! Back to the card from which something was put into the cart or kept, where no script does that without leaving it.

use compagina_core::catalog::Product;
use compagina_core::choice::Selection;
use compagina_core::situation::Situation;
use compagina_press::{Lead, LookedAt, Nav};

/// Longer addresses aren't ours.
const LONGEST: usize = 500;

/// The names under which a listing is told what came of the last step; the next step takes their place.
const TOLD: [&str; 4] = ["added", "kept", "asked", "chose"];

/// The card on which a form was sent.
pub struct FromCard<'a> {
    path: &'a str,
    /// What its address says besides.
    query: Vec<&'a str>,
    /// The element's name.
    card: &'a str,
}

impl<'a> FromCard<'a> {
    /// The card that a form names. Addresses that aren't this shop's lead nowhere.
    pub fn of(form: &'a [(String, String)]) -> Option<Self> {
        let field =
            |wanted: &str| form.iter().find(|(name, _)| name == wanted).map(|(_, value)| value.as_str());
        let (card, back) = (field("card")?, field("back")?);
        let plain = |text: &str, more: &str| {
            text.chars().all(|sign| sign.is_ascii_alphanumeric() || more.contains(sign))
        };
        let (path, query) = back.split_once('?').unwrap_or((back, ""));
        let ours = path == "/shop" || path.starts_with("/shop/");
        let sound = ours
            && back.len() <= LONGEST
            && plain(path, "/-_.")
            && plain(query, "=&-_.%+~")
            && plain(card, "-");
        let told = |part: &&str| TOLD.iter().any(|name| part.split('=').next() == Some(*name));
        let query = query.split('&').filter(|part| !part.is_empty() && !told(part)).collect();
        sound.then_some(Self { path, query, card })
    }

    /// Back to it, with something told.
    pub fn with(&self, name: &str, value: &str) -> String {
        self.to(&[format!("{name}={value}")])
    }

    /// Back to it, with what was chosen, so that it asks for the rest.
    pub fn asking(&self, product: &Product, selection: &Selection) -> String {
        let chosen = selection.to_query(product).replace('=', ".").replace('&', "_");
        self.to(&[format!("asked={}", product.handle), format!("chose={chosen}")])
    }

    fn to(&self, told: &[String]) -> String {
        let all: Vec<&str> = self.query.iter().copied().chain(told.iter().map(String::as_str)).collect();
        format!("{}?{}#{}", self.path, all.join("&"), self.card)
    }
}

/// The product among some that an address names under a name.
pub fn named<'a>(
    pairs: &[(String, String)],
    name: &str,
    mut products: impl Iterator<Item = &'a Product>,
) -> Option<&'a Product> {
    let (_, handle) = pairs.iter().find(|(one, _)| one == name)?;
    products.find(|product| product.handle.as_str() == handle)
}

/// The card that asks for what is still to be chosen on it, as an address says it.
pub fn asked<'a>(
    nav: &Nav,
    pairs: &[(String, String)],
    products: impl Iterator<Item = &'a Product>,
) -> Option<Lead> {
    let product = named(pairs, "asked", products)?;
    let chosen = pairs.iter().find(|(name, _)| name == "chose").map_or("", |(_, text)| text.as_str());
    let (selection, _) = Selection::from_pairs(product, chose(chosen));
    let plain = Situation::plain(product.options.len(), nav.prices.today());
    let situation = Situation { selection, quantity: product.terms.first(), ..plain };
    Some(Lead { product: product.id, situation, looked_at: LookedAt::Asked })
}

/// What was chosen on a card that asks for the rest, as its address names it.
fn chose(text: &str) -> impl Iterator<Item = (&str, &str)> {
    text.split('_').filter_map(|pair| pair.split_once('.'))
}

#[cfg(test)]
mod tests {
    use super::*;

    fn form(back: &str) -> Vec<(String, String)> {
        [("card", "card-whimbrel"), ("back", back)].map(|(name, value)| (name.into(), value.into())).into()
    }

    #[test]
    fn it_leads_back_to_the_card_with_what_came_of_it_and_without_what_was_told_before() {
        let told = |back: &str| FromCard::of(&form(back)).map(|card| card.with("added", "whimbrel"));
        assert_eq!(told("/shop").as_deref(), Some("/shop?added=whimbrel#card-whimbrel"));
        let second = "/shop/types/sport-kites?page=2&added=dunlin&asked=x&chose=a.b";
        assert_eq!(
            told(second).as_deref(),
            Some("/shop/types/sport-kites?page=2&added=whimbrel#card-whimbrel")
        );
    }

    #[test]
    fn addresses_elsewhere_lead_nowhere() {
        for back in [
            "//evil.example",
            "https://evil.example/shop",
            "/shopping",
            "/shop\\evil",
            "/shop?x=\r\nSet:",
            "",
        ] {
            assert!(FromCard::of(&form(back)).is_none(), "{back}");
        }
        assert!(FromCard::of(&form(&format!("/shop?{}", "a".repeat(600)))).is_none());
        assert!(FromCard::of(&[]).is_none());
    }
}

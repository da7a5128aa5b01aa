//! What the renderer of a piece is given.

use compagina_core::catalog::{Product, Shop};
use compagina_core::money::Money;
use compagina_core::page::{Choice, Device, Piece, Setting};
use compagina_core::price::Offer;
use compagina_core::situation::Situation;
use compagina_core::style::Chain;
use maud::{Markup, html};

/// The page's facts, the same for every piece.
pub(crate) struct Ctx<'a> {
    pub shop: &'a Shop,
    /// As it stands in the situation.
    pub product: &'a Product,
    pub related: &'a [Product],
    pub situation: &'a Situation,
    pub offer: &'a Offer,
    /// Whether a click on the buy button leaves the shopper on the page.
    pub after_stay: bool,
}

impl Ctx<'_> {
    pub fn money(&self, amount: Money) -> String {
        amount.format(self.shop.locale)
    }
}

/// A piece with the values that count on each screen.
pub(crate) struct Styled<'a> {
    pub piece: &'a Piece,
    pub chain: Chain<'a>,
}

impl<'a> Styled<'a> {
    pub fn new(piece: &'a Piece) -> Self {
        Self { piece, chain: Chain::of_template(&piece.values) }
    }
    pub fn id(&self) -> &str {
        self.piece.id.as_str()
    }
    pub fn choice<T: Choice>(&self, setting: &Setting, device: Device) -> Option<T> {
        self.chain.choice(setting, device)
    }
    /// Whether any screen has this choice.
    pub fn anywhere<T: Choice + PartialEq>(&self, setting: &Setting, wanted: T) -> bool {
        Device::ALL.into_iter().any(|device| self.choice::<T>(setting, device) == Some(wanted))
    }
    /// Words for the shopper; where phones have their own, both stand in the page and each screen shows one.
    pub fn words(&self, setting: &Setting) -> Markup {
        let [wide, phone] = Device::ALL.map(|device| self.chain.text(setting, device));
        per_device(&wide, &phone)
    }
    pub fn has_words(&self, setting: &Setting) -> bool {
        Device::ALL.into_iter().any(|device| !self.chain.text(setting, device).is_empty())
    }
}

/// One text, or one for each screen where they differ.
pub(crate) fn per_device(wide: &str, phone: &str) -> Markup {
    html! {
        @if wide == phone { (wide) } @else {
            span.only-wide { (wide) }
            span.only-phone { (phone) }
        }
    }
}

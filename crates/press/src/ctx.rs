//! What the renderer of a piece is given.

use crate::deck::{Cards, Deck, Lead, OnCard};
use crate::image::Load;
use compagina_core::catalog::{Product, Shop, Variant};
use compagina_core::house::House;
use compagina_core::ids::{BandId, Handle, PieceId, ProductId};
use compagina_core::listing::OfSet;
use compagina_core::media::{Picture, ShopMedia};
use compagina_core::money::Money;
use compagina_core::page::piece::buy_button::{AFTER, After};
use compagina_core::page::{Choice, Device, Kind, Layout, Piece, SetValue, Setting};
use compagina_core::price::{Offer, Prices, Surface};
use compagina_core::situation::Situation;
use compagina_core::style::Chain;
use compagina_core::wording::{Arg, Words};
use maud::{Markup, html};
use std::collections::BTreeMap;
use std::sync::Arc;

/// The page's facts, the same for every piece.
pub(crate) struct Ctx<'a> {
    pub shop: &'a Shop,
    /// As it stands in the situation.
    pub product: &'a Product,
    pub around: &'a Around,
    pub media: &'a ShopMedia,
    pub words: &'a Words,
    pub house: &'a House,
    pub prices: &'a Prices,
    /// Where its prices stand.
    pub place: Surface,
    pub situation: &'a Situation,
    pub offer: &'a Offer,
    pub layout: &'a Layout,
    /// Whether the whole page is drawn a few fingers wide.
    pub small: bool,
    /// With what the cards on it are drawn.
    pub cards: &'a dyn Cards,
    pub deck: &'a Deck,
    /// Of a card: what its own pieces need to know. None on a page.
    pub card: Option<&'a OnCard>,
    /// The path and query of the document, to come back to.
    pub here: &'a str,
}

/// As wide as a picture can be on a page that is drawn small.
const SMALL: &str = "216px";

impl Ctx<'_> {
    /// What cards are drawn with.
    pub fn dealer(&self) -> Dealer<'_> {
        let Ctx { shop, words, house, prices, cards, deck, here, .. } = *self;
        Dealer { shop, words, house, prices, cards, deck, here, lead: None, sets: None }
    }
    /// Whether what it says changes as one chooses.
    pub fn changes(&self) -> bool {
        self.card.is_none_or(|card| card.chooses)
    }
    /// The name of the form to which inputs and buttons belong.
    pub fn form(&self) -> &str {
        self.card.map_or("buy", |card| &card.form)
    }
    pub fn money(&self, amount: Money) -> String {
        crate::amount::amount(self.shop, self.prices, self.product, amount)
    }
    /// The variant that the choice comes to.
    pub fn chosen(&self) -> Option<&Variant> {
        self.product.variants.iter().find(|variant| Some(variant.id) == self.offer.variant)
    }
    /// The variant of which something is told before one is chosen: the first.
    pub fn told(&self) -> Option<&Variant> {
        self.chosen().or(self.product.variants.first())
    }
    /// What follows a click on the page's first buy button.
    pub fn after(&self) -> After {
        let piece = self.layout.first_of(Kind::BuyButton);
        let after = piece.and_then(|piece| Chain::of_template(&piece.values).choice(&AFTER, Device::Wide));
        after.unwrap_or(After::Cart)
    }
    /// When a large picture of a band is loaded: what the page opens with is seen at once.
    pub fn load_in(&self, band: &BandId) -> Load {
        if self.layout.opens_with(band) { Load::First } else { Load::Later }
    }
    /// The same for a piece.
    pub fn load_of(&self, piece: &PieceId) -> Load {
        let band = self.layout.bands.iter().find(|band| band.pieces().any(|one| one.id == *piece));
        band.map_or(Load::Later, |band| self.load_in(&band.id))
    }
    /// Whether the page has reviews to lead to.
    pub fn has_reviews(&self) -> bool {
        self.layout.first_of(Kind::Reviews).is_some()
    }
    /// The `sizes` attribute of a picture that has this one on the page in its whole size.
    pub fn sizes<'s>(&self, whole: &'s str) -> &'s str {
        if self.small { SMALL } else { whole }
    }
    pub fn say(&self, key: &str) -> String {
        self.words.say(key)
    }
    pub fn say_with(&self, key: &str, arguments: &[(&str, Arg<'_>)]) -> String {
        self.words.say_with(key, arguments)
    }
}

/// What every card is drawn with.
#[derive(Clone, Copy)]
pub(crate) struct Dealer<'a> {
    pub shop: &'a Shop,
    pub words: &'a Words,
    pub house: &'a House,
    pub prices: &'a Prices,
    pub cards: &'a dyn Cards,
    pub deck: &'a Deck,
    pub here: &'a str,
    /// The card that is looked at on the desk.
    pub lead: Option<&'a Lead>,
    /// The cards on which several products stand, by the one whose card it is.
    pub sets: Option<&'a BTreeMap<ProductId, OfSet>>,
}

impl<'a> Dealer<'a> {
    /// What the pieces of a card are given.
    pub fn ctx<'b>(
        &self,
        product: &'b Product,
        situation: &'b Situation,
        offer: &'b Offer,
        layout: &'b Layout,
        (around, media): (&'b Around, &'b ShopMedia),
        card: &'b OnCard,
    ) -> Ctx<'b>
    where
        'a: 'b,
    {
        Ctx {
            shop: self.shop,
            product,
            around,
            media,
            words: self.words,
            house: self.house,
            prices: self.prices,
            place: Surface::Card,
            situation,
            offer,
            layout,
            small: false,
            cards: self.cards,
            deck: self.deck,
            card: Some(card),
            here: self.here,
        }
    }
}

/// What stands around a product in the shop.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Around {
    /// Others of its type.
    pub related: Vec<Arc<Product>>,
    /// Those that pieces of its page ask for otherwise, by the pieces.
    pub found: BTreeMap<PieceId, Vec<Arc<Product>>>,
    /// Of a card that is looked at: what stands with it in its listing, itself among it.
    pub listed: Vec<Arc<Product>>,
    /// Of these the cards on which several products stand, by the one whose card it is.
    pub sets: BTreeMap<ProductId, OfSet>,
    /// The product before it.
    pub before: Option<Neighbour>,
    /// The product after it.
    pub after: Option<Neighbour>,
}

/// The product before or after another one.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Neighbour {
    /// Where its page stands.
    pub address: Handle,
    /// Its name.
    pub name: String,
    /// Its picture.
    pub picture: Option<Picture>,
}

/// A piece with the values that count on each screen.
pub(crate) struct Styled<'a> {
    pub piece: &'a Piece,
    pub chain: Chain<'a>,
}

impl<'a> Styled<'a> {
    pub fn new(piece: &'a Piece, words: &'a Words, house: &'a House) -> Self {
        Self { piece, chain: Chain::of_template(&piece.values).saying(words, piece.kind).styled(house) }
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
    /// Whether a flag is up on any screen.
    pub fn flag_anywhere(&self, setting: &Setting) -> bool {
        Device::ALL.into_iter().any(|device| self.chain.flag(setting, device))
    }
    /// Words for the shopper; where screens have their own, all of them stand in the page and each screen shows one.
    pub fn words(&self, setting: &Setting) -> Markup {
        per_device(&Device::ALL.map(|device| self.chain.text(setting, device)))
    }
    pub fn has_words(&self, setting: &Setting) -> bool {
        Device::ALL.into_iter().any(|device| !self.chain.text(setting, device).is_empty())
    }
    /// A heading, where there is one.
    pub fn heading(&self, setting: &Setting) -> Markup {
        html! { @if self.has_words(setting) { h2 { (self.words(setting)) } } }
    }
    /// The largest number of all screens: so many things are in the page.
    pub fn most(&self, setting: &Setting) -> usize {
        let most = Device::ALL.map(|device| self.chain.number(setting, device)).into_iter().max();
        most.and_then(|m| usize::try_from(m).ok()).unwrap_or(0)
    }
    /// Pixels of a step of the house style's spaces, for a setting that takes one.
    pub fn pixels(&self, setting: &Setting, device: Device, house: &House) -> i64 {
        house.space(self.chain.number(setting, device))
    }
    /// Entries whose first part isn't empty.
    pub fn entries(&self, setting: &Setting) -> Vec<Vec<String>> {
        let mut rows = self.chain.rows(setting);
        rows.retain(|row| row.first().is_some_and(|first| !first.trim().is_empty()));
        rows
    }
    /// The first of the shop's pictures that a setting names.
    pub fn picture<'c>(&self, setting: &Setting, media: &'c ShopMedia) -> Option<&'c Picture> {
        self.pictures(setting, media).into_iter().next()
    }
    /// The shop's pictures that a setting names; those that are gone are passed over.
    pub fn pictures<'c>(&self, setting: &Setting, media: &'c ShopMedia) -> Vec<&'c Picture> {
        match self.chain.value(setting, Device::Wide) {
            SetValue::Lines(names) => names.iter().filter_map(|name| media.pictures.get(name)).collect(),
            _ => vec![],
        }
    }
}

/// One text, or one for each screen where they differ.
pub(crate) fn per_device(texts: &[String; 3]) -> Markup {
    let [wide, tablet, phone] = texts;
    html! {
        @if wide == tablet && tablet == phone { (wide) }
        @else if wide == tablet {
            span.not-phone { (wide) }
            span.only-phone { (phone) }
        } @else if tablet == phone {
            span.only-wide { (wide) }
            span.not-wide { (phone) }
        } @else {
            span.only-wide { (wide) }
            span.only-tablet { (tablet) }
            span.only-phone { (phone) }
        }
    }
}

//! A product's page.

use crate::appear::appears;
use crate::band;
use crate::ctx::{Around, Ctx, Styled};
use crate::deck::Deck;
use crate::document::{Head, Nav, document};
use crate::escape::json_for_script;
use crate::offers::table;
use crate::piece;
use crate::piece::card::{card_selection, css};
use crate::piece::gallery::weight::Weight;
use crate::sheet::{Sheet, class_of};
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, first_to_buy, pick, variant_of};
use compagina_core::ids::PieceId;
use compagina_core::letters::folded;
use compagina_core::media::ShopMedia;
use compagina_core::money::MoneyError;
use compagina_core::page::piece::buy_button::After;
use compagina_core::page::piece::{band as settings, options, shared};
use compagina_core::page::{Band, Choice, Column, Device, Frame, Kind, Layout, Piece, Purpose};
use compagina_core::price::{Offer, Prices, Surface};
use compagina_core::situation::Situation;
use compagina_core::style::Chain;
use compagina_core::wording::{Arg, Words};
use maud::{Markup, html};

/// For whom a page is made.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Mode {
    /// For shoppers.
    Shop,
    /// A quick look, in a frame over a listing: what it leads to opens in the listing's place.
    Quick,
    /// The desk: pieces carry their names, and the agent reports boxes and clicks.
    Proof,
    /// A picture of it a few fingers wide: nothing runs in it, and its pictures are small.
    Small,
}

/// A sentence over the page: what came of the shopper's last step.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Notice {
    /// What is told.
    pub text: String,
    /// Where it leads, and with which words.
    pub leads: Option<(&'static str, &'static str)>,
}

/// Everything that a page is made of.
pub struct Page<'a> {
    /// What stands on every page.
    pub nav: &'a Nav,
    /// The product.
    pub product: &'a Product,
    /// The layout.
    pub layout: &'a Layout,
    /// What stands around it.
    pub around: &'a Around,
    /// Pictures and films of the shop.
    pub media: &'a ShopMedia,
    /// The situation in which it is shown.
    pub situation: &'a Situation,
    /// What for.
    pub mode: Mode,
    /// What is told on top of it.
    pub notice: Option<&'a Notice>,
    /// One piece alone, without the rest of the page and the shop around it.
    pub only: Option<&'a PieceId>,
}

/// What a page, or a card, has chosen when it opens without a choice in its address.
#[must_use]
pub fn opening_selection(product: &Product, layout: &Layout) -> Selection {
    if layout.purpose == Purpose::Card {
        return card_selection(product, layout);
    }
    let Some(piece) = layout.first_of(Kind::Options) else { return first_to_buy(product) };
    let chain = Chain::of_template(&piece.values);
    match chain.choice::<options::Start>(&options::START, Device::Wide) {
        Some(options::Start::Nothing) if product.variants.len() > 1 => Selection::none(product.options.len()),
        Some(options::Start::Named) => named_selection(product, &chain.lines(&options::NAMED)),
        _ => first_to_buy(product),
    }
}

/// The first that can be bought, moved to values of these names as far as they are made.
fn named_selection(product: &Product, names: &[String]) -> Selection {
    let mut selection = first_to_buy(product);
    for (option, uses) in product.options.iter().enumerate() {
        let named = uses.values.iter().position(|v| names.iter().any(|name| folded(name) == folded(&v.name)));
        if let Some(value) = named.and_then(|place| u16::try_from(place).ok()) {
            let picked = pick(product, &selection, option, value);
            if variant_of(product, &picked).is_some() {
                selection = picked;
            }
        }
    }
    selection
}

impl<'a> Page<'a> {
    fn place(&self) -> Surface {
        if self.mode == Mode::Quick { Surface::Quick } else { Surface::Page }
    }
    /// The shop's prices for what is asked for in the situation.
    fn prices(&self) -> Prices {
        self.nav.prices.with_extras(self.situation.extras())
    }
    /// What is offered of the product as it stands in the situation.
    fn offer(&self, prices: &Prices, product: &Product) -> Result<Offer, MoneyError> {
        let Situation { selection, quantity, .. } = self.situation;
        prices.offer(product, selection, *quantity, self.place())
    }
    /// What its pieces are given: the product as it stands in the situation, and what is offered of it.
    fn ctx<'b>(&self, prices: &'b Prices, product: &'b Product, offer: &'b Offer, deck: &'b Deck) -> Ctx<'b>
    where
        'a: 'b,
    {
        Ctx {
            shop: &self.nav.shop,
            product,
            around: self.around,
            media: self.media,
            words: &self.nav.words,
            house: &self.nav.house,
            prices,
            place: self.place(),
            situation: self.situation,
            offer,
            layout: self.layout,
            small: self.mode == Mode::Small,
            cards: self.nav.cards.as_ref(),
            deck,
            card: None,
            here: &self.nav.here,
        }
    }
}

/// What the page's galleries load on a wide screen and on a phone, and which pictures are too small for them.
///
/// # Errors
/// [`MoneyError`] where currencies differ or an amount is too large.
pub fn weigh(page: &Page<'_>) -> Result<Weight, MoneyError> {
    let product = &page.situation.apply(page.product);
    let prices = page.prices();
    let offer = page.offer(&prices, product)?;
    let deck = Deck::default();
    let ctx = page.ctx(&prices, product, &offer, &deck);
    let mut weight = Weight::default();
    for gallery in page.layout.pieces().filter(|piece| piece.kind == Kind::Gallery) {
        if appears(&ctx, &gallery.values) {
            piece::gallery::weight::weigh(&ctx, &Styled::new(gallery, ctx.words, ctx.house), &mut weight);
        }
    }
    Ok(weight)
}

/// Makes the page as an HTML document, with the rules of its pieces or without.
///
/// # Errors
/// [`MoneyError`] where currencies differ or an amount is too large.
pub(crate) fn make(page: &Page<'_>, mut sheet: Sheet) -> Result<String, MoneyError> {
    let product = &page.situation.apply(page.product);
    let prices = page.prices();
    let offer = page.offer(&prices, product)?;
    let deck = Deck::default();
    let ctx = page.ctx(&prices, product, &offer, &deck);
    let body = html! {
        (form(&ctx, page.mode))
        @if let Some(notice) = page.notice { (draw_notice(ctx.words, notice)) }
        (draw_content(&ctx, page, &mut sheet))
        @if page.mode == Mode::Quick { (to_the_page(&ctx)) }
    };
    let data = match page.mode {
        Mode::Small => None,
        _ => Some(json_for_script(&serde_json::to_string(&table(&ctx, page.layout)?).unwrap_or_default())),
    };
    let head = Head {
        title: &product.name,
        description: Some(product.summary.as_str()).filter(|s| !s.is_empty()),
        laid: Some(&(sheet.finish() + &css(&deck, ctx.words, ctx.house))),
        preload: Some(preload(&ctx, page)),
        script: match page.mode {
            Mode::Shop | Mode::Quick => Some(&page.nav.assets.script),
            Mode::Proof => Some(&page.nav.assets.agent),
            Mode::Small => None,
        },
        data: data.as_deref(),
        frame: if page.only.is_some() { Frame::None } else { page.layout.frame },
    };
    Ok(document(page.nav, &head, body).into_string())
}

/// The picture that a shopper sees first and largest is on its way before anything else; so is what the page's script
/// asks for once it runs.
fn preload(ctx: &Ctx<'_>, page: &Page<'_>) -> Markup {
    let gallery = page.layout.first_of(Kind::Gallery).filter(|_| page.only.is_none());
    let picture =
        gallery.and_then(|one| piece::gallery::preload(ctx, &Styled::new(one, ctx.words, ctx.house)));
    html! {
        @if let Some(picture) = picture { (picture) }
        @if matches!(page.mode, Mode::Shop | Mode::Quick) {
            link rel="modulepreload" href=(page.nav.assets.product);
        }
    }
}

/// The form that the inputs of options, quantity and buttons belong to, wherever they stand.
fn form(ctx: &Ctx<'_>, mode: Mode) -> Markup {
    html! {
        form #buy method="post" action="/shop/cart" target=[(mode == Mode::Quick).then_some("_top")] {
            input type="hidden" name="product" value=(ctx.product.handle);
            @if ctx.after() != After::Cart { input type="hidden" name="after" value=(ctx.after().name()); }
        }
    }
}

/// From a quick look to the whole page.
fn to_the_page(ctx: &Ctx<'_>) -> Markup {
    let name = ctx.say_with("quick-more", &[("product", Arg::Text(&ctx.product.name))]);
    html! { p.quick-more.columns { a href=(ctx.product.path()) target="_top" { (name) } } }
}

fn draw_content(ctx: &Ctx<'_>, page: &Page<'_>, sheet: &mut Sheet) -> Markup {
    if let Some(piece) = page.only.and_then(|id| page.layout.piece(id)) {
        let drawn = draw_piece(ctx, piece, page.mode, sheet);
        return html! { div.columns.alone { (drawn.unwrap_or_default()) } };
    }
    let bands: Vec<Markup> =
        page.layout.bands.iter().filter_map(|band| draw_band(ctx, band, page.mode, sheet)).collect();
    html! { @for band in &bands { (band) } }
}

pub(crate) fn draw_notice(words: &Words, notice: &Notice) -> Markup {
    html! {
        div.notice role="status" {
            span { (notice.text) }
            @if let Some((href, key)) = notice.leads { a href=(href) { (words.say(key)) } }
        }
    }
}

/// A band without anything to show isn't drawn. A column left empty on purpose keeps its room; one whose pieces have
/// nothing to show gives it to the others.
fn draw_band(ctx: &Ctx<'_>, band: &Band, mode: Mode, sheet: &mut Sheet) -> Option<Markup> {
    if !appears(ctx, &band.values) {
        return None;
    }
    let chain = Chain::of_template(&band.values);
    let columns: Vec<(&Column, Vec<(&Piece, Markup)>)> = band
        .columns
        .iter()
        .map(|column| {
            let pieces = column.pieces.iter();
            (column, pieces.filter_map(|piece| Some((piece, draw_piece(ctx, piece, mode, sheet)?))).collect())
        })
        .collect();
    let pieces = || columns.iter().flat_map(|(_, pieces)| pieces.iter().map(|(piece, _)| *piece));
    // On the desk a band that nothing was put into yet has its place; whoever composes drops pieces there. For shoppers
    // it is a strip of what lies behind it, where it has a height of its own.
    let is_new = band.columns.iter().all(|column| column.pieces.is_empty());
    let behind = band::behind(ctx, band, &chain);
    let is_strip = || band::has_height(&chain) && !behind.0.is_empty();
    if pieces().next().is_none() && !(is_new && mode == Mode::Proof) && !is_strip() {
        return None;
    }
    let drawn: Vec<_> =
        columns.iter().filter(|(c, drawn)| c.pieces.is_empty() || !drawn.is_empty()).collect();
    let id = format!("b-{}", band.id);
    let shown: Vec<Vec<&Piece>> =
        drawn.iter().map(|(_, pieces)| pieces.iter().map(|(piece, _)| *piece).collect()).collect();
    let shown = band::Ordered { band, columns: shown };
    let shown_on = |piece: &Piece, device| Chain::of_template(&piece.values).flag(&shared::SHOWN, device);
    sheet.add(|device| {
        // Where all its pieces are hidden a band would be an empty strip.
        let bare = pieces().next().is_some() && !pieces().any(|piece| shown_on(piece, device));
        if bare {
            band::hidden(&id)
        } else {
            band::css(&id, &chain, device, ctx.house) + &band::order_css(&id, &shown, device)
        }
    });
    let widths: Vec<String> = drawn.iter().map(|(c, _)| format!("minmax(0,{}fr)", c.width)).collect();
    let ground = chain.text(&settings::GROUND, Device::Wide);
    let proof = mode == Mode::Proof;
    Some(html! {
        section id=(id) class={ "band ground-" (ground) } data-band=[proof.then_some(&band.id)] {
            (behind)
            div.columns style={ "--columns:" (widths.join(" ")) } data-on-phones=[shown.on_phones()] {
                @for (_, pieces) in &drawn { div.column.bare[pieces.is_empty()] { @for (_, piece) in pieces { (piece) } } }
            }
        }
    })
}

fn draw_piece(ctx: &Ctx<'_>, piece: &Piece, mode: Mode, sheet: &mut Sheet) -> Option<Markup> {
    if piece.kind.nothing_to_show(ctx.product).is_some() || !appears(ctx, &piece.values) {
        return None;
    }
    let styled = Styled::new(piece, ctx.words, ctx.house);
    if !styled.flag_anywhere(&shared::SHOWN) {
        return None;
    }
    let drawn = piece::draw(ctx, &styled)?;
    let id = format!("p-{}", piece.id);
    sheet.add(|device| piece::css(&format!("#{id}"), &styled, device, ctx.house));
    let kind = class_of(piece.kind);
    Some(html! {
        div id=(id) class={ "piece " (kind) } data-piece=[(mode == Mode::Proof).then_some(&piece.id)] { (drawn) }
    })
}

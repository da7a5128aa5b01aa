//! A product's page.

use crate::ctx::{Ctx, Styled};
use crate::document::{Head, Nav, document, json_for_script};
use crate::offers::{Table, table};
use crate::piece;
use crate::sheet::Sheet;
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, first_to_buy};
use compagina_core::money::MoneyError;
use compagina_core::page::piece::{band, options, shared};
use compagina_core::page::{Band, Column, Device, Kind, Layout, Piece};
use compagina_core::price::offer;
use compagina_core::situation::Situation;
use compagina_core::style::Chain;
use maud::{Markup, html};
use std::fmt::Write;

/// For whom a page is made.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Mode {
    Shop,
    /// The desk: pieces carry their names, and the agent reports boxes and clicks.
    Proof,
}

/// A sentence over the page: what came of the shopper's last step.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Notice {
    pub text: String,
    /// Whether the cart is offered with it.
    pub to_cart: bool,
}

/// Everything that a page is made of.
pub struct Page<'a> {
    pub nav: &'a Nav,
    pub product: &'a Product,
    pub layout: &'a Layout,
    pub related: &'a [Product],
    pub situation: &'a Situation,
    pub mode: Mode,
    pub notice: Option<&'a Notice>,
}

/// What a page has chosen when it opens without a choice in its address.
#[must_use]
pub fn opening_selection(product: &Product, layout: &Layout) -> Selection {
    let start = layout.first_of(Kind::Options).and_then(|piece| {
        Chain::of_template(&piece.values).choice::<options::Start>(&options::START, Device::Wide)
    });
    let none = Selection::none(product.options.len());
    match start {
        Some(options::Start::Nothing) if product.variants.len() > 1 => none,
        _ => first_to_buy(product),
    }
}

/// Makes the page as an HTML document.
pub fn render(page: &Page<'_>) -> Result<String, MoneyError> {
    let product = &page.situation.apply(page.product);
    let offer = offer(product, &page.situation.selection, page.situation.quantity)?;
    let after_stay = piece::buy_button::stays(page.layout);
    let ctx = Ctx {
        shop: &page.nav.shop,
        product,
        related: page.related,
        situation: page.situation,
        offer: &offer,
        after_stay,
    };
    let mut sheet = Sheet::default();
    let bands: Vec<Markup> =
        page.layout.bands.iter().filter_map(|band| draw_band(&ctx, band, page.mode, &mut sheet)).collect();
    let body = html! {
        (form(&ctx))
        @if let Some(notice) = page.notice { (draw_notice(notice)) }
        @for band in &bands { (band) }
    };
    let table: Table = table(&ctx, page.layout)?;
    let json = json_for_script(&serde_json::to_string(&table).unwrap_or_default());
    let canonical = format!("/shop/products/{}", product.handle);
    let head = Head {
        title: &product.name,
        description: Some(product.summary.as_str()).filter(|s| !s.is_empty()),
        css: &sheet.finish(),
        script: match page.mode {
            Mode::Shop => &page.nav.assets.script,
            Mode::Proof => &page.nav.assets.agent,
        },
        data: Some(&json),
        frame: page.layout.frame,
        canonical: Some(&canonical),
    };
    Ok(document(page.nav, &head, body).into_string())
}

/// The form that the inputs of options, quantity and buttons belong to, wherever they stand.
fn form(ctx: &Ctx<'_>) -> Markup {
    html! {
        form #buy method="post" action="/shop/cart" {
            input type="hidden" name="product" value=(ctx.product.handle);
            @if ctx.after_stay { input type="hidden" name="after" value="stay"; }
        }
    }
}

fn draw_notice(notice: &Notice) -> Markup {
    html! {
        div.notice role="status" {
            span { (notice.text) }
            @if notice.to_cart { a href="/shop/cart" { "See the cart" } }
        }
    }
}

/// A band without anything to show isn't drawn.
fn draw_band(ctx: &Ctx<'_>, band: &Band, mode: Mode, sheet: &mut Sheet) -> Option<Markup> {
    let chain = Chain::of_template(&band.values);
    let columns: Vec<(&Column, Vec<Markup>)> = band
        .columns
        .iter()
        .map(|column| {
            let pieces = column.pieces.iter().filter_map(|piece| draw_piece(ctx, piece, mode, sheet));
            (column, pieces.collect())
        })
        .collect();
    let drawn: Vec<_> = columns.iter().filter(|(_, pieces)| !pieces.is_empty()).collect();
    if drawn.is_empty() && mode == Mode::Shop {
        return None;
    }
    let id = format!("b-{}", band.id);
    sheet.add(|device| band_css(&id, &chain, device));
    let widths: Vec<String> = drawn.iter().map(|(c, _)| format!("{}fr", c.width)).collect();
    let ground = chain.text(&band::GROUND, Device::Wide);
    let proof = mode == Mode::Proof;
    Some(html! {
        section id=(id) class={ "band ground-" (ground) } data-band=[proof.then_some(&band.id)] {
            div.columns style={ "--columns:" (widths.join(" ")) } {
                @for (_, pieces) in &drawn { div.column { @for piece in pieces { (piece) } } }
            }
        }
    })
}

fn band_css(id: &str, chain: &Chain<'_>, device: Device) -> String {
    if !chain.flag(&shared::SHOWN, device) {
        return format!("#{id}{{display:none}}");
    }
    let mut css = format!(
        "#{id}{{padding-top:{}px;padding-bottom:{}px}}",
        chain.number(&band::SPACE_ABOVE, device),
        chain.number(&band::SPACE_BELOW, device)
    );
    if chain.choice(&band::REACH, device) == Some(band::Reach::Edge) {
        let _ = write!(css, "#{id}>.columns{{max-width:none;padding-left:0;padding-right:0}}");
    }
    css
}

fn draw_piece(ctx: &Ctx<'_>, piece: &Piece, mode: Mode, sheet: &mut Sheet) -> Option<Markup> {
    if piece.kind.nothing_to_show(ctx.product).is_some() {
        return None;
    }
    let styled = Styled::new(piece);
    let shown = Device::ALL.map(|device| styled.chain.flag(&shared::SHOWN, device));
    if shown == [false, false] {
        return None;
    }
    let drawn = piece::draw(ctx, &styled)?;
    let id = format!("p-{}", piece.id);
    sheet.add(|device| piece::css(&format!("#{id}"), &styled, device));
    let kind = piece::class_of(piece.kind);
    Some(html! {
        div id=(id) class={ "piece " (kind) } data-piece=[(mode == Mode::Proof).then_some(&piece.id)] { (drawn) }
    })
}

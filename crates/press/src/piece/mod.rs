//! The renderers, one file for each kind. A renderer gives nothing where its piece has nothing to show.

pub(crate) mod breadcrumb;
pub(crate) mod buy_button;
pub(crate) mod details;
pub(crate) mod gallery;
pub(crate) mod options;
pub(crate) mod price;
pub(crate) mod promises;
pub(crate) mod quantity;
pub(crate) mod related;
pub(crate) mod sticky_bar;
pub(crate) mod stock_line;
pub(crate) mod summary;
pub(crate) mod title;

use crate::ctx::{Ctx, Styled};
use compagina_core::page::piece::shared::{self, Align};
use compagina_core::page::{Device, Kind};
use maud::Markup;
use std::collections::BTreeMap;

/// The HTML of a piece.
pub(crate) fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    match styled.piece.kind {
        Kind::Breadcrumb => Some(breadcrumb::draw(ctx, styled)),
        Kind::Title => Some(title::draw(ctx)),
        Kind::Gallery => gallery::draw(ctx, styled),
        Kind::Price => Some(price::draw(ctx, styled)),
        Kind::Summary => Some(summary::draw(ctx)),
        Kind::StockLine => Some(stock_line::draw(ctx, styled)),
        Kind::Options => Some(options::draw(ctx, styled)),
        Kind::Quantity => Some(quantity::draw(ctx, styled)),
        Kind::BuyButton => Some(buy_button::draw(ctx, styled)),
        Kind::Promises => promises::draw(styled),
        Kind::Details => Some(details::draw(ctx, styled)),
        Kind::Related => related::draw(ctx, styled),
        Kind::StickyBar => Some(sticky_bar::draw(ctx, styled)),
    }
}

/// The rules that a piece's settings come to on a screen.
pub(crate) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    if !styled.chain.flag(&shared::SHOWN, device) {
        return format!("{root}{{display:none}}");
    }
    let own = match styled.piece.kind {
        Kind::Breadcrumb => breadcrumb::css(root, styled, device),
        Kind::Title => title::css(root, styled, device),
        Kind::Gallery => gallery::css(root, styled, device),
        Kind::Price => price::css(root, styled, device),
        Kind::Summary => summary::css(root, styled, device),
        Kind::Options => options::css(root, styled, device),
        Kind::Quantity => quantity::css(root, styled, device),
        Kind::BuyButton => buy_button::css(root, styled, device),
        Kind::Promises => promises::css(root, styled, device),
        Kind::Details => details::css(root, styled, device),
        Kind::Related => related::css(root, styled, device),
        Kind::StickyBar => sticky_bar::css(root, styled, device),
        Kind::StockLine => String::new(),
    };
    format!("{root}{{{}}}{own}", shared_css(styled, device))
}

/// Space and side, for the kinds that have them.
fn shared_css(styled: &Styled<'_>, device: Device) -> String {
    let settings = styled.piece.kind.settings();
    let mut css = String::new();
    if let Some(space) = settings.iter().find(|s| s.key == shared::SPACE_ABOVE.key) {
        css.push_str(&format!("--above:{}px;", styled.chain.number(space, device)));
    }
    if settings.contains(&&shared::ALIGN) {
        css.push_str(match styled.choice::<Align>(&shared::ALIGN, device) {
            Some(Align::Centre) => "text-align:center;justify-content:center;",
            Some(Align::End) => "text-align:end;justify-content:flex-end;",
            _ => "text-align:start;justify-content:flex-start;",
        });
    }
    css
}

/// The texts of a piece that change with the selection, by slot.
pub(crate) fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    match styled.piece.kind {
        Kind::StockLine => stock_line::slots(ctx, styled),
        Kind::BuyButton => buy_button::slots(ctx, styled),
        Kind::StickyBar => sticky_bar::slots(ctx, styled),
        Kind::Options => options::slots(ctx, styled),
        _ => BTreeMap::new(),
    }
}

/// The class of a kind in the style sheet.
pub(crate) fn class_of(kind: Kind) -> &'static str {
    match kind {
        Kind::Breadcrumb => "k-breadcrumb",
        Kind::Title => "k-title",
        Kind::Gallery => "k-gallery",
        Kind::Price => "k-price",
        Kind::Summary => "k-summary",
        Kind::StockLine => "k-stock-line",
        Kind::Options => "k-options",
        Kind::Quantity => "k-quantity",
        Kind::BuyButton => "k-buy-button",
        Kind::Promises => "k-promises",
        Kind::Details => "k-details",
        Kind::Related => "k-related",
        Kind::StickyBar => "k-sticky-bar",
    }
}

/// A place whose text the script keeps up to date; hidden while it has nothing to say.
pub(crate) fn slot(name: &str, text: &str) -> Markup {
    maud::html! { span data-say=(name) hidden[text.is_empty()] { (text) } }
}

/// A slot for each screen where their words differ: names `x.wide` and `x.phone`, or just `x`.
pub(crate) fn device_slots(name: &str, wide: String, phone: String) -> BTreeMap<String, String> {
    if wide == phone {
        BTreeMap::from([(name.to_owned(), wide)])
    } else {
        BTreeMap::from([(format!("{name}.phone"), phone), (format!("{name}.wide"), wide)])
    }
}

/// Draws what [`device_slots`] made. Which form it takes depends on the selection, so all three places are there.
pub(crate) fn draw_slots(name: &str, texts: &BTreeMap<String, String>) -> Markup {
    let text = |suffix: &str| texts.get(&format!("{name}{suffix}")).map_or("", String::as_str);
    maud::html! {
        (slot(name, text("")))
        @let (wide, phone) = (text(".wide"), text(".phone"));
        span.only-wide data-say={ (name) ".wide" } hidden[wide.is_empty()] { (wide) }
        span.only-phone data-say={ (name) ".phone" } hidden[phone.is_empty()] { (phone) }
    }
}

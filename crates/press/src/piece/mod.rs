//! The renderers, one file for each kind. A renderer gives nothing where its piece has nothing to show.

pub(crate) mod breadcrumb;
pub(crate) mod buy_button;
pub(crate) mod comparison;
pub(crate) mod details;
pub(crate) mod facts;
pub(crate) mod film;
pub(crate) mod gallery;
pub(crate) mod neighbours;
pub(crate) mod options;
mod pay_shortcuts;
mod personal_text;
pub(crate) mod picture;
pub(crate) mod picture_row;
mod plans;
pub(crate) mod price;
mod price_ladder;
pub(crate) mod promises;
pub(crate) mod quantity;
pub(crate) mod questions;
pub(crate) mod quotes;
pub(crate) mod rating_line;
pub(crate) mod related;
pub(crate) mod reviews;
pub(crate) mod rule;
pub(crate) mod share_links;
pub(crate) mod size_chart;
pub(crate) mod sku_line;
pub(crate) mod space;
pub(crate) mod sticky_bar;
pub(crate) mod stock_line;
pub(crate) mod summary;
pub(crate) mod text;
pub(crate) mod title;
pub(crate) mod value_points;
mod variant_list;
mod wish_button;

use crate::ctx::{Ctx, Styled};
use compagina_core::house::House;
use compagina_core::page::piece::shared::{self, Align, Border, Colour, Corners, TextStyle, Under};
use compagina_core::page::{Device, Kind};
use maud::Markup;
use std::collections::BTreeMap;
use std::fmt::Write;

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
        Kind::Text => text::draw(styled),
        Kind::Picture => picture::draw(ctx, styled),
        Kind::Film => film::draw(ctx, styled),
        Kind::PictureRow => picture_row::draw(ctx, styled),
        Kind::Quotes => quotes::draw(styled),
        Kind::Questions => questions::draw(styled),
        Kind::Comparison => comparison::draw(ctx, styled),
        Kind::Reviews => reviews::draw(ctx, styled),
        Kind::ValuePoints => value_points::draw(styled),
        Kind::Facts => Some(facts::draw(ctx, styled)),
        Kind::SkuLine => Some(sku_line::draw(ctx, styled)),
        Kind::VariantList => variant_list::draw(ctx, styled),
        Kind::PriceLadder => price_ladder::draw(ctx, styled),
        Kind::Plans => plans::draw(ctx, styled),
        Kind::PersonalText => personal_text::draw(ctx, styled),
        Kind::PayShortcuts => pay_shortcuts::draw(ctx, styled),
        Kind::WishButton => Some(wish_button::draw(ctx, styled)),
        Kind::RatingLine => rating_line::draw(ctx, styled),
        Kind::SizeChart => size_chart::draw(ctx, styled),
        Kind::ShareLinks => share_links::draw(ctx, styled),
        Kind::Neighbours => neighbours::draw(ctx, styled),
        Kind::Space => Some(Markup::default()),
        Kind::Rule => Some(rule::draw()),
    }
}

/// The rules that a piece's settings come to on a screen.
pub(crate) fn css(root: &str, styled: &Styled<'_>, device: Device, house: &House) -> String {
    if !styled.chain.flag(&shared::SHOWN, device) {
        return format!("{root}{{display:none}}");
    }
    let own = match styled.piece.kind {
        Kind::Breadcrumb => breadcrumb::css(root, styled, device),
        Kind::Title => title::css(root, styled, device, house),
        Kind::Gallery => gallery::css(root, styled, device),
        Kind::Price => price::css(root, styled, device, house),
        Kind::Summary => summary::css(root, styled, device, house),
        Kind::Options => options::css(root, styled, device),
        Kind::Quantity => quantity::css(root, styled, device),
        Kind::BuyButton => buy_button::css(root, styled, device),
        Kind::Promises => promises::css(root, styled, device),
        Kind::Details => details::css(root, styled, device),
        Kind::Related => related::css(root, styled, device),
        Kind::StickyBar => sticky_bar::css(root, styled, device),
        Kind::Text => text::css(root, styled, device),
        Kind::Picture => picture::css(root, styled, device),
        Kind::PictureRow => picture_row::css(root, styled, device),
        Kind::Quotes => quotes::css(root, styled, device),
        Kind::Comparison => comparison::css(root, styled, device),
        Kind::Reviews => reviews::css(root, styled, device),
        Kind::ValuePoints => value_points::css(root, styled, device),
        Kind::Facts => facts::css(root, styled, device),
        Kind::SkuLine => sku_line::css(root, styled, device),
        Kind::VariantList => variant_list::css(root, styled, device),
        Kind::PriceLadder => price_ladder::css(root, styled, device),
        Kind::Plans => plans::css(root, styled, device),
        Kind::PersonalText => personal_text::css(root, styled, device),
        Kind::RatingLine => rating_line::css(root, styled, device),
        Kind::Neighbours => neighbours::css(root, styled, device),
        Kind::Space => space::css(root, styled, device, house),
        Kind::Rule => rule::css(root, styled, device),
        Kind::StockLine
        | Kind::Film
        | Kind::Questions
        | Kind::SizeChart
        | Kind::ShareLinks
        | Kind::PayShortcuts
        | Kind::WishButton => String::new(),
    };
    format!("{root}{{{}}}{own}{}", shared_css(styled, device, house), text_style_css(root, styled, device))
}

/// What every piece has: side, space, colours, border and corners.
fn shared_css(styled: &Styled<'_>, device: Device, house: &House) -> String {
    let settings = styled.piece.kind.settings();
    let mut css = String::new();
    let above = settings.iter().find(|s| s.key == shared::SPACE_ABOVE.key);
    let Some(above) = above else { return css };
    let _ = write!(css, "--above:{}px;", styled.pixels(above, device, house));
    let below = styled.pixels(&shared::SPACE_BELOW, device, house);
    if below > 0 {
        let _ = write!(css, "margin-bottom:{below}px;");
    }
    css.push_str(match styled.choice::<Align>(&shared::ALIGN, device) {
        Some(Align::Centre) => "text-align:center;justify-content:center;--side:center;",
        Some(Align::End) => "text-align:end;justify-content:flex-end;--side:flex-end;",
        _ => "text-align:start;justify-content:flex-start;--side:flex-start;",
    });
    css.push_str(match styled.choice::<Colour>(&shared::COLOUR, device) {
        Some(Colour::Ink) => "color:var(--ink);",
        Some(Colour::Soft) => "color:var(--soft);",
        Some(Colour::Accent) => "color:var(--accent);",
        Some(Colour::Signal) => "color:var(--signal);",
        Some(Colour::Paper) => "color:var(--paper);",
        _ => "",
    });
    css.push_str(match styled.choice::<Under>(&shared::UNDER, device) {
        Some(Under::Paper) => "background:var(--paper);padding:16px;",
        Some(Under::Tint) => "background:var(--tint);padding:16px;",
        Some(Under::Accent) => "background:var(--accent);padding:16px;--soft:inherit;",
        Some(Under::Ink) => "background:var(--dark);color:var(--on-dark);padding:16px;--soft:inherit;",
        _ => "",
    });
    css.push_str(match styled.choice::<Border>(&shared::BORDER, device) {
        Some(Border::Hairline) => "border:1px solid var(--line);padding:16px;",
        Some(Border::Strong) => "border:2px solid currentColor;padding:16px;",
        Some(Border::Above) => "border-top:1px solid var(--line);padding-top:16px;",
        Some(Border::Below) => "border-bottom:1px solid var(--line);padding-bottom:16px;",
        _ => "",
    });
    css.push_str(match styled.choice::<Corners>(&shared::CORNERS, device) {
        Some(Corners::Square) => "--corner:0px;border-radius:0;",
        Some(Corners::Small) => "--corner:var(--corner-small);border-radius:var(--corner-small);",
        Some(Corners::Large) => "--corner:var(--corner-large);border-radius:var(--corner-large);",
        _ => "border-radius:var(--corner);",
    });
    css
}

/// One of the house style's texts in the place of the piece's own sizes.
fn text_style_css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    if !styled.piece.kind.settings().contains(&&shared::TEXT_STYLE) {
        return String::new();
    }
    let (name, heading) = match styled.choice::<TextStyle>(&shared::TEXT_STYLE, device) {
        Some(TextStyle::Fine) => ("fine", false),
        Some(TextStyle::Body) => ("body", false),
        Some(TextStyle::Lead) => ("lead", false),
        Some(TextStyle::Subheading) => ("subheading", true),
        Some(TextStyle::Heading) => ("heading", true),
        _ => return String::new(),
    };
    let family = if heading {
        "font-family:var(--heading);font-weight:var(--heading-weight)"
    } else {
        "font-family:var(--text)"
    };
    format!("{root},{root} :is(h1,h2,h3,p,li,.now,summary){{font-size:var(--{name}-size);{family}}}")
}

/// The texts of a piece that change with the selection, by slot.
pub(crate) fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    match styled.piece.kind {
        Kind::StockLine => stock_line::slots(ctx, styled),
        Kind::BuyButton => buy_button::slots(ctx, styled),
        Kind::StickyBar => sticky_bar::slots(ctx, styled),
        Kind::Options => options::slots(ctx, styled),
        Kind::SkuLine => sku_line::slots(ctx),
        Kind::Gallery => gallery::slots(ctx),
        Kind::PriceLadder => price_ladder::slots(ctx, styled),
        Kind::Plans => plans::slots(ctx),
        Kind::Quantity => quantity::slots(ctx),
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
        Kind::Text => "k-text",
        Kind::Picture => "k-picture",
        Kind::Film => "k-film",
        Kind::PictureRow => "k-picture-row",
        Kind::Quotes => "k-quotes",
        Kind::Questions => "k-questions",
        Kind::Comparison => "k-comparison",
        Kind::Reviews => "k-reviews",
        Kind::ValuePoints => "k-value-points",
        Kind::Facts => "k-facts",
        Kind::SkuLine => "k-sku-line",
        Kind::VariantList => "k-variant-list",
        Kind::RatingLine => "k-rating-line",
        Kind::SizeChart => "k-size-chart",
        Kind::ShareLinks => "k-share-links",
        Kind::Neighbours => "k-neighbours",
        Kind::Space => "k-space",
        Kind::Rule => "k-rule",
        Kind::PriceLadder => "k-price-ladder",
        Kind::Plans => "k-plans",
        Kind::PersonalText => "k-personal-text",
        Kind::PayShortcuts => "k-pay-shortcuts",
        Kind::WishButton => "k-wish-button",
    }
}

/// A place whose text the script keeps up to date; hidden while it has nothing to say.
pub(crate) fn slot(name: &str, text: &str) -> Markup {
    maud::html! { span data-say=(name) hidden[text.is_empty()] { (text) } }
}

/// A slot for each screen where their words differ: names `x.wide`, `x.tablet` and `x.phone`, or just `x`.
pub(crate) fn device_slots(name: &str, texts: [String; 3]) -> BTreeMap<String, String> {
    let [wide, tablet, phone] = texts;
    if wide == tablet && tablet == phone {
        return BTreeMap::from([(name.to_owned(), wide)]);
    }
    [("wide", wide), ("tablet", tablet), ("phone", phone)]
        .map(|(d, text)| (format!("{name}.{d}"), text))
        .into()
}

/// Draws what [`device_slots`] made. Which form it takes depends on the selection, so all places are there.
pub(crate) fn draw_slots(name: &str, texts: &BTreeMap<String, String>) -> Markup {
    let text = |suffix: &str| texts.get(&format!("{name}{suffix}")).map_or("", String::as_str);
    maud::html! {
        (slot(name, text("")))
        @for (class, device) in [("only-wide", ".wide"), ("only-tablet", ".tablet"), ("only-phone", ".phone")] {
            span class=(class) data-say={ (name) (device) } hidden[text(device).is_empty()] { (text(device)) }
        }
    }
}

//! The renderers, one file for each kind. A renderer gives nothing where its piece has nothing to show.

pub(crate) mod breadcrumb;
pub(crate) mod buy_button;
pub(crate) mod card;
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
pub(crate) mod siblings;
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
use crate::lettering;
use compagina_core::house::House;
use compagina_core::page::piece::shared::{self, Align, Border, Colour, Corners, Under};
use compagina_core::page::{Device, Kind};
use maud::Markup;
use std::collections::BTreeMap;
use std::fmt::Write;

type Slots = BTreeMap<String, String>;

/// How a kind of piece is drawn. Each stands in the kind's own file.
#[derive(Clone, Copy)]
struct Drawn {
    /// Its HTML.
    draw: fn(&Ctx<'_>, &Styled<'_>) -> Option<Markup>,
    /// The rules that its settings come to on a screen.
    css: fn(&str, &Styled<'_>, Device, &House) -> String,
    /// Its texts that change with the selection, by slot.
    slots: fn(&Ctx<'_>, &Styled<'_>) -> Slots,
}

impl Drawn {
    const NOTHING: Self =
        Self { draw: |_, _| None, css: |_, _, _, _| String::new(), slots: |_, _| Slots::new() };
}

fn drawn(kind: Kind) -> Drawn {
    match kind {
        Kind::Breadcrumb => breadcrumb::DRAWN,
        Kind::Title => title::DRAWN,
        Kind::Gallery => gallery::DRAWN,
        Kind::Price => price::DRAWN,
        Kind::Summary => summary::DRAWN,
        Kind::StockLine => stock_line::DRAWN,
        Kind::Options => options::DRAWN,
        Kind::Siblings => siblings::DRAWN,
        Kind::Quantity => quantity::DRAWN,
        Kind::BuyButton => buy_button::DRAWN,
        Kind::Promises => promises::DRAWN,
        Kind::Details => details::DRAWN,
        Kind::Related => related::DRAWN,
        Kind::StickyBar => sticky_bar::DRAWN,
        Kind::Text => text::DRAWN,
        Kind::Picture => picture::DRAWN,
        Kind::Film => film::DRAWN,
        Kind::PictureRow => picture_row::DRAWN,
        Kind::Quotes => quotes::DRAWN,
        Kind::Questions => questions::DRAWN,
        Kind::Comparison => comparison::DRAWN,
        Kind::Reviews => reviews::DRAWN,
        Kind::ValuePoints => value_points::DRAWN,
        Kind::Facts => facts::DRAWN,
        Kind::SkuLine => sku_line::DRAWN,
        Kind::RatingLine => rating_line::DRAWN,
        Kind::SizeChart => size_chart::DRAWN,
        Kind::ShareLinks => share_links::DRAWN,
        Kind::Neighbours => neighbours::DRAWN,
        Kind::Space => space::DRAWN,
        Kind::Rule => rule::DRAWN,
        Kind::VariantList => variant_list::DRAWN,
        Kind::PriceLadder => price_ladder::DRAWN,
        Kind::Plans => plans::DRAWN,
        Kind::PersonalText => personal_text::DRAWN,
        Kind::PayShortcuts => pay_shortcuts::DRAWN,
        Kind::WishButton => wish_button::DRAWN,
        Kind::CardPicture => card::picture::DRAWN,
        Kind::CardMarks => card::marks::DRAWN,
        Kind::CardName => card::name::DRAWN,
        Kind::CardRating => card::rating::DRAWN,
        Kind::CardPrice => card::price::DRAWN,
        Kind::CardChoices => card::choices::DRAWN,
        Kind::CardSiblings => card::siblings::DRAWN,
        Kind::CardVariants => card::variants::DRAWN,
        Kind::CardQuantity => card::quantity::DRAWN,
        Kind::CardBuy => card::buy::DRAWN,
        Kind::CardWish => card::wish::DRAWN,
        Kind::CardQuickLook => card::quick_look::DRAWN,
        Kind::CardFact => card::fact::DRAWN,
        Kind::CardText => card::text::DRAWN,
    }
}

/// The HTML of a piece.
pub(crate) fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    (drawn(styled.piece.kind).draw)(ctx, styled)
}

/// The rules that a piece's settings come to on a screen.
pub(crate) fn css(root: &str, styled: &Styled<'_>, device: Device, house: &House) -> String {
    if !styled.chain.flag(&shared::SHOWN, device) {
        return format!("{root}{{display:none}}");
    }
    let own = (drawn(styled.piece.kind).css)(root, styled, device, house);
    format!(
        "{root}{{{}}}{own}{}",
        shared_css(styled, device, house),
        lettering::css(root, styled, device, house)
    )
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

/// The texts of a piece that change with the selection, by slot.
pub(crate) fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Slots {
    (drawn(styled.piece.kind).slots)(ctx, styled)
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

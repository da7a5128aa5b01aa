//! What the product is chosen by, option for option, as far as a card has room for it.

use crate::catalog::Product;
use crate::house::looks::{ButtonsAs, GAPS, Mark, Names, RING_WIDTHS, Ring, SwatchShape};
use crate::house::token as t;
use crate::page::piece::options::ShownAs;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};
use crate::page::{Group, Setting};
use crate::setting::choice;

choice! {
    /// What choosing does.
    Choosing { Card = "card", "Changes the card"; Page = "page", "Leads to the page"; }
}

const SWATCHES: &str = "Swatches";
const OTHERS: &str = "Buttons";
const SIZES: &[(i64, &str)] = &[(18, "18"), (22, "22"), (24, "24"), (30, "30"), (36, "36"), (44, "44")];

/// Names of options. Without any a card that is chosen on shows all, one that leads to the page those that the swatch
/// book shows on cards.
pub const OPTIONS: Setting =
    Setting::lines("options", "Options", 6, 80, &[]).each_screen().among(Group::Looks);
/// The name of the option that stands first and of which a value is chosen when the card opens.
pub const LEADS: Setting = Setting::lines("leads", "Leads with", 1, 80, &[]).among(Group::Looks);
/// *Choosing*.
pub const CHOOSING: Setting = Setting::choice::<Choosing>("choosing", "Choosing", "page").everywhere();
/// The rest stands on the page, to which `+ n` leads.
pub const MOST: Setting = Setting::number("most", "Values before + n", 1, 20, 8);
/// *Sold out*.
pub const SOLD_OUT: Setting =
    Setting::choice::<Mark>("sold_out", "Sold out", "struck").everywhere().takes(&t::CHOICE_SOLD_OUT);
/// *Values as*.
pub const SHOWN_AS: Setting = Setting::choice::<ShownAs>("shown_as", "Values as", "book").everywhere();
/// *Name*.
pub const NAMES: Setting =
    Setting::choice::<Names>("names", "Name", "hover").everywhere().takes(&t::CHOICE_NAMES);
/// A picture of the value, as the swatch book has it, while it is pointed at.
pub const CLOSER: Setting = Setting::flag("closer", "Larger on pointing", false);
/// *Size*.
pub const SIZE: Setting = Setting::steps("size", "Size", SIZES, 22).in_part(SWATCHES);
/// *Shape*.
pub const SHAPE: Setting = Setting::choice::<SwatchShape>("shape", "Shape", "round")
    .everywhere()
    .in_part(SWATCHES)
    .takes(&t::CHOICE_SHAPE);
/// *Between them*.
pub const GAP: Setting = Setting::steps("gap", "Between them", GAPS, 7).in_part(SWATCHES);
/// *Ring*.
pub const RING: Setting =
    Setting::choice::<Ring>("ring", "Ring", "edge").everywhere().in_part(SWATCHES).takes(&t::CHOICE_RING);
/// *Ring, chosen*.
pub const RING_WIDTH: Setting = Setting::steps("ring_width", "Ring, chosen", RING_WIDTHS, 2)
    .everywhere()
    .in_part(SWATCHES)
    .takes(&t::CHOICE_RING_WIDTH);
/// *Buttons*.
pub const BUTTONS_AS: Setting = Setting::choice::<ButtonsAs>("buttons_as", "Buttons", "outlined")
    .everywhere()
    .in_part(OTHERS)
    .takes(&t::CHOICE_BUTTONS);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card;
    &OPTIONS, &LEADS, &CHOOSING, &MOST, &SOLD_OUT, &SHOWN_AS, &NAMES, &CLOSER, &SIZE, &SHAPE, &GAP, &RING,
    &RING_WIDTH, &BUTTONS_AS
];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Choices", Role::Buy, SETTINGS).on_cards().only_once().lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.options.is_empty().then_some("this product has no options")
}

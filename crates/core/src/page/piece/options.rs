//! The choices: each option's values, chosen in the way that the swatch book says, what can't be had marked.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::house::looks::{
    ButtonsAs, GAPS, Label, Mark, Names, RING_WIDTHS, RadiosAs, Ring, SIZES, SwatchShape,
};
use crate::house::token as t;
use crate::page::{Group, Setting};
use crate::setting::choice;

choice! {
    /// How values are chosen on this page.
    ShownAs {
        Book = "book", "Swatch book"; Swatches = "swatches", "Swatches"; Buttons = "buttons", "Buttons";
        List = "list", "Drop-down list"; Radios = "radios", "Radio list";
    }
}
choice! {
    /// What is chosen when the page opens.
    Start { First = "first", "First to be had"; Nothing = "nothing", "Nothing"; Named = "named", "Named values"; }
}

const SWATCHES: &str = "Swatches";
const MARKS: &str = "What can't be had";
const RING: &str = "Ring";
const OTHERS: &str = "Buttons and radio lists";
const LABELS: &str = "Labels";

const fn ring(key: &'static str, label: &'static str, house: &'static str) -> Setting {
    Setting::colour(key, label, house).among(Group::Looks).in_part(RING)
}

/// *Opens with*.
pub const START: Setting = Setting::choice::<Start>("start", "Opens with", "first").everywhere().says();
/// Names of values; of an option that none of them is a value of, the first to be had is chosen.
pub const NAMED: Setting = Setting::lines("named", "These values", 6, 80, &[]).with(&START, &["named"]);
/// *Before a choice*.
pub const ASK: Setting = Setting::words("ask", "Before a choice", 40, "choose");
/// *Choosing again clears*.
pub const CLEARS: Setting = Setting::flag("clears", "Choosing again clears", false).everywhere().says();
/// Empty: there is no such link.
pub const CLEAR: Setting = Setting::words("clear", "Link that clears", 40, "").everywhere();
/// Names of values, as the owner writes them, that this page doesn't offer.
pub const HIDDEN: Setting = Setting::lines("hidden", "Values left out here", 20, 80, &[]);

/// *Values as*.
pub const SHOWN_AS: Setting = Setting::choice::<ShownAs>("shown_as", "Values as", "book").everywhere();
/// *Size*.
pub const SWATCH_SIZE: Setting =
    Setting::steps("swatch_size", "Size", SIZES, 36).in_part(SWATCHES).takes(&t::CHOICE_SIZE);
/// *Shape*.
pub const SHAPE: Setting = Setting::choice::<SwatchShape>("swatch_shape", "Shape", "round")
    .everywhere()
    .in_part(SWATCHES)
    .takes(&t::CHOICE_SHAPE);
/// *Between them*.
pub const GAP: Setting =
    Setting::steps("gap", "Between them", GAPS, 10).in_part(SWATCHES).takes(&t::CHOICE_GAP);
/// *Name*.
pub const NAMES: Setting =
    Setting::choice::<Names>("names", "Name", "hover").everywhere().in_part(SWATCHES).takes(&t::CHOICE_NAMES);
/// *Larger on hover*.
pub const ENLARGE: Setting = Setting::flag("enlarge", "Larger on hover", false)
    .everywhere()
    .in_part(SWATCHES)
    .takes(&t::CHOICE_ENLARGE);
/// *Idle*.
pub const RING_IDLE: Setting =
    Setting::choice::<Ring>("ring", "Idle", "edge").everywhere().in_part(RING).takes(&t::CHOICE_RING);
/// *Chosen*.
pub const RING_WIDTH: Setting = Setting::steps("ring_width", "Chosen", RING_WIDTHS, 2)
    .everywhere()
    .in_part(RING)
    .takes(&t::CHOICE_RING_WIDTH);
/// *Colour, idle*.
pub const RING_COLOUR: Setting =
    ring("ring_idle", "Colour, idle", "#C9C4B8").takes(&t::CHOICE_RING_IDLE).with(&RING_IDLE, &["apart"]);
/// *Under the pointer*.
pub const RING_HOVER: Setting =
    ring("ring_hover", "Under the pointer", "#56636A").takes(&t::CHOICE_RING_HOVER);
/// *Colour, chosen*.
pub const RING_CHOSEN: Setting =
    ring("ring_chosen", "Colour, chosen", "#1D2A32").takes(&t::CHOICE_RING_CHOSEN);
/// *Buttons*.
pub const BUTTONS_AS: Setting = Setting::choice::<ButtonsAs>("buttons_as", "Buttons", "outlined")
    .everywhere()
    .in_part(OTHERS)
    .takes(&t::CHOICE_BUTTONS);
/// *Radio lists*.
pub const RADIOS_AS: Setting = Setting::choice::<RadiosAs>("radios_as", "Radio lists", "lines")
    .everywhere()
    .in_part(OTHERS)
    .takes(&t::CHOICE_RADIOS);
/// *Sold out*.
pub const SOLD_OUT: Setting = Setting::choice::<Mark>("sold_out", "Sold out", "struck")
    .everywhere()
    .in_part(MARKS)
    .takes(&t::CHOICE_SOLD_OUT);
/// *Not made*.
pub const NOT_MADE: Setting = Setting::choice::<Mark>("not_made", "Not made", "struck")
    .everywhere()
    .in_part(MARKS)
    .takes(&t::CHOICE_NOT_MADE);
/// Whether what is sold out can be chosen to be looked at.
pub const SELECTABLE: Setting =
    Setting::flag("selectable", "Can be chosen", true).everywhere().in_part(MARKS);
/// *Option's name*.
pub const LABEL: Setting =
    Setting::choice::<Label>("label", "Option's name", "above").in_part(LABELS).takes(&t::CHOICE_LABEL);
/// *Width beside*.
pub const LABEL_WIDTH: Setting = Setting::number("label_width", "Width beside", 40, 240, 90)
    .unit("px")
    .in_part(LABELS)
    .with(&LABEL, &["beside"])
    .takes(&t::CHOICE_LABEL_WIDTH);
/// *What the option is about*.
pub const ABOUT: Setting =
    Setting::flag("about", "What the option is about", true).everywhere().in_part(LABELS);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![
    &START,
    &NAMED,
    &ASK,
    &CLEARS,
    &CLEAR,
    &HIDDEN,
    &SHOWN_AS,
    &SWATCH_SIZE,
    &SHAPE,
    &GAP,
    &NAMES,
    &ENLARGE,
    &RING_IDLE,
    &RING_WIDTH,
    &RING_COLOUR,
    &RING_HOVER,
    &RING_CHOSEN,
    &BUTTONS_AS,
    &RADIOS_AS,
    &SOLD_OUT,
    &NOT_MADE,
    &SELECTABLE,
    &LABEL,
    &LABEL_WIDTH,
    &ABOUT
];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Options", Role::Buy, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.options.is_empty().then_some("this product has no options")
}

//! The choices: each option's values, chosen in the way that the swatch book says, what can't be had marked.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::choice;

choice! {
    /// How values are chosen on this page.
    ShownAs {
        Book = "book", "Swatch book"; Swatches = "swatches", "Swatches"; Buttons = "buttons", "Buttons";
        List = "list", "Drop-down list"; Radios = "radios", "Radio list";
    }
}
choice! {
    /// How a value that can't be had is marked.
    Mark {
        Struck = "struck", "Crossed"; Faded = "faded", "Faded"; Blurred = "blurred", "Blurred"; Away = "away", "Left out";
    }
}
choice! {
    /// What is chosen when the page opens.
    Start { First = "first", "First to be had"; Nothing = "nothing", "Nothing"; Named = "named", "Named values"; }
}
choice! {
    /// Where a swatch's name is told.
    Names { Hover = "hover", "On hover"; Beside = "beside", "Beside it"; Below = "below", "Below it"; Nowhere = "nowhere", "Nowhere"; }
}
choice! {
    SwatchShape { Round = "round", "Round"; Square = "square", "Square"; Soft = "soft", "Soft"; }
}
choice! {
    /// Where an option's name stands.
    Label { Above = "above", "Above"; Beside = "beside", "Beside"; Unseen = "unseen", "Not shown"; }
}

const SWATCHES: &str = "Swatches";
const MARKS: &str = "What can't be had";
const LABELS: &str = "Labels";
const SIZES: &[(i64, &str)] = &[(24, "24"), (30, "30"), (36, "36"), (44, "44"), (56, "56")];
const GAPS: &[(i64, &str)] = &[(4, "4"), (7, "7"), (10, "10"), (14, "14"), (20, "20")];

pub const START: Setting = Setting::choice::<Start>("start", "Opens with", "first").everywhere().says();
/// Names of values; of an option that none of them is a value of, the first to be had is chosen.
pub const NAMED: Setting = Setting::lines("named", "These values", 6, 80, &[]).with(&START, &["named"]);
pub const ASK: Setting = Setting::words("ask", "Before a choice", 40, "choose");
pub const CLEARS: Setting = Setting::flag("clears", "Choosing again clears", false).everywhere().says();
/// Empty: there is no such link.
pub const CLEAR: Setting = Setting::words("clear", "Link that clears", 40, "").everywhere();
/// Names of values, as the owner writes them, that this page doesn't offer.
pub const HIDDEN: Setting = Setting::lines("hidden", "Values left out here", 20, 80, &[]);

pub const SHOWN_AS: Setting = Setting::choice::<ShownAs>("shown_as", "Values as", "book").everywhere();
pub const SWATCH_SIZE: Setting = Setting::steps("swatch_size", "Size", SIZES, 36).in_part(SWATCHES);
pub const SHAPE: Setting =
    Setting::choice::<SwatchShape>("swatch_shape", "Shape", "round").everywhere().in_part(SWATCHES);
pub const GAP: Setting = Setting::steps("gap", "Between them", GAPS, 10).in_part(SWATCHES);
pub const NAMES: Setting = Setting::choice::<Names>("names", "Name", "hover").everywhere().in_part(SWATCHES);
pub const ENLARGE: Setting =
    Setting::flag("enlarge", "Larger on hover", false).everywhere().in_part(SWATCHES);
pub const SOLD_OUT: Setting =
    Setting::choice::<Mark>("sold_out", "Sold out", "struck").everywhere().in_part(MARKS);
pub const NOT_MADE: Setting =
    Setting::choice::<Mark>("not_made", "Not made", "struck").everywhere().in_part(MARKS);
/// Whether what is sold out can be chosen to be looked at.
pub const SELECTABLE: Setting =
    Setting::flag("selectable", "Can be chosen", true).everywhere().in_part(MARKS);
pub const LABEL: Setting = Setting::choice::<Label>("label", "Option's name", "above").in_part(LABELS);
pub const LABEL_WIDTH: Setting =
    Setting::number("label_width", "Width beside", 40, 240, 90).in_part(LABELS).with(&LABEL, &["beside"]);
pub const ABOUT: Setting =
    Setting::flag("about", "What the option is about", true).everywhere().in_part(LABELS);

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
    &SOLD_OUT,
    &NOT_MADE,
    &SELECTABLE,
    &LABEL,
    &LABEL_WIDTH,
    &ABOUT
];

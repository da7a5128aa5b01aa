//! The choices: swatches and words to pick from, sold-out ones marked.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::choice;

choice! {
    /// How values are shown.
    ShownAs { Swatches = "swatches", "Swatches"; Words = "words", "Words"; List = "list", "List"; }
}
choice! {
    /// How a value that is sold out is marked.
    SoldOutMark { Struck = "struck", "Struck"; Faded = "faded", "Faded"; Away = "away", "Left out"; }
}
choice! {
    /// What is chosen when the page opens.
    Start { First = "first", "First to be had"; Nothing = "nothing", "Nothing"; }
}
choice! {
    /// How large swatches are.
    SwatchSize { Small = "small", "Small"; Medium = "medium", "Medium"; Large = "large", "Large"; }
}

pub const START: Setting = Setting::choice::<Start>("start", "Opens with", "first").everywhere().says();
pub const ASK: Setting = Setting::words("ask", "Before a choice", 40, "choose");
pub const SHOWN_AS: Setting = Setting::choice::<ShownAs>("shown_as", "Values as", "swatches").everywhere();
pub const SOLD_OUT: Setting = Setting::choice::<SoldOutMark>("sold_out", "Sold out", "struck").everywhere();
pub const SWATCH_SIZE: Setting = Setting::choice::<SwatchSize>("swatch_size", "Swatch size", "medium");

pub const SETTINGS: &[&Setting] = piece_settings![&START, &ASK, &SHOWN_AS, &SOLD_OUT, &SWATCH_SIZE];

//! The button that puts the choice into the cart.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// How wide the button is.
    Width { Column = "column", "Column"; Words = "words", "Its words"; }
}
choice! {
    /// Its colour.
    Tone { Ink = "ink", "Ink"; Accent = "accent", "Accent"; }
}
choice! {
    /// Where a click leads.
    After {
        Cart = "cart", "Cart"; Side = "side", "Side cart"; Stay = "stay", "Message"; Checkout = "checkout", "Checkout";
    }
}

choice! {
    /// What stands beside the words.
    Icon { None = "none", "None"; Bag = "bag", "Bag"; Basket = "basket", "Basket"; }
}

/// *Words*.
pub const WORDS: Setting = Setting::words("words", "Words", 60, "Add to cart");
/// *When sold out*.
pub const SOLD_OUT: Setting = Setting::words("sold_out", "When sold out", 60, "Sold out");
/// *Before a choice*.
pub const CHOOSE: Setting = Setting::words("choose", "Before a choice", 60, "Make your choice");
/// *When coming soon*.
pub const COMING: Setting = Setting::words("coming", "When coming soon", 60, "Coming soon");
/// *When withdrawn*.
pub const GONE: Setting = Setting::words("gone", "When withdrawn", 60, "No longer sold");
/// *While adding*.
pub const ADDING: Setting = Setting::words("adding", "While adding", 60, "Adding …");
/// *Once added*.
pub const ADDED: Setting = Setting::words("added", "Once added", 60, "Added");
/// Empty: there is no such button.
pub const NOW: Setting = Setting::words("now", "Button that buys now", 60, "");
/// *After the click*.
pub const AFTER: Setting = Setting::choice::<After>("after", "After the click", "cart").everywhere();
/// *Width*.
pub const WIDTH: Setting = Setting::choice::<Width>("width", "Width", "column");
/// *Colour*.
pub const TONE: Setting = Setting::choice::<Tone>("tone", "Colour", "ink").everywhere();
/// *Icon*.
pub const ICON: Setting = Setting::choice::<Icon>("icon", "Icon", "none").everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![
    &AFTER, &WORDS, &SOLD_OUT, &CHOOSE, &COMING, &GONE, &ADDING, &ADDED, &NOW, &WIDTH, &TONE, &ICON
];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Buy button", Role::Buy, SETTINGS);

//! Puts what is chosen on the card into the cart.

use crate::page::Setting;
use crate::page::piece::buy_button::{After, Tone, Width};
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};

/// *Words*.
pub const WORDS: Setting = Setting::words("words", "Words", 60, "Add to cart");
/// *Before a choice*.
pub const CHOOSE: Setting = Setting::words("choose", "Before a choice", 60, "Make your choice");
/// Where more is to be said than a card has room for: a text, a plan.
pub const ON_PAGE: Setting = Setting::words("on_page", "Leading to the page", 60, "Look at it");
/// *When sold out*.
pub const SOLD_OUT: Setting = Setting::words("sold_out", "When sold out", 60, "Sold out");
/// *When coming soon*.
pub const COMING: Setting = Setting::words("coming", "When coming soon", 60, "Coming soon");
/// What offers to tell when it can be had; empty: nothing does.
pub const TELL: Setting = Setting::words("tell", "Offers to tell", 60, "Tell me");
/// *While adding*.
pub const ADDING: Setting = Setting::words("adding", "While adding", 60, "Adding …");
/// *Once added*.
pub const ADDED: Setting = Setting::words("added", "Once added", 60, "Added");
/// *After the click*.
pub const AFTER: Setting = Setting::choice::<After>("after", "After the click", "side").everywhere();
/// *Width*.
pub const WIDTH: Setting = Setting::choice::<Width>("width", "Width", "column");
/// *Colour*.
pub const TONE: Setting = Setting::choice::<Tone>("tone", "Colour", "ink").everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight;
    &AFTER, &WORDS, &CHOOSE, &ON_PAGE, &SOLD_OUT, &COMING, &TELL, &ADDING, &ADDED, &WIDTH, &TONE
];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Buy button", Role::Buy, SETTINGS).on_cards().only_once();

//! What a thing costs: the quote for a variant and a quantity, and the offer that a page makes for a selection.

mod offer;
mod quote;

pub use offer::{Hindrance, Offer, Tag, hindrance, offer};
pub use quote::{Quote, Saving, quote};

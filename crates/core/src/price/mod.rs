//! What a thing costs: the quote for a variant and a quantity, and the offer that a page makes for a selection.

mod book;
mod moment;
mod offer;
mod quote;
mod rule;
mod ruled;

pub use book::{BookError, MOST_RULES, Place, Places, Policy, PriceBook, Rounding, Together};
pub use moment::{Local, Moment, NoSuchTime, Zone};
pub use offer::{Hindrance, Offer, Tag, hindrance, offer};
pub use quote::{Quote, Saving, quote};
pub use rule::{Counted, Effect, PriceRule, RuleError, RuleId, RuleReach, Step};
pub use ruled::{Counts, Next, Outcome, Priced, Prices, Promise, Shown, Work};

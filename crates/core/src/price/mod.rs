//! What a thing costs: the quote for a variant and a quantity, and the offer that a page makes for a selection.

mod book;
mod change;
mod condition;
mod explain;
mod history;
mod offer;
mod plan;
mod quote;
mod rule;
mod ruled;
mod vat;

pub use crate::catalog::PriceChange;
pub use book::{BookError, MOST_RULES, OldFrom, Places, Policy, PriceBook, Rounding, Surface, Together};
pub use change::BookChange;
pub use explain::{Effects, Outcome, Work};
pub use history::{DAYS_LOOKED_BACK, Lowest};
pub use offer::{Hindrance, Offer, PriceTag, hindrance, offer};
pub use plan::{MOST_PLANS, Period, Plan, PlanError, PlanId, SavedOn};
pub use quote::{Quote, Saving, quote};
pub use rule::{Counted, Effect, MOST_NAMED, PriceRule, ReachedBy, RuleError, RuleId, RuleReach, Step};
pub use ruled::{Counts, Extras, Next, PastBook, Priced, Prices, Promise, Shown};
pub use vat::{TypeRate, Vat, VatShown, without};

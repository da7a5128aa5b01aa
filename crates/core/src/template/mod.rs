//! One layout for many products: which template serves which product and why, and what single products and types keep
//! different from it.

mod ahead;
mod compose;
mod impact;
pub mod kept;
mod reach;
mod reach_told;
mod serving;
mod tell;
mod visibility;

pub use ahead::{Move, Turn, turns};
pub use compose::{compose, levels};
pub use impact::{Comparison, Gap, Impact, Lack, gaps, tell_gaps};
pub use reach::{
    CardPlace, Feature, ProductFacts, Reach, ReachError, ReachRule, Shift, move_product, move_type,
};
pub use reach_told::Called;
pub use serving::{Candidate, Index, ReachLevel, Serving, Words, next_change};
pub use tell::{band_name, tell};
pub use visibility::{OnScreen, visibility};

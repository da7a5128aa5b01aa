//! The layout document: a page as the ordered list of what a shopper meets.
//!
//! A layout has bands, a band has columns, a column has pieces; every one has a name for good. What a piece says and
//! how it looks are *values* by the names of its kind's *settings*; a value that isn't there is inherited.

mod departure;
mod difference;
mod layout;
pub mod op;
pub mod piece;
mod purpose;
mod quick;
pub mod starter;

pub use crate::colour::is_colour;
pub use crate::screen::Device;
pub use crate::setting::{
    CartFacts, Choice, Facts, Group, Rule, RuleError, SPACE_STEPS, Sentence, SetValue, Setting, Shape,
    TYPE_STEPS, ValueError, Verdict, judge, sentences,
};
pub use departure::{Departure, Whom};
pub use difference::{Difference, differences};
pub use layout::{Band, Column, FORMAT, Frame, Layout, Piece, Place, Target, Values};
pub use op::{ColumnShape, Op, OpError, along, apply};
pub use piece::Kind;
pub use purpose::Purpose;
pub use quick::quick_look;

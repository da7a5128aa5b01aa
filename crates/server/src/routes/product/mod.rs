//! Products themselves.

pub mod add;
pub mod texts;
pub mod whole;

//! Products themselves.

pub mod add;
pub mod address;
pub mod texts;
pub mod whole;

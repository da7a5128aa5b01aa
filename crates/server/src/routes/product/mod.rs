//! Products themselves.

pub mod add;
pub mod address;
pub mod list;
pub mod small;
pub mod texts;
pub mod whole;

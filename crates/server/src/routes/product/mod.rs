//! Products themselves.

pub mod add;

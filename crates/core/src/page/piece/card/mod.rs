//! The kinds of pieces that stand on cards: small, and one beside many of its kind.

pub mod buy;
pub mod choices;
pub mod fact;
pub mod marks;
pub mod name;
pub mod picture;
pub mod price;
pub mod quantity;
pub mod quick_look;
pub mod rating;
pub mod siblings;
pub mod text;
pub mod variants;
pub mod wish;

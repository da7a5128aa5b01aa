pub mod card;
pub mod search;
pub mod show;

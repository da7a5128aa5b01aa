//! The rules of the job, without input or output: what a page is made of, which template serves a product, what a
//! shopper can choose and what it costs. Nothing here reads a clock, a file or a database, so every rule can be
//! tested on worked cases and the same answer is given on the desk and in the shop.
#![warn(missing_docs, clippy::missing_errors_doc, clippy::too_many_lines)]

pub mod cart;
pub mod catalog;
pub mod choice;
pub mod colour;
pub mod document;
pub mod find;
pub mod format;
pub mod house;
pub mod ids;
pub mod language;
pub mod letters;
pub mod limits;
pub mod listing;
pub mod media;
pub mod money;
pub mod page;
pub mod pay;
pub mod price;
pub mod sample;
pub mod screen;
pub mod setting;
pub mod situation;
pub mod style;
pub mod swatch;
pub mod template;
pub mod time;
pub mod wording;

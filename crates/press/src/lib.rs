//! Page, product and situation to HTML and CSS. The only renderer: the shop's pages and the desk's proofs both come
//! from here. All text is escaped by the templates; style values come from closed lists and whole numbers only.
#![warn(missing_docs, clippy::missing_errors_doc, clippy::too_many_lines)]

mod amount;
mod appear;
mod band;
mod buy;
mod ctx;
mod deck;
mod document;
mod escape;
mod font;
mod house;
mod image;
pub mod lettering;
mod mark;
mod offers;
mod page;
mod piece;
mod render;
pub mod rich;
mod say;
mod seen;
mod sheet;
pub mod shop;
mod swatch;

pub use amount::{amount, besides, plan_words, whole};
pub use appear::verdict;
pub use ctx::{Around, Neighbour};
pub use deck::{Cards, Lead, LookedAt, Quiet};
pub use document::{Assets, Nav, NavItem};
pub use offers::{Entry, entry_for};
pub use page::{Mode, Notice, Page, opening_selection, weigh};
pub use piece::gallery::weight::{Bytes, TooSmall, Weight};
pub use piece::related::related_wishes;
pub use render::{render, render_bare};
pub use say::say_hindrance;
pub use seen::{Restyled, as_seen};

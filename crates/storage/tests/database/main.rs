//! What is kept, on a real database: one program, so that it is linked once.
#![allow(clippy::unwrap_used)]

mod common;

mod account;
mod catalogue;
mod draft;
mod journal;
mod message;
mod one_way;
mod order;
mod picture;
mod selling;
mod siblings;
mod swatch_book;
mod template;
mod together;
mod types;

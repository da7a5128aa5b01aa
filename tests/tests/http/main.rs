//! The application over HTTP: the owner's API and the shop's pages.
#![allow(clippy::unwrap_used)]

mod addresses;
mod bad_input;
mod cards;
mod changes;
mod desk;
mod drafts;
mod drawings;
mod feed;
mod finds;
mod journal;
mod listings;
mod once;
mod one_template_many_products;
mod options_joined;
mod pictures;
mod prices;
mod product_types;
mod related;
mod shop_pages;
mod siblings;
mod swatch_book;
mod templates;
mod terms;
mod texts;
mod texts_of_the_shop;
mod two_servers;
mod variants;
mod whole_pages;

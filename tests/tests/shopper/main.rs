//! What a shopper does, in a real browser: a file per job.
#![allow(clippy::unwrap_used)]

mod buys;
mod buys_from_cards;
mod buys_on_terms;
mod chooses;
mod fills_the_cart;
mod gallery;
mod looks_through_a_listing;
mod reads_in_order;
mod takes_a_quick_look;
mod through_an_outage;
mod waits;

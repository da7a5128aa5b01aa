//! A running site with the demo shop on a database of its own, and a browser to use it with.
#![allow(clippy::unwrap_used, clippy::expect_used, reason = "a test that can't go on ends")]

mod browser;
mod database;
pub mod desk;
pub mod hand;
pub mod pictures;
mod port;
mod site;

pub use browser::{Browser, CLOCK, Screen, ask, find, until};
pub use database::OwnDatabase;
pub use port::free_port;
pub use site::{Owner, Site, json_of, refusal, server_program};

/// The demo's other owner.
pub const OTHER_EMAIL: &str = "tomas@marramandgale.example";
pub const OTHER_PASSWORD: &str = "reef-before-noon";
/// The demo's owner.
pub const EMAIL: &str = "isla@marramandgale.example";
pub const PASSWORD: &str = "windward-and-lee";

/// To whom orders of the tests go, by the checkout's fields.
pub const ADDRESS: [(&str, &str); 5] = [
    ("email", "jo@example.org"),
    ("name", "Jo"),
    ("street", "1 Quay"),
    ("town", "Wells"),
    ("postcode", "NR23"),
];

/// The checkout's form filled in; `once` is what makes one order of a form that is sent twice, empty for nothing.
#[must_use]
pub fn checkout_form<'a>(payment: &'a str, once: &'a str) -> Vec<(&'a str, &'a str)> {
    ADDRESS.into_iter().chain([("payment", payment), ("once", once)]).collect()
}

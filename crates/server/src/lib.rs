//! The application: the owner's API, proofs, the shop and its till.

mod app;
mod aside;
mod config;
mod demo_data;
pub mod drawer;
mod drawing;
mod edition;
mod error;
mod known;
mod make;
mod media;
mod names;
mod news;
mod openapi;
mod password;
mod reading;
mod routes;
mod sample;
mod session;
mod state;
mod upkeep;
mod upload;
mod visit;
mod walk;

pub use app::{Running, start};
pub use config::{Config, Pace};
pub use openapi::document as openapi_document;

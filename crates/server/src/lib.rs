//! The application: the owner's API, proofs, the shop and its till.

mod app;
mod config;
mod demo_data;
mod drawing;
mod error;
mod everywhere;
mod known;
mod make;
mod media;
mod news;
mod openapi;
mod pages;
mod password;
mod reading;
mod routes;
mod sample;
mod serving;
mod session;
mod state;
mod upload;
mod walk;

pub use app::{Running, start};
pub use config::Config;
pub use openapi::document as openapi_document;

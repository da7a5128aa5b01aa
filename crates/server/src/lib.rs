//! The application: the owner's API, proofs, the shop and its till.

mod app;
mod aside;
mod clock;
mod config;
mod demo_data;
mod error;
mod feed;
mod jobs;
mod making;
mod media;
mod names;
mod news;
mod once;
mod openapi;
mod pages;
mod parts;
mod password;
mod routes;
mod serving;
mod session;
mod state;
mod unkept;
mod upload;
mod visit;
mod walk;

pub use app::{Running, start};
pub use config::{Config, Pace};
pub use making::drawer;
pub use openapi::document as openapi_document;

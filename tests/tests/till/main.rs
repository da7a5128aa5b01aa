//! The till under load and when its database dies.
#![allow(clippy::unwrap_used)]

mod publishing;
mod survives;
mod under_pressure;

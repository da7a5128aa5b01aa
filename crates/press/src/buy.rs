//! What a buy button can do with a choice.

use compagina_core::price::{Hindrance, Offer};
use serde::Serialize;

/// What the buy button can do.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
pub enum BuyState {
    Ready,
    Choose,
    Off,
}

pub(crate) fn buy_state(offer: &Offer) -> BuyState {
    match offer.hindrance {
        None => BuyState::Ready,
        Some(Hindrance::ChooseFirst(_)) => BuyState::Choose,
        Some(_) => BuyState::Off,
    }
}

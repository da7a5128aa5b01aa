//! A visit that an owner tries: how many pieces are looked at, and what lies in the cart.

use crate::error::ApiResult;
use crate::serving::known::{Known, known_or_sample};
use crate::state::State;
use compagina_core::catalog::{Product, Variant};
use compagina_core::choice::{Selection, variant_of};
use compagina_core::ids::Handle;
use compagina_core::money::MoneyError;
use compagina_core::page::CartFacts;
use compagina_core::price::Prices;
use compagina_core::situation::CartMood;
use serde::Deserialize;
use std::borrow::Cow;
use std::sync::Arc;
use utoipa::IntoParams;

/// The visit under which pages are looked at.
#[derive(Debug, Clone, Default, Deserialize, IntoParams)]
pub struct Under {
    /// How many pieces; as few as can be bought without a number.
    pub quantity: Option<u32>,
    #[serde(default)]
    pub cart: CartMood,
    /// What else the cart holds, by its handle, where it holds something else; anything without one.
    pub cart_product: Option<String>,
    /// How many pieces of it; one without a number.
    pub cart_pieces: Option<u32>,
}

/// The same with what it names.
pub struct Visit {
    quantity: u32,
    cart: CartMood,
    other: Option<Arc<Known>>,
    in_cart: u32,
}

impl Visit {
    pub async fn of(state: &State, under: &Under) -> ApiResult<Self> {
        let named = under.cart_product.as_deref().filter(|handle| !handle.is_empty());
        let other = match named.filter(|_| under.cart == CartMood::Other) {
            Some(handle) => Some(known_or_sample(state, handle).await?),
            None => None,
        };
        let (quantity, in_cart) = (pieces(under.quantity), pieces(under.cart_pieces));
        Ok(Self { quantity, cart: under.cart, other, in_cart })
    }

    /// How many pieces of a product: never fewer than can be bought.
    pub fn quantity(&self, product: &Product) -> u32 {
        self.quantity.max(product.terms.first())
    }

    /// What pieces that appear at times are told of the cart.
    pub fn facts(&self, product: &Product) -> CartFacts {
        let handle = match (self.cart, &self.other) {
            (CartMood::Empty, _) => None,
            (CartMood::This, _) => Some(product.handle.clone()),
            (CartMood::Other, Some(other)) => Some(other.product.handle.clone()),
            (CartMood::Other, None) => Handle::from_text("something else"),
        };
        CartFacts { products: handle.into_iter().collect() }
    }

    /// The prices for the cart, where a choice of a product is looked at.
    pub fn prices<'p>(
        &self,
        prices: &'p Prices,
        product: &Product,
        selection: &Selection,
    ) -> Result<Cow<'p, Prices>, MoneyError> {
        let line = |product, variant: Option<_>| variant.map(|variant| (product, variant, self.in_cart));
        let held: Option<(&Product, &Variant, u32)> = match (self.cart, &self.other) {
            (CartMood::Empty, _) | (CartMood::Other, None) => return Ok(Cow::Borrowed(prices)),
            (CartMood::This, _) => line(product, variant_of(product, selection).or(product.variants.first())),
            (CartMood::Other, Some(other)) => line(&other.product, other.product.variants.first()),
        };
        prices.clone().with_cart(held).map(Cow::Owned)
    }
}

fn pieces(asked: Option<u32>) -> u32 {
    asked.unwrap_or(1).clamp(1, 99)
}

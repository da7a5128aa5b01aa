//! A small shop on a fresh database.
#![allow(clippy::unwrap_used)]

use compagina_core::catalog::{
    Fact, NewOption, NewProduct, NewVariant, ProductState, ProductType, Review, Shop, Stock, Way,
};
use compagina_core::ids::{Handle, VariantId};
use compagina_core::money::{Currency, Locale, Money};
use compagina_core::time::Moment;
use compagina_storage::{By, CartChange, CartRow, Contact, LineExtra, Store};
use sqlx::MySqlPool;

pub fn handle(text: &str) -> Handle {
    Handle::try_from(text).unwrap()
}

/// A shop with one kite in two colours: five of Ember, none of Chalk.
pub async fn shop(pool: MySqlPool) -> Store {
    let store = Store::from_pool(pool).await.unwrap();
    let currency = Currency::from_code("GBP").unwrap();
    store.set_shop(&Shop { name: "Test & Co".into(), currency, locale: Locale::EnGb }).await.unwrap();
    let values = vec![("Ember".to_owned(), None), ("Chalk".to_owned(), None)];
    let colour = NewOption { name: "Colour".into(), page: Way::List, card: Way::Nothing, values };
    store.by(By::default()).add_options(&[colour]).await.unwrap();
    store.by(By::default()).add_product(&kite()).await.unwrap();
    store
}

fn review(stars: u8, title: &str, day: &str) -> Review {
    Review { stars, title: title.into(), text: "…".into(), who: "Jo".into(), day: day.into() }
}

pub fn kite() -> NewProduct {
    let variant = |sku: &str, value, stock| NewVariant {
        sku: sku.into(),
        values: vec![value],
        price_minor: None,
        old_price_minor: None,
        stock,
        measure: None,
    };
    NewProduct {
        handle: handle("whimbrel"),
        kind: ProductType { handle: handle("sport-kites"), name: "Sport kites".into() },
        name: "Whimbrel <b>".into(),
        state: ProductState::OnSale,
        summary: "A kite.".into(),
        details: vec![],
        price_minor: 6800,
        old_price_minor: Some(8500),
        most_per_order: None,
        terms: compagina_core::catalog::Terms::default(),
        options: vec![(handle("colour"), vec![handle("ember"), handle("chalk")])],
        variants: vec![
            variant("W-E", Some(0), Stock::Counted(5)),
            variant("W-C", Some(1), Stock::Counted(0)),
            variant("W-ANY", None, Stock::NotCounted),
        ],
        pictures: vec![],
        brand: "Test & Co".into(),
        facts: vec![Fact { name: "Span".into(), value: "2 m".into() }],
        tags: vec!["two-line".into()],
        reviews: vec![
            review(5, "Took off first go", "2026-10-02"),
            review(4, "Good", "2026-09-01"),
            review(5, "Still flying", "2025-06-30"),
        ],
    }
}

pub fn contact() -> Contact {
    let text = |t: &str| t.to_owned();
    Contact {
        email: text("jo@example.org"),
        name: text("Jo"),
        street: text("1 Quay"),
        town: text("Wells"),
        postcode: text("NR23"),
    }
}

/// Puts so many of a variant into a cart, seen at a price.
pub async fn put(
    store: &Store,
    cart: CartRow,
    variant: VariantId,
    extra: &LineExtra,
    quantity: u32,
    seen: Money,
) -> compagina_storage::Result<()> {
    store.change_cart(cart, &CartChange::Put { variant, extra, quantity, seen }, Moment(0)).await
}

//! Small products for the worked cases of the tests.

use super::{Product, ProductOption, ProductState, ProductType, ProductValue, Rating, Stock, Terms, Variant};
use crate::ids::{Handle, OptionId, ProductId, ValueId, VariantId};
use crate::money::{Currency, Money};

pub fn handle(text: &str) -> Handle {
    Handle::try_from(text).unwrap()
}

pub fn pounds(minor: i64) -> Money {
    Money::new(minor, Currency::from_code("GBP").unwrap())
}

/// A product of £68.00 with these options, whose values are named `colour-0`, `colour-1` …, and no variants yet.
pub fn product(options: &[(&str, u16)]) -> Product {
    let options = options.iter().enumerate().map(|(o, (name, values))| {
        let value = |v: u16| {
            let id = ValueId(o as u64 * 100 + u64::from(v) + 1);
            ProductValue::new(id, handle(&format!("{name}-{v}")), format!("{name} {v}"))
        };
        let values = (0..*values).map(value).collect();
        ProductOption::new(OptionId(o as u64 + 1), handle(name), (*name).to_owned(), values)
    });
    Product {
        id: ProductId(1),
        handle: handle("whimbrel"),
        address: handle("whimbrel"),
        name: "Whimbrel".into(),
        kind: ProductType { handle: handle("sport-kites"), name: "Sport kites".into() },
        state: ProductState::OnSale,
        summary: String::new(),
        details: vec![],
        pictures: vec![],
        options: options.collect(),
        variants: vec![],
        price: pounds(6800),
        old_price: None,
        most_per_order: None,
        terms: Terms::default(),
        history: vec![],
        brand: String::new(),
        facts: vec![],
        tags: vec![],
        rating: Rating::default(),
        reviews: vec![],
        siblings: vec![],
    }
}

pub fn with_variants(mut product: Product, rows: &[(&[Option<u16>], Stock)]) -> Product {
    product.variants = rows
        .iter()
        .enumerate()
        .map(|(i, (values, stock))| Variant {
            id: VariantId(i as u64 + 1),
            sku: format!("SKU-{i}"),
            values: values.to_vec(),
            price: None,
            old_price: None,
            stock: *stock,
            picture: None,
            measure: None,
        })
        .collect();
    product
}

//! The states of all values and a pick, for 3 options of 20 values: 8,000 variants.
#![allow(clippy::unwrap_used, missing_docs)]

use compagina_core::catalog::{
    Product, ProductOption, ProductState, ProductType, ProductValue, Rating, Stock, Terms, Variant,
};
use compagina_core::choice::{Selection, pick, states};
use compagina_core::ids::{Handle, OptionId, ProductId, ValueId, VariantId};
use compagina_core::money::{Currency, Money};
use compagina_core::price::offer;
use criterion::{Criterion, criterion_group, criterion_main};
use std::hint::black_box;

const VALUES: u16 = 20;

fn product() -> Product {
    let handle = |text: String| Handle::try_from(text).unwrap();
    let option = |o: u64| {
        let value = |v: u16| {
            let id = ValueId(o * 100 + u64::from(v));
            ProductValue::new(id, handle(format!("value-{v}")), format!("Value {v}"))
        };
        let values = (0..VALUES).map(value).collect();
        ProductOption::new(OptionId(o), handle(format!("option-{o}")), format!("Option {o}"), values)
    };
    let places = (0..VALUES).flat_map(|a| (0..VALUES).flat_map(move |b| (0..VALUES).map(move |c| [a, b, c])));
    let variants = places.zip(0u64..).map(|(values, id)| Variant {
        id: VariantId(id),
        sku: format!("S{id}"),
        values: values.iter().map(|v| Some(*v)).collect(),
        price: None,
        old_price: None,
        stock: Stock::Counted(u32::from(id % 7 != 0)),
        picture: None,
        measure: None,
    });
    Product {
        id: ProductId(1),
        handle: handle("spar".into()),
        address: handle("spar".into()),
        name: "Spar".into(),
        kind: ProductType { handle: handle("spares".into()), name: "Spares".into() },
        state: ProductState::OnSale,
        summary: String::new(),
        details: vec![],
        pictures: vec![],
        options: (1..=3).map(option).collect(),
        variants: variants.collect(),
        price: Money::new(1100, Currency::from_code("GBP").unwrap()),
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

fn choices(criterion: &mut Criterion) {
    let product = product();
    assert_eq!(product.variants.len(), 8_000);
    for (name, selection) in [
        ("nothing chosen", Selection::none(3)),
        ("two of three chosen", Selection::from_values(vec![Some(7), Some(3), None])),
        ("all chosen", Selection::from_values(vec![Some(7), Some(3), Some(19)])),
    ] {
        criterion.bench_function(&format!("choices: states of 8,000 variants, {name}"), |bench| {
            bench.iter(|| states(black_box(&product), black_box(&selection)));
        });
    }
    let selection = Selection::from_values(vec![Some(7), Some(3), Some(19)]);
    criterion.bench_function("choices: pick and whole offer, 8,000 variants", |bench| {
        bench.iter(|| offer(&product, &pick(black_box(&product), black_box(&selection), 1, 5), 1).unwrap());
    });
}

criterion_group!(benches, choices);
criterion_main!(benches);

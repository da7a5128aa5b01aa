//! More products of the same shapes, by rule, for measuring.

use crate::{DemoProduct, handle};

const PLACES: [&str; 12] = [
    "Aldcliffe",
    "Brancaster",
    "Camber",
    "Dunwich",
    "Eccles",
    "Formby",
    "Gibraltar Point",
    "Holkham",
    "Instow",
    "Jaywick",
    "Kilnsea",
    "Lindisfarne",
];

/// `count` products: each of the first ones in turn, under another name, with stock numbers of its own.
pub(crate) fn by_rule(first: &[DemoProduct], count: u32) -> Vec<DemoProduct> {
    let copies = first.iter().cycle().zip(1..=count);
    copies.map(|(model, number)| copy(model, number)).collect()
}

fn copy(model: &DemoProduct, number: u32) -> DemoProduct {
    let mut made = model.clone();
    let place = PLACES[number as usize % PLACES.len()];
    made.product.name = format!("{} {place} {number}", model.product.name);
    made.product.handle = handle(&format!("{}-{number}", model.product.handle));
    made.product.price_minor += i64::from(number % 17) * 50;
    for variant in &mut made.product.variants {
        variant.sku = format!("{}-{number}", variant.sku);
    }
    made
}

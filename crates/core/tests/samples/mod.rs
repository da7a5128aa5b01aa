//! Small pages and products, built from the outside.
#![allow(dead_code, clippy::unwrap_used)]

pub mod ops;

use compagina_core::catalog::{
    Product, ProductOption, ProductState, ProductType, ProductValue, Rating, Stock, Terms, Variant,
};
use compagina_core::ids::{BandId, ColumnId, Handle, OptionId, PieceId, ProductId, ValueId, VariantId};
use compagina_core::money::{Currency, Money};
use compagina_core::page::{Band, Column, Kind, Layout, Piece, Place, Values};

pub fn id(text: &str) -> PieceId {
    PieceId::try_from(text).unwrap()
}

pub fn at(column: &str, index: usize) -> Place {
    Place { column: ColumnId::try_from(column).unwrap(), index }
}

pub fn piece(name: &str, kind: Kind) -> Piece {
    Piece { id: id(name), kind, values: Values::default() }
}

pub fn pounds(minor: i64) -> Money {
    Money::new(minor, Currency::from_code("GBP").unwrap())
}

pub fn handle(text: &str) -> Handle {
    Handle::try_from(text).unwrap()
}

pub fn handles(all: &[&str]) -> Vec<Handle> {
    all.iter().map(|text| handle(text)).collect()
}

/// `top: crumbs | main: left(gallery) right(title, price, buy)`
pub fn layout() -> Layout {
    let column =
        |name, width, pieces| Column { id: ColumnId::try_from(name as &str).unwrap(), width, pieces };
    let band = |name, columns| Band {
        id: BandId::try_from(name as &str).unwrap(),
        kept: None,
        values: Values::default(),
        columns,
    };
    let right = vec![piece("title", Kind::Title), piece("price", Kind::Price), piece("buy", Kind::BuyButton)];
    let bands = vec![
        band("top", vec![column("only", 12, vec![piece("crumbs", Kind::Breadcrumb)])]),
        band(
            "main",
            vec![column("left", 7, vec![piece("gallery", Kind::Gallery)]), column("right", 5, right)],
        ),
    ];
    Layout { bands, ..Layout::default() }
}

type Row = (Option<u16>, Option<u16>, u32, Option<i64>);

/// A product with options of so many values, and a variant for each row: value, value, stock, price.
pub fn product(options: &[u16], rows: &[Row]) -> Product {
    let option = |(o, count): (usize, &u16)| {
        let value = |v: u16| {
            let id = ValueId(o as u64 * 10 + u64::from(v) + 1);
            ProductValue::new(id, handle(&format!("value-{v}")), format!("Value {v}"))
        };
        let values = (0..*count).map(value).collect();
        ProductOption::new(
            OptionId(o as u64 + 1),
            handle(&format!("option-{o}")),
            format!("Option {o}"),
            values,
        )
    };
    let variant = |(i, (a, b, stock, price)): (usize, &Row)| Variant {
        id: VariantId(i as u64 + 1),
        sku: format!("S{i}"),
        values: vec![*a, *b],
        price: price.map(pounds),
        old_price: None,
        stock: Stock::Counted(*stock),
        picture: None,
        measure: None,
    };
    Product {
        id: ProductId(1),
        handle: handle("kite"),
        address: handle("kite"),
        name: "Kite".into(),
        kind: ProductType { handle: handle("kites"), name: "Kites".into() },
        state: ProductState::OnSale,
        summary: String::new(),
        details: vec![],
        pictures: vec![],
        options: options.iter().enumerate().map(option).collect(),
        variants: rows.iter().enumerate().map(variant).collect(),
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

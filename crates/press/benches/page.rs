//! Drawing a page of fifteen pieces.
#![allow(clippy::unwrap_used, missing_docs)]

#[path = "../tests/shop/mod.rs"]
mod shop;

use compagina_core::ids::PieceId;
use compagina_core::page::{Kind, Op, Piece, Values, apply};
use compagina_core::situation::{Situation, StockMood};
use compagina_press::{Mode, Page, opening_selection, render};
use criterion::{Criterion, criterion_group, criterion_main};
use std::hint::black_box;

fn fifteen_pieces(criterion: &mut Criterion) {
    let (products, mut layouts) = shop::demo();
    let mut layout = layouts.remove(1);
    for (name, kind) in [("extra-1", Kind::StockLine), ("extra-2", Kind::Promises)] {
        let id = PieceId::try_from(name).unwrap();
        let at = layout.place_of(&layout.first_of(Kind::Price).unwrap().id).unwrap();
        apply(&mut layout, Op::AddPiece { piece: Piece { id, kind, values: Values::default() }, at })
            .unwrap();
    }
    assert_eq!(layout.pieces().count(), 15);
    let nav = shop::nav();
    let selection = opening_selection(&products[0], &layout);
    let situation = Situation { selection, quantity: 1, stock: StockMood::AsItIs };
    let page = Page {
        nav: &nav,
        product: &products[0],
        layout: &layout,
        related: &products[1..5],
        situation: &situation,
        mode: Mode::Shop,
        notice: None,
    };
    criterion.bench_function("press: a page of 15 pieces, 15 selections embedded", |bench| {
        bench.iter(|| render(black_box(&page)).unwrap());
    });
}

criterion_group!(benches, fifteen_pieces);
criterion_main!(benches);

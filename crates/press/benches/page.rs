//! Drawing a page of sixteen pieces.
#![allow(clippy::unwrap_used, missing_docs)]

#[path = "../tests/shop/mod.rs"]
mod shop;

use compagina_core::ids::PieceId;
use compagina_core::page::{Kind, Op, Piece, Values, apply};
use compagina_press::{Around, Mode, Page, render};
use criterion::{Criterion, criterion_group, criterion_main};
use std::hint::black_box;
use std::sync::Arc;

fn sixteen_pieces(criterion: &mut Criterion) {
    let (products, mut layouts) = shop::demo();
    let mut layout = layouts.remove(1);
    {
        let (name, kind) = ("extra-1", Kind::StockLine);
        let id = PieceId::try_from(name).unwrap();
        let at = layout.place_of(&layout.first_of(Kind::Price).unwrap().id).unwrap();
        apply(&mut layout, Op::AddPiece { piece: Piece { id, kind, values: Values::default() }, at })
            .unwrap();
    }
    assert_eq!(layout.pieces().count(), 16);
    let nav = shop::nav();
    let situation = shop::plain(&products[0], &layout);
    let around =
        Around { related: products[1..5].iter().cloned().map(Arc::new).collect(), ..Around::default() };
    let media = shop::media();
    let page = Page {
        nav: &nav,
        product: &products[0],
        layout: &layout,
        around: &around,
        media: &media,
        situation: &situation,
        mode: Mode::Shop,
        notice: None,
        only: None,
    };
    criterion.bench_function("press: a page of 16 pieces, 15 selections embedded", |bench| {
        bench.iter(|| render(black_box(&page)).unwrap());
    });
}

criterion_group!(benches, sixteen_pieces);
criterion_main!(benches);

//! A listing of 10,000 products, narrowed and counted.
#![allow(clippy::unwrap_used, missing_docs)]

use compagina_core::catalog::Tag;
use compagina_core::ids::{Handle, OptionId, SiblingsId, ValueId};
use compagina_core::listing::{ListingFacts, Order, Wanted, found};
use criterion::{Criterion, criterion_group, criterion_main};
use std::collections::{BTreeMap, BTreeSet};
use std::hint::black_box;

const MANY: u64 = 10_000;

struct Made {
    name: String,
    kind: Handle,
    tags: Vec<Tag>,
    values: Vec<(OptionId, ValueId)>,
}

/// Ten values of two options each, of forty and of twelve.
fn made(n: u64) -> Made {
    let value = |of: u64, at: u64, many: u64| (OptionId(of), ValueId(of * 100 + (n * 7 + at * 3) % many));
    Made {
        name: format!("Product {}", n * 7_919 % MANY),
        kind: Handle::try_from(format!("type-{}", n % 60)).unwrap(),
        tags: vec![format!("tag-{}", n % 90).into(), format!("tag-{}", n % 7).into()],
        values: (0..5).flat_map(|at| [value(1, at, 40), value(2, at, 12)]).collect(),
    }
}

fn listings(criterion: &mut Criterion) {
    let all: Vec<Made> = (0..MANY).map(made).collect();
    let mut facts = vec![];
    for (number, Made { name, kind, tags, values }) in (0_u64..).zip(&all) {
        let price = i64::try_from(number % 900).unwrap() * 100;
        let (in_stock, saves) = (number % 5 > 0, if number.is_multiple_of(4) { 20 } else { 0 });
        let stars = (number % 3 > 0).then_some(45);
        // A tenth of them stands on cards of five.
        let set = number.is_multiple_of(10).then_some((SiblingsId(number / 50), number as usize));
        facts.push(ListingFacts {
            name,
            number,
            kind,
            price,
            tags,
            values,
            in_stock,
            saves,
            stars,
            set,
            first: None,
        });
    }
    let colours = BTreeSet::from([ValueId(103), ValueId(110)]);
    let narrowed = Wanted {
        values: BTreeMap::from([(OptionId(1), colours), (OptionId(2), BTreeSet::from([ValueId(204)]))]),
        most: Some(40_000),
        in_stock: true,
        ..Wanted::default()
    };
    for (name, wanted) in [
        ("as it is", Wanted::default()),
        ("by name", Wanted { order: Some(Order::Name), ..Wanted::default() }),
        ("narrowed by four filters", narrowed),
    ] {
        criterion.bench_function(&format!("listing of 10,000, {name}"), |run| {
            run.iter(|| found(black_box(&facts), black_box(&wanted)));
        });
    }
}

criterion_group!(benches, listings);
criterion_main!(benches);

//! Which of 200 templates serves each of 100,000 products, with every kind of reach mixed.
#![allow(clippy::unwrap_used, missing_docs)]

use compagina_core::ids::{Handle, TemplateId};
use compagina_core::template::{Candidate, Feature, Index, ProductFacts, Reach, ReachRule};
use compagina_core::time::{Moment, Zone};
use criterion::{Criterion, criterion_group, criterion_main};
use std::hint::black_box;

fn handle(text: String) -> Handle {
    Handle::try_from(text).unwrap()
}

fn reach(n: u64) -> Reach {
    let some = |word: &str| handle(format!("{word}-{}", n % 40));
    let rule = match n % 6 {
        0 => ReachRule::Types { types: vec![some("type")] },
        1 => ReachRule::Tags { tags: vec![format!("tag-{}", n % 50).into()] },
        2 => ReachRule::Prices { least: Some(90_000 + i64::try_from(n).unwrap() * 10), most: Some(90_500) },
        3 => ReachRule::Has { features: vec![Feature::Plan, Feature::Pictures] },
        4 => ReachRule::Named,
        _ => ReachRule::All,
    };
    let named = |from: u64| (from..from + 20).map(|i| handle(format!("product-{i}"))).collect();
    Reach { also: named(n * 400), except: named(n * 300), ..rule.into() }
}

fn product(n: u64) -> ProductFacts {
    ProductFacts {
        handle: handle(format!("product-{n}")),
        kind: handle(format!("type-{}", n % 60)),
        tags: vec![format!("tag-{}", n % 900).into(), format!("tag-{}", n % 70).into()],
        price: i64::try_from(n % 1_000).unwrap() * 100,
        features: if n.is_multiple_of(9) {
            vec![Feature::Plan]
        } else {
            vec![Feature::Options, Feature::Pictures]
        },
    }
}

fn resolve(c: &mut Criterion) {
    let mut reaches = vec![Reach::fallback()];
    reaches.extend((1..200).map(reach));
    let products: Vec<_> = (0..100_000).map(product).collect();
    let zone = Zone::default();
    let mut group = c.benchmark_group("templates");
    group.sample_size(20);
    group.bench_function("200_templates_over_100000_products", |b| {
        b.iter(|| {
            let all = reaches.iter().zip(1..).map(|(reach, id)| Candidate { id: TemplateId(id), reach });
            let index = Index::new(all, Moment(0), &zone);
            black_box(products.iter().filter_map(|product| index.winner(product)).map(|id| id.0).sum::<u64>())
        });
    });
    group.finish();
}

criterion_group!(benches, resolve);
criterion_main!(benches);

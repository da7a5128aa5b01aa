//! What the demo's products are: facts and tags.

use crate::DemoProduct;
use compagina_core::catalog::Fact;

type Facts = &'static [(&'static str, &'static str)];

const FACTS: &[(&str, Facts, &[&str])] = &[
    (
        "whimbrel",
        &[
            ("Span", "1.6, 2.1 or 2.4 m"),
            ("Wind", "8 to 30 km/h"),
            ("Cloth", "Ripstop polyester, 42 g/m²"),
            ("Frame", "Fibreglass, 5 mm"),
            ("Lines", "Two of 25 m, 50 kg"),
            ("From age", "10"),
        ],
        &["two-line", "beginners"],
    ),
    (
        "whimbrel-mini",
        &[("Span", "1.2 m"), ("Wind", "12 to 35 km/h"), ("Packed", "62 cm"), ("Weight", "180 g")],
        &["two-line", "small"],
    ),
    (
        "dunlin",
        &[("Span", "2.4 m"), ("Wind", "6 to 35 km/h"), ("Frame", "Carbon, 6 mm"), ("Weight", "340 g")],
        &["two-line", "team"],
    ),
    ("turnstone", &[("Span", "2.0 m"), ("Wind", "10 to 40 km/h"), ("Frame", "Carbon, 5 mm")], &["two-line"]),
    (
        "plover",
        &[("Size", "74 × 90 cm"), ("Wind", "From a breath"), ("Tail", "3 m")],
        &["one-line", "beginners"],
    ),
    ("knot", &[("Size", "60 × 60 cm"), ("Wind", "6 to 20 km/h")], &["one-line", "small"]),
    (
        "braided-line",
        &[("Strength", "90 kg"), ("Thickness", "0.9 mm"), ("Material", "Polyethylene")],
        &["lines"],
    ),
    ("carbon-spar", &[("Material", "Wound carbon"), ("Straightness", "1 mm in a metre")], &["spares"]),
    (
        "sew-your-first-kite",
        &[("Where", "Our loft at the harbour"), ("People", "Six at most")],
        &["beginners"],
    ),
];

/// Gives every product its facts, tags and maker.
pub(crate) fn fill(products: &mut [DemoProduct]) {
    for made in products {
        let product = &mut made.product;
        let bought_in = product.handle.as_str() == "braided-line";
        product.brand = if bought_in { "Northrope".into() } else { "Marram & Gale".into() };
        let Some((_, facts, tags)) = FACTS.iter().find(|(handle, ..)| *handle == product.handle.as_str())
        else {
            continue;
        };
        let fact = |(name, value): &(&str, &str)| Fact { name: (*name).into(), value: (*value).into() };
        product.facts = facts.iter().map(fact).collect();
        product.tags = tags.iter().map(|tag| (*tag).into()).collect();
    }
}

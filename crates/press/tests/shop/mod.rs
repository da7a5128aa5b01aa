//! The demo shop's products and layouts as the catalogue would give them, with pictures that need no drawing.
#![allow(clippy::unwrap_used, dead_code, reason = "each test takes what it needs")]

pub mod bench;

use compagina_core::catalog::{
    NewProduct, Product, ProductOption, ProductValue, Rating, Review, Sibling, Siblings, Standing, Variant,
};
use compagina_core::house::House;
use compagina_core::ids::{Handle, OptionId, ProductId, SiblingsId, ValueId, VariantId};
use compagina_core::media::{Film, Picture, PictureSize, ShopMedia};
use compagina_core::money::Money;
use compagina_core::page::Layout;
use compagina_core::price::Prices;
use compagina_core::situation::Situation;
use compagina_core::swatch::SwatchSource;
use compagina_core::time::Day;
use compagina_core::wording::{Language, Words};
use compagina_demo::{DemoProduct, DemoShop, Drawing, demo_shop, siblings};
use compagina_press::{Assets, Nav, NavItem, Quiet, opening_selection};
use std::sync::{Arc, LazyLock};

/// The twelve products, and the layouts *All products* and *Sport kites*.
pub fn demo() -> (Vec<Product>, Vec<Layout>) {
    static DEMO: LazyLock<(Vec<Product>, Vec<Layout>)> = LazyLock::new(make_demo);
    DEMO.clone()
}

fn make_demo() -> (Vec<Product>, Vec<Layout>) {
    let shop = demo_shop(0).unwrap();
    let mut products: Vec<Product> =
        shop.products.iter().zip(1..).map(|(made, number)| product(&shop, made, number)).collect();
    join(&mut products);
    (products, shop.templates.into_iter().map(|t| t.layout).collect())
}

/// Joins the demo's siblings, each showing its first colour.
fn join(products: &mut [Product]) {
    for (set, id) in siblings().into_iter().zip(1..) {
        let member = |(handle, label): &(Handle, &str)| {
            let product = products.iter().find(|one| one.handle == *handle)?;
            let values = |option: &ProductOption| {
                (option.handle.clone(), option.values.iter().map(|value| value.handle.clone()).collect())
            };
            Some(Sibling {
                product: product.id,
                handle: product.handle.clone(),
                address: product.address.clone(),
                name: product.name.clone(),
                label: (*label).to_owned(),
                swatch: product.options.first()?.values.first()?.swatch.clone(),
                from: SwatchSource::Book,
                standing: Standing::of(product.state, product.variants.iter().any(|one| one.stock.is_in())),
                values: product.options.iter().map(values).collect(),
            })
        };
        let members: Vec<Sibling> = set.members.iter().filter_map(member).collect();
        let set = Siblings { id: SiblingsId(id), name: set.name.to_owned(), one_card: false, members };
        for one in
            products.iter_mut().filter(|one| set.members.iter().any(|sibling| sibling.product == one.id))
        {
            one.siblings.push(set.clone());
        }
    }
}

pub fn nav() -> Nav {
    static NAV: LazyLock<Nav> = LazyLock::new(make_nav);
    NAV.clone()
}

fn make_nav() -> Nav {
    let asset = |name: &str| format!("/shop/assets/{name}?v=0");
    Nav {
        shop: demo_shop(0).unwrap().shop,
        items: vec![NavItem { name: "Sport kites".into(), href: "/shop/types/sport-kites".into() }],
        words: Words::of(Language::En),
        house: House::default(),
        prices: Prices::default(),
        here: "/shop".into(),
        assets: Assets {
            style: asset("base.css"),
            script: asset("shop.js"),
            product: asset("product.js"),
            agent: asset("agent.js"),
            fonts: vec![],
        },
        cards: Arc::new(Quiet),
    }
}

fn product(shop: &DemoShop, made: &DemoProduct, number: u64) -> Product {
    let new: &NewProduct = &made.product;
    let money = |minor| Money::new(minor, shop.shop.currency);
    let variants = new.variants.iter().zip(1..).map(|(v, i)| Variant {
        id: VariantId(number * 1000 + i),
        sku: v.sku.clone(),
        values: v.values.clone(),
        price: v.price_minor.map(money),
        old_price: v.old_price_minor.map(money),
        stock: v.stock,
        picture: None,
        measure: v.measure,
    });
    Product {
        id: ProductId(number),
        handle: new.handle.clone(),
        address: new.handle.clone(),
        name: new.name.clone(),
        kind: new.kind.clone(),
        state: new.state,
        summary: new.summary.clone(),
        details: new.details.clone(),
        pictures: made
            .drawings
            .iter()
            .zip(1..)
            .map(|(d, i)| picture(shop, d, &format!("{number}-{i}")))
            .collect(),
        options: new.options.iter().map(|(o, values)| option(shop, o, values)).collect(),
        variants: variants.collect(),
        price: money(new.price_minor),
        old_price: new.old_price_minor.map(money),
        most_per_order: new.most_per_order,
        terms: new.terms.clone(),
        history: vec![],
        brand: new.brand.clone(),
        facts: new.facts.clone(),
        tags: new.tags.clone(),
        rating: rating(&new.reviews),
        reviews: new.reviews.clone(),
        siblings: vec![],
    }
}

fn rating(reviews: &[Review]) -> Rating {
    let mut rating = Rating::default();
    reviews.iter().for_each(|review| rating.counts[usize::from(review.stars) - 1] += 1);
    rating
}

/// Free pictures and a film, as the shop would have them.
pub fn media() -> ShopMedia {
    let size = |name: &str, width| PictureSize {
        hash: format!("{name}-{width}"),
        width,
        height: width * 3 / 4,
        bytes: width,
    };
    let picture = |name: &str, alt: &str| Picture {
        sizes: vec![size(name, 320), size(name, 720)],
        alt: alt.into(),
        ..Picture::default()
    };
    let film =
        Film { hash: "film".into(), width: 640, height: 480, poster: picture("poster", "A kite turning") };
    ShopMedia {
        pictures: [("seam", "A seam"), ("table", "The long table"), ("dunes", "Dunes")]
            .map(|(name, alt)| (name.to_owned(), picture(name, alt)))
            .into(),
        films: [("turning".to_owned(), film)].into(),
    }
}

pub fn day() -> Day {
    Day::try_from("2026-11-24".to_owned()).unwrap()
}

pub fn plain(product: &Product, layout: &Layout) -> Situation {
    let selection = opening_selection(product, layout);
    Situation { selection, ..Situation::plain(product.options.len(), day()) }
}

fn option(shop: &DemoShop, wanted: &Handle, values: &[Handle]) -> ProductOption {
    let (place, known) = shop
        .options
        .iter()
        .enumerate()
        .find(|(_, o)| Handle::from_text(&o.name).as_ref() == Some(wanted))
        .unwrap();
    let value = |handle: &Handle| {
        let id = value_id(shop, wanted, handle);
        let (name, swatch) = known
            .values
            .iter()
            .find(|(name, _)| Handle::from_text(name).as_ref() == Some(handle))
            .unwrap()
            .clone();
        let from = if swatch.is_some() { SwatchSource::Book } else { SwatchSource::Text };
        let swatch = swatch.unwrap_or_default();
        ProductValue { swatch, from, ..ProductValue::new(id, handle.clone(), name) }
    };
    let values = values.iter().map(value).collect();
    let id = OptionId(place as u64 + 1);
    let option = ProductOption::new(id, wanted.clone(), known.name.clone(), values);
    ProductOption { page: known.page, card: known.card, ..option }
}

fn value_id(shop: &DemoShop, option: &Handle, value: &Handle) -> ValueId {
    let is = |name: &str, handle: &Handle| Handle::from_text(name).as_ref() == Some(handle);
    let (place, known) = shop.options.iter().enumerate().find(|(_, o)| is(&o.name, option)).unwrap();
    let index = known.values.iter().position(|(name, _)| is(name, value)).unwrap();
    ValueId(place as u64 * 100 + index as u64 + 1)
}

fn picture(shop: &DemoShop, drawing: &Drawing, name: &str) -> Picture {
    let size =
        |width| PictureSize { hash: format!("picture-{name}-{width}"), width, height: width, bytes: width };
    Picture {
        sizes: vec![size(320), size(720)],
        alt: drawing.alt.clone(),
        values: drawing.values.iter().map(|(o, v)| value_id(shop, o, v)).collect(),
        focus: drawing.focus,
        ..Picture::default()
    }
}

/// So many pence.
pub fn pounds(minor: i64) -> Money {
    Money::new(minor, nav().shop.currency)
}

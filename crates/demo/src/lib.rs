//! The demo shop: Marram & Gale, kite makers. Everything in it is invented; its pictures are drawn by our own code.

mod cloth;
mod draw;
mod facts;
mod layouts;
pub mod media;
mod more;
mod options;
mod prices;
mod product;
mod products;
mod range;
mod reviews;
mod siblings;
mod terms;

use compagina_core::catalog::{NewOption, NewProduct, Shop};
use compagina_core::ids::Handle;
use compagina_core::media::Focus;
use compagina_core::money::{Currency, Locale, MoneyError};
use compagina_core::page::{Band, Layout, Op};
use compagina_core::template::Reach;

pub use options::swatch_files;
pub use prices::prices;
pub use siblings::{DemoSiblings, siblings};

/// The demo's owners: name, email, password.
pub const OWNERS: [(&str, &str, &str); 2] = [
    ("Isla Marram", "isla@marramandgale.example", "windward-and-lee"),
    ("Tomas Gale", "tomas@marramandgale.example", "reef-before-noon"),
];

/// A picture still to be drawn.
#[derive(Debug, Clone)]
pub struct Drawing {
    /// The name of the file as the owners would have called it.
    pub file_name: String,
    pub svg: String,
    pub alt: String,
    /// What must stay in sight where it is cropped.
    pub focus: Focus,
    /// Whether it is the first frame of the film of a turning kite.
    pub is_film: bool,
    /// Option and value to which it belongs.
    pub values: Vec<(Handle, Handle)>,
}

/// A product and its drawings.
#[derive(Debug, Clone)]
pub struct DemoProduct {
    pub product: NewProduct,
    pub drawings: Vec<Drawing>,
}

/// What something cost until some days ago.
#[derive(Debug, Clone)]
pub struct PastPrice {
    pub product: Handle,
    pub days_ago: u32,
    pub was_minor: i64,
}

/// A template of the demo shop.
#[derive(Debug, Clone)]
pub struct DemoTemplate {
    pub name: &'static str,
    pub reach: Reach,
    pub layout: Layout,
    /// Steps on its draft that aren't live.
    pub later: Vec<Op>,
}

/// Everything that the demo shop starts with.
pub struct DemoShop {
    pub shop: Shop,
    pub options: Vec<NewOption>,
    pub products: Vec<DemoProduct>,
    pub templates: Vec<DemoTemplate>,
    /// Kept bands by their names; the first has the number 1.
    pub kept: Vec<(&'static str, Band)>,
    pub past_prices: Vec<PastPrice>,
}

/// Makes the demo shop, and `more` products of the same shapes by rule.
pub fn demo_shop(more: u32) -> Result<DemoShop, MoneyError> {
    let mut products = products::all();
    products.extend(more::by_rule(&products, more));
    Ok(DemoShop {
        shop: Shop {
            name: "Marram & Gale".into(),
            currency: Currency::from_code("GBP")?,
            locale: Locale::EnGb,
        },
        options: options::all(),
        products,
        templates: layouts::all(),
        kept: vec![("How we sew", layouts::how_we_sew())],
        past_prices: terms::past_prices(),
    })
}

/// A handle written in this crate's own code; the tests read them all.
#[expect(clippy::expect_used, reason = "only texts of this crate come here")]
fn handle(text: &str) -> Handle {
    Handle::from_text(text).expect("a name with letters in it")
}

#[cfg(test)]
mod tests {
    use super::*;
    use compagina_core::page::op::check;
    use std::collections::BTreeSet;

    #[test]
    fn every_layout_of_the_demo_is_sound() {
        for template in demo_shop(0).unwrap().templates {
            assert_eq!(check(&template.layout), Ok(()), "{}", template.name);
        }
    }

    #[test]
    fn handles_and_stock_numbers_are_used_once_however_many_products_there_are() {
        let shop = demo_shop(300).unwrap();
        let handles: BTreeSet<_> = shop.products.iter().map(|p| p.product.handle.clone()).collect();
        assert_eq!(handles.len(), 328);
        let skus: Vec<_> =
            shop.products.iter().flat_map(|p| p.product.variants.iter().map(|v| &v.sku)).collect();
        assert_eq!(skus.iter().collect::<BTreeSet<_>>().len(), skus.len());
    }

    #[test]
    fn products_use_only_options_and_values_that_the_shop_has() {
        let shop = demo_shop(0).unwrap();
        for DemoProduct { product, drawings } in &shop.products {
            for (option, values) in &product.options {
                let known = shop.options.iter().find(|o| handle(&o.name) == *option).expect("an option");
                for value in values {
                    assert!(known.values.iter().any(|(name, _)| handle(name) == *value), "{value}");
                }
            }
            for variant in &product.variants {
                assert_eq!(variant.values.len(), product.options.len(), "{}", variant.sku);
            }
            assert!(drawings.iter().all(|d| !d.alt.is_empty()));
        }
        let types: BTreeSet<_> = shop.products.iter().map(|p| p.product.kind.handle.clone()).collect();
        assert!(types.len() >= 4);
    }
}

//! How a product of the demo is put together.

use crate::cloth::cloth;
use crate::draw::{self, Make};
use crate::{DemoProduct, Drawing, handle};
use compagina_core::catalog::{
    Detail, Measure, NewProduct, NewVariant, ProductState, ProductType, Stock, Terms,
};
use compagina_core::media::Focus;

pub(crate) fn product(
    kind: &str,
    name: &str,
    price_minor: i64,
    summary: &str,
    details: &[(&str, &str)],
) -> NewProduct {
    let detail = |(title, text): &(&str, &str)| Detail { title: (*title).into(), text: (*text).into() };
    NewProduct {
        handle: handle(name),
        kind: ProductType { handle: handle(kind), name: kind.into() },
        name: name.into(),
        state: ProductState::OnSale,
        summary: summary.into(),
        details: details.iter().map(detail).collect(),
        price_minor,
        old_price_minor: None,
        most_per_order: None,
        terms: Terms::default(),
        options: vec![],
        variants: vec![],
        pictures: vec![],
        brand: String::new(),
        facts: vec![],
        tags: vec![],
        reviews: vec![],
    }
}

impl DemoProduct {
    pub(crate) fn with_options(mut self, options: &[(&str, &[&str])]) -> Self {
        let uses =
            |(option, values): &(&str, &[&str])| (handle(option), values.iter().map(|v| handle(v)).collect());
        self.product.options = options.iter().map(uses).collect();
        self
    }

    /// A variant by the places of its values; `None` is any.
    pub(crate) fn variant(
        mut self,
        sku: &str,
        values: &[Option<u16>],
        stock: Stock,
        price_minor: Option<i64>,
    ) -> Self {
        let (sku, values) = (sku.to_owned(), values.to_vec());
        self.product.variants.push(NewVariant {
            sku,
            values,
            price_minor,
            old_price_minor: None,
            stock,
            measure: None,
        });
        self
    }

    /// How much there is in the last variant.
    pub(crate) fn measure(mut self, text: &str) -> Self {
        if let Some(last) = self.product.variants.last_mut() {
            last.measure = Measure::try_from(text.to_owned()).ok();
        }
        self
    }

    pub(crate) fn picture(mut self, svg: String, alt: &str, colour: Option<&str>) -> Self {
        let values = colour.map(|c| (handle("Colour"), handle(c))).into_iter().collect();
        let number = self.drawings.len() + 1;
        let of = colour.map_or(String::new(), |colour| format!(" {colour}"));
        let file_name = format!("{}{of} {number}.svg", self.product.handle);
        let (alt, focus) = (alt.into(), Focus::default());
        self.drawings.push(Drawing { file_name, svg, alt, values, focus, is_film: false });
        self
    }

    /// The point of the last picture that must stay in sight, in thousandths.
    pub(crate) fn focus(mut self, x: u16, y: u16) -> Self {
        if let Some(last) = self.drawings.last_mut() {
            last.focus = Focus { x, y };
        }
        self
    }

    /// The film of a turning kite.
    pub(crate) fn film(self, alt: &str) -> Self {
        let mut made = self.picture(crate::media::poster().svg, alt, None);
        if let Some(last) = made.drawings.last_mut() {
            last.is_film = true;
        }
        made
    }

    /// The pictures of a kite in one colour: in the air, on the sand, its seam.
    pub(crate) fn kite_pictures(self, make: Make, colour: &'static str, seed: u32) -> Self {
        let (cloth, name) = (cloth(colour), self.product.name.clone());
        self.picture(
            draw::flying(make, cloth, seed),
            &format!("{name} in {colour}, flying over the dunes"),
            Some(colour),
        )
        .focus(draw::sail_of(make).0, draw::sail_of(make).1)
        .picture(
            draw::on_sand(make, cloth, seed),
            &format!("{name} in {colour}, laid out on sand"),
            Some(colour),
        )
        .picture(draw::seam(cloth), &format!("A double seam on {colour} cloth"), Some(colour))
    }
}

pub(crate) fn new(product: NewProduct) -> DemoProduct {
    DemoProduct { product, drawings: vec![] }
}

pub(crate) const SENDING: (&str, &str) = (
    "Sending and returns",
    "We send from our loft within two days, in a cardboard tube that we are glad to have back.\n\nYou have sixty days to send a kite back, flown or not, as long as it is whole.",
);

use super::{day, demo, media, nav};
use compagina_core::catalog::Product;
use compagina_core::choice::Selection;
use compagina_core::page::{Device, Kind, Layout, Op, SetValue, Target, apply};
use compagina_core::situation::Situation;
use compagina_press::{Around, Mode, Page, entry_for, opening_selection, render};
use std::collections::BTreeMap;
use std::sync::Arc;

/// A page with a kite that can be changed before it is drawn.
pub struct Bench {
    pub product: Product,
    pub layout: Layout,
    pub quantity: u32,
    pub choice: Option<&'static str>,
    pub related: Vec<Arc<Product>>,
}

impl Bench {
    pub fn new() -> Self {
        let (mut products, mut layouts) = demo();
        let layout = layouts.remove(1);
        let related = products.split_off(1).into_iter().map(Arc::new).collect();
        Self { product: products.remove(0), layout, quantity: 1, choice: None, related }
    }
    pub fn set(mut self, kind: Kind, setting: &str, value: impl Into<Given>) -> Self {
        self.on(kind, setting, Device::Wide, value.into().0);
        self
    }
    pub fn set_on_phones(mut self, kind: Kind, setting: &str, value: impl Into<Given>) -> Self {
        self.on(kind, setting, Device::Phone, value.into().0);
        self
    }
    pub fn on(&mut self, kind: Kind, setting: &str, device: Device, value: SetValue) {
        let target = Target::Piece(self.layout.first_of(kind).unwrap().id.clone());
        let op = Op::Set { target, setting: setting.into(), device, value: Some(value) };
        apply(&mut self.layout, op).unwrap();
    }
    pub fn choosing(mut self, choice: &'static str) -> Self {
        self.choice = Some(choice);
        self
    }
    pub fn situation(&self) -> Situation {
        let pairs = |choice: &'static str| choice.split('&').filter_map(|pair| pair.split_once('='));
        let selection = match self.choice {
            Some(choice) => Selection::from_pairs(&self.product, pairs(choice)).0,
            None => opening_selection(&self.product, &self.layout),
        };
        let plain = Situation::plain(self.product.options.len(), day());
        Situation { selection, quantity: self.quantity, ..plain }
    }
    /// Does something with the page.
    pub fn with<T>(&self, then: impl FnOnce(&Page<'_>) -> T) -> T {
        let nav = nav();
        then(&Page {
            nav: &nav,
            product: &self.product,
            layout: &self.layout,
            around: &Around { related: self.related.clone(), ..Around::default() },
            media: &media(),
            situation: &self.situation(),
            mode: Mode::Shop,
            notice: None,
            only: None,
        })
    }
    pub fn html(&self) -> String {
        self.with(render).unwrap()
    }
    /// The HTML of one piece.
    pub fn piece(&self, class: &str) -> String {
        let html = self.html();
        let Some((_, rest)) = html.split_once(&format!("class=\"piece {class}\"")) else {
            return String::new();
        };
        let end = rest.find("class=\"piece ").or(rest.find("</section>")).unwrap_or(rest.len());
        rest[..end].to_owned()
    }
    pub fn say(&self) -> BTreeMap<String, String> {
        entry_for(&nav(), &self.product, &self.layout, &self.situation()).unwrap().say
    }
}

pub struct Given(SetValue);
impl From<&str> for Given {
    fn from(text: &str) -> Self {
        Self(SetValue::Text(text.into()))
    }
}
impl From<i64> for Given {
    fn from(number: i64) -> Self {
        Self(SetValue::Number(number))
    }
}
impl From<bool> for Given {
    fn from(flag: bool) -> Self {
        Self(SetValue::Flag(flag))
    }
}
impl From<&[&str]> for Given {
    fn from(lines: &[&str]) -> Self {
        Self(SetValue::Lines(lines.iter().map(|l| (*l).to_owned()).collect()))
    }
}

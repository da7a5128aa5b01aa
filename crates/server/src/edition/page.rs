//! A product's page as it is asked for: the layout that serves it, and what its address chooses.

use super::everywhere::Everywhere;
use super::live::{Live, LivePage};
use super::pages::{Asked, MadeOf};
use crate::error::ApiResult;
use crate::known::Known;
use crate::reading::{Reading, Side, live_nav, today};
use crate::state::State;
use actix_web::web::Query;
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, UnknownChoice};
use compagina_core::page::{Layout, Rule};
use compagina_core::price::{Moment, PlanId};
use compagina_core::situation::Situation;
use compagina_core::wording::Arg;
use compagina_press::{Mode, Nav, Notice, Page, opening_selection, render};

pub type Pairs = Vec<(String, String)>;

/// Longer queries aren't kept ready: they are nobody's link.
const LONGEST_QUERY: usize = 300;

/// A page before it is drawn.
pub struct Laid {
    pub situation: Situation,
    /// Whether it differs with what is in the cart.
    pub asks_for_cart: bool,
    nav: Nav,
    layout: Layout,
    notice: Option<Notice>,
    /// Whether its address is one that many may ask for.
    common: bool,
    until: Option<Moment>,
}

/// Lays a product's page with what an edition knows.
pub fn lay(
    state: &State,
    everywhere: &Everywhere,
    live: &Live,
    product: &Product,
    asked: &Asked,
) -> ApiResult<Laid> {
    let pairs: Pairs = Query::from_query(&asked.query).map(Query::into_inner).unwrap_or_default();
    let LivePage { template, layout, until } = live.page(product)?;
    let (situation, unknown) = situation(product, &layout, &pairs);
    let reading =
        Reading { language: asked.language, side: Side::Live, template: Some(template), here: asked.here() };
    let nav = live_nav(state, everywhere, &reading);
    let notice = notice(&nav, &pairs, &unknown);
    // Only addresses that name nothing but choices are kept, or strange ones would push them out.
    let common = notice.is_none()
        && situation.quantity == product.terms.first()
        && asked.query.len() <= LONGEST_QUERY
        && pairs.iter().all(|(name, _)| product.options.iter().any(|o| o.handle.as_str() == name));
    let asks_for_cart = layout.rules().any(Rule::asks_for_cart);
    Ok(Laid {
        situation,
        asks_for_cart,
        until: nav.prices.next_change().into_iter().chain(until).min(),
        nav,
        layout,
        notice,
        common,
    })
}

impl Laid {
    pub fn draw(&self, everywhere: &Everywhere, known: &Known) -> ApiResult<String> {
        Ok(render(&Page {
            nav: &self.nav,
            product: &known.product,
            layout: &self.layout,
            around: &known.around,
            media: &everywhere.media,
            situation: &self.situation,
            mode: Mode::Shop,
            notice: self.notice.as_ref(),
            only: None,
        })?)
    }

    /// What it is made of, where it is the same for all who ask so.
    pub fn keeps(&self, known: &Known) -> Option<MadeOf> {
        let day = || self.layout.rules().any(Rule::asks_for_day).then(|| self.situation.day.clone());
        let of = || MadeOf { products: known.made_of.clone(), day: day(), until: self.until };
        (self.common && !self.asks_for_cart).then(of)
    }
}

pub fn situation(product: &Product, layout: &Layout, pairs: &Pairs) -> (Situation, Vec<UnknownChoice>) {
    let text = || pairs.iter().map(|(name, value)| (name.as_str(), value.as_str()));
    let (selection, unknown) = Selection::from_pairs(product, text());
    let chosen = selection.chosen().next().is_some();
    let selection = if chosen { selection } else { opening_selection(product, layout) };
    let quantity = text().find(|(name, _)| *name == "quantity").and_then(|(_, n)| n.parse().ok());
    let first = product.terms.first();
    let quantity = quantity.unwrap_or(first).clamp(1, 99);
    let plain = Situation::plain(product.options.len(), today());
    let plan = plan_of(text());
    (Situation { selection, quantity, plan, ..plain }, unknown)
}

/// The plan that a form or an address names; none for once.
pub fn plan_of<'a>(mut pairs: impl Iterator<Item = (&'a str, &'a str)>) -> Option<PlanId> {
    let (_, number) = pairs.find(|(name, _)| *name == "plan")?;
    number.parse().ok().filter(|number| *number > 0).map(PlanId)
}

fn notice(nav: &Nav, pairs: &Pairs, unknown: &[UnknownChoice]) -> Option<Notice> {
    if pairs.iter().any(|(name, _)| name == "added") {
        return Some(Notice { text: nav.words.say("added"), leads: Some(("/shop/cart", "see-cart")) });
    }
    if pairs.iter().any(|(name, _)| name == "kept") {
        return Some(Notice { text: nav.words.say("wish-kept"), leads: Some(("/shop/wishes", "wish-see")) });
    }
    let choice = unknown.first()?;
    let text = nav.words.say_with("gone-choice", &[("value", Arg::Text(&choice.value))]);
    Some(Notice { text, leads: None })
}

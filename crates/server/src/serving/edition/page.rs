//! A product's page as it is asked for: the layout that serves it, and what its address chooses.

use super::everywhere::Everywhere;
use super::live::{Live, LivePage};
use super::pages::{Asked, MadeOf};
use crate::error::ApiResult;
use crate::serving::Serving;
use crate::serving::known::{Known, known_or_sample};
use crate::serving::reading::{Reading, Side, live_nav};
use crate::serving::related::{AroundPage, around_page};
use actix_web::web::Query;
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, UnknownChoice, opened};
use compagina_core::page::{Layout, Purpose, Rule};
use compagina_core::price::{PlanId, Prices};
use compagina_core::situation::Situation;
use compagina_core::time::{Day, Moment};
use compagina_core::wording::Arg;
use compagina_press::{Around, Mode, Nav, Notice, Page, opening_selection, render};
use std::sync::Arc;

pub type Pairs = Vec<(String, String)>;

/// Longer queries aren't kept ready: they are nobody's link.
pub const LONGEST_QUERY: usize = 300;

/// With what a product's page is made: the layout that serves it, and what surrounds it, all of one edition.
pub struct Served {
    pub layout: Layout,
    pub nav: Nav,
    pub everywhere: Arc<Everywhere>,
}

impl Served {
    /// In the edition that shoppers see now.
    pub async fn now(serving: &Serving, product: &Product, reading: Reading) -> ApiResult<Self> {
        let edition = serving.editions.current();
        let (everywhere, live) = (edition.everywhere(serving).await?, edition.live(serving).await?);
        Ok(Self::of(serving, everywhere, live, product, reading)?.0)
    }

    /// With what an edition knows, and from when on another template may serve the product.
    fn of(
        serving: &Serving,
        everywhere: &Arc<Everywhere>,
        live: &Arc<Live>,
        product: &Product,
        reading: Reading,
    ) -> ApiResult<(Self, Option<Moment>)> {
        let LivePage { template, layout, until } = live.page(product)?;
        let nav = live_nav(serving, (everywhere, live), &reading.under(template));
        Ok((Self { layout, nav, everywhere: everywhere.clone() }, until))
    }

    /// The page of a product that was just read.
    pub async fn draw(
        &self,
        serving: &Serving,
        product: &Product,
        situation: &Situation,
        mode: Mode,
        notice: Option<&Notice>,
    ) -> ApiResult<String> {
        let known = known_or_sample(serving, product.handle.as_str()).await?;
        let around = around_page(serving, &known, &self.layout).await?.around;
        self.render(product, &around, situation, mode, notice)
    }

    /// The same with what stands around it.
    pub fn render(
        &self,
        product: &Product,
        around: &Around,
        situation: &Situation,
        mode: Mode,
        notice: Option<&Notice>,
    ) -> ApiResult<String> {
        let (nav, layout, media) = (&self.nav, &self.layout, &self.everywhere.media);
        Ok(render(&Page { nav, product, layout, around, media, situation, mode, notice, only: None })?)
    }
}

/// A page as its address asks for it, before it is drawn.
pub struct Laid {
    pub situation: Situation,
    /// Whether it differs with what is in the cart.
    pub asks_for_cart: bool,
    served: Served,
    notice: Option<Notice>,
    /// Whether its address is one that many may ask for.
    common: bool,
    until: Option<Moment>,
}

/// Lays a product's page with what an edition knows.
pub fn lay(
    serving: &Serving,
    everywhere: &Arc<Everywhere>,
    live: &Arc<Live>,
    product: &Product,
    asked: &Asked,
) -> ApiResult<Laid> {
    let pairs: Pairs = Query::from_query(&asked.query).map(Query::into_inner).unwrap_or_default();
    let reading = Reading { language: asked.language, side: Side::Live, template: None, here: asked.here() };
    let (served, until) = Served::of(serving, everywhere, live, product, reading)?;
    let prices = &served.nav.prices;
    let (situation, unknown) = situation(product, &served.layout, &pairs, prices.today());
    let notice = notice(&served.nav, &pairs, &unknown);
    // Only addresses that name nothing but choices are kept, or strange ones would push them out.
    let common = notice.is_none()
        && situation.quantity == product.terms.first()
        && asked.query.len() <= LONGEST_QUERY
        && pairs.iter().all(|(name, _)| product.options.iter().any(|o| o.handle.as_str() == name));
    let asks_for_cart = served.layout.rules().any(Rule::asks_for_cart);
    let midnight = served.layout.rules().any(Rule::asks_for_day).then(|| prices.tomorrow());
    // Cards stand on pages, too.
    let until = cards_hold_until(live, prices).into_iter().chain(until).chain(midnight).min();
    Ok(Laid { situation, asks_for_cart, served, notice, common, until })
}

/// The moment from which cards may be others.
pub fn cards_hold_until(live: &Live, prices: &Prices) -> Option<Moment> {
    let mut rules = live.all_of(Purpose::Card).iter().flat_map(|card| card.layout.rules());
    let midnight = rules.any(Rule::asks_for_day).then(|| prices.tomorrow());
    prices.next_change().into_iter().chain(live.next_change()).chain(midnight).min()
}

impl Laid {
    /// What stands around the product on it.
    pub async fn around(&self, serving: &Serving, known: &Known) -> ApiResult<AroundPage> {
        around_page(serving, known, &self.served.layout).await
    }

    pub fn draw(&self, known: &Known, page: &AroundPage, mode: Mode) -> ApiResult<String> {
        let notice = self.notice.as_ref();
        self.served.render(&known.product, &page.around, &self.situation, mode, notice)
    }

    pub fn made_of(&self, known: &Arc<Known>, page: AroundPage) -> MadeOf {
        let AroundPage { made_of: beside, open, until, .. } = page;
        let until = self.until.into_iter().chain(until).min();
        MadeOf { known: Some(known.clone()), beside, open, until }
    }

    /// Whether it is the same for all who ask so.
    pub fn is_common(&self) -> bool {
        self.common && !self.asks_for_cart
    }
}

pub fn situation(
    product: &Product,
    layout: &Layout,
    pairs: &Pairs,
    day: Day,
) -> (Situation, Vec<UnknownChoice>) {
    let text = || pairs.iter().map(|(name, value)| (name.as_str(), value.as_str()));
    let (named, unknown) = Selection::from_pairs(product, text());
    let selection = opened(product, &opening_selection(product, layout), &named);
    let quantity = text().find(|(name, _)| *name == "quantity").and_then(|(_, n)| n.parse().ok());
    let first = product.terms.first();
    let quantity = quantity.unwrap_or(first).clamp(1, 99);
    let plain = Situation::plain(product.options.len(), day);
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

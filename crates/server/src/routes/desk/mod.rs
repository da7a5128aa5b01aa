//! The desk: a template under composition.

pub mod departures;
pub mod history;
pub mod impact;
pub mod keep;
pub mod kept;
pub mod leaf;
pub mod media;
pub mod operate;
pub mod presence;
pub mod preview;
pub mod proof;
pub mod publish;
pub mod show;
pub mod situation;
pub mod slip;
pub mod starter;
pub mod tidy;

use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::pages::PageView;
use crate::routes::prices::draft_now;
use crate::serving::edition::{everywhere, listed};
use crate::serving::known::{Known, known_or_sample};
use crate::serving::listed::listed_around;
use crate::state::State;
use crate::visit::{Under, Visit};
use compagina_core::choice::Selection;
use compagina_core::ids::PieceId;
use compagina_core::page::starter::{empty, prompting};
use compagina_core::page::{Difference, Layout, Purpose, Whom, differences};
use compagina_core::price::{PlanId, Prices};
use compagina_core::situation::{CartMood, SaleMood, Situation, StockMood};
use compagina_core::style::hint;
use compagina_core::template::{OnScreen, band_name, compose, tell};
use compagina_core::time::Day;
use compagina_core::wording::Language;
use compagina_press::{Around, opening_selection};
use compagina_storage::{History, Moment, TemplateRow};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use std::sync::Arc;
use utoipa::{IntoParams, ToSchema};

/// The draft as it is after a step.
#[derive(Serialize, ToSchema)]
pub struct DraftView {
    pub revision: u64,
    pub layout: Layout,
    /// A few words for each piece's line in the order, by its name.
    pub hints: BTreeMap<String, String>,
    /// What an owner calls each band, by its name.
    pub bands: BTreeMap<String, String>,
    /// In how much it differs from what shoppers see, and that in sentences.
    pub changes: usize,
    pub not_live: Vec<String>,
    pub can_undo: bool,
    pub can_redo: bool,
    /// Whether shoppers see the template at all.
    pub live: bool,
    /// Pieces that still say what a starter wrote into them.
    pub prompting: Vec<PieceId>,
    /// The page after the step, where it was asked for.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub proof: Option<PageView>,
    /// The same: on which screens its pieces are hidden, or shown because a type or a product says so.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub on_screens: Option<Vec<OnScreen>>,
}

async fn draft_view(state: &State, template: &TemplateRow, history: History) -> ApiResult<DraftView> {
    let published = template.published.clone().unwrap_or_else(|| empty(template.purpose()));
    let changes = differences(&published, &template.draft);
    Ok(DraftView {
        revision: template.revision,
        layout: template.draft.clone(),
        hints: template.draft.pieces().map(|p| (p.id.to_string(), hint(p))).collect(),
        bands: template.draft.bands.iter().map(|band| (band.id.to_string(), band_name(band))).collect(),
        not_live: told(state, &changes, &template.draft).await?,
        changes: changes.len(),
        can_undo: history.undo > 0,
        can_redo: history.redo > 0,
        live: template.published.is_some(),
        prompting: prompting(&template.draft),
        proof: None,
        on_screens: None,
    })
}

/// Differences in sentences, in which products and types are called by their names; one that is gone by its handle.
async fn told(state: &State, changes: &[Difference], after: &Layout) -> ApiResult<Vec<String>> {
    let departs = changes.iter().any(|change| matches!(change, Difference::Departed { .. }));
    let (products, types) = match departs {
        true => (Some(listed(state).await?), state.store.types().await?),
        false => (None, vec![]),
    };
    Ok(tell(changes, after, |whom| match whom {
        Whom::Product(handle) => {
            let mut all = products.iter().flat_map(|all| all.iter());
            let one = all.find(|one| one.facts.handle == *handle);
            one.map_or_else(|| handle.to_string(), |one| one.name.clone())
        }
        Whom::Type(handle) => {
            let one = types.iter().find(|one| one.kind.handle == *handle);
            one.map_or_else(|| handle.to_string(), |one| one.kind.name.clone())
        }
    }))
}

/// Which price rules a proof goes by.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum PricesMood {
    /// Those in force.
    #[default]
    AsItIs,
    /// The draft, as if it came into force now.
    Draft,
}

/// The situation under which the desk looks at a product.
#[derive(Debug, Clone, Deserialize, IntoParams, ToSchema)]
pub struct Look {
    product: String,
    /// The choice as an address names it: `colour=ember&sail=2-1-m`; without one the page opens as for a shopper.
    choice: Option<String>,
    #[serde(default)]
    stock: StockMood,
    #[serde(default)]
    sale: SaleMood,
    #[serde(default)]
    coming_soon: bool,
    #[serde(default)]
    cart: CartMood,
    /// What else the cart holds, by its handle, where it holds something else; anything without one.
    cart_product: Option<String>,
    /// How many pieces of it; one without a number.
    cart_pieces: Option<u32>,
    #[serde(default)]
    prices: PricesMood,
    /// As `2026-11-24`; today without one.
    day: Option<String>,
    quantity: Option<u32>,
    /// By which plan it is bought; once without one.
    plan: Option<u64>,
    #[serde(default)]
    language: Language,
    /// The page that the asker has, by its name: where the page comes with an answer, what differs from it is enough.
    has: Option<String>,
}

impl Look {
    fn under(&self) -> Under {
        let (cart_product, cart_pieces) = (self.cart_product.clone(), self.cart_pieces);
        Under { quantity: self.quantity, cart: self.cart, cart_product, cart_pieces }
    }
}

/// A page as the desk looks at it.
struct Seen {
    known: Arc<Known>,
    /// What stands around a card in its listing, where one is looked at.
    around: Option<Around>,
    /// With all that the product and its type keep different.
    layout: Layout,
    situation: Situation,
    /// For the cart of the situation.
    prices: Prices,
}

/// Finds the product, its page and the situation.
async fn look(state: &State, template: &Layout, look: &Look) -> ApiResult<Seen> {
    let known = known_or_sample(state, &look.product).await?;
    let product = &known.product;
    let visit = Visit::of(state, &look.under()).await?;
    let layout = compose(template, &product.kind.handle, &product.handle);
    let prices = match look.prices {
        PricesMood::AsItIs => everywhere(state).await?.prices.at(now()),
        PricesMood::Draft => draft_now(state).await?,
    };
    let day = look.day.clone().filter(|day| !day.is_empty()).map(Day::try_from);
    let day = day.transpose().map_err(ApiError::refused)?.unwrap_or_else(|| prices.today());
    let mut situation = Situation {
        selection: Selection::none(product.options.len()),
        quantity: visit.quantity(product),
        stock: look.stock,
        sale: look.sale,
        coming_soon: look.coming_soon,
        cart: visit.facts(product),
        day,
        plan: look.plan.filter(|plan| *plan > 0).map(PlanId),
        text: String::new(),
    };
    situation.selection = match &look.choice {
        Some(choice) => {
            let pairs = choice.split('&').filter_map(|pair| pair.split_once('='));
            Selection::from_pairs(product, pairs).0
        }
        None => opening_selection(&situation.apply(product), &layout),
    };
    let prices = visit.prices(&prices, product, &situation.selection)?.into_owned();
    let around = match layout.purpose {
        Purpose::Card => Some(listed_around(state, product).await?),
        Purpose::Page => None,
    };
    Ok(Seen { known, around, layout, situation, prices })
}

/// A moment of a template's history as an address names it: `now`, `edit-12`, `publication-3`.
fn moment(text: &str) -> ApiResult<Moment> {
    let number = |text: &str| text.parse().ok();
    let found = match text.split_once('-') {
        None if text == "now" => Some(Moment::Now),
        Some(("edit", id)) => number(id).map(Moment::Edit),
        Some(("publication", id)) => number(id).map(Moment::Publication),
        _ => None,
    };
    found.ok_or_else(|| ApiError::no_such("moment"))
}

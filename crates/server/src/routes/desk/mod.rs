//! The desk: a template under composition.

pub mod operate;
pub mod proof;
pub mod publish;
pub mod show;
pub mod situation;
pub mod slip;

use crate::error::{ApiError, ApiResult};
use crate::state::State;
use compagina_core::catalog::Product;
use compagina_core::choice::Selection;
use compagina_core::ids::Handle;
use compagina_core::page::piece::hint;
use compagina_core::page::{Difference, Layout, differences};
use compagina_core::situation::{Situation, StockMood};
use compagina_press::opening_selection;
use compagina_storage::{History, TemplateRow};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use utoipa::{IntoParams, ToSchema};

/// The draft as it is after a step.
#[derive(Serialize, ToSchema)]
pub struct DraftView {
    pub revision: u64,
    pub layout: Layout,
    /// A few words for each piece's line in the order, by its name.
    pub hints: BTreeMap<String, String>,
    /// What shoppers don't see yet.
    pub not_live: Vec<Difference>,
    pub can_undo: bool,
    pub can_redo: bool,
}

fn draft_view(template: &TemplateRow, history: History) -> DraftView {
    let published = template.published.clone().unwrap_or_default();
    DraftView {
        revision: template.revision,
        layout: template.draft.clone(),
        hints: template.draft.pieces().map(|p| (p.id.to_string(), hint(p))).collect(),
        not_live: differences(&published, &template.draft),
        can_undo: history.undo > 0,
        can_redo: history.redo > 0,
    }
}

/// The situation under which the desk looks at a product.
#[derive(Debug, Deserialize, IntoParams)]
pub struct Look {
    product: String,
    /// The choice as an address names it: `colour=ember&sail=2-1-m`; without one the page opens as for a shopper.
    choice: Option<String>,
    #[serde(default)]
    stock: StockMood,
    quantity: Option<u32>,
}

/// Finds the product and works out the situation.
async fn look(state: &State, layout: &Layout, look: &Look) -> ApiResult<(Product, Situation)> {
    let handle = Handle::try_from(look.product.as_str()).map_err(|_| ApiError::no_such("product"))?;
    let product = state.store.product(&handle).await?.ok_or_else(|| ApiError::no_such("product"))?;
    let mut situation = Situation {
        selection: Selection::none(product.options.len()),
        quantity: look.quantity.unwrap_or(1).clamp(1, 99),
        stock: look.stock,
    };
    situation.selection = match &look.choice {
        Some(choice) => {
            let pairs = choice.split('&').filter_map(|pair| pair.split_once('='));
            Selection::from_pairs(&product, pairs).0
        }
        None => opening_selection(&situation.apply(&product), layout),
    };
    Ok((product, situation))
}

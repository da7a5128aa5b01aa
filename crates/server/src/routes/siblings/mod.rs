//! Products that belong together: proposed, made, changed, let go.

pub mod propose;
pub mod set;
pub mod show;

use crate::error::{ApiError, ApiResult};
use crate::serving::edition::listed;
use crate::state::State;
use compagina_core::catalog::journal::{SiblingRow, SiblingsRow};
use compagina_core::catalog::{Sibling, Siblings, Standing};
use compagina_core::ids::{Handle, ProductId, SiblingsId};
use compagina_core::swatch::{Swatch, SwatchSource};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use utoipa::ToSchema;

/// A set of siblings.
#[derive(Serialize, ToSchema)]
pub struct SiblingsView {
    id: SiblingsId,
    name: String,
    /// Whether listings show one card for all of them.
    one_card: bool,
    members: Vec<SiblingView>,
}

#[derive(Serialize, ToSchema)]
pub struct SiblingView {
    /// The product, by its handle.
    product: Handle,
    name: String,
    label: String,
    /// What is shown.
    swatch: Swatch,
    /// Where that comes from; the product where its owner chose it.
    from: SwatchSource,
    /// How it stands, in words; nothing where it is simply on sale.
    says: &'static str,
}

impl From<Sibling> for SiblingView {
    fn from(one: Sibling) -> Self {
        let Sibling { handle: product, name, label, swatch, from, standing, .. } = one;
        let says = if standing == Standing::OnSale { "" } else { standing.label() };
        Self { product, name, label, swatch, from, says }
    }
}

impl From<Siblings> for SiblingsView {
    fn from(set: Siblings) -> Self {
        let members = set.members.into_iter().map(SiblingView::from).collect();
        Self { id: set.id, name: set.name, one_card: set.one_card, members }
    }
}

/// A set as it is wanted.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct WantedSiblings {
    name: String,
    #[serde(default)]
    one_card: bool,
    /// In their order.
    members: Vec<WantedSibling>,
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct WantedSibling {
    /// By its handle.
    product: Handle,
    label: String,
    /// None for what its label, or else its picture, gives.
    #[serde(default)]
    swatch: Option<Swatch>,
}

impl WantedSiblings {
    async fn row(self, state: &State) -> ApiResult<SiblingsRow> {
        let handles: Vec<&Handle> = self.members.iter().map(|one| &one.product).collect();
        let ids = numbers(state, &handles).await?;
        let members = self.members.into_iter().zip(ids);
        let members =
            members.map(|(one, product)| SiblingRow { product, label: one.label, swatch: one.swatch });
        Ok(SiblingsRow { name: self.name, one_card: self.one_card, members: members.collect() })
    }
}

/// The numbers of products, in their order.
async fn numbers(state: &State, handles: &[&Handle]) -> ApiResult<Vec<ProductId>> {
    let listed = listed(state).await?;
    let known: BTreeMap<&Handle, ProductId> = listed.iter().map(|one| (&one.facts.handle, one.id)).collect();
    let id = |handle: &&Handle| known.get(handle).copied().ok_or_else(|| ApiError::no_such("product"));
    handles.iter().map(id).collect()
}

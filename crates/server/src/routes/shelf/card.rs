//! A product on the shelf: what its owner compares at a glance.

use crate::error::ApiResult;
use crate::routes::template::served::Telling;
use crate::serving::edition::live::{AllListed, Listed, Live, LiveTemplate};
use crate::serving::edition::{listed, live};
use crate::state::State;
use compagina_core::catalog::{OnShelf, Standing};
use compagina_core::ids::{Handle, ProductId, SiblingsId, TemplateId};
use compagina_core::page::{Purpose, Whom};
use compagina_core::template::Index;
use compagina_storage::TemplateRow;
use serde::Serialize;
use std::sync::Arc;
use utoipa::ToSchema;

#[derive(Serialize, ToSchema)]
pub struct ShelfProduct {
    handle: Handle,
    name: String,
    /// Its type, by its handle.
    kind: Handle,
    standing: Standing,
    /// How it stands, in words; nothing where it is simply on sale.
    says: &'static str,
    variants: u32,
    template: Option<TemplateId>,
    /// The name of that template.
    served_by: String,
    /// Why this template, in one sentence.
    why: String,
    /// How many values its page keeps different from the template, by itself or by its type.
    departures: usize,
    /// The sets in which it stands with others.
    siblings: Vec<ShelfSiblings>,
}

/// A set of siblings on the shelf.
#[derive(Serialize, ToSchema)]
pub struct ShelfSiblings {
    pub id: SiblingsId,
    pub name: String,
    /// How many products it has.
    pub count: u64,
}

impl ShelfProduct {
    pub fn template(&self) -> Option<TemplateId> {
        self.template
    }

    pub fn kind(&self) -> &Handle {
        &self.kind
    }
}

/// A template that serves products of the type.
#[derive(Serialize, ToSchema)]
pub struct ShelfTemplate {
    pub id: TemplateId,
    pub name: String,
    /// Whether its draft differs from what shoppers see.
    pub draft: bool,
}

/// All products, with what decides how they are shown on the shelf.
pub struct Shelf {
    pub live: Arc<Live>,
    pub listed: Arc<AllListed>,
    pub telling: Telling,
    pub drafts: Vec<TemplateRow>,
}

impl Shelf {
    pub async fn read(state: &State) -> ApiResult<Self> {
        let (live, listed) = (live(state).await?, listed(state).await?);
        let (telling, drafts) = (Telling::new(state).await?, state.store.templates_of(Purpose::Page).await?);
        Ok(Self { live, listed, telling, drafts })
    }

    /// The products as they are looked through.
    pub fn lines<'a>(&'a self, index: &Index<'_>) -> Vec<OnShelf<'a>> {
        let line = |one: &'a Arc<Listed>| OnShelf {
            name: &one.name,
            handle: &one.facts.handle,
            kind: &one.facts.kind,
            kind_name: self.telling.kind(&one.facts.kind),
            template: index.winner(&one.facts),
            standing: one.standing,
            price_minor: one.facts.price,
        };
        self.listed.iter().map(line).collect()
    }

    fn card(&self, index: &Index<'_>, one: &Listed) -> ShelfProduct {
        let facts = &one.facts;
        let serving = index.serving(facts);
        let template =
            serving.as_ref().and_then(|s| self.live.templates().iter().find(|t| t.id == s.template));
        ShelfProduct {
            handle: facts.handle.clone(),
            name: one.name.clone(),
            kind: facts.kind.clone(),
            standing: one.standing,
            says: if one.standing == Standing::OnSale { "" } else { one.standing.label() },
            variants: one.variants,
            template: template.map(|t| t.id),
            served_by: template.map(|t| self.telling.name(t.id)).unwrap_or_default(),
            why: serving.map_or_else(String::new, |serving| self.telling.why(&self.live, facts, &serving)),
            departures: template.map_or(0, |template| departures(template, one)),
            siblings: vec![],
        }
    }

    /// The cards of some products.
    pub async fn cards(
        &self,
        state: &State,
        index: &Index<'_>,
        all: &[&Arc<Listed>],
    ) -> ApiResult<Vec<ShelfProduct>> {
        let ids: Vec<ProductId> = all.iter().map(|one| one.id).collect();
        let mut sets = state.store.sets_of(&ids).await?;
        let card = |one: &&Arc<Listed>| {
            let sets = sets.remove(&one.id).unwrap_or_default().into_iter();
            let siblings = sets.map(|(id, name, count)| ShelfSiblings { id, name, count }).collect();
            ShelfProduct { siblings, ..self.card(index, one) }
        };
        Ok(all.iter().map(card).collect())
    }

    pub fn template(&self, id: TemplateId) -> ShelfTemplate {
        let differs = |t: &TemplateRow| t.id == id && t.published.as_ref() != Some(&t.draft);
        ShelfTemplate { id, name: self.telling.name(id), draft: self.drafts.iter().any(differs) }
    }
}

/// How many values of a template's page a product or its type keeps different.
fn departures(template: &LiveTemplate, one: &Listed) -> usize {
    let whoms = [Whom::Type(one.facts.kind.clone()), Whom::Product(one.facts.handle.clone())];
    let all = whoms.iter().flat_map(|whom| template.layout.departures_of(whom));
    all.filter(|one| template.layout.bears(one)).map(|one| one.values.len()).sum()
}

//! Which page each product has now. What is needed for it, the live templates with their reach and the facts of the
//! products, is read once and kept until anything changes, here or in another process.

use crate::error::{ApiError, ApiResult};
use crate::everywhere::{Everywhere, everywhere};
use crate::reading::now;
use crate::state::State;
use compagina_core::catalog::{Product, ProductState};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::Layout;
use compagina_core::price::{Moment, Plan, RuleReach, Zone};
use compagina_core::template::{Candidate, Feature, Index, ProductFacts, Reach, compose, next_change};
use std::collections::BTreeSet;
use std::sync::{Arc, Mutex, PoisonError};

/// A template as shoppers see it.
pub struct LiveTemplate {
    pub id: TemplateId,
    pub reach: Reach,
    pub layout: Layout,
}

/// The live templates in their order, and what decides between them.
pub struct Live {
    templates: Vec<LiveTemplate>,
    pub zone: Zone,
    plans: Vec<PlanReach>,
    /// As told by [`crate::pages::Pages::age`].
    age: u64,
}

/// For which products a plan is; variants are looked up beforehand.
enum PlanReach {
    Reach(RuleReach),
    Products(BTreeSet<Handle>),
}

/// A product in the list of all, with what decides which template serves it.
pub struct Listed {
    pub name: String,
    pub state: ProductState,
    pub facts: ProductFacts,
}

/// What is kept, each until the age of the pages changes.
#[derive(Default)]
pub struct Kept {
    everywhere: Mutex<Option<Arc<Everywhere>>>,
    live: Mutex<Option<Arc<Live>>>,
    listed: Mutex<Option<(u64, Arc<Vec<Listed>>)>>,
}

impl Kept {
    pub fn everywhere(&self) -> Option<Arc<Everywhere>> {
        self.everywhere.lock().unwrap_or_else(PoisonError::into_inner).clone()
    }
    pub fn keep_everywhere(&self, read: Arc<Everywhere>) {
        *self.everywhere.lock().unwrap_or_else(PoisonError::into_inner) = Some(read);
    }
}

/// The page of a product as shoppers see it.
pub struct LivePage {
    pub template: TemplateId,
    pub layout: Layout,
    /// From this moment on another template may serve it.
    pub until: Option<Moment>,
}

pub async fn live(state: &State) -> ApiResult<Arc<Live>> {
    let age = state.pages.age();
    let kept = state.serving.live.lock().unwrap_or_else(PoisonError::into_inner).clone();
    if let Some(live) = kept.filter(|live| live.age == age) {
        return Ok(live);
    }
    let everywhere = everywhere(state).await?;
    let rows = state.store.live_templates().await?;
    let book = everywhere.prices.book();
    let mut plans = Vec::with_capacity(book.plans.len());
    for plan in &book.plans {
        plans.push(plan_reach(state, plan).await?);
    }
    let templates = rows.into_iter().map(|(id, reach, layout)| LiveTemplate { id, reach, layout }).collect();
    let live = Arc::new(Live { templates, zone: everywhere.zone.clone(), plans, age });
    *state.serving.live.lock().unwrap_or_else(PoisonError::into_inner) = Some(live.clone());
    Ok(live)
}

async fn plan_reach(state: &State, plan: &Plan) -> ApiResult<PlanReach> {
    Ok(match &plan.reach {
        RuleReach::Variants { skus } => {
            PlanReach::Products(state.store.products_of_skus(skus).await?.into_iter().collect())
        }
        reach => PlanReach::Reach(reach.clone()),
    })
}

/// Every product with what decides which template serves it, in the order of types and products.
pub async fn listed(state: &State) -> ApiResult<Arc<Vec<Listed>>> {
    let age = state.pages.age();
    let kept = state.serving.listed.lock().unwrap_or_else(PoisonError::into_inner).clone();
    if let Some((_, listed)) = kept.filter(|(known, _)| *known == age) {
        return Ok(listed);
    }
    let live = live(state).await?;
    let rows = state.store.listed_products().await?;
    let listed: Vec<Listed> = rows
        .into_iter()
        .map(|row| {
            let features = [(row.options, Feature::Options), (row.pictures, Feature::Pictures)];
            let features = features.into_iter().filter(|(has, _)| *has).map(|(_, feature)| feature).collect();
            let facts = ProductFacts {
                handle: row.handle,
                kind: row.kind,
                tags: row.tags,
                price: row.price_minor,
                features,
            };
            Listed { name: row.name, state: row.state, facts: live.with_plan(facts) }
        })
        .collect();
    let listed = Arc::new(listed);
    *state.serving.listed.lock().unwrap_or_else(PoisonError::into_inner) = Some((age, listed.clone()));
    Ok(listed)
}

impl Live {
    pub fn templates(&self) -> &[LiveTemplate] {
        &self.templates
    }

    /// The templates in force now, ready to be asked.
    pub fn index(&self) -> Index<'_> {
        let all = self.templates.iter().map(|t| Candidate { id: t.id, reach: &t.reach });
        Index::new(all, now(), &self.zone)
    }

    pub fn facts(&self, product: &Product) -> ProductFacts {
        let prices = product.variants.iter().map(|variant| variant.price.unwrap_or(product.price).minor);
        let has = [
            (!product.options.is_empty(), Feature::Options),
            (!product.pictures.is_empty(), Feature::Pictures),
        ];
        self.with_plan(ProductFacts {
            handle: product.handle.clone(),
            kind: product.kind.handle.clone(),
            tags: product.tags.clone(),
            price: prices.min().unwrap_or(product.price.minor),
            features: has.into_iter().filter(|(has, _)| *has).map(|(_, feature)| feature).collect(),
        })
    }

    fn with_plan(&self, mut facts: ProductFacts) -> ProductFacts {
        let takes = |reach: &PlanReach| match reach {
            PlanReach::Products(products) => products.contains(&facts.handle),
            PlanReach::Reach(RuleReach::All) => true,
            PlanReach::Reach(RuleReach::Types { types }) => types.contains(&facts.kind),
            PlanReach::Reach(RuleReach::Tags { tags }) => tags.iter().any(|tag| facts.tags.contains(tag)),
            PlanReach::Reach(RuleReach::Products { products }) => products.contains(&facts.handle),
            PlanReach::Reach(RuleReach::Variants { .. }) => false,
        };
        if self.plans.iter().any(takes) {
            facts.features.push(Feature::Plan);
        }
        facts
    }
}

/// The layout that shoppers see for a product, with what its type and it keep different, and whose it is.
pub async fn live_page(state: &State, product: &Product) -> ApiResult<LivePage> {
    let live = live(state).await?;
    let facts = live.facts(product);
    let id = live.index().winner(&facts).ok_or_else(|| ApiError::no_such("page"))?;
    let template = live.templates.iter().find(|t| t.id == id).ok_or_else(|| ApiError::no_such("page"))?;
    let reaches = live.templates.iter().map(|t| &t.reach);
    Ok(LivePage {
        template: id,
        layout: compose(&template.layout, &facts.kind, &facts.handle),
        until: next_change(reaches, now(), &live.zone),
    })
}

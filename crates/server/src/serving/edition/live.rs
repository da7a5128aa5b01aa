//! Which page each product has now: the live templates with their reach, and the facts of the products.

use super::everywhere::Everywhere;
use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use compagina_core::catalog::{Product, ProductState, Standing};
use compagina_core::ids::{Handle, ProductId, TemplateId};
use compagina_core::page::{Layout, Purpose};
use compagina_core::price::{ReachedBy, RuleReach};
use compagina_core::template::{Candidate, Feature, Index, ProductFacts, Reach, compose, next_change};
use compagina_core::time::{Moment, Zone};
use compagina_storage::{ListedRow, Store};
use std::collections::BTreeSet;
use std::sync::Arc;

/// A template as shoppers see it.
pub struct LiveTemplate {
    pub id: TemplateId,
    pub reach: Reach,
    pub layout: Layout,
}

/// The live templates in their order, and what decides between them.
pub struct Live {
    templates: Vec<LiveTemplate>,
    cards: Vec<LiveTemplate>,
    pub zone: Zone,
    plans: Vec<WholeReach>,
}

/// For which products a rule or a plan is, with the products to which the SKUs that it names belong.
pub struct WholeReach {
    reach: RuleReach,
    of_skus: BTreeSet<Handle>,
}

impl WholeReach {
    pub async fn of(store: &Store, reach: &RuleReach) -> ApiResult<Self> {
        let of_skus = match reach {
            RuleReach::Variants { skus } => store.products_of_skus(skus).await?.into_iter().collect(),
            _ => BTreeSet::new(),
        };
        Ok(Self { reach: reach.clone(), of_skus })
    }

    pub fn holds(&self, facts: &ProductFacts) -> bool {
        let product = ReachedBy { handle: &facts.handle, kind: &facts.kind, tags: &facts.tags };
        self.reach.holds_some(product, &self.of_skus)
    }
}

/// Every product, in the order of types and products.
pub type AllListed = Vec<Arc<Listed>>;

/// A product in the list of all, with what decides which template serves it.
pub struct Listed {
    pub id: ProductId,
    pub name: String,
    pub state: ProductState,
    pub standing: Standing,
    pub variants: u32,
    pub facts: ProductFacts,
}

/// The page of a product as shoppers see it.
pub struct LivePage {
    pub template: TemplateId,
    pub layout: Layout,
    /// From this moment on another template may serve it.
    pub until: Option<Moment>,
}

impl Live {
    pub(super) async fn read(store: &Store, everywhere: &Everywhere) -> ApiResult<Arc<Self>> {
        let rows = store.live_templates().await?;
        let mut plans = Vec::new();
        for plan in &everywhere.prices.book().plans {
            plans.push(WholeReach::of(store, &plan.reach).await?);
        }
        let all = rows.into_iter().map(|(id, reach, layout)| LiveTemplate { id, reach, layout });
        let (cards, templates) = all.partition(|one| one.layout.purpose == Purpose::Card);
        Ok(Arc::new(Self { templates, cards, zone: everywhere.zone.clone(), plans }))
    }

    /// Every product with what decides which template serves it, in the order of types and products.
    pub(super) async fn listed(&self, store: &Store) -> ApiResult<Arc<AllListed>> {
        let rows = store.listed_products().await?;
        Ok(Arc::new(rows.into_iter().map(|row| Arc::new(self.list(row))).collect()))
    }

    /// The same after some products have changed: of the others nothing is read.
    pub(super) async fn listed_after(
        &self,
        store: &Store,
        before: &AllListed,
        changed: &BTreeSet<ProductId>,
    ) -> ApiResult<Arc<AllListed>> {
        let mut all = before.clone();
        for one in all.iter_mut().filter(|one| changed.contains(&one.id)) {
            // Those that come, go or move are told as a change of everything.
            if let Some(row) = store.listed_product(one.id).await? {
                *one = Arc::new(self.list(row));
            }
        }
        Ok(Arc::new(all))
    }

    fn list(&self, row: ListedRow) -> Listed {
        let features = [(row.options, Feature::Options), (row.pictures, Feature::Pictures)];
        let features = features.into_iter().filter(|(has, _)| *has).map(|(_, feature)| feature).collect();
        let facts = ProductFacts {
            handle: row.handle,
            kind: row.kind,
            tags: row.tags,
            price: row.price_minor,
            features,
        };
        Listed {
            id: row.id,
            name: row.name,
            state: row.state,
            standing: Standing::of(row.state, row.in_stock),
            variants: row.variants,
            facts: self.with_plan(facts),
        }
    }

    /// Those of pages.
    pub fn templates(&self) -> &[LiveTemplate] {
        &self.templates
    }

    /// Those of pages, or of cards.
    pub fn all_of(&self, purpose: Purpose) -> &[LiveTemplate] {
        match purpose {
            Purpose::Page => &self.templates,
            Purpose::Card => &self.cards,
        }
    }

    /// The pages' templates in force now, ready to be asked.
    pub fn index(&self) -> Index<'_> {
        self.index_of(Purpose::Page)
    }

    /// Those of pages, or of cards.
    pub fn index_of(&self, purpose: Purpose) -> Index<'_> {
        let all = self.all_of(purpose).iter().map(|t| Candidate { id: t.id, reach: &t.reach });
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

    /// The layout that shoppers see for a product, with what its type and it keep different, and whose it is.
    pub fn page(&self, product: &Product) -> ApiResult<LivePage> {
        let missing = || ApiError::no_such("page");
        let facts = self.facts(product);
        let id = self.index().winner(&facts).ok_or_else(missing)?;
        let template = self.templates.iter().find(|t| t.id == id).ok_or_else(missing)?;
        Ok(LivePage {
            template: id,
            layout: compose(&template.layout, &facts.kind, &facts.handle),
            until: self.next_change(),
        })
    }

    /// The next moment at which a page or a card begins or ends to be served.
    pub fn next_change(&self) -> Option<Moment> {
        next_change(self.templates.iter().chain(&self.cards).map(|t| &t.reach), now(), &self.zone)
    }

    fn with_plan(&self, mut facts: ProductFacts) -> ProductFacts {
        if self.plans.iter().any(|plan| plan.holds(&facts)) {
            facts.features.push(Feature::Plan);
        }
        facts
    }
}

use crate::error::ApiResult;
use crate::serving::edition::everywhere;
use crate::serving::edition::live::{Listed, Live};
use crate::serving::edition::{listed, live};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::{ProductState, Shop};
use compagina_core::find::Wanted;
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::money::Money;
use compagina_core::template::{Move, ProductFacts, ReachLevel, Serving, Words};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use std::sync::Arc;
use utoipa::{IntoParams, ToSchema};

/// Products that are listed at once.
const AT_ONCE: usize = 48;

#[derive(Deserialize, IntoParams)]
pub struct Wish {
    /// Only products that this template serves.
    template: Option<u64>,
    /// Only products of this type.
    #[serde(rename = "type")]
    kind: Option<String>,
    /// Only products with these words in their names or handles.
    #[serde(default)]
    find: String,
    /// So many are passed over.
    #[serde(default)]
    skip: usize,
}

#[derive(Serialize, ToSchema)]
pub struct ServedView {
    products: Vec<ServedProduct>,
    /// How many there are in all; the list may be shorter.
    count: usize,
}

/// A product with the template that serves it and why.
#[derive(Serialize, ToSchema)]
pub struct ServedProduct {
    handle: Handle,
    name: String,
    state: ProductState,
    template: TemplateId,
    level: ReachLevel,
    /// In one sentence.
    why: String,
    /// Others that reach it in the same way; only the order decides.
    tied: Vec<TemplateId>,
    others: Vec<TemplateId>,
}

/// Products with the template that serves each and why.
#[utoipa::path(operation_id = "list_served", params(Wish), responses((status = 200, body = ServedView)))]
#[get("/templates/served")]
pub async fn list(state: Data<State>, _caller: Caller, wish: Query<Wish>) -> ApiResult<Json<ServedView>> {
    let (live, listed) = (live(&state).await?, listed(&state).await?);
    let telling = Telling::new(&state).await?;
    let index = live.index();
    let of_kind = |one: &&Arc<Listed>| wish.kind.as_ref().is_none_or(|kind| one.facts.kind.as_str() == kind);
    let words = Wanted::new(&wish.find);
    let found = |one: &&Arc<Listed>| words.fit(&one.name, &[one.facts.handle.as_str()]).is_some();
    let served =
        listed.iter().filter(of_kind).filter(found).filter_map(|one| Some((one, index.serving(&one.facts)?)));
    let served = served.filter(|(_, s)| wish.template.is_none_or(|id| s.template.0 == id));
    let all: Vec<_> = served.collect();
    let products = all.iter().skip(wish.skip).take(AT_ONCE).map(|(one, serving)| ServedProduct {
        handle: one.facts.handle.clone(),
        name: one.name.clone(),
        state: one.state,
        template: serving.template,
        level: serving.level,
        why: telling.why(&live, &one.facts, serving),
        tied: serving.tied.clone(),
        others: serving.others.clone(),
    });
    Ok(Json(ServedView { products: products.collect(), count: all.len() }))
}

/// What the sentence that tells why needs.
pub(in crate::routes) struct Telling {
    shop: Shop,
    kinds: BTreeMap<Handle, String>,
    names: BTreeMap<TemplateId, String>,
}

impl Telling {
    pub async fn new(state: &State) -> ApiResult<Self> {
        let shop = everywhere(state).await?.shop.clone();
        let kinds = state.store.types().await?.into_iter().map(|row| (row.kind.handle, row.kind.name));
        let names = state.store.template_names().await?.into_iter();
        Ok(Self { shop, kinds: kinds.collect(), names: names.collect() })
    }

    pub fn name(&self, id: TemplateId) -> String {
        self.names.get(&id).cloned().unwrap_or_default()
    }

    pub fn kind(&self, handle: &Handle) -> &str {
        self.kinds.get(handle).map_or("", String::as_str)
    }

    pub fn moves(&self, some: &Move) -> String {
        some.say(self.kind(&some.kind), &|id| self.name(id))
    }

    pub fn why(&self, live: &Live, product: &ProductFacts, serving: &Serving) -> String {
        let Some(template) = live.templates().iter().find(|t| t.id == serving.template) else {
            return String::new();
        };
        let money = |minor| Money::new(minor, self.shop.currency).format(self.shop.locale);
        let name = |id| self.name(id);
        let kind = self.kind(&product.kind);
        serving.say(&template.reach, product, &Words { kind, money: &money, name: &name })
    }
}

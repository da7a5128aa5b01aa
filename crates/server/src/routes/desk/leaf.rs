use super::show::desk_templates;
use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::routes::product::list::pictures;
use crate::serving::edition::live::AllListed;
use crate::serving::edition::{listed, live};
use crate::serving::sample::{self, Served};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path, Query};
use compagina_core::find::{Wanted, best};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::template::{Candidate, Index};
use compagina_storage::TemplateRow;
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;
use std::sync::Arc;
use utoipa::{IntoParams, ToSchema};

/// Products that are told at once.
const AT_ONCE: usize = 48;

#[derive(Deserialize, IntoParams)]
pub struct Wish {
    /// Words of its name or handle; all where there are none.
    #[serde(default)]
    find: String,
    /// The part in which this product stands.
    near: Option<String>,
    /// So many are passed over.
    #[serde(default)]
    skip: usize,
}

/// Some of the products that a template serves, in their order.
#[derive(Serialize, ToSchema)]
pub struct DeskProducts {
    /// How many there are in all.
    count: usize,
    /// How many come before these.
    skip: usize,
    products: Vec<DeskProduct>,
}

#[derive(Serialize, ToSchema)]
pub struct DeskProduct {
    handle: Handle,
    name: String,
    /// Its type, by its handle.
    kind: Handle,
    /// Whether it stands in for products that its type doesn't have yet.
    sample: bool,
    /// The address of its first picture.
    picture: Option<String>,
}

/// The products that can be put on a template's desk: those that it serves, and the samples of types that have none yet;
/// or all products where there is none of either, so that there is always something to look at.
pub(super) struct Leaves {
    listed: Arc<AllListed>,
    places: Vec<usize>,
    samples: Vec<Served>,
    pub serves: usize,
    pub serves_types: usize,
}

impl Leaves {
    /// The template's reach counts as if it were live, so that one sees for whom it is made.
    pub async fn of(state: &State, seen: &[TemplateRow], id: TemplateId) -> ApiResult<Self> {
        let (live, listed) = (live(state).await?, listed(state).await?);
        let candidates = seen.iter().map(|t| Candidate { id: t.id, reach: &t.reach });
        let index = Index::new(candidates, now(), &live.zone);
        let served = listed.iter().enumerate().filter(|(_, one)| index.winner(&one.facts) == Some(id));
        let mut places: Vec<usize> = served.map(|(place, _)| place).collect();
        let serves = places.len();
        let serves_types =
            places.iter().map(|place| &listed[*place].facts.kind).collect::<BTreeSet<_>>().len();
        let samples = sample::served(state, seen).await?;
        let samples: Vec<Served> = samples.into_iter().filter(|one| one.template == id).collect();
        if places.is_empty() && samples.is_empty() {
            places = (0..listed.len()).collect();
        }
        Ok(Self { listed, places, samples, serves, serves_types })
    }

    fn all(&self) -> impl Iterator<Item = DeskProduct> {
        let real = self.places.iter().map(|place| {
            let one = &self.listed[*place];
            let (handle, kind) = (one.facts.handle.clone(), one.facts.kind.clone());
            DeskProduct { handle, name: one.name.clone(), kind, sample: false, picture: None }
        });
        let samples = self.samples.iter().map(|one| DeskProduct {
            handle: one.sample.handle.clone(),
            name: one.sample.name.clone(),
            kind: one.sample.kind.handle.clone(),
            sample: true,
            picture: None,
        });
        real.chain(samples)
    }

    /// The part around a product, or the first where it isn't among them.
    pub async fn near(&self, state: &State, product: Option<&str>) -> ApiResult<DeskProducts> {
        let place = product.and_then(|handle| self.all().position(|one| one.handle.as_str() == handle));
        part(state, self.all().collect(), place.map_or(0, |place| place.saturating_sub(AT_ONCE / 2))).await
    }
}

async fn part(state: &State, all: Vec<DeskProduct>, skip: usize) -> ApiResult<DeskProducts> {
    let count = all.len();
    let mut products: Vec<DeskProduct> = all.into_iter().skip(skip).take(AT_ONCE).collect();
    let handles: Vec<Handle> = products.iter().map(|one| one.handle.clone()).collect();
    let mut pictures = pictures(state, &handles).await?;
    for one in &mut products {
        one.picture = pictures.remove(&one.handle);
    }
    Ok(DeskProducts { count, skip, products })
}

/// The products that can be put on a template's desk, part by part.
#[utoipa::path(operation_id = "list_desk_products", params(Wish), responses((status = 200, body = DeskProducts), (status = 404, body = ApiError)))]
#[get("/templates/{id}/products")]
pub async fn list(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    wish: Query<Wish>,
) -> ApiResult<Json<DeskProducts>> {
    let id = TemplateId(*id);
    let leaves = Leaves::of(&state, &desk_templates(&state, id).await?, id).await?;
    let wanted = Wanted::new(&wish.find);
    if wanted.is_empty() && wish.near.is_some() {
        return Ok(Json(leaves.near(&state, wish.near.as_deref()).await?));
    }
    let found = leaves.all().filter_map(|one| Some((wanted.fit(&one.name, &[one.handle.as_str()])?, one)));
    let found = if wanted.is_empty() { found.map(|(_, one)| one).collect() } else { best(found) };
    Ok(Json(part(&state, found, wish.skip).await?))
}

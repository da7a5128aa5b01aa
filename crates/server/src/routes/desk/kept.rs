use super::DraftView;
use super::operate::change;
use crate::error::{ApiError, ApiResult};
use crate::names;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{delete, get, post};
use compagina_core::ids::{BandId, KeptId};
use compagina_core::page::{Layout, Purpose};
use compagina_core::template::kept::{linked, unlink as part};
use compagina_storage::Change;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

const MOST_CHARACTERS: usize = 120;

/// A band that is kept for several templates.
#[derive(Serialize, ToSchema)]
pub struct KeptBand {
    id: KeptId,
    name: String,
    pieces: usize,
    /// The names of the templates in which it is linked.
    used: Vec<String>,
}

/// All kept bands, with where each is linked.
#[utoipa::path(operation_id = "list_kept_bands", responses((status = 200, body = Vec<KeptBand>)))]
#[get("/kept-bands")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<Vec<KeptBand>>> {
    Ok(Json(all(&state).await?))
}

async fn all(state: &State) -> ApiResult<Vec<KeptBand>> {
    let (rows, templates) =
        tokio::try_join!(state.store.kept_bands(), state.store.templates_of(Purpose::Page))?;
    let used = |id: KeptId| {
        let with = templates.iter().filter(|t| linked(&t.draft).any(|(kept, _)| kept == id));
        with.map(|t| t.name.clone()).collect()
    };
    Ok(rows
        .into_iter()
        .map(|row| KeptBand {
            id: row.id,
            pieces: row.band.columns.iter().map(|c| c.pieces.len()).sum(),
            used: used(row.id),
            name: row.name,
        })
        .collect())
}

/// A band of the page that is to be kept.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Keeping {
    revision: u64,
    band: BandId,
    name: String,
}

/// Keeps a band under a name; here it becomes the first that is linked to it.
#[utoipa::path(operation_id = "keep_band", responses((status = 200, body = DraftView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/kept-bands")]
pub async fn keep(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Keeping>,
) -> ApiResult<Json<DraftView>> {
    let Keeping { revision, band, name } = body.into_inner();
    let name = names::name("a kept band's name", &name, MOST_CHARACTERS)?;
    change(&state, &caller, *id, revision, Change::Keep { band: &band, name }, None).await
}

/// Where a kept band is put.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Placing {
    revision: u64,
    /// Before the band that is at this place.
    index: usize,
    /// For a copy: how the names of its parts begin. Without it the band is linked.
    copy: Option<BandId>,
}

/// Puts a kept band into a page, linked or as a copy.
#[utoipa::path(operation_id = "place_kept_band", responses((status = 200, body = DraftView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/kept-bands/{kept}")]
pub async fn place(
    state: Data<State>,
    caller: Caller,
    path: Path<(u64, u64)>,
    body: Json<Placing>,
) -> ApiResult<Json<DraftView>> {
    let (id, kept) = path.into_inner();
    let Placing { revision, index, copy } = body.into_inner();
    let place = Change::Place { kept: KeptId(kept), index, copy: copy.as_ref() };
    change(&state, &caller, id, revision, place, None).await
}

/// A linked band that is to go its own way.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Parting {
    revision: u64,
    band: BandId,
    /// How the names of its parts begin then.
    prefix: BandId,
}

/// Makes a linked band the page's own; it is no longer changed with the others.
#[utoipa::path(operation_id = "unlink_band", responses((status = 200, body = DraftView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/unlink-band")]
pub async fn unlink(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Parting>,
) -> ApiResult<Json<DraftView>> {
    let parted = |draft: &Layout| part(draft, &body.band, &body.prefix);
    change(&state, &caller, *id, body.revision, Change::Decided(&parted), None).await
}

/// Forgets a kept band that is linked nowhere.
#[utoipa::path(operation_id = "forget_kept_band", responses((status = 200, body = Vec<KeptBand>), (status = 422, body = ApiError)))]
#[delete("/kept-bands/{id}")]
pub async fn forget(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<Json<Vec<KeptBand>>> {
    state.store.forget_kept_band(KeptId(*id)).await?;
    Ok(Json(all(&state).await?))
}

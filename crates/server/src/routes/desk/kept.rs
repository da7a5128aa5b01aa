use super::DraftView;
use super::operate::change;
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{delete, get, post};
use compagina_core::ids::{BandId, KeptId, TemplateId};
use compagina_core::page::Op;
use compagina_core::template::kept::{keep as link, linked, placed, unlink as part};
use compagina_storage::{Change, KeptRow, StorageError};
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
#[utoipa::path(operation_id = "list_kept_bands", responses((status = 200, body = Vec<KeptBand>), (status = 401, body = ApiError)))]
#[get("/kept-bands")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<Vec<KeptBand>>> {
    Ok(Json(all(&state).await?))
}

async fn all(state: &State) -> ApiResult<Vec<KeptBand>> {
    let (rows, templates) = tokio::try_join!(state.store.kept_bands(), state.store.templates())?;
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
#[utoipa::path(operation_id = "keep_band", responses((status = 200, body = DraftView), (status = 401, body = ApiError), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/kept-bands")]
pub async fn keep(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Keeping>,
) -> ApiResult<Json<DraftView>> {
    let Keeping { revision, band, name } = body.into_inner();
    let name = name.trim();
    if !(1..=MOST_CHARACTERS).contains(&name.chars().count()) {
        return Err(ApiError::refused(format!("a kept band's name has 1 to {MOST_CHARACTERS} characters")));
    }
    let template = state.store.template(TemplateId(*id)).await?;
    let found = template.draft.band(&band).ok_or_else(|| ApiError::no_such("band"))?;
    if found.kept.is_some() {
        return Err(ApiError::refused("this band is kept already"));
    }
    let kept = state.store.add_kept_band(name, found).await?;
    let linking = link(&template.draft, &band, kept).map_err(StorageError::from)?;
    let done = change(&state, &caller, *id, revision, Change::Edit(linking), None).await;
    if done.is_err() {
        state.store.drop_kept_band(kept).await?;
    }
    done
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
#[utoipa::path(operation_id = "place_kept_band", responses((status = 200, body = DraftView), (status = 401, body = ApiError), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/kept-bands/{kept}")]
pub async fn place(
    state: Data<State>,
    caller: Caller,
    path: Path<(u64, u64)>,
    body: Json<Placing>,
) -> ApiResult<Json<DraftView>> {
    let (id, kept) = path.into_inner();
    let row = row(&state, KeptId(kept)).await?;
    let band = placed(&row.band, body.copy.as_ref()).map_err(StorageError::from)?;
    let op = Op::AddBand { band, index: body.index };
    change(&state, &caller, id, body.revision, Change::Edit(op), None).await
}

async fn row(state: &State, id: KeptId) -> ApiResult<KeptRow> {
    let rows = state.store.kept_bands().await?;
    rows.into_iter().find(|row| row.id == id).ok_or_else(|| ApiError::no_such("kept band"))
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
#[utoipa::path(operation_id = "unlink_band", responses((status = 200, body = DraftView), (status = 401, body = ApiError), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/unlink-band")]
pub async fn unlink(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Parting>,
) -> ApiResult<Json<DraftView>> {
    let template = state.store.template(TemplateId(*id)).await?;
    let op = part(&template.draft, &body.band, &body.prefix).map_err(StorageError::from)?;
    change(&state, &caller, *id, body.revision, Change::Edit(op), None).await
}

/// Forgets a kept band that is linked nowhere.
#[utoipa::path(operation_id = "forget_kept_band", responses((status = 200, body = Vec<KeptBand>), (status = 401, body = ApiError), (status = 422, body = ApiError)))]
#[delete("/kept-bands/{id}")]
pub async fn forget(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<Json<Vec<KeptBand>>> {
    let (id, bands) = (KeptId(*id), all(&state).await?);
    if let Some(band) = bands.iter().find(|band| band.id == id && !band.used.is_empty()) {
        let why = format!("“{}” is linked in {}; unlink it there first", band.name, band.used.join(", "));
        return Err(ApiError::refused(why));
    }
    state.store.drop_kept_band(id).await?;
    Ok(Json(all(&state).await?))
}

use super::SiblingView;
use crate::error::{ApiError, ApiResult};
use crate::serving::edition::listed;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::{MOST_SIBLINGS, begin_alike, labels_of};
use compagina_core::ids::ProductId;
use serde::Serialize;
use utoipa::ToSchema;

/// How products would stand together.
#[derive(Serialize, ToSchema)]
pub struct SiblingsProposal {
    /// The name of the option of which all labels are values; none where there is no such option.
    name: Option<String>,
    members: Vec<SiblingView>,
}

/// How products would stand together, named by their handles: `?product=dunlin-ember&product=dunlin-slate`. One alone is
/// joined by those of its type whose names begin with the same word. Labels are what is left of their names without the
/// words that all begin with; a `label` behind a product is taken instead.
#[utoipa::path(operation_id = "propose_siblings", params(("product" = Vec<String>, Query), ("label" = Option<Vec<String>>, Query)),
    responses((status = 200, body = SiblingsProposal), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[get("/siblings/proposal")]
pub async fn propose(
    state: Data<State>,
    _caller: Caller,
    pairs: Query<Vec<(String, String)>>,
) -> ApiResult<Json<SiblingsProposal>> {
    let listed = listed(&state).await?;
    let mut wanted: Vec<(usize, Option<String>)> = vec![];
    for (name, text) in pairs.into_inner() {
        match (name.as_str(), wanted.last_mut()) {
            ("product", _) => {
                let place = listed.iter().position(|one| one.facts.handle.as_str() == text);
                wanted.push((place.ok_or_else(|| ApiError::no_such("product"))?, None));
            }
            ("label", Some((_, label))) => *label = Some(text),
            _ => {}
        }
    }
    if let [(place, None)] = wanted.as_slice() {
        let place = *place;
        let of_type: Vec<usize> =
            (0..listed.len()).filter(|at| listed[*at].facts.kind == listed[place].facts.kind).collect();
        let names: Vec<&str> = of_type.iter().map(|at| listed[*at].name.as_str()).collect();
        let own = of_type.iter().position(|at| *at == place).unwrap_or_default();
        wanted = begin_alike(&names, own).into_iter().map(|at| (of_type[at], None)).collect();
        // One whose name has no word at all.
        if wanted.is_empty() {
            wanted = vec![(place, None)];
        }
    }
    if wanted.len() > MOST_SIBLINGS {
        let sentence = format!("{} products are too many; a set has at most {MOST_SIBLINGS}", wanted.len());
        return Err(ApiError::refused(sentence));
    }
    let names: Vec<&str> = wanted.iter().map(|(at, _)| listed[*at].name.as_str()).collect();
    let labels = wanted.iter().zip(labels_of(&names));
    let labels: Vec<(ProductId, String)> =
        labels.map(|((at, own), label)| (listed[*at].id, own.clone().unwrap_or(label))).collect();
    let texts: Vec<&str> = labels.iter().map(|(_, label)| label.as_str()).collect();
    let name = state.store.option_of_values(&texts).await?;
    let shown = state.store.siblings_shown(&labels).await?;
    Ok(Json(SiblingsProposal { name, members: shown.into_iter().map(SiblingView::from).collect() }))
}

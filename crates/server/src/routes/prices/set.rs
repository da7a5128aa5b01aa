use super::form::{PlanForm, RuleForm, VatForm, read, read_plan, read_vat};
use super::{PricesView, currency, view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::put;
use actix_web::web::{Data, Json};
use compagina_core::money::AmountStyle;
use compagina_core::price::{OldFrom, Places, PriceBook, Rounding, Together};
use compagina_storage::DocumentName;
use serde::Deserialize;
use utoipa::ToSchema;

/// All rules in their order, and how they go together.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PricesChange {
    revision: u64,
    rules: Vec<RuleForm>,
    together: Together,
    rounding: Rounding,
    places: Places,
    plans: Vec<PlanForm>,
    old: OldFrom,
    vat: VatForm,
    style: AmountStyle,
}

/// Puts the draft as a whole; nothing is kept of one with a mistake.
#[utoipa::path(operation_id = "set_prices", request_body = PricesChange,
    responses((status = 200, body = PricesView), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/prices")]
pub async fn set(
    state: Data<State>,
    caller: Caller,
    body: Json<PricesChange>,
) -> ApiResult<Json<PricesView>> {
    let PricesChange { revision, rules, together, rounding, places, plans, old, vat, style } =
        body.into_inner();
    let currency = currency(&state).await?;
    let book = PriceBook {
        rules: rules.into_iter().map(|form| read(form, currency)).collect::<ApiResult<_>>()?,
        plans: plans.into_iter().map(read_plan).collect::<ApiResult<_>>()?,
        vat: read_vat(vat)?,
        together,
        rounding,
        places,
        old,
        style,
    };
    book.check().map_err(ApiError::refused)?;
    state.store.set_document(DocumentName::Prices, caller.session.owner_id, revision, &book).await?;
    Ok(Json(view(&state).await?))
}

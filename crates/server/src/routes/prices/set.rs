use super::form::{PlanForm, RuleForm, VatForm, read, read_plan, read_vat};
use super::{PricesView, currency, view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json};
use compagina_core::money::{AmountStyle, Currency};
use compagina_core::price::{BookChange, OldFrom, Places, PlanId, PriceBook, Rounding, RuleId, Together};
use compagina_storage::{DocumentName, StorageError};
use serde::Deserialize;
use utoipa::ToSchema;

/// A step on the price rules, with the revision on which it was made.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PricesStep {
    revision: u64,
    /// One after another, all of them or none.
    changes: Vec<PricesChange>,
}

/// Something that is changed.
#[derive(Deserialize, ToSchema)]
#[serde(rename_all = "snake_case", tag = "of", content = "to")]
pub enum PricesChange {
    /// A rule as a whole; one with a new number is added.
    Rule(RuleForm),
    /// The rule with this number goes.
    DropRule(RuleId),
    MoveRule(MoveRule),
    /// A plan as a whole; one with a new number is added.
    Plan(PlanForm),
    /// The plan with this number goes.
    DropPlan(PlanId),
    Together(Together),
    Rounding(Rounding),
    Places(Places),
    Old(OldFrom),
    Vat(VatForm),
    Style(AmountStyle),
}

/// A rule stands so many places later in the order; earlier where it is negative.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MoveRule {
    id: RuleId,
    by: i64,
}

impl PricesChange {
    fn read(self, currency: Currency) -> ApiResult<BookChange> {
        Ok(match self {
            Self::Rule(form) => BookChange::Rule(read(form, currency)?),
            Self::DropRule(id) => BookChange::DropRule(id),
            Self::MoveRule(MoveRule { id, by }) => BookChange::MoveRule(id, by),
            Self::Plan(form) => BookChange::Plan(read_plan(form)?),
            Self::DropPlan(id) => BookChange::DropPlan(id),
            Self::Together(together) => BookChange::Together(together),
            Self::Rounding(rounding) => BookChange::Rounding(rounding),
            Self::Places(places) => BookChange::Places(places),
            Self::Old(old) => BookChange::Old(old),
            Self::Vat(form) => BookChange::Vat(read_vat(form)?),
            Self::Style(style) => BookChange::Style(style),
        })
    }
}

/// Takes a step on the draft; nothing is kept of one with a mistake.
#[utoipa::path(operation_id = "change_prices", request_body = PricesStep,
    responses((status = 200, body = PricesView), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/prices/steps")]
pub async fn change(
    state: Data<State>,
    caller: Caller,
    body: Json<PricesStep>,
) -> ApiResult<Json<PricesView>> {
    let PricesStep { revision, changes } = body.into_inner();
    let currency = currency(&state).await?;
    let changes: Vec<BookChange> =
        changes.into_iter().map(|change| change.read(currency)).collect::<ApiResult<_>>()?;
    let take = |book: &mut PriceBook| {
        changes.iter().try_for_each(|change| book.change(change.clone())).map_err(StorageError::refused)
    };
    state.store.change_document(DocumentName::Prices, caller.session.owner_id, revision, take).await?;
    Ok(Json(view(&state).await?))
}

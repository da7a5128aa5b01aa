use super::PricesMood;
use crate::error::{ApiError, ApiResult};
use crate::names;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{delete, get, post};
use compagina_core::cart::MOST_OF_ONE;
use compagina_core::ids::Handle;
use compagina_core::limits::MOST_ID;
use compagina_core::situation::{CartMood, SaleMood, StockMood};
use compagina_core::time::Day;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// A situation that can be looked up again. The product and its choice are part of it only where they are named.
#[derive(Debug, Clone, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Kept {
    product: Option<Handle>,
    choice: Option<String>,
    stock: StockMood,
    sale: SaleMood,
    coming_soon: bool,
    cart: CartMood,
    #[serde(default)]
    cart_product: Option<Handle>,
    #[serde(default)]
    cart_pieces: Option<u32>,
    #[serde(default)]
    prices: PricesMood,
    /// As `2026-11-24`; empty or none for whichever day it is looked at.
    day: Option<String>,
    quantity: u32,
    /// By which plan it is bought; once where there is none.
    #[serde(default)]
    plan: Option<u64>,
}

const LONGEST_CHOICE: usize = 500;

impl Kept {
    fn check(&self) -> ApiResult<()> {
        if let Some(day) = self.day.as_ref().filter(|day| !day.is_empty()) {
            Day::try_from(day.clone()).map_err(ApiError::refused)?;
        }
        if self.choice.as_ref().is_some_and(|choice| choice.len() > LONGEST_CHOICE) {
            return Err(ApiError::refused(format!("a choice has at most {LONGEST_CHOICE} characters")));
        }
        let counted = [Some(self.quantity), self.cart_pieces];
        if !counted.into_iter().flatten().all(|pieces| (1..=MOST_OF_ONE).contains(&pieces)) {
            return Err(ApiError::refused(format!("a situation has 1 to {MOST_OF_ONE} pieces")));
        }
        if self.plan.is_some_and(|plan| plan > MOST_ID) {
            return Err(ApiError::no_such("plan"));
        }
        Ok(())
    }
}

#[derive(Serialize, ToSchema)]
pub struct KeptView {
    id: u64,
    name: String,
    look: Kept,
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Keep {
    name: String,
    look: Kept,
}

const MOST_CHARACTERS: usize = 80;

/// The situations that were kept, by their names.
#[utoipa::path(operation_id = "list_situations", responses((status = 200, body = Vec<KeptView>)))]
#[get("/situations")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<Vec<KeptView>>> {
    all(&state).await
}

/// Keeps a situation; one of the same name is replaced.
#[utoipa::path(operation_id = "keep_situation", responses((status = 200, body = Vec<KeptView>), (status = 422, body = ApiError)))]
#[post("/situations")]
pub async fn keep(state: Data<State>, _caller: Caller, body: Json<Keep>) -> ApiResult<Json<Vec<KeptView>>> {
    let name = names::name("a situation's name", &body.name, MOST_CHARACTERS)?;
    body.look.check()?;
    let look = serde_json::to_value(&body.look).map_err(ApiError::unforeseen)?;
    state.store.keep_situation(name, &look).await?;
    all(&state).await
}

/// Forgets a situation.
#[utoipa::path(operation_id = "drop_situation", responses((status = 200, body = Vec<KeptView>)))]
#[delete("/situations/{id}")]
pub async fn forget(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<Json<Vec<KeptView>>> {
    state.store.drop_situation(*id).await?;
    all(&state).await
}

async fn all(state: &State) -> ApiResult<Json<Vec<KeptView>>> {
    let rows = state.store.kept_situations().await?.into_iter();
    // One that can't be read any more is passed over.
    let views = rows.filter_map(|row| {
        Some(KeptView { id: row.id, name: row.name, look: serde_json::from_value(row.look).ok()? })
    });
    Ok(Json(views.collect()))
}

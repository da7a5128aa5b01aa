use super::prices_of;
use crate::clock::now;
use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};
use compagina_core::catalog::Product;
use compagina_core::ids::Handle;
use compagina_core::money::Money;
use compagina_core::price::{Lowest, OldFrom, PriceBook, Prices};
use compagina_core::time::{Local, Zone};
use compagina_storage::{Document, DocumentName, Which};
use serde::Serialize;
use utoipa::ToSchema;

/// Products that are looked at in one go, and how many are told at the most.
const AT_ONCE: u32 = 250;
const MOST: usize = 50;

/// A typed old price that is above what the price history bears out.
#[derive(Serialize, ToSchema)]
pub struct Overstated {
    product: Handle,
    name: String,
    sku: String,
    typed: Money,
    lowest: Lowest,
    /// The day since which it costs what it costs now, by the shop's clocks.
    since: Local,
}

/// Typed old prices that are too high, of the prices in force; where there are very many, the first of them.
#[utoipa::path(operation_id = "overstated_prices", responses((status = 200, body = Vec<Overstated>)))]
#[get("/prices/overstated")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<Vec<Overstated>>> {
    let Document { published: book, .. }: Document<PriceBook> =
        state.store.document(DocumentName::Prices).await?;
    let mut all = Vec::new();
    if book.old == OldFrom::Lowest {
        return Ok(Json(all));
    }
    let zone = state.store.zone().await?;
    let prices = prices_of(&state, book, zone.clone(), now()).await?;
    for skip in (0..).step_by(AT_ONCE as usize) {
        let products = state.store.products(Which::OldPriced { most: AT_ONCE, skip }).await?;
        all.extend(products.iter().filter_map(|product| overstated(&prices, &zone, product)));
        if all.len() >= MOST || products.len() < AT_ONCE as usize {
            break;
        }
    }
    all.truncate(MOST);
    Ok(Json(all))
}

fn overstated(prices: &Prices, zone: &Zone, product: &Product) -> Option<Overstated> {
    let found = product.variants.iter().find_map(|v| Some((v, prices.overstated(product, v)?)));
    let (variant, (typed, lowest)) = found?;
    let (product, name, sku) = (product.handle.clone(), product.name.clone(), variant.sku.clone());
    Some(Overstated { product, name, sku, typed, lowest, since: zone.local(lowest.since) })
}

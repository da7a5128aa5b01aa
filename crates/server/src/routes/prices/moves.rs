use super::plan_says;
use crate::clock::now;
use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use crate::walk::Walk;
use actix_web::get;
use actix_web::web::{Data, Json};
use compagina_core::catalog::Product;
use compagina_core::ids::Handle;
use compagina_core::money::Money;
use compagina_core::price::{Extras, Plan, PriceBook, Prices};
use compagina_storage::{Document, DocumentName};
use serde::Serialize;
use std::sync::Arc;
use utoipa::ToSchema;

/// A price that publishing would move.
#[derive(Serialize, ToSchema)]
pub struct PriceMove {
    product: Handle,
    name: String,
    sku: String,
    /// From so many pieces on.
    pub pieces: u32,
    /// By which plan, where it is a plan's price that moves.
    pub plan: Option<String>,
    pub before: Money,
    pub after: Money,
}

/// The prices that publishing would move.
#[derive(Serialize, ToSchema)]
pub struct PriceMoves {
    /// How many there are in all; the list may be shorter.
    count: usize,
    moves: Vec<PriceMove>,
}

/// So many are told at the most.
const MOST: usize = 200;

/// Which prices would be others at this moment if the draft were in force: of each product the variant that moves most.
#[utoipa::path(operation_id = "price_moves", responses((status = 200, body = PriceMoves)))]
#[get("/prices/moves")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<PriceMoves>> {
    let document: Document<PriceBook> = state.store.document(DocumentName::Prices).await?;
    let zone = state.store.zone().await?;
    let prices = |book: PriceBook| Prices::new(Arc::new(book), zone.clone(), now());
    let (live, draft) = (prices(document.published), prices(document.draft));
    let (mut count, mut moves) = (0, Vec::new());
    let types = state.store.types().await?;
    let mut walk = Walk::through(types.iter().map(|row| row.id));
    while let Some(products) = walk.next(&state.store).await? {
        for product in &products {
            let all = farthest(product, &live, &draft).into_iter().chain(by_plan(product, &live, &draft));
            for one in all {
                count += 1;
                if moves.len() < MOST {
                    moves.push(one);
                }
            }
        }
    }
    Ok(Json(PriceMoves { count, moves }))
}

/// Plans of the draft by which the first variant that they are for would cost something else than it does now.
pub(in crate::routes) fn by_plan(product: &Product, live: &Prices, draft: &Prices) -> Vec<PriceMove> {
    let of = |plan: &Plan| {
        let variant = product.variants.iter().find(|variant| plan.reaches(product, variant))?;
        let unit = |prices: &Prices| {
            let prices = prices.with_extras(Extras { plan: Some(plan.id), written: false });
            prices.quote(product, variant, 1).ok().map(|priced| priced.quote.unit)
        };
        let (before, after) = (unit(live)?, unit(draft)?);
        (before != after).then(|| PriceMove {
            product: product.handle.clone(),
            name: product.name.clone(),
            sku: variant.sku.clone(),
            pieces: 1,
            plan: Some(plan_says(plan)),
            before,
            after,
        })
    };
    draft.book().plans.iter().filter_map(of).collect()
}

pub(in crate::routes) fn farthest(product: &Product, live: &Prices, draft: &Prices) -> Option<PriceMove> {
    let mut moves = Vec::new();
    for variant in &product.variants {
        let (before, after) = (live.ladder(product, variant), draft.ladder(product, variant));
        let at = |ladder: &[(u32, Money)], pieces: u32| {
            ladder.iter().rev().find(|(from, _)| *from <= pieces).map(|(_, unit)| *unit)
        };
        for (pieces, _) in before.iter().chain(&after) {
            if let (Some(was), Some(is)) = (at(&before, *pieces), at(&after, *pieces))
                && was != is
            {
                moves.push((variant, *pieces, was, is));
            }
        }
    }
    let most = moves.into_iter().max_by_key(|(_, pieces, was, is)| {
        ((was.minor - is.minor).unsigned_abs(), std::cmp::Reverse(*pieces))
    });
    most.map(|(variant, pieces, before, after)| PriceMove {
        product: product.handle.clone(),
        name: product.name.clone(),
        sku: variant.sku.clone(),
        pieces,
        plan: None,
        before,
        after,
    })
}

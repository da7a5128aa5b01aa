use crate::error::{ApiError, ApiResult};
use crate::serving::edition::everywhere;
use crate::session::Caller;
use crate::state::State;
use crate::upload::{read, receive};
use actix_web::web::{Bytes, Data, Json, Payload};
use actix_web::{HttpResponse, post};
use compagina_core::catalog::Product;
use compagina_core::format::{Checked, KnownOption, Mistake, VariantLine, check_variants, read_variants};
use compagina_core::ids::{Handle, ProductId};
use compagina_storage::{BookOption, Imported};
use futures_util::stream;
use serde::Serialize;
use std::collections::{BTreeMap, BTreeSet};
use tokio::sync::mpsc::{UnboundedReceiver, unbounded_channel};
use utoipa::ToSchema;

const MOST_BYTES: u64 = 10_000_000;

/// What a file would do, or what is wrong with it.
#[derive(Serialize, ToSchema)]
pub struct ImportReport {
    lines: usize,
    /// The names of the products that it is about.
    products: Vec<String>,
    added: usize,
    changed: usize,
    /// Variants that stay as they are.
    same: usize,
    /// Values that options don't have yet.
    new_values: Vec<String>,
    /// If there is one, nothing of the file is taken.
    mistakes: Vec<Mistake>,
}

/// How far an import is; the last line of the answer holds the report or an error.
#[derive(Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ImportStep {
    Done(usize),
    Report(ImportReport),
    Error(String),
}

struct Read {
    lines: Vec<VariantLine>,
    products: Vec<Product>,
    checked: Result<Checked, Vec<Mistake>>,
}

/// Looks at a file of variants, the body of the request, and changes nothing.
#[utoipa::path(operation_id = "check_variants", request_body(content = Vec<u8>, content_type = "text/csv"),
    responses((status = 200, body = ImportReport), (status = 413, body = ApiError)))]
#[post("/variants/check")]
pub async fn check(state: Data<State>, _caller: Caller, body: Payload) -> ApiResult<Json<ImportReport>> {
    Ok(Json(report(read_file(&state, body).await?)))
}

/// Takes a file of variants, all of it or nothing. The answer comes a line at a time, as JSON: how many rows are written,
/// and at last the report.
#[utoipa::path(operation_id = "import_variants", request_body(content = Vec<u8>, content_type = "text/csv"),
    responses((status = 200, body = ImportStep, content_type = "application/x-ndjson"), (status = 413, body = ApiError),
        (status = 422, body = ImportReport)))]
#[post("/variants/import")]
pub async fn import(state: Data<State>, caller: Caller, body: Payload) -> ApiResult<HttpResponse> {
    let file = read_file(&state, body).await?;
    if file.checked.is_err() {
        return Ok(HttpResponse::UnprocessableEntity().json(report(file)));
    }
    let (tell, steps) = unbounded_channel();
    let (state, by) = (state.clone(), caller.by());
    actix_web::rt::spawn(async move {
        let far = tell.clone();
        // Nobody may be listening any more; the import goes on all the same.
        let heard = move |rows: usize| drop(far.send(ImportStep::Done(rows)));
        let ids: Vec<ProductId> = file.products.iter().map(|product| product.id).collect();
        let skus: Vec<String> = file.lines.iter().map(|line| line.sku.clone()).collect();
        let lines = &file.lines;
        let against = |products: &[Product], elsewhere: &BTreeMap<String, String>, book: &[BookOption]| {
            check_variants(lines, products, elsewhere, &known_options(book))
        };
        let last = match state.store.by(by).import_variants(&ids, &skus, &against, &heard).await {
            Ok(Imported::Taken(checked)) => ImportStep::Report(report(Read { checked: Ok(checked), ..file })),
            Ok(Imported::Mistakes(found)) => ImportStep::Report(report(Read { checked: Err(found), ..file })),
            Err(error) => ImportStep::Error(ApiError::from(error).message().to_owned()),
        };
        drop(tell.send(last));
    });
    Ok(HttpResponse::Ok().content_type("application/x-ndjson").streaming(lines_of(steps)))
}

fn lines_of(
    steps: UnboundedReceiver<ImportStep>,
) -> impl futures_util::Stream<Item = Result<Bytes, std::convert::Infallible>> {
    stream::unfold(steps, |mut steps| async {
        let step = steps.recv().await?;
        let mut line = serde_json::to_vec(&step).unwrap_or_default();
        line.push(b'\n');
        Some((Ok(Bytes::from(line)), steps))
    })
}

async fn read_file(state: &State, body: Payload) -> ApiResult<Read> {
    let file = receive(body, "The file", MOST_BYTES).await?;
    let bytes = read(file).map_err(ApiError::unforeseen)?;
    let currency = everywhere(state).await?.shop.currency;
    let (lines, mut mistakes) = read_variants(&bytes, currency);
    let handles: BTreeSet<&str> = lines.iter().map(|line| line.product.as_str()).collect();
    let mut products = Vec::new();
    for handle in handles.into_iter().filter_map(|handle| Handle::try_from(handle).ok()) {
        products.extend(state.store.product(&handle).await?);
    }
    let ids: Vec<ProductId> = products.iter().map(|product| product.id).collect();
    let skus: Vec<String> = lines.iter().map(|line| line.sku.clone()).collect();
    let elsewhere = state.store.sku_owners(&skus, &ids).await?;
    let book = state.store.swatch_book().await?;
    let checked = check_variants(&lines, &products, &elsewhere, &known_options(&book));
    let checked = match checked {
        Ok(checked) if mistakes.is_empty() => Ok(checked),
        Ok(_) => Err(mistakes),
        Err(more) => {
            mistakes.extend(more);
            mistakes.sort();
            Err(mistakes)
        }
    };
    Ok(Read { lines, products, checked })
}

fn known_options(book: &[BookOption]) -> Vec<KnownOption> {
    let known = |option: &BookOption| KnownOption {
        id: option.id,
        name: option.name.clone(),
        values: option.values.iter().map(|value| (value.id, value.name.clone())).collect(),
    };
    book.iter().map(known).collect()
}

fn report(read: Read) -> ImportReport {
    let (checked, mistakes) = match read.checked {
        Ok(checked) => (checked, vec![]),
        Err(mistakes) => (Checked::default(), mistakes),
    };
    ImportReport {
        lines: read.lines.len(),
        products: read.products.into_iter().map(|product| product.name).collect(),
        added: checked.added,
        changed: checked.changed,
        same: checked.same,
        new_values: checked.new_values.into_iter().map(|(_, name)| name).collect(),
        mistakes,
    }
}

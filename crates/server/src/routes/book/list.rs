use super::{OptionInBook, OptionLine, option_line, option_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path};

/// Every option of the shop.
#[utoipa::path(operation_id = "list_options", responses((status = 200, body = Vec<OptionLine>)))]
#[get("/options")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<Vec<OptionLine>>> {
    let mut lines = Vec::new();
    for option in state.store.swatch_book().await? {
        let files = state.store.swatch_files(option.id).await?;
        lines.push(option_line(option, &files));
    }
    Ok(Json(lines))
}

/// One option with its values, what each shows, and the files that wait for them.
#[utoipa::path(operation_id = "show_option", params(("handle" = String, Path)),
    responses((status = 200, body = OptionInBook), (status = 404, body = ApiError)))]
#[get("/options/{handle}")]
pub async fn show(
    state: Data<State>,
    _caller: Caller,
    handle: Path<String>,
) -> ApiResult<Json<OptionInBook>> {
    Ok(Json(option_view(&state, &handle).await?))
}

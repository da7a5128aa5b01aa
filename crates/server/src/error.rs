//! The one place where errors become a status, a stable code and a sentence. What wasn't foreseen is a 500: logged,
//! and told without any detail.

use actix_web::error::{JsonPayloadError, QueryPayloadError, UrlencodedError};
use actix_web::http::{StatusCode, header};
use actix_web::{HttpResponse, ResponseError};
use compagina_core::catalog::{FieldsError, TextsError};
use compagina_core::house::TokenError;
use compagina_core::ids::NameError;
use compagina_core::listing::ListingError;
use compagina_core::money::MoneyError;
use compagina_core::page::op::Touch;
use compagina_core::template::ReachError;
use compagina_core::wording::WordingError;
use compagina_storage::StorageError;
use serde::Serialize;
use std::fmt::Display;
use utoipa::ToSchema;

/// What a client is told when something can't be done.
#[derive(Debug, Clone, Serialize, ToSchema)]
pub struct ApiError {
    #[serde(skip)]
    status: u16,
    /// For programs.
    code: &'static str,
    /// For people: what happened and what to do.
    message: String,
    /// The revision that the template is at, where somebody else's edit came first.
    #[serde(skip_serializing_if = "Option::is_none")]
    current_revision: Option<u64>,
    /// How long to wait before trying again.
    #[serde(skip_serializing_if = "Option::is_none")]
    wait_seconds: Option<i64>,
}

pub type ApiResult<T> = Result<T, ApiError>;

impl ApiError {
    pub fn new(status: StatusCode, code: &'static str, message: impl Into<String>) -> Self {
        let (status, message) = (status.as_u16(), message.into());
        Self { status, code, message, current_revision: None, wait_seconds: None }
    }
    pub fn nothing_here() -> Self {
        Self::new(StatusCode::NOT_FOUND, "not_found", "There is nothing at this address.")
    }
    pub fn no_such(what: &str) -> Self {
        Self::new(
            StatusCode::NOT_FOUND,
            "not_found",
            format!("There is no such {what}. It may have been removed."),
        )
    }
    pub fn sign_in_first() -> Self {
        Self::new(StatusCode::UNAUTHORIZED, "sign_in_first", "Please sign in first.")
    }
    pub fn no_token() -> Self {
        Self::new(
            StatusCode::FORBIDDEN,
            "no_token",
            "This request doesn't carry the token of your session. Nothing was changed; load the page again.",
        )
    }
    pub fn wrong_password() -> Self {
        Self::new(
            StatusCode::UNAUTHORIZED,
            "wrong_password",
            "This email and password don't belong together.",
        )
    }
    pub fn wait(seconds: i64) -> Self {
        let message = format!("Too many failed tries. Please wait {seconds} seconds, then try again.");
        let error = Self::new(StatusCode::TOO_MANY_REQUESTS, "wait", message);
        Self { wait_seconds: Some(seconds), ..error }
    }
    pub fn refused(why: impl Display) -> Self {
        let message = format!("This can't be done: {why}. Nothing was changed.");
        Self::new(StatusCode::UNPROCESSABLE_ENTITY, "refused", message)
    }
    /// A step that was sent again and whose first answer isn't kept.
    pub fn taken_before() -> Self {
        let message = "This step was taken the first time it was sent. Look at how it is now.";
        Self::new(StatusCode::CONFLICT, "taken_before", message)
    }
    pub fn too_large() -> Self {
        let message = "This is too much at once: 1 MB is the most. Nothing was kept.";
        Self::new(StatusCode::PAYLOAD_TOO_LARGE, "too_large", message)
    }
    /// Two people changed the same thing; the later one is told, and nothing of hers is lost: her client still has it.
    fn clash(who: Option<&str>, touch: &Touch, current: u64) -> Self {
        let who = who.unwrap_or("You, in another window,");
        let what = match touch {
            Touch::Value(..) | Touch::Kept(..) => "set this very value",
            Touch::Piece(_) => "added or removed this piece",
            Touch::Place(_) => "moved this piece",
            Touch::Band(_) => "changed this band",
            Touch::Frame => "changed the frame",
            Touch::Everything => "laid the page anew",
        };
        let message = format!("{who} {what} a moment ago. Your step was not made yet.");
        let error = Self::new(StatusCode::CONFLICT, "clash", message);
        Self { current_revision: Some(current), ..error }
    }
    pub fn unreadable(why: impl Display) -> Self {
        let why: String = why.to_string().chars().filter(|c| !c.is_control()).take(200).collect();
        let message = format!("This request can't be read: {why}. Nothing was changed.");
        Self::new(StatusCode::BAD_REQUEST, "unreadable", message)
    }
    /// Something that wasn't foreseen.
    pub fn unforeseen(error: impl Display) -> Self {
        tracing::error!("unforeseen: {error}");
        let message = "Something went wrong on our side. Nothing was changed; please try again.";
        Self::new(StatusCode::INTERNAL_SERVER_ERROR, "unforeseen", message)
    }
    pub fn message(&self) -> &str {
        &self.message
    }
}

impl Display for ApiError {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str(&self.message)
    }
}

impl std::error::Error for ApiError {}

impl ResponseError for ApiError {
    fn status_code(&self) -> StatusCode {
        StatusCode::from_u16(self.status).unwrap_or(StatusCode::INTERNAL_SERVER_ERROR)
    }
    fn error_response(&self) -> HttpResponse {
        let mut answer = HttpResponse::build(self.status_code());
        if let Some(seconds) = self.wait_seconds {
            answer.insert_header((header::RETRY_AFTER, seconds));
        }
        answer.json(self)
    }
}

impl From<StorageError> for ApiError {
    fn from(error: StorageError) -> Self {
        match error {
            StorageError::NotFound { what } => Self::no_such(what),
            StorageError::RevisionMismatch { current, .. } => {
                let message = "Somebody else changed this in the meantime. Your last step was not made; it is shown as \
                    it is now.";
                let error = Self::new(StatusCode::CONFLICT, "revision_mismatch", message);
                Self { current_revision: Some(current), ..error }
            }
            StorageError::Clash { ref who, ref touch, current } => {
                Self::clash(who.as_deref(), touch, current)
            }
            StorageError::Rearranged => {
                let message = "Somebody else has changed which template serves what a moment ago. Yours was not done \
                    yet: look at how it is now, and do it again if it still fits.";
                Self::new(StatusCode::CONFLICT, "rearranged", message)
            }
            StorageError::Overtaken { what } => {
                let what = what.trim_end_matches("_minor").replace('_', " ");
                let message = format!(
                    "Somebody else has changed the {what} of this in the meantime. What you wrote is still here and \
                     was not kept yet: keep it again to put it in the place of theirs."
                );
                Self::new(StatusCode::CONFLICT, "overtaken", message)
            }
            StorageError::OvertakenBy { who, told } => {
                let who = who.unwrap_or_else(|| "Somebody".into());
                let message =
                    format!("{who} changed the same in the meantime ({told}). Nothing was changed by you.");
                Self::new(StatusCode::CONFLICT, "overtaken", message)
            }
            StorageError::Full { .. }
            | StorageError::KeptAlready
            | StorageError::StillLinked { .. }
            | StorageError::Refused(_) => Self::refused(error),
            // Somebody else was faster with the same name between our looking and our keeping.
            StorageError::Taken => Self::refused("something else got the same name a moment ago"),
            StorageError::TakenBefore => Self::taken_before(),
            StorageError::NoStep { .. } => Self::new(StatusCode::CONFLICT, "no_step", format!("{error}.")),
            StorageError::Op(reason) => Self::refused(reason),
            StorageError::CartFull { .. } => Self::refused(error),
            StorageError::Money(_)
            | StorageError::Damaged { .. }
            | StorageError::Migration(_)
            | StorageError::Database(_) => Self::unforeseen(error),
        }
    }
}

impl From<MoneyError> for ApiError {
    fn from(error: MoneyError) -> Self {
        Self::unforeseen(error)
    }
}
impl From<NameError> for ApiError {
    fn from(error: NameError) -> Self {
        Self::refused(error)
    }
}
impl From<TokenError> for ApiError {
    fn from(error: TokenError) -> Self {
        Self::refused(error)
    }
}
impl From<ListingError> for ApiError {
    fn from(error: ListingError) -> Self {
        Self::refused(error)
    }
}
impl From<WordingError> for ApiError {
    fn from(error: WordingError) -> Self {
        Self::refused(error)
    }
}
impl From<ReachError> for ApiError {
    fn from(error: ReachError) -> Self {
        Self::refused(error)
    }
}
impl From<TextsError> for ApiError {
    fn from(error: TextsError) -> Self {
        Self::refused(error)
    }
}
impl From<FieldsError> for ApiError {
    fn from(error: FieldsError) -> Self {
        Self::refused(error)
    }
}
impl From<JsonPayloadError> for ApiError {
    fn from(error: JsonPayloadError) -> Self {
        match error {
            JsonPayloadError::Overflow { .. } | JsonPayloadError::OverflowKnownLength { .. } => {
                Self::too_large()
            }
            JsonPayloadError::Deserialize(why) => Self::unreadable(why),
            other => Self::unreadable(other),
        }
    }
}
impl From<UrlencodedError> for ApiError {
    fn from(error: UrlencodedError) -> Self {
        match error {
            UrlencodedError::Overflow { .. } => Self::too_large(),
            other => Self::unreadable(other),
        }
    }
}
impl From<QueryPayloadError> for ApiError {
    fn from(error: QueryPayloadError) -> Self {
        Self::unreadable(error)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use compagina_core::ids::PieceId;
    use compagina_core::page::OpError;

    fn answer(error: impl Into<ApiError>) -> (u16, &'static str) {
        let error: ApiError = error.into();
        (error.status, error.code)
    }

    #[test]
    fn every_error_of_the_storage_has_its_status_and_code() {
        let ghost = || OpError::NoSuchPiece(PieceId::try_from("ghost").unwrap());
        assert_eq!(answer(StorageError::NotFound { what: "template" }), (404, "not_found"));
        assert_eq!(
            answer(StorageError::RevisionMismatch { expected: 1, current: 2 }),
            (409, "revision_mismatch")
        );
        assert_eq!(answer(StorageError::Rearranged), (409, "rearranged"));
        assert_eq!(answer(StorageError::Overtaken { what: "summary".into() }), (409, "overtaken"));
        assert_eq!(answer(StorageError::TakenBefore), (409, "taken_before"));
        assert_eq!(answer(StorageError::NoStep { step: "undo" }), (409, "no_step"));
        assert_eq!(answer(StorageError::Op(ghost())), (422, "refused"));
        assert_eq!(answer(StorageError::CartFull { most: 50 }), (422, "refused"));
        assert_eq!(answer(StorageError::Migration("x".into())), (500, "unforeseen"));
        assert_eq!(answer(MoneyError::Overflow), (500, "unforeseen"));
    }

    #[test]
    fn what_was_not_foreseen_tells_no_detail() {
        let secret = "Access denied for user root@127.0.0.1";
        let error = ApiError::from(StorageError::Migration(secret.into()));
        let body = serde_json::to_string(&error).unwrap();
        assert!(!body.contains("root") && !body.contains("Access"), "{body}");
    }

    #[test]
    fn an_unreadable_request_is_told_without_its_control_characters() {
        let error = ApiError::unreadable(format!("at\u{7} {}", "x".repeat(1000)));
        assert!(error.message.len() < 300 && !error.message.contains('\u{7}'));
    }
}

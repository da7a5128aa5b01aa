use crate::serving::reading::LANGUAGE_COOKIE;
use actix_web::cookie::{Cookie, SameSite};
use actix_web::http::header;
use actix_web::web::{Path, Query};
use actix_web::{HttpResponse, get};
use compagina_core::wording::Language;
use serde::Deserialize;

const DAYS: i64 = 365;

#[derive(Deserialize)]
pub struct Back {
    to: Option<String>,
}

/// Chooses the language in which the shop is read, and goes back to where one was.
#[get("/shop/language/{tag}")]
pub async fn choose(tag: Path<String>, back: Query<Back>) -> HttpResponse {
    let language = Language::from_tag(&tag).unwrap_or_default();
    // Only into the shop, so that the link can't be used to lead elsewhere.
    let inside = |to: &&str| *to == "/shop" || to.starts_with("/shop/") || to.starts_with("/shop?");
    let to =
        back.to.as_deref().filter(inside).filter(|to| !to.chars().any(char::is_control)).unwrap_or("/shop");
    let cookie = Cookie::build(LANGUAGE_COOKIE, language.tag())
        .path("/shop")
        .same_site(SameSite::Lax)
        .max_age(actix_web::cookie::time::Duration::days(DAYS))
        .finish();
    HttpResponse::SeeOther().insert_header((header::LOCATION, to)).cookie(cookie).finish()
}

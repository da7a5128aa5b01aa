//! Files as they come in: written to disk while they come, so that many at once take no memory, then looked at a few at
//! a time. A file that doesn't come whole, or isn't taken, leaves nothing behind.

use crate::error::{ApiError, ApiResult};
use crate::making::{MakeError, pixels_of};
use crate::state::{MEGAPIXELS_AT_ONCE, State};
use actix_web::http::StatusCode;
use actix_web::web::Payload;
use compagina_core::swatch::Colour;
use compagina_pictures::{Cut, MOST_DRAWN_PIXELS, Pixels, hash, look, make, square};
use futures_util::StreamExt;
use std::io::{Read, Seek, Write};
use tokio::sync::SemaphorePermit;

pub const MOST_PICTURE_BYTES: u64 = 40_000_000;

/// Writes a body to a file without a name, which is gone as soon as nobody holds it.
pub async fn receive(mut body: Payload, name: &str, most: u64) -> ApiResult<std::fs::File> {
    let mut file = tempfile::tempfile().map_err(ApiError::unforeseen)?;
    let mut length = 0;
    while let Some(part) = body.next().await {
        let part = part.map_err(|_| cut_off(name))?;
        length += part.len() as u64;
        if length > most {
            let status = StatusCode::PAYLOAD_TOO_LARGE;
            let message = format!("“{name}” is larger than {} MB. Save it smaller.", most / 1_000_000);
            return Err(ApiError::new(status, "too_large", message));
        }
        file = tokio::task::spawn_blocking(move || file.write_all(&part).map(|()| file))
            .await
            .map_err(ApiError::unforeseen)?
            .map_err(ApiError::unforeseen)?;
    }
    Ok(file)
}

fn cut_off(name: &str) -> ApiError {
    let message = format!("“{name}” didn't come whole. Put it in again.");
    ApiError::new(StatusCode::BAD_REQUEST, "cut_off", message)
}

pub fn read(mut file: std::fs::File) -> std::io::Result<Vec<u8>> {
    let mut bytes = Vec::new();
    file.rewind()?;
    file.read_to_end(&mut bytes)?;
    Ok(bytes)
}

/// A picture that came in, with its pixels; while it is held, others that need as much memory wait.
pub struct Decoded<'a> {
    /// The hash of its bytes, under which it is kept.
    pub hash: String,
    pub bytes: Vec<u8>,
    pub pixels: Pixels,
    _turn: SemaphorePermit<'a>,
}

/// Reads a picture and decodes it once, so that a damaged one is refused at once. Only so many are held at once as
/// memory allows; the others wait.
pub async fn decoded_in_turn<'a>(
    state: &'a State,
    name: &str,
    file: std::fs::File,
) -> ApiResult<Decoded<'a>> {
    let again = file.try_clone().map_err(ApiError::unforeseen)?;
    let (looked_at, called) = ({
        let _turn = state.turns.acquire_many(8).await.map_err(ApiError::unforeseen)?;
        let called = name.to_owned();
        let looked_at = tokio::task::spawn_blocking(move || Ok((look(&called, &read(again)?), called)));
        let looked_at: std::io::Result<_> = looked_at.await.map_err(ApiError::unforeseen)?;
        looked_at.map_err(ApiError::unforeseen)
    })?;
    let head = looked_at.map_err(|why| not_taken(&called, &why))?;
    let pixels = head.size.map_or(MOST_DRAWN_PIXELS, |(width, height)| u64::from(width) * u64::from(height));
    let turns = u32::try_from(pixels.div_ceil(1_000_000)).unwrap_or(MEGAPIXELS_AT_ONCE);
    let turns = turns.clamp(1, MEGAPIXELS_AT_ONCE);
    let turn = state.turns.acquire_many(turns).await.map_err(ApiError::unforeseen)?;
    let read_again = tokio::task::spawn_blocking(move || read(file).map(|bytes| (hash(&bytes), bytes)));
    let (hash, bytes) = read_again.await.map_err(ApiError::unforeseen)?.map_err(ApiError::unforeseen)?;
    let pixels = pixels_of(&state.drawer, bytes.clone()).await.map_err(|why| undecoded(name, why))?;
    Ok(Decoded { hash, bytes, pixels, _turn: turn })
}

/// Reads a picture in its turn and keeps the square cut from its middle. Gives the square's hash and the colour it has
/// most of.
pub async fn squared_in_turn(
    state: &State,
    name: &str,
    file: std::fs::File,
    cut: Cut,
) -> ApiResult<(String, Option<Colour>)> {
    let Decoded { pixels, _turn, .. } = decoded_in_turn(state, name, file).await?;
    kept_square(state, name, pixels, (500, 500), cut).await
}

/// Keeps a square cut from a picture that is kept, around a point.
pub async fn squared(
    state: &State,
    name: &str,
    bytes: Vec<u8>,
    point: (u16, u16),
    cut: Cut,
) -> ApiResult<(String, Option<Colour>)> {
    let _turn = state.turns.acquire_many(MEGAPIXELS_AT_ONCE / 2).await.map_err(ApiError::unforeseen)?;
    let pixels = pixels_of(&state.drawer, bytes).await.map_err(|why| undecoded(name, why))?;
    kept_square(state, name, pixels, point, cut).await
}

async fn kept_square(
    state: &State,
    name: &str,
    pixels: Pixels,
    point: (u16, u16),
    cut: Cut,
) -> ApiResult<(String, Option<Colour>)> {
    let made = tokio::task::spawn_blocking(move || square(&pixels, point, cut))
        .await
        .map_err(ApiError::unforeseen)?;
    let made = made.map_err(|why| not_taken(name, &why))?;
    let hash = made.encoded.hash.clone();
    state.media.put(&hash, made.encoded.bytes).await.map_err(ApiError::unforeseen)?;
    Ok((hash, made.colour.map(Colour)))
}

/// How wide a picture is made that stands over a value: two pixels to one.
const CLOSER_WIDTH: u32 = 480;

/// Reads a picture in its turn and keeps it whole in one size. Gives the hash of that.
pub async fn fitted_in_turn(state: &State, name: &str, file: std::fs::File) -> ApiResult<String> {
    let Decoded { pixels, _turn, .. } = decoded_in_turn(state, name, file).await?;
    let made = tokio::task::spawn_blocking(move || make(&pixels, |width| vec![width.min(CLOSER_WIDTH)]))
        .await
        .map_err(ApiError::unforeseen)?
        .map_err(|why| not_taken(name, &why))?;
    let Some(size) = made.sizes.into_iter().next() else { return Err(ApiError::unforeseen("no size")) };
    state.media.put(&size.hash, size.bytes).await.map_err(ApiError::unforeseen)?;
    Ok(size.hash)
}

fn undecoded(name: &str, why: MakeError) -> ApiError {
    match why {
        MakeError::Picture(_) | MakeError::Undrawn(_) => not_taken(name, &why),
        MakeError::Store(_) | MakeError::Process(_) | MakeError::Stopped(_) => ApiError::unforeseen(why),
    }
}

fn not_taken(name: &str, why: &dyn std::fmt::Display) -> ApiError {
    ApiError::new(StatusCode::UNPROCESSABLE_ENTITY, "refused", format!("“{name}” wasn't taken. {why}."))
}

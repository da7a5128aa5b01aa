//! Pictures that our own code draws. One that was drawn once is found again by its drawing.

use super::{MakeError, drawn};
use crate::media::Media;
use compagina_core::media::{PLAN, PictureSize};
use compagina_core::swatch::Colour;
use compagina_pictures::{Cut, rasterise, square};
use serde::de::DeserializeOwned;
use serde::{Deserialize, Serialize};

/// A drawing with its sizes, as noted beside the pictures.
#[derive(Clone, Serialize, Deserialize)]
pub struct Drawn {
    /// The hash of the drawing itself.
    pub original: String,
    pub sizes: Vec<PictureSize>,
    pub cut_out: bool,
}

/// The name under which a drawing is noted.
pub fn name_of(svg: &str) -> String {
    compagina_pictures::hash(format!("{PLAN}{svg}").as_bytes())
}

pub async fn draw(media: &Media, svg: &str) -> Result<Drawn, MakeError> {
    once(media, &name_of(svg), async || {
        let original = compagina_pictures::hash(svg.as_bytes());
        media.put(&original, svg.as_bytes().to_vec()).await?;
        let (sizes, cut_out) = drawn(media, svg.to_owned()).await?;
        Ok(Drawn { original, sizes, cut_out })
    })
    .await
}

/// A swatch's square, as noted beside the pictures.
#[derive(Serialize, Deserialize)]
pub struct DrawnSwatch {
    pub hash: String,
    pub colour: Option<Colour>,
}

/// A drawing as the square that a swatch shows.
pub async fn draw_swatch(media: &Media, svg: &str) -> Result<DrawnSwatch, MakeError> {
    let name = compagina_pictures::hash(format!("{PLAN}square{svg}").as_bytes());
    once(media, &name, async || {
        let made = square(&rasterise(svg.as_bytes())?, (500, 500), Cut::Whole)?;
        let hash = made.encoded.hash;
        media.put(&hash, made.encoded.bytes).await?;
        Ok(DrawnSwatch { hash, colour: made.colour.map(Colour) })
    })
    .await
}

/// What is noted under a name; made and noted where nothing is.
async fn once<T: Serialize + DeserializeOwned>(
    media: &Media,
    name: &str,
    make: impl AsyncFnOnce() -> Result<T, MakeError>,
) -> Result<T, MakeError> {
    if let Some(note) = media.note(name).await
        && let Ok(made) = serde_json::from_slice(&note)
    {
        return Ok(made);
    }
    let made = make().await?;
    if let Ok(note) = serde_json::to_string(&made) {
        media.put_note(name, note).await?;
    }
    Ok(made)
}

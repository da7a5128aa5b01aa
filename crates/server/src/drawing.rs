//! Pictures that our own code draws. One that was drawn once is found again by its drawing.

use crate::make::{self, MakeError};
use crate::media::Media;
use compagina_core::media::{PLAN, PictureSize};
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
    let name = name_of(svg);
    if let Some(note) = media.note(&name).await
        && let Ok(drawn) = serde_json::from_slice(&note)
    {
        return Ok(drawn);
    }
    let original = compagina_pictures::hash(svg.as_bytes());
    media.put(&original, svg.as_bytes().to_vec()).await?;
    let (sizes, cut_out) = make::drawn(media, svg.to_owned()).await?;
    let drawn = Drawn { original, sizes, cut_out };
    if let Ok(note) = serde_json::to_string(&drawn) {
        media.put_note(&name, note).await?;
    }
    Ok(drawn)
}

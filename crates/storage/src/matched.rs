//! What the names of values lead to: colours of the palette, and files.

use crate::Result;
use compagina_core::ids::{OptionId, ValueId};
use compagina_core::swatch::{Fate, Palette, SwatchFile, match_files};
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// Works out anew what the names of an option's values lead to.
pub(crate) async fn work_out(tx: &mut MySqlConnection, option: OptionId) -> Result<()> {
    let values =
        sqlx::query!("SELECT id, name FROM option_value WHERE option_id = ? ORDER BY position, id", option.0)
            .fetch_all(&mut *tx)
            .await?;
    let files = sqlx::query!(
        r#"SELECT id, name, hash, fate AS "fate: Json<Fate>" FROM swatch_file WHERE option_id = ? ORDER BY id"#,
        option.0
    )
    .fetch_all(&mut *tx)
    .await?;
    let palette = palette_of(&mut *tx).await?;
    let names: Vec<(ValueId, &str)> = values.iter().map(|v| (ValueId(v.id), v.name.as_str())).collect();
    let known: Vec<SwatchFile> = files
        .iter()
        .map(|f| SwatchFile { id: f.id, name: f.name.clone(), fate: f.fate.as_ref().map(|fate| fate.0) })
        .collect();
    let matches = match_files(&names, &known);
    for (value, name) in names {
        let file = matches.file_of(value).and_then(|id| files.iter().find(|f| f.id == id));
        sqlx::query!(
            "UPDATE option_value SET palette_colour = ?, file_hash = ? WHERE id = ?",
            palette.colour(name).map(String::from),
            file.map(|f| f.hash.as_str()),
            value.0
        )
        .execute(&mut *tx)
        .await?;
    }
    Ok(())
}

/// The shop's palette; empty where none was written.
pub(crate) async fn palette_of(tx: &mut MySqlConnection) -> Result<Palette> {
    let text = sqlx::query_scalar!("SELECT palette FROM shop").fetch_optional(&mut *tx).await?;
    Ok(Palette::read(&text.unwrap_or_default()).unwrap_or_default())
}

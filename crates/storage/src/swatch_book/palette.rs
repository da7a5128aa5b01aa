use crate::journal::{Hand, Scope};
use crate::matched::{palette_of, work_out};
use crate::{Result, Store};
use compagina_core::ids::OptionId;
use compagina_core::swatch::Palette;

impl Store {
    /// The shop’s palette.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn palette(&self) -> Result<Palette> {
        palette_of(&mut *self.pool.acquire().await?).await
    }
}

impl Hand<'_> {
    /// Puts another palette in the place of the old one; values of all options show its colours at once.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn set_palette(&self, palette: &Palette) -> Result<()> {
        self.step(&Scope { palette: true, ..Scope::default() }, async |tx, _| {
            sqlx::query!("UPDATE shop SET palette = ?", palette.to_text()).execute(&mut *tx).await?;
            let options = sqlx::query_scalar!("SELECT id FROM shop_option ORDER BY id FOR UPDATE")
                .fetch_all(&mut *tx)
                .await?;
            for option in options {
                work_out(tx, OptionId(option)).await?;
            }
            Ok(())
        })
        .await
    }
}

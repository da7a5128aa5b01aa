use super::file::{palette_of, work_out};
use crate::change::Changed;
use crate::error::with_retries;
use crate::{Result, Store, change};
use compagina_core::ids::OptionId;
use compagina_core::swatch::Palette;

impl Store {
    pub async fn palette(&self) -> Result<Palette> {
        palette_of(&mut *self.pool.acquire().await?).await
    }

    /// Puts another palette in the place of the old one; values of all options show its colours at once.
    pub async fn set_palette(&self, palette: &Palette) -> Result<()> {
        with_retries(|| async {
            let mut tx = self.pool.begin().await?;
            sqlx::query!("UPDATE shop SET palette = ?", palette.to_text()).execute(&mut *tx).await?;
            let options = sqlx::query_scalar!("SELECT id FROM shop_option ORDER BY id FOR UPDATE")
                .fetch_all(&mut *tx)
                .await?;
            for option in options {
                work_out(&mut tx, OptionId(option)).await?;
            }
            change::note(&mut tx, Changed::Everything).await?;
            tx.commit().await?;
            Ok(())
        })
        .await
    }
}

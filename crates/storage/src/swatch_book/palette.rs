use super::file::{palette_of, work_out};
use crate::change::Changed;
use crate::{Result, Store};
use compagina_core::ids::OptionId;
use compagina_core::swatch::Palette;

impl Store {
    pub async fn palette(&self) -> Result<Palette> {
        palette_of(&mut *self.pool.acquire().await?).await
    }

    /// Puts another palette in the place of the old one; values of all options show its colours at once.
    pub async fn set_palette(&self, palette: &Palette) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            sqlx::query!("UPDATE shop SET palette = ?", palette.to_text()).execute(&mut *tx).await?;
            let options = sqlx::query_scalar!("SELECT id FROM shop_option ORDER BY id FOR UPDATE")
                .fetch_all(&mut *tx)
                .await?;
            for option in options {
                work_out(tx, OptionId(option)).await?;
            }
            unit.changed(Changed::Everything);
            unit.done(()).await
        })
        .await
    }
}

//! Which variants of a product became otherwise after something was seen, so that only these need to be told.

use super::{Seen, Subject};
use crate::{Result, Store};
use compagina_core::catalog::journal::{Change, Event, RowId};
use compagina_core::ids::{ProductId, VariantId};
use sqlx::types::Json;
use std::collections::BTreeSet;

/// Variants that aren't as they were.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct VariantsSince {
    /// Something of them was set.
    pub set: BTreeSet<VariantId>,
    /// They are gone.
    pub gone: BTreeSet<VariantId>,
}

impl Store {
    /// The variants of a product that were set or went after it was seen; none where some came too, or where it isn't
    /// known any more: then all of them have to be read.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn variants_since(&self, product: ProductId, seen: Seen) -> Result<Option<VariantsSince>> {
        let ours = matches!(seen.subject, Subject::Product(id) | Subject::Within(id, _) if id == product);
        let known = sqlx::query_scalar!("SELECT 1 AS `one: i64` FROM catalogue_step WHERE id = ?", seen.step)
            .fetch_optional(&self.pool)
            .await?;
        if !ours || known.is_none() {
            return Ok(None);
        }
        let steps = sqlx::query_scalar!(
            r#"SELECT s.events AS "events: Json<Vec<Event>>" FROM catalogue_step_of f
               JOIN catalogue_step s ON s.id = f.step_id WHERE f.subject = ? AND f.step_id > ? ORDER BY f.step_id"#,
            Subject::Product(product).to_string(),
            seen.step
        )
        .fetch_all(&self.pool)
        .await?;
        let mut since = VariantsSince::default();
        for event in steps.into_iter().flat_map(|events| events.0) {
            let RowId::Variant(variant) = event.row else { continue };
            match event.change {
                Change::Came(_) => return Ok(None),
                Change::Set(_) => drop(since.set.insert(variant)),
                Change::Went(_) => {
                    since.set.remove(&variant);
                    since.gone.insert(variant);
                }
            }
        }
        Ok(Some(since))
    }
}

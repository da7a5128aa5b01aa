//! Publishing a template's draft for some products only.

use super::shown::show;
use crate::change::Changed;
use crate::publication::DraftId;
use crate::template::{Arrangement, Draft, arrangement, insert_template, locked_draft};
use crate::{Result, StorageError, Store};
use compagina_core::ids::TemplateId;
use compagina_core::template::Reach;

impl Store {
    /// Publishes the draft as it was at revision `expected` as a template of its own with a reach of its own, and gives
    /// other templates the reach that goes with it: one step. Gives the new template's number.
    ///
    /// # Errors
    /// [`StorageError::RevisionMismatch`](crate::StorageError::RevisionMismatch) where it is at another revision by now.
    /// Else those of the database.
    pub async fn publish_apart(
        &self,
        id: TemplateId,
        owner: u64,
        expected: u64,
        (name, reach): (&str, &Reach),
        others: &Arrangement,
    ) -> Result<TemplateId> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let Draft { layout, revision: current, .. } = locked_draft(tx, id).await?;
            if current != expected {
                return Err(StorageError::RevisionMismatch { expected, current });
            }
            arrangement::write(tx, others).await?;
            let new = insert_template(tx, name, reach, &layout).await?;
            let shown = serde_json::to_value(&layout).map_err(|why| StorageError::damaged("page")(&why))?;
            show(tx, DraftId::Template(new), 1, ("As it began", owner), &shown).await?;
            unit.changed(Changed::Looks);
            unit.done(new).await
        })
        .await
    }
}

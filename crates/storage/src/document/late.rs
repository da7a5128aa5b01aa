//! Whether a late step on a shop's document may land: by what the steps touched that came since it was made.

use super::DocumentName;
use crate::{Result, StorageError, step_key};
use compagina_core::document::meet;
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::BTreeSet;

type Places = BTreeSet<String>;
/// A step: the places that it touches, and what its maker calls a place.
type Step<'a> = (&'a Places, &'a (dyn Fn(&str) -> String + Sync));

/// Refuses a late step that would overwrite what somebody else did. A step that goes back or forward touches nothing of
/// its own and is only made on what one sees.
///
/// Steps of the same line were made before this one by the same hand: they aren't strange to it.
pub(super) async fn check(
    tx: &mut MySqlConnection,
    (name, owner): (DocumentName, u64),
    (expected, current): (u64, u64),
    step: Option<Step<'_>>,
) -> Result<()> {
    if expected == current {
        return Ok(());
    }
    let mismatch = || StorageError::RevisionMismatch { expected, current };
    let since = sqlx::query!(
        r#"SELECT c.touched AS "touched: Json<Places>", c.owner_id, c.line, o.name AS "who?"
           FROM shop_document_change c LEFT JOIN owner o ON o.id = c.owner_id
           WHERE c.name = ? AND c.revision > ? AND c.revision <= ? ORDER BY c.revision"#,
        name.text(),
        expected,
        current
    )
    .fetch_all(&mut *tx)
    .await?;
    // Steps that are no longer kept might have touched anything.
    if expected > current || u64::try_from(since.len()).ok() != current.checked_sub(expected) {
        return Err(mismatch());
    }
    let line = step_key::line();
    let strange = |of: &Option<String>, by: u64| line.is_none() || *of != line || by != owner;
    for other in since.iter().filter(|other| strange(&other.line, other.owner_id)) {
        let (mine, called) = step.ok_or_else(mismatch)?;
        let both = other.touched.0.iter().find(|theirs| mine.iter().any(|own| meet(own, theirs)));
        if let Some(place) = both {
            let who = if other.owner_id == owner {
                Some("You, in another window,".to_owned())
            } else {
                other.who.clone()
            };
            return Err(StorageError::OvertakenBy { who, told: called(place) });
        }
    }
    Ok(())
}

/// Notes what a step touched; after a day nobody is late any more.
pub(super) async fn note(
    tx: &mut MySqlConnection,
    (name, owner): (DocumentName, u64),
    revision: u64,
    touched: &Places,
) -> Result<()> {
    sqlx::query!(
        "INSERT INTO shop_document_change (name, revision, owner_id, line, touched) VALUES (?, ?, ?, ?, ?)",
        name.text(),
        revision,
        owner,
        step_key::line(),
        Json(touched) as _
    )
    .execute(&mut *tx)
    .await?;
    sqlx::query!(
        "DELETE FROM shop_document_change WHERE name = ? AND at < CURRENT_TIMESTAMP(3) - INTERVAL 1 DAY LIMIT 500",
        name.text()
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

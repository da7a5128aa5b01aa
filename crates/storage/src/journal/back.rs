//! The way back: what owners did is taken back and made again.

use super::{Done, Hand, Scope, Sort, put};
use crate::{Result, StorageError};
use compagina_core::catalog::journal::{Clash, Event, Place, Rows, Subject, apply, inverse, places};
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::BTreeSet;

/// A step as it is kept.
struct Kept {
    id: u64,
    told: String,
    events: Vec<Event>,
    taken_back: bool,
    takes_back: bool,
}

impl Kept {
    /// What was done, without whether it was taken back.
    fn what(&self) -> &str {
        self.told.strip_prefix("Taken back: ").unwrap_or(&self.told)
    }
}

impl Hand<'_> {
    /// The last step that its owner took on a subject and that stands: its number, and it in words.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn next_undo(&self, subject: Subject) -> Result<Option<(u64, String)>> {
        let row = sqlx::query!(
            "SELECT s.id, s.told FROM catalogue_step_of f JOIN catalogue_step s ON s.id = f.step_id
             WHERE f.subject = ? AND s.owner_id <=> ? AND s.taken_back_by IS NULL AND NOT s.takes_back AND NOT s.makes_again
             ORDER BY f.step_id DESC LIMIT 1",
            subject.to_string(),
            self.by.owner
        )
        .fetch_optional(&self.store.pool)
        .await?;
        Ok(row.map(|row| (row.id, row.told)))
    }

    /// What its owner took back last on a subject, unless another step was taken since: the number of the step that took
    /// it back, and it in words.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn next_redo(&self, subject: Subject) -> Result<Option<(u64, String)>> {
        let row = sqlx::query!(
            r#"SELECT s.taken_back_by AS "by!: u64", s.told FROM catalogue_step_of f JOIN catalogue_step s ON s.id = f.step_id
             JOIN catalogue_step u ON u.id = s.taken_back_by
             WHERE f.subject = ? AND u.owner_id <=> ? AND NOT s.takes_back
             AND NOT EXISTS (SELECT 1 FROM catalogue_step_of g JOIN catalogue_step n ON n.id = g.step_id
               WHERE g.subject = f.subject AND n.id > u.id AND n.owner_id <=> u.owner_id
               AND NOT n.takes_back AND NOT n.makes_again)
             ORDER BY u.id DESC, s.id DESC LIMIT 1"#,
            subject.to_string(),
            self.by.owner
        )
        .fetch_optional(&self.store.pool)
        .await?;
        Ok(row.map(|row| (row.by, row.told)))
    }

    /// Takes back the last step that its owner took on a subject and that stands. Gives it in words.
    ///
    /// # Errors
    /// [`StorageError::NoStep`] where there is none, [`StorageError::OvertakenBy`] where somebody changed the same since.
    pub async fn undo(&self, subject: Subject) -> Result<String> {
        let (id, _) = self.next_undo(subject).await?.ok_or(StorageError::NoStep { step: "undo" })?;
        self.undo_steps(vec![id], None).await
    }

    /// Makes again what its owner took back last on a subject, unless another step was taken since.
    ///
    /// # Errors
    /// As of [`Self::undo`].
    pub async fn redo(&self, subject: Subject) -> Result<String> {
        let none = || StorageError::NoStep { step: "do again" };
        let (by, told) = self.next_redo(subject).await?.ok_or_else(none)?;
        let scope = self.scope_of(&[by]).await?;
        self.step_on(&scope, async |tx, _, was| {
            let took = kept(tx, by).await?.filter(|step| !step.taken_back).ok_or_else(none)?;
            let is = turned(tx, was, &[took]).await?;
            put::put(tx, was, &is).await.map_err(taken)?;
            let line = format!("Made again: {told}");
            Ok(Done { answer: told.clone(), sort: Sort::MakesAgain(by, line) })
        })
        .await
    }

    /// Takes back one step of whoever took it.
    ///
    /// # Errors
    /// As of [`Self::undo`].
    pub async fn undo_step(&self, id: u64) -> Result<String> {
        self.undo_steps(vec![id], None).await
    }

    /// Brings a subject back to what it was after a step: what was done to it since, by whomever, is taken back.
    ///
    /// # Errors
    /// As of [`Self::undo`].
    pub async fn bring_back(&self, subject: Subject, after: u64) -> Result<String> {
        let told = sqlx::query_scalar!("SELECT told FROM catalogue_step WHERE id = ?", after)
            .fetch_optional(&self.store.pool)
            .await?
            .ok_or(StorageError::NotFound { what: "step" })?;
        let steps = sqlx::query_scalar!(
            "SELECT step_id FROM catalogue_step_of WHERE subject = ? AND step_id > ? ORDER BY step_id DESC",
            subject.to_string(),
            after
        )
        .fetch_all(&self.store.pool)
        .await?;
        if steps.is_empty() {
            return Err(StorageError::NoStep { step: "undo" });
        }
        self.undo_steps(steps, Some(format!("Brought back to how it was after: {told}"))).await
    }

    /// Takes steps back, the newest first, as one step; told by `line` where they are what was done since another one.
    async fn undo_steps(&self, ids: Vec<u64>, line: Option<String>) -> Result<String> {
        let scope = self.scope_of(&ids).await?;
        self.step_on(&scope, async |tx, _, was| {
            let mut steps = Vec::new();
            for id in &ids {
                steps.push(kept(tx, *id).await?.ok_or(StorageError::NotFound { what: "step" })?);
            }
            // Somebody may have taken it back meanwhile, in another window.
            if line.is_none() && steps.iter().any(|step| step.taken_back) {
                return Err(StorageError::NoStep { step: "undo" });
            }
            let is = turned(tx, was, &steps).await?;
            put::put(tx, was, &is).await.map_err(taken)?;
            let told = steps.first().map(|step| step.told.clone()).unwrap_or_default();
            let sort = match (&line, steps.as_slice()) {
                (Some(line), _) => Sort::TakesBack(ids.clone(), line.clone()),
                (None, [step]) if step.takes_back => {
                    Sort::MakesAgain(step.id, format!("Made again: {}", step.what()))
                }
                (None, _) => Sort::TakesBack(ids.clone(), format!("Taken back: {told}")),
            };
            Ok(Done { answer: told, sort })
        })
        .await
    }

    async fn scope_of(&self, ids: &[u64]) -> Result<Scope> {
        let wanted = serde_json::to_string(ids).unwrap_or_default();
        let subjects = sqlx::query_scalar!(
            "SELECT DISTINCT f.subject FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) w
             JOIN catalogue_step_of f ON f.step_id = w.id",
            wanted
        )
        .fetch_all(&self.store.pool)
        .await?;
        let subjects: Vec<Subject> = subjects.iter().filter_map(|text| Subject::read(text)).collect();
        Ok(Scope::of(&subjects))
    }
}

async fn kept(tx: &mut MySqlConnection, id: u64) -> Result<Option<Kept>> {
    let row = sqlx::query!(
        r#"SELECT told, events AS "events: Json<Vec<Event>>", taken_back_by, takes_back AS "takes_back: bool"
           FROM catalogue_step WHERE id = ? FOR UPDATE"#,
        id
    )
    .fetch_optional(&mut *tx)
    .await?;
    Ok(row.map(|row| Kept {
        id,
        told: row.told,
        events: row.events.0,
        taken_back: row.taken_back_by.is_some(),
        takes_back: row.takes_back,
    }))
}

/// The rows as they are when steps are turned round, one after another.
async fn turned(tx: &mut MySqlConnection, was: &Rows, steps: &[Kept]) -> Result<Rows> {
    let mut is = was.clone();
    for step in steps {
        let events = inverse(&step.events);
        if steps.len() == 1 {
            stock_is_its_own(tx, step).await?;
        }
        if let Err(clash) = apply(&mut is, &events) {
            return Err(overtaken(tx, step, &clash).await?);
        }
    }
    Ok(is)
}

/// A stock is moved by what was sold since, and only by that: where an owner counted anew, nothing is moved.
async fn stock_is_its_own(tx: &mut MySqlConnection, step: &Kept) -> Result<()> {
    let stocks: BTreeSet<Place> =
        places(&step.events).into_iter().filter(|place| place.field.as_deref() == Some("stock")).collect();
    if stocks.is_empty() {
        return Ok(());
    }
    match later(tx, step.id, &stocks).await? {
        Some((who, told)) => Err(StorageError::OvertakenBy { who, told }),
        None => Ok(()),
    }
}

/// The newest step after this one that stands and touches these places: who took it, and it in words.
async fn later(
    tx: &mut MySqlConnection,
    step: u64,
    touches: &BTreeSet<Place>,
) -> Result<Option<(Option<String>, String)>> {
    let rows = sqlx::query!(
        r#"SELECT s.id, s.told, s.events AS "events: Json<Vec<Event>>", o.name AS "who?"
           FROM catalogue_step s LEFT JOIN owner o ON o.id = s.owner_id
           WHERE s.id IN (SELECT g.step_id FROM catalogue_step_of f
             JOIN catalogue_step_of g ON g.subject = f.subject AND g.step_id > f.step_id WHERE f.step_id = ?)
           AND s.taken_back_by IS NULL AND NOT s.takes_back AND NOT s.makes_again ORDER BY s.id DESC"#,
        step
    )
    .fetch_all(&mut *tx)
    .await?;
    let meets =
        |events: &[Event]| places(events).iter().any(|place| touches.iter().any(|own| own.meets(place)));
    Ok(rows.into_iter().find(|row| meets(&row.events.0)).map(|row| (row.who, row.told)))
}

/// Who changed what a step did, told as well as the journal knows it.
async fn overtaken(tx: &mut MySqlConnection, step: &Kept, clash: &Clash) -> Result<StorageError> {
    let touches = places(&step.events);
    Ok(match later(tx, step.id, &touches).await? {
        Some((who, told)) => StorageError::OvertakenBy { who, told },
        None => StorageError::Refused(clash.to_string()),
    })
}

/// A name or an address was given to something else meanwhile.
fn taken(error: StorageError) -> StorageError {
    match error {
        StorageError::Taken => StorageError::Refused(
            "the address, name or SKU that it had belongs to something else by now".into(),
        ),
        StorageError::Database(error)
            if error.as_database_error().is_some_and(|why| why.is_foreign_key_violation()) =>
        {
            StorageError::Refused("something that it belongs to is gone by now".into())
        }
        other => other,
    }
}

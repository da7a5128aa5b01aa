//! Steps that are sent again because their answer was lost. Whoever sends one gives it a key; the key is kept in the
//! transaction that takes the step, so that it is taken once, however often it comes and whoever dies meanwhile.

use crate::{Result, StorageError, Store};
use sqlx::mysql::MySqlConnection;
use std::cell::Cell;
use std::future::Future;

/// Hours for which a key and what was answered are kept.
const KEPT_HOURS: u32 = 24;

/// A step under the key that its sender gave it.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct StepKey {
    /// Whose it is; others may use the same key.
    pub owner: u64,
    /// 8 to 64 visible signs of ASCII. Up to its last dot it names the line to which the step belongs, if it has one:
    /// steps of a line were made one upon another, and the later ones may have been sent before the first was answered.
    pub key: String,
    /// The hash of what is asked for.
    pub asked: [u8; 32],
}

/// What is known of a step that comes.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Before {
    /// It wasn't taken yet.
    Never,
    /// It was taken and answered with this status and body.
    Answered(u16, Vec<u8>),
    /// It was taken; what was answered isn't kept.
    Taken,
    /// Its key belongs to another step.
    Another,
}

impl StepKey {
    fn line(&self) -> Option<&str> {
        self.key.rsplit_once('.').map(|(line, _)| line)
    }
}

struct Taking {
    key: StepKey,
    /// Whether a transaction has taken it: the later ones of the same request go with it.
    taken: Cell<bool>,
}

tokio::task_local! {
    static TAKING: Taking;
}

/// The line of the step that is being taken.
pub(crate) fn line() -> Option<String> {
    TAKING.try_with(|taking| taking.key.line().map(str::to_owned)).ok().flatten()
}

/// Notes the key of the step that is being taken, within the transaction that takes it.
pub(crate) async fn note(tx: &mut MySqlConnection) -> Result<()> {
    let taking = TAKING.try_with(|taking| (!taking.taken.get()).then(|| taking.key.clone()));
    let Ok(Some(StepKey { owner, key, asked })) = taking else { return Ok(()) };
    let noted = sqlx::query!(
        "INSERT INTO step_key (owner_id, step_key, asked) VALUES (?, ?, ?)",
        owner,
        key,
        &asked[..]
    );
    match noted.execute(tx).await.map_err(StorageError::from) {
        Ok(_) => Ok(()),
        Err(StorageError::Taken) => Err(StorageError::TakenBefore),
        Err(other) => Err(other),
    }
}

/// The transaction that noted it was kept.
pub(crate) fn noted() {
    let _ = TAKING.try_with(|taking| taking.taken.set(true));
}

impl Store {
    /// What is known of a step that comes.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn step_before(&self, step: &StepKey) -> Result<Before> {
        let row = sqlx::query!(
            "SELECT asked, status, answer FROM step_key WHERE owner_id = ? AND step_key = ?",
            step.owner,
            step.key
        )
        .fetch_optional(&self.pool)
        .await?;
        Ok(match row {
            None => Before::Never,
            Some(row) if row.asked != step.asked => Before::Another,
            Some(row) => row
                .status
                .zip(row.answer)
                .map_or(Before::Taken, |(status, answer)| Before::Answered(status, answer)),
        })
    }

    /// Does some work of which the first transaction takes this step, or loses with
    /// [`StorageError::TakenBefore`](crate::StorageError::TakenBefore) where it was taken meanwhile.
    pub async fn taking<F: Future>(step: StepKey, work: F) -> F::Output {
        TAKING.scope(Taking { key: step, taken: Cell::new(false) }, work).await
    }

    /// Keeps what was answered to a step; nothing where none was taken.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn answered(&self, step: &StepKey, status: u16, answer: &[u8]) -> Result<()> {
        sqlx::query!(
            "UPDATE step_key SET status = ?, answer = ? WHERE owner_id = ? AND step_key = ?",
            status,
            answer,
            step.owner,
            step.key
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }

    /// Forgets keys that nobody sends any more.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn forget_old_keys(&self) -> Result<()> {
        sqlx::query!(
            "DELETE FROM step_key WHERE at < CURRENT_TIMESTAMP(3) - INTERVAL ? HOUR LIMIT 10000",
            KEPT_HOURS
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }
}

//! Picture files for the values of an option, and what their names lead to.

use crate::journal::{Hand, Scope};
use crate::matched::work_out;
use crate::{Result, StorageError, Store};
use compagina_core::ids::{OptionId, ValueId};
use compagina_core::swatch::{Colour, Fate, SwatchFile};
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// At most so many files wait for the values of one option.
const MOST_FILES: i64 = 500;

/// A picture file of an option.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct KeptFile {
    /// The file.
    pub file: SwatchFile,
    /// The square that was cut from it.
    pub hash: String,
    /// What it has most of.
    pub colour: Option<Colour>,
}

impl Store {
    /// The files of an option, in the order in which they came.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn swatch_files(&self, option: OptionId) -> Result<Vec<KeptFile>> {
        let rows = sqlx::query!(
            r#"SELECT id, name, hash, colour AS "colour: String", fate AS "fate: Json<Fate>" FROM swatch_file WHERE option_id = ? ORDER BY id"#,
            option.0
        )
        .fetch_all(&self.pool)
        .await?;
        let damaged = StorageError::damaged("colour");
        rows.into_iter()
            .map(|row| {
                Ok(KeptFile {
                    file: SwatchFile { id: row.id, name: row.name, fate: row.fate.map(|fate| fate.0) },
                    hash: row.hash,
                    colour: row.colour.map(Colour::try_from).transpose().map_err(|e| damaged(&e))?,
                })
            })
            .collect()
    }
}

impl Hand<'_> {
    /// Adds a file to those of an option; one of the same name is replaced and what was settled of it stays. Many come one
    /// after another, so that each is seen within a moment.
    ///
    /// # Errors
    /// [`StorageError::Full`](crate::StorageError::Full) where there are as many as there can be.
    /// Else those of the database.
    pub async fn put_swatch_file(
        &self,
        option: OptionId,
        name: &str,
        hash: &str,
        colour: Option<Colour>,
    ) -> Result<()> {
        let colour = colour.map(String::from);
        let scope = Scope { soon: true, ..Scope::options([option]) };
        self.change_book_within(&scope, option, async |tx, _| {
            let others = sqlx::query_scalar!(
                "SELECT COUNT(*) FROM swatch_file WHERE option_id = ? AND name <> ?",
                option.0,
                name
            )
            .fetch_one(&mut *tx)
            .await?;
            if others >= MOST_FILES {
                return Err(StorageError::Full { what: "picture files of one option", most: MOST_FILES });
            }
            sqlx::query!(
                "INSERT INTO swatch_file (option_id, name, hash, colour) VALUES (?, ?, ?, ?)
                 ON DUPLICATE KEY UPDATE hash = VALUES(hash), colour = VALUES(colour)",
                option.0,
                name,
                hash,
                colour
            )
            .execute(&mut *tx)
            .await?;
            Ok(())
        })
        .await
    }

    /// Says of files what they are for; none lets their names speak again. All or nothing.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn settle_files(&self, option: OptionId, fates: &[(u64, Option<Fate>)]) -> Result<()> {
        self.change_book(option, async |tx| {
            for (id, fate) in fates {
                if let Some(Fate::For(value)) = fate {
                    value_within(tx, option, *value).await?;
                    // Of files settled for one value only the last one is meant.
                    sqlx::query!(
                        "UPDATE swatch_file SET fate = ? WHERE option_id = ? AND JSON_VALUE(fate, '$.for') = ?",
                        Json(Fate::Unused) as _,
                        option.0,
                        value.0
                    )
                    .execute(&mut *tx)
                    .await?;
                }
                sqlx::query!("SELECT id FROM swatch_file WHERE id = ? AND option_id = ?", id, option.0)
                    .fetch_optional(&mut *tx)
                    .await?
                    .ok_or(StorageError::NotFound { what: "file" })?;
                sqlx::query!("UPDATE swatch_file SET fate = ? WHERE id = ?", fate.map(Json) as _, id)
                    .execute(&mut *tx)
                    .await?;
            }
            Ok(())
        })
        .await
    }

    /// Takes files out of an option.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn remove_swatch_files(&self, option: OptionId, ids: &[u64]) -> Result<()> {
        self.change_book(option, async |tx| {
            for id in ids {
                sqlx::query!("DELETE FROM swatch_file WHERE id = ? AND option_id = ?", id, option.0)
                    .execute(&mut *tx)
                    .await?;
            }
            Ok(())
        })
        .await
    }
}

impl Hand<'_> {
    /// One change of an option, whole: it is held, changed, what its values' names lead to is worked out anew, and every
    /// server process hears of it.
    pub(super) async fn change_book<T>(
        &self,
        option: OptionId,
        make: impl AsyncFn(&mut MySqlConnection) -> Result<T>,
    ) -> Result<T> {
        self.change_book_within(&Scope::options([option]), option, async |tx, _| make(tx).await).await
    }

    /// The same where more than the option is touched.
    pub(super) async fn change_book_within<T>(
        &self,
        scope: &Scope,
        option: OptionId,
        make: impl AsyncFn(&mut MySqlConnection, &mut Scope) -> Result<T>,
    ) -> Result<T> {
        self.step(scope, async |tx, scope| {
            hold(tx, option).await?;
            let done = make(tx, scope).await?;
            work_out(tx, option).await?;
            Ok(done)
        })
        .await
    }
}

/// Holds an option for the rest of a transaction.
pub(super) async fn hold(tx: &mut MySqlConnection, option: OptionId) -> Result<()> {
    sqlx::query!("SELECT id FROM shop_option WHERE id = ? FOR UPDATE", option.0)
        .fetch_optional(&mut *tx)
        .await?
        .ok_or(StorageError::NotFound { what: "option" })?;
    Ok(())
}

pub(super) async fn value_within(tx: &mut MySqlConnection, option: OptionId, value: ValueId) -> Result<()> {
    sqlx::query!("SELECT id FROM option_value WHERE id = ? AND option_id = ?", value.0, option.0)
        .fetch_optional(&mut *tx)
        .await?
        .ok_or(StorageError::NotFound { what: "value" })?;
    Ok(())
}

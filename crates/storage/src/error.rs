use compagina_core::money::MoneyError;
use compagina_core::page::OpError;
use compagina_core::page::op::Touch;

/// What comes of keeping or reading something.
pub type Result<T> = std::result::Result<T, StorageError>;

/// What can go wrong in keeping things.
#[derive(Debug, thiserror::Error)]
pub enum StorageError {
    /// There is no such {what}.
    #[error("there is no such {what}")]
    NotFound {
        /// What there is none of.
        what: &'static str,
    },
    /// This was made on revision {expected}; it is at revision {current} by now.
    #[error("this was made on revision {expected}; it is at revision {current} by now")]
    RevisionMismatch {
        /// The revision that was seen.
        expected: u64,
        /// The revision by now.
        current: u64,
    },
    /// Somebody else changed the same thing; it is at revision {current} by now.
    #[error("somebody else changed the same thing; it is at revision {current} by now")]
    Clash {
        /// Who it was; none where nobody is known.
        who: Option<String>,
        /// What both touch.
        touch: Box<Touch>,
        /// The revision by now.
        current: u64,
    },
    /// Somebody else has changed which template serves what.
    #[error("somebody else has changed which template serves what")]
    Rearranged,
    /// {what} was changed in the meantime.
    #[error("{what} was changed in the meantime")]
    Overtaken {
        /// What was changed.
        what: String,
    },
    /// Somebody else did this meanwhile: {told}.
    #[error("somebody else did this meanwhile: {told}")]
    OvertakenBy {
        /// Who did it.
        who: Option<String>,
        /// What it was, in words.
        told: String,
    },
    /// There can be at most {most} {what}.
    #[error("there can be at most {most} {what}")]
    Full {
        /// What it is about.
        what: &'static str,
        /// The most there can be.
        most: i64,
    },
    /// This band is kept already.
    #[error("this band is kept already")]
    KeptAlready,
    /// “{name}” is linked in {templates}; unlink it there first.
    #[error("“{name}” is linked in {templates}; unlink it there first")]
    StillLinked {
        /// Its name.
        name: String,
        /// The templates, by their names.
        templates: String,
    },
    /// It can’t be done, for this reason.
    #[error("{0}")]
    Refused(String),
    /// There is nothing left to {step}.
    #[error("there is nothing left to {step}")]
    NoStep {
        /// What can’t be done.
        step: &'static str,
    },
    /// The operation doesn’t fit the layout.
    #[error(transparent)]
    Op(#[from] OpError),
    /// An amount can’t be reckoned.
    #[error(transparent)]
    Money(#[from] MoneyError),
    /// The cart is full: it holds {most} different things.
    #[error("the cart is full: it holds {most} different things")]
    CartFull {
        /// The most there can be.
        most: usize,
    },
    /// A stored {what} can't be read: {why}.
    #[error("a stored {what} can't be read: {why}")]
    Damaged {
        /// What can’t be read.
        what: &'static str,
        /// Why.
        why: String,
    },
    /// The tables could not be brought up to date.
    #[error("the tables could not be brought up to date: {0}")]
    Migration(String),
    /// Something else has the same name already.
    #[error("something else has the same name already")]
    Taken,
    /// This step was taken before, under the same key.
    #[error("this step was taken before, under the same key")]
    TakenBefore,
    /// The database refused.
    #[error(transparent)]
    Database(sqlx::Error),
}

impl StorageError {
    /// What can't be done, for the reason that a rule gives.
    pub fn refused(why: impl std::fmt::Display) -> Self {
        Self::Refused(why.to_string())
    }
}

impl From<sqlx::Error> for StorageError {
    fn from(error: sqlx::Error) -> Self {
        let unique = error.as_database_error().is_some_and(|why| why.is_unique_violation());
        if unique { Self::Taken } else { Self::Database(error) }
    }
}

impl StorageError {
    pub(crate) fn damaged(what: &'static str) -> impl Fn(&dyn std::fmt::Display) -> Self {
        move |why| Self::Damaged { what, why: why.to_string() }
    }

    /// Whether the transaction lost against another one and may simply be tried again.
    pub(crate) fn lost_a_conflict(&self) -> bool {
        let Self::Database(sqlx::Error::Database(error)) = self else { return false };
        let number = error.try_downcast_ref::<sqlx::mysql::MySqlDatabaseError>().map(|e| e.number());
        // Deadlock; lock wait timeout; the record changed since it was read; another writer stood before the next number.
        matches!(number, Some(1213 | 1205 | 1020 | 1467))
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use sqlx::{Executor, MySqlPool};

    #[sqlx::test(migrations = false)]
    async fn a_name_that_is_taken_is_told_by_its_code_whatever_language_the_database_speaks(pool: MySqlPool) {
        let mut database = pool.acquire().await.unwrap();
        database.execute("CREATE TABLE name (name VARCHAR(20) PRIMARY KEY)").await.unwrap();
        database.execute("INSERT INTO name VALUES ('whimbrel')").await.unwrap();
        database.execute("SET lc_messages = 'de_DE'").await.unwrap();
        let error = database.execute("INSERT INTO name VALUES ('whimbrel')").await.unwrap_err();
        assert!(error.to_string().contains("Doppelter"), "it speaks German: {error}");
        assert!(matches!(StorageError::from(error), StorageError::Taken));
    }
}

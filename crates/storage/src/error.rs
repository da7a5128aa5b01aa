use compagina_core::money::MoneyError;
use compagina_core::page::OpError;
use compagina_core::page::op::Touch;

pub type Result<T> = std::result::Result<T, StorageError>;

/// What can go wrong in keeping things.
#[derive(Debug, thiserror::Error)]
pub enum StorageError {
    #[error("there is no such {what}")]
    NotFound { what: &'static str },
    #[error("this was made on revision {expected}; the template is at revision {current} by now")]
    RevisionMismatch { expected: u64, current: u64 },
    #[error("somebody else changed the same thing; the template is at revision {current} by now")]
    Clash { who: Option<String>, touch: Box<Touch>, current: u64 },
    #[error("somebody else has changed which template serves what")]
    Rearranged,
    #[error("{what} was changed in the meantime")]
    Overtaken { what: String },
    #[error("somebody else did this meanwhile: {told}")]
    OvertakenBy { who: Option<String>, told: String },
    #[error("there can be at most {most} {what}")]
    Full { what: &'static str, most: i64 },
    #[error("this band is kept already")]
    KeptAlready,
    #[error("“{name}” is linked in {templates}; unlink it there first")]
    StillLinked { name: String, templates: String },
    #[error("{0}")]
    Refused(String),
    #[error("there is nothing left to {step}")]
    NoStep { step: &'static str },
    #[error(transparent)]
    Op(#[from] OpError),
    #[error(transparent)]
    Money(#[from] MoneyError),
    #[error("the cart is full: it holds {most} different things")]
    CartFull { most: usize },
    #[error("a stored {what} can't be read: {why}")]
    Damaged { what: &'static str, why: String },
    #[error("the tables could not be brought up to date: {0}")]
    Migration(String),
    #[error("something else has the same name already")]
    Taken,
    #[error(transparent)]
    Database(sqlx::Error),
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
        // Deadlock; lock wait timeout; the record changed since it was read.
        matches!(number, Some(1213 | 1205 | 1020))
    }
}

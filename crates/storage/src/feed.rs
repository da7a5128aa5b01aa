//! What owners' open views are told of: a note for each thing that a unit made otherwise, written in its transaction.

use crate::change::LOOK_BACK_SECONDS;
use crate::{DraftId, Result, Store};
use compagina_core::catalog::journal::Subject;
use compagina_core::ids::TemplateId;
use sqlx::mysql::MySqlConnection;
use std::fmt;

/// Something that an owner may be looking at.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Thing {
    /// A draft, or what was published of it.
    Draft(DraftId),
    /// Something of the catalogue.
    Catalogue(Subject),
    /// Who is at the desk of a template.
    Here(TemplateId),
    /// Who is signed in.
    Sessions,
    /// So much at once that everything is better read anew.
    Everything,
}

impl fmt::Display for Thing {
    /// As it is kept and told: `template-12`, `product/7`, `here/12`.
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Draft(draft) => draft.fmt(f),
            Self::Catalogue(subject) => subject.fmt(f),
            Self::Here(template) => write!(f, "here/{template}"),
            Self::Sessions => f.write_str("sessions"),
            Self::Everything => f.write_str("everything"),
        }
    }
}

impl Thing {
    fn read(text: &str) -> Option<Self> {
        match text {
            "sessions" => return Some(Self::Sessions),
            "everything" => return Some(Self::Everything),
            _ => {}
        }
        if let Some(id) = text.strip_prefix("here/") {
            return id.parse().ok().map(|id| Self::Here(TemplateId(id)));
        }
        DraftId::read(text).map(Self::Draft).or_else(|| Subject::read(text).map(Self::Catalogue))
    }
}

/// That something is otherwise.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Note {
    /// What.
    pub thing: Thing,
    /// The revision that it has now; none where it isn't counted, as of pictures whose sizes were made.
    pub revision: Option<u64>,
}

/// So many things are told one by one.
const MOST_NOTES: usize = 50;

/// Writes down what is to be told.
pub(crate) async fn write(tx: &mut MySqlConnection, mut notes: Vec<Note>) -> Result<()> {
    if notes.len() > MOST_NOTES {
        notes = vec![Note { thing: Thing::Everything, revision: None }];
    }
    for Note { thing, revision } in notes {
        sqlx::query!("INSERT INTO feed_note (thing, revision) VALUES (?, ?)", thing.to_string(), revision)
            .execute(&mut *tx)
            .await?;
    }
    Ok(())
}

impl Store {
    /// Waits until something was written here of which owners are told. Only one at a time may wait.
    pub async fn something_to_tell(&self) {
        self.to_tell.notified().await;
    }

    /// The notes of the last half minute, with their numbers, in the order in which they were written.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn recent_notes(&self) -> Result<Vec<(u64, Note)>> {
        let rows = sqlx::query!(
            "SELECT id, thing, revision FROM feed_note WHERE at > CURRENT_TIMESTAMP(3) - INTERVAL ? SECOND ORDER BY id",
            LOOK_BACK_SECONDS
        )
        .fetch_all(&self.pool)
        .await?;
        let note = |thing: &str, revision| Some(Note { thing: Thing::read(thing)?, revision });
        Ok(rows.into_iter().filter_map(|r| Some((r.id, note(&r.thing, r.revision)?))).collect())
    }

    /// Drops notes that every reader has long seen.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn forget_old_notes(&self) -> Result<()> {
        sqlx::query!("DELETE FROM feed_note WHERE at < CURRENT_TIMESTAMP(3) - INTERVAL 1 HOUR LIMIT 10000")
            .execute(&self.pool)
            .await?;
        Ok(())
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::DocumentName;
    use compagina_core::ids::ProductId;

    #[test]
    fn what_a_note_is_about_is_read_as_it_was_written() {
        let all = [
            Thing::Draft(DraftId::Template(TemplateId(12))),
            Thing::Draft(DraftId::Shop(DocumentName::Prices)),
            Thing::Catalogue(Subject::Product(ProductId(7))),
            Thing::Catalogue(Subject::Book),
            Thing::Here(TemplateId(2)),
            Thing::Sessions,
            Thing::Everything,
        ];
        for thing in all {
            assert_eq!(Thing::read(&thing.to_string()), Some(thing));
        }
        assert_eq!(Thing::read("here/x"), None);
    }
}

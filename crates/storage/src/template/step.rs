//! A step on a draft: an edit, or going back or forward. A late edit lands too, unless it touches what somebody else
//! has changed since its maker last looked.

use super::kept;
use crate::unit::Unit;
use crate::{DraftId, Result, StorageError, Store, Thing, step_key};
use compagina_core::ids::{BandId, KeptId, TemplateId};
use compagina_core::page::op::Footprint;
use compagina_core::page::{Layout, Op, OpError, along, apply};
use compagina_core::template;
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::time::Duration;

/// A draft after a step.
#[derive(Debug, Clone)]
pub struct Draft {
    /// The layout.
    pub layout: Layout,
    /// Counts its changes.
    pub revision: u64,
    /// The revision that shoppers see.
    pub published_revision: Option<u64>,
}

/// How far one can go back, and forward again.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct History {
    /// How many steps can be taken back.
    pub undo: u64,
    /// How many steps can be made again.
    pub redo: u64,
}

/// A step on a draft.
#[derive(Clone)]
pub enum Change<'a> {
    /// An operation.
    Edit(Op),
    /// An edit that is made of the draft as it is when it is taken.
    Decided(&'a (dyn Fn(&Layout) -> std::result::Result<Op, OpError> + Sync)),
    /// A band is kept under a name; here it becomes the first that is linked to it.
    Keep {
        /// The band.
        band: &'a BandId,
        /// What it is to be called.
        name: &'a str,
    },
    /// A kept band comes in before the band at this place: linked, or as a copy whose names begin so.
    Place {
        /// The kept band.
        kept: KeptId,
        /// Before which band, from 0.
        index: usize,
        /// The name of a copy; none for the kept band itself.
        copy: Option<&'a BandId>,
    },
    /// The last step is taken back.
    Undo,
    /// It is made again.
    Redo,
}

impl Change<'_> {
    /// The edit that it comes to on a draft; none for going back or forward.
    async fn decided(&self, tx: &mut MySqlConnection, layout: &Layout) -> Result<Option<Op>> {
        Ok(match self {
            Self::Edit(op) => Some(along(layout, op.clone())),
            Self::Decided(decide) => Some(decide(layout)?),
            Self::Keep { band, name } => Some(kept::keep_band(tx, layout, band, name).await?),
            Self::Place { kept, index, copy } => {
                Some(template::kept::place(layout, &kept::kept_band(tx, *kept).await?, *index, *copy)?)
            }
            Self::Undo | Self::Redo => None,
        })
    }
}

impl Store {
    /// Takes a step on a draft that its maker saw at revision `expected`.
    ///
    /// # Errors
    /// [`StorageError::Clash`](crate::StorageError::Clash) where somebody else changed the same since.
    /// [`StorageError::NoStep`](crate::StorageError::NoStep) where there is no step to take back or make again.
    /// [`StorageError::KeptAlready`](crate::StorageError::KeptAlready) where the band is kept already.
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// [`StorageError::Op`](crate::StorageError::Op) where the operation doesn’t fit.
    /// Else those of the database.
    pub async fn change_draft(
        &self,
        id: TemplateId,
        owner: u64,
        expected: u64,
        change: Change<'_>,
    ) -> Result<Draft> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let Draft { mut layout, revision: current, published_revision } = locked_draft(tx, id).await?;
            let edit = change.decided(tx, &layout).await?;
            if expected != current {
                check_late(tx, (id, owner), (expected, current), &layout, edit.as_ref()).await?;
            }
            let (revision, before) = (current + 1, layout.clone());
            let (op, typing) = match edit {
                Some(op) => record(tx, (id, owner, revision), self.typing, &mut layout, op).await?,
                None if matches!(change, Change::Undo) => (step_back(tx, id, &mut layout).await?, false),
                None => (step_forward(tx, id, &mut layout).await?, false),
            };
            let typing = typing.then_some(self.typing);
            let followed = kept::keep_linked(&mut unit, (id, owner, typing), &before, &mut layout).await?;
            let touched = Footprint::of(&before, &op).and(followed);
            note_step(unit.db(), (id, owner, revision), &op, &touched).await?;
            write_draft(&mut unit, id, revision, &layout).await?;
            unit.done(Draft { layout, revision, published_revision }).await
        })
        .await
    }

    /// How many steps can be taken back and made again.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn history(&self, id: TemplateId) -> Result<History> {
        let row = sqlx::query!(
            r#"SELECT COUNT(CASE WHEN NOT undone THEN 1 END) AS "undo!: i64", COUNT(CASE WHEN undone THEN 1 END) AS "redo!: i64"
               FROM operation WHERE template_id = ?"#,
            id.0
        )
        .fetch_one(&self.pool)
        .await?;
        Ok(History { undo: u64::try_from(row.undo).unwrap_or(0), redo: u64::try_from(row.redo).unwrap_or(0) })
    }

    /// Forgets what steps touched that nobody takes late any more.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn forget_old_draft_steps(&self) -> Result<()> {
        sqlx::query!("DELETE FROM draft_step WHERE at < CURRENT_TIMESTAMP(3) - INTERVAL 1 DAY LIMIT 10000")
            .execute(&self.pool)
            .await?;
        Ok(())
    }
}

pub(crate) async fn locked_draft(tx: &mut MySqlConnection, id: TemplateId) -> Result<Draft> {
    let row = sqlx::query!(
        r#"SELECT draft AS "draft: Json<Layout>", revision, published_revision FROM template WHERE id = ? FOR UPDATE"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NotFound { what: "template" })?;
    Ok(Draft { layout: row.draft.0, revision: row.revision, published_revision: row.published_revision })
}

/// Whether a late edit may land. Going back or forward must be made on what one sees: on one's own steps.
async fn check_late(
    tx: &mut MySqlConnection,
    (id, owner): (TemplateId, u64),
    (expected, current): (u64, u64),
    layout: &Layout,
    edit: Option<&Op>,
) -> Result<()> {
    let mismatch = || StorageError::RevisionMismatch { expected, current };
    let steps = sqlx::query!(
        r#"SELECT s.touched AS "touched: Json<Footprint>", s.owner_id, s.line, o.name AS "name?"
           FROM draft_step s LEFT JOIN owner o ON o.id = s.owner_id
           WHERE s.template_id = ? AND s.revision > ? AND s.revision <= ? ORDER BY s.revision"#,
        id.0,
        expected,
        current
    )
    .fetch_all(&mut *tx)
    .await?;
    // Steps that are no longer kept might have touched anything.
    if expected > current || u64::try_from(steps.len()).ok() != current.checked_sub(expected) {
        return Err(mismatch());
    }
    let mine = edit.map(|op| Footprint::of(layout, op));
    // Steps of the same line were made before this one by the same hand: they aren't strange to it.
    let line = step_key::line();
    let strange = |of: &Option<String>, by: u64| line.is_none() || *of != line || by != owner;
    for step in steps.into_iter().filter(|step| strange(&step.line, step.owner_id)) {
        let mine = mine.as_ref().ok_or_else(mismatch)?;
        let theirs = step.touched.ok_or_else(mismatch)?.0;
        if let Some(touch) = mine.common(&theirs) {
            let who = if step.owner_id == owner { None } else { step.name };
            return Err(StorageError::Clash { who, touch: Box::new(touch.clone()), current });
        }
    }
    Ok(())
}

pub(super) async fn write_draft(
    unit: &mut Unit,
    id: TemplateId,
    revision: u64,
    layout: &Layout,
) -> Result<()> {
    sqlx::query!(
        "UPDATE template SET draft = ?, revision = ? WHERE id = ?",
        Json(layout) as _,
        revision,
        id.0
    )
    .execute(unit.db())
    .await?;
    unit.tell(Thing::Draft(DraftId::Template(id)), Some(revision));
    Ok(())
}

pub(super) async fn note_step(
    tx: &mut MySqlConnection,
    (id, owner, revision): (TemplateId, u64, u64),
    op: &Op,
    touched: &Footprint,
) -> Result<()> {
    sqlx::query!(
        "INSERT INTO draft_step (template_id, revision, owner_id, line, op, touched) VALUES (?, ?, ?, ?, ?, ?)",
        id.0,
        revision,
        owner,
        step_key::line(),
        Json(op) as _,
        Json(touched) as _
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// A new edit, and whether it goes on with the one before; what was undone before it can't be done again.
async fn record(
    tx: &mut MySqlConnection,
    (id, owner, revision): (TemplateId, u64, u64),
    within: Duration,
    layout: &mut Layout,
    op: Op,
) -> Result<(Op, bool)> {
    let inverse = apply(layout, op.clone())?;
    sqlx::query!("DELETE FROM operation WHERE template_id = ? AND undone = TRUE", id.0)
        .execute(&mut *tx)
        .await?;
    let may_be_typed = matches!(op, Op::Set { value: Some(_), .. });
    let typing = may_be_typed
        && goes_on(tx, (id, owner, revision), within, &op, |last| goes_on_typing(last, &op)).await?;
    if !typing {
        note_edit(tx, id, owner, revision, (&op, &inverse)).await?;
    }
    Ok((op, typing))
}

/// An edit that can be taken back.
pub(super) async fn note_edit(
    tx: &mut MySqlConnection,
    id: TemplateId,
    owner: u64,
    revision: u64,
    (op, inverse): (&Op, &Op),
) -> Result<()> {
    sqlx::query!(
        "INSERT INTO operation (template_id, revision, owner_id, op, inverse) VALUES (?, ?, ?, ?, ?)",
        id.0,
        revision,
        owner,
        Json(op) as _,
        Json(inverse) as _
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// Makes the edit a part of the one before, where that was within a moment and may be gone on with.
pub(super) async fn goes_on(
    tx: &mut MySqlConnection,
    (id, owner, revision): (TemplateId, u64, u64),
    within: Duration,
    op: &Op,
    may: impl Fn(&Op) -> bool,
) -> Result<bool> {
    let last = sqlx::query!(
        r#"SELECT id, op AS "op: Json<Op>", owner_id, at > CURRENT_TIMESTAMP(3) - INTERVAL ? SECOND AS "soon!: bool"
           FROM operation WHERE template_id = ? ORDER BY revision DESC LIMIT 1"#,
        within.as_secs(),
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?;
    let Some(last) = last.filter(|last| last.soon && last.owner_id == owner && may(&last.op.0)) else {
        return Ok(false);
    };
    sqlx::query!(
        "UPDATE operation SET op = ?, revision = ?, at = CURRENT_TIMESTAMP(3) WHERE id = ?",
        Json(op) as _,
        revision,
        last.id
    )
    .execute(&mut *tx)
    .await?;
    Ok(true)
}

/// Texts and lists are typed; a click on a choice is a step of its own.
fn goes_on_typing(last: &Op, op: &Op) -> bool {
    use compagina_core::page::SetValue::{Lines, Rows, Text};
    let (Op::Set { target, setting, device, value }, Op::Set { target: t, setting: s, device: d, .. }) =
        (last, op)
    else {
        return false;
    };
    matches!(value, Some(Text(_) | Lines(_) | Rows(_))) && (target, setting, device) == (t, s, d)
}

async fn step_back(tx: &mut MySqlConnection, id: TemplateId, layout: &mut Layout) -> Result<Op> {
    let row = sqlx::query!(
        r#"SELECT id, inverse AS "inverse: Json<Op>" FROM operation WHERE template_id = ? AND undone = FALSE
           ORDER BY id DESC LIMIT 1"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NoStep { step: "undo" })?;
    apply(layout, row.inverse.0.clone())?;
    sqlx::query!("UPDATE operation SET undone = TRUE WHERE id = ?", row.id).execute(&mut *tx).await?;
    Ok(row.inverse.0)
}

async fn step_forward(tx: &mut MySqlConnection, id: TemplateId, layout: &mut Layout) -> Result<Op> {
    let row = sqlx::query!(
        r#"SELECT id, op AS "op: Json<Op>" FROM operation WHERE template_id = ? AND undone = TRUE ORDER BY id LIMIT 1"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NoStep { step: "do again" })?;
    apply(layout, row.op.0.clone())?;
    sqlx::query!("UPDATE operation SET undone = FALSE WHERE id = ?", row.id).execute(&mut *tx).await?;
    Ok(row.op.0)
}

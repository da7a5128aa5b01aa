//! A step on a draft: an edit, or going back or forward. A late edit lands too, unless it touches what somebody else
//! has changed since its maker last looked.

use super::kept;
use crate::error::with_retries;
use crate::{Result, StorageError, Store};
use compagina_core::ids::TemplateId;
use compagina_core::page::op::{Touch, touches};
use compagina_core::page::{Layout, Op, apply};
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::BTreeSet;

/// A draft after a step.
#[derive(Debug, Clone)]
pub struct Draft {
    pub layout: Layout,
    pub revision: u64,
}

/// How far one can go back, and forward again.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct History {
    pub undo: u64,
    pub redo: u64,
}

/// A step on a draft.
#[derive(Debug, Clone)]
pub enum Change {
    Edit(Op),
    Undo,
    Redo,
}

/// Within so many seconds one owner's changes of one value are one step: what was typed is undone at once.
const TYPING_SECONDS: i64 = 3;

impl Store {
    /// Takes a step on a draft that its maker saw at revision `expected`.
    pub async fn change_draft(
        &self,
        id: TemplateId,
        owner: u64,
        expected: u64,
        change: Change,
    ) -> Result<Draft> {
        with_retries(|| async {
            let mut tx = self.pool.begin().await?;
            let (mut layout, current) = locked_draft(&mut tx, id).await?;
            if expected != current {
                check_late(&mut tx, id, owner, expected, current, &change).await?;
            }
            let (revision, before) = (current + 1, layout.clone());
            let (op, typing) = match change.clone() {
                Change::Edit(op) => record(&mut tx, id, owner, revision, &mut layout, op).await?,
                Change::Undo => (step_back(&mut tx, id, &mut layout).await?, false),
                Change::Redo => (step_forward(&mut tx, id, &mut layout).await?, false),
            };
            note_step(&mut tx, id, owner, revision, &op).await?;
            kept::keep_linked(&mut tx, (id, owner, typing), &before, &mut layout).await?;
            write_draft(&mut tx, id, revision, &layout).await?;
            tx.commit().await?;
            Ok(Draft { layout, revision })
        })
        .await
    }

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
}

pub(super) async fn locked_draft(tx: &mut MySqlConnection, id: TemplateId) -> Result<(Layout, u64)> {
    let row = sqlx::query!(
        r#"SELECT draft AS "draft: Json<Layout>", revision FROM template WHERE id = ? FOR UPDATE"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NotFound { what: "template" })?;
    Ok((row.draft.0, row.revision))
}

/// Whether a late edit may land. Going back or forward must be made on what one sees.
async fn check_late(
    tx: &mut MySqlConnection,
    id: TemplateId,
    owner: u64,
    expected: u64,
    current: u64,
    change: &Change,
) -> Result<()> {
    let mismatch = StorageError::RevisionMismatch { expected, current };
    let Change::Edit(op) = change else { return Err(mismatch) };
    let steps = sqlx::query!(
        r#"SELECT s.op AS "op: Json<Op>", s.owner_id, o.name AS "name?" FROM draft_step s LEFT JOIN owner o ON o.id = s.owner_id
           WHERE s.template_id = ? AND s.revision > ? AND s.revision <= ? ORDER BY s.revision"#,
        id.0,
        expected,
        current
    )
    .fetch_all(&mut *tx)
    .await?;
    // Steps that are no longer kept might have touched anything.
    if expected > current || u64::try_from(steps.len()).ok() != current.checked_sub(expected) {
        return Err(mismatch);
    }
    let mine: BTreeSet<Touch> = touches(op);
    for step in &steps {
        if let Some(touch) = Touch::common(&mine, &touches(&step.op.0)) {
            let who = if step.owner_id == owner { None } else { step.name.clone() };
            return Err(StorageError::Clash { who, touch: Box::new(touch.clone()), current });
        }
    }
    Ok(())
}

pub(super) async fn write_draft(
    tx: &mut MySqlConnection,
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
    .execute(&mut *tx)
    .await?;
    Ok(())
}

pub(super) async fn note_step(
    tx: &mut MySqlConnection,
    id: TemplateId,
    owner: u64,
    revision: u64,
    op: &Op,
) -> Result<()> {
    sqlx::query!(
        "INSERT INTO draft_step (template_id, revision, owner_id, op) VALUES (?, ?, ?, ?)",
        id.0,
        revision,
        owner,
        Json(op) as _
    )
    .execute(&mut *tx)
    .await?;
    sqlx::query!(
        "DELETE FROM draft_step WHERE template_id = ? AND at < CURRENT_TIMESTAMP(3) - INTERVAL 1 DAY LIMIT 500",
        id.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// A new edit, and whether it goes on with the one before; what was undone before it can't be done again.
async fn record(
    tx: &mut MySqlConnection,
    id: TemplateId,
    owner: u64,
    revision: u64,
    layout: &mut Layout,
    op: Op,
) -> Result<(Op, bool)> {
    let inverse = apply(layout, op.clone())?;
    sqlx::query!("DELETE FROM operation WHERE template_id = ? AND undone", id.0).execute(&mut *tx).await?;
    let may_be_typed = matches!(op, Op::Set { value: Some(_), .. });
    let typing = may_be_typed && goes_on(tx, id, owner, revision, &op, is_typed).await?;
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

/// Makes the edit a part of the one before, where that changed the same a moment ago and may be gone on with.
pub(super) async fn goes_on(
    tx: &mut MySqlConnection,
    id: TemplateId,
    owner: u64,
    revision: u64,
    op: &Op,
    may: impl Fn(&Op) -> bool,
) -> Result<bool> {
    let last = sqlx::query!(
        r#"SELECT id, op AS "op: Json<Op>" FROM operation WHERE template_id = ? AND owner_id = ?
           AND id = (SELECT MAX(id) FROM operation WHERE template_id = ?) AND at > CURRENT_TIMESTAMP(3) - INTERVAL ? SECOND"#,
        id.0,
        owner,
        id.0,
        TYPING_SECONDS
    )
    .fetch_optional(&mut *tx)
    .await?;
    let Some(last) = last.filter(|last| may(&last.op.0) && touches(&last.op.0) == touches(op)) else {
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
fn is_typed(op: &Op) -> bool {
    use compagina_core::page::SetValue;
    matches!(op, Op::Set { value: Some(SetValue::Text(_) | SetValue::Lines(_) | SetValue::Rows(_)), .. })
}

async fn step_back(tx: &mut MySqlConnection, id: TemplateId, layout: &mut Layout) -> Result<Op> {
    let row = sqlx::query!(
        r#"SELECT id, inverse AS "inverse: Json<Op>" FROM operation WHERE template_id = ? AND NOT undone
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
        r#"SELECT id, op AS "op: Json<Op>" FROM operation WHERE template_id = ? AND undone ORDER BY id LIMIT 1"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NoStep { step: "do again" })?;
    apply(layout, row.op.0.clone())?;
    sqlx::query!("UPDATE operation SET undone = FALSE WHERE id = ?", row.id).execute(&mut *tx).await?;
    Ok(row.op.0)
}

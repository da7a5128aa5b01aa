//! The one way to write. A unit is a transaction that is made as a whole or not at all, and made again as a whole when it
//! loses a conflict. What it changes for shoppers it says with [`Unit::changed`], what for owners with [`Unit::tell`]; that
//! is noted in the same transaction. Once it is committed whoever serves shoppers has caught up before the writer gets an
//! answer, and whoever tells owners is woken. Beginning, noting and catching up happen here alone, so that no writer can
//! forget them.

use crate::change::Changed;
use crate::feed::{self, Note, Thing};
use crate::{Result, Store, step_key};
use sqlx::Transaction;
use sqlx::mysql::{MySql, MySqlConnection};
use std::collections::BTreeSet;
use std::future::Future;
use std::pin::Pin;
use std::sync::{Arc, OnceLock};
use std::time::Duration;

/// Milliseconds after which a unit that lost a conflict is tried again; after the last one it is given up.
const PAUSES: [u64; 5] = [5, 20, 60, 150, 400];

type CatchUp = Box<dyn Fn() -> Pin<Box<dyn Future<Output = ()> + Send>> + Send + Sync>;

/// Who is told of what was written, and waited for.
#[derive(Clone, Default)]
pub(crate) struct Listener(Arc<OnceLock<CatchUp>>);

impl std::fmt::Debug for Listener {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str(if self.0.get().is_some() { "Listener" } else { "Nobody" })
    }
}

/// A transaction under way.
pub(crate) struct Unit {
    tx: Transaction<'static, MySql>,
    changed: BTreeSet<Changed>,
    to_tell: Vec<Note>,
    /// Whether the writer's answer waits until it is seen.
    at_once: bool,
}

impl Unit {
    /// The connection on which the transaction runs.
    pub fn db(&mut self) -> &mut MySqlConnection {
        &mut self.tx
    }

    /// Says what is otherwise for shoppers; the answer comes when it is seen.
    pub fn changed(&mut self, changed: impl Into<Changed>) {
        self.changed.insert(changed.into());
        self.at_once = true;
    }

    /// The same, seen within a moment: for what comes often, and whose writer doesn't look at it at once.
    pub fn changed_soon(&mut self, changed: impl Into<Changed>) {
        self.changed.insert(changed.into());
    }

    /// Says what is otherwise for owners, and its revision where its changes are counted.
    pub fn tell(&mut self, thing: Thing, revision: Option<u64>) {
        self.to_tell.push(Note { thing, revision });
    }

    /// Ends it: what was written is kept, all of it.
    pub async fn done<T>(mut self, answer: T) -> Result<Committed<T>> {
        for changed in std::mem::take(&mut self.changed) {
            note(&mut self.tx, changed).await?;
        }
        let tells = !self.to_tell.is_empty();
        feed::write(&mut self.tx, std::mem::take(&mut self.to_tell)).await?;
        step_key::note(&mut self.tx).await?;
        self.tx.commit().await?;
        step_key::noted();
        Ok(Committed { answer, at_once: self.at_once, tells })
    }

    /// Ends it: nothing of what was written is kept, and the answer is given all the same.
    pub async fn given_up<T>(self, answer: T) -> Result<Committed<T>> {
        self.tx.rollback().await?;
        Ok(Committed { answer, at_once: false, tells: false })
    }
}

/// What came of a unit that has ended. Only [`Store::unit`] opens it, so that none is left without an end.
pub(crate) struct Committed<T> {
    answer: T,
    at_once: bool,
    tells: bool,
}

impl Store {
    /// Has somebody catch up after each unit that changed something, before its writer is answered. Once in a store's
    /// life; a second one is not listened to.
    pub fn listen<F>(&self, catch_up: impl Fn() -> F + Send + Sync + 'static)
    where
        F: Future<Output = ()> + Send + 'static,
    {
        drop(self.listener.0.set(Box::new(move || Box::pin(catch_up()))));
    }

    /// Begins a unit, within [`Store::unit`].
    pub(crate) async fn begin(&self) -> Result<Unit> {
        let tx = self.pool.begin().await?;
        Ok(Unit { tx, changed: BTreeSet::new(), to_tell: Vec::new(), at_once: false })
    }

    /// Does a piece of work in one transaction, again as a whole while it loses conflicts: begun with [`Store::begin`],
    /// ended with [`Unit::done`].
    ///
    /// # Errors
    /// What the work answers, or what the database does; then nothing was kept.
    pub(crate) async fn unit<T, F>(&self, mut work: impl FnMut() -> F) -> Result<T>
    where
        F: Future<Output = Result<Committed<T>>>,
    {
        let mut pauses = PAUSES.into_iter();
        let committed = loop {
            match work().await {
                Err(error) if error.lost_a_conflict() => match pauses.next() {
                    Some(pause) => tokio::time::sleep(Duration::from_millis(pause)).await,
                    None => return Err(error),
                },
                other => break other?,
            }
        };
        if committed.tells {
            self.to_tell.notify_one();
        }
        if let Some(catch_up) = self.listener.0.get().filter(|_| committed.at_once) {
            catch_up().await;
        }
        Ok(committed.answer)
    }
}

/// Notes a change within its transaction.
async fn note(tx: &mut MySqlConnection, changed: Changed) -> Result<()> {
    let product = match changed {
        Changed::Product(product) => Some(product.0),
        Changed::Looks | Changed::Everything => None,
    };
    sqlx::query!(
        "INSERT INTO change_note (product_id, goods) VALUES (?, ?)",
        product,
        changed != Changed::Looks
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

#[cfg(test)]
mod tests {
    use super::*;
    use sqlx::MySqlPool;
    use std::sync::atomic::{AtomicU32, Ordering};
    use tokio::sync::Barrier;

    async fn add(unit: &mut Unit, id: u32) -> Result<()> {
        sqlx::query("UPDATE pair SET n = n + 1 WHERE id = ?").bind(id).execute(unit.db()).await?;
        Ok(())
    }

    #[sqlx::test(migrations = false)]
    async fn a_unit_that_loses_a_conflict_is_made_again_as_a_whole(pool: MySqlPool) {
        sqlx::query("CREATE TABLE pair (id INT PRIMARY KEY, n INT NOT NULL)").execute(&pool).await.unwrap();
        sqlx::query("INSERT INTO pair VALUES (1, 0), (2, 0)").execute(&pool).await.unwrap();
        let (store, both_hold, goes) =
            (Store::from_pool(pool.clone()).await.unwrap(), Barrier::new(2), AtomicU32::new(0));
        // Each holds what the other one asks for next: whatever the order, the database ends one of them.
        let crossing = |first: u32, second: u32| {
            let (store, both_hold, goes) = (&store, &both_hold, &goes);
            store.unit(move || async move {
                let mut unit = store.begin().await?;
                add(&mut unit, first).await?;
                if goes.fetch_add(1, Ordering::SeqCst) < 2 {
                    both_hold.wait().await;
                }
                add(&mut unit, second).await?;
                unit.done(()).await
            })
        };
        let (one, other) = tokio::join!(crossing(1, 2), crossing(2, 1));
        assert!(one.is_ok() && other.is_ok(), "{one:?} {other:?}");
        assert_eq!(goes.load(Ordering::SeqCst), 3, "one of them was begun again");
        let counts: Vec<i32> = sqlx::query_scalar("SELECT n FROM pair").fetch_all(&pool).await.unwrap();
        assert_eq!(counts, [2, 2], "each of them once, and nothing of the go that was lost");
    }
}

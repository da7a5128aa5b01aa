//! MariaDB through SQLx: what is kept, and the transactions that keep it whole. All SQL of Compagina is in this
//! crate. Every transaction may lose a conflict and is then tried again.
#![warn(missing_docs, clippy::missing_errors_doc, clippy::too_many_lines)]

mod account;
mod cart;
mod catalogue;
mod change;
mod column;
mod document;
mod draft;
mod error;
mod feed;
mod journal;
mod matched;
mod media;
mod message;
mod order;
mod picture;
mod price_history;
mod prices;
mod publication;
mod step_key;
mod swatch_book;
mod template;
mod together;
mod unit;
mod wish;

pub use account::{Owner, Session};
pub use cart::{CartChange, CartItem, CartRow, LineExtra};
pub use catalogue::{
    At, FileCheck, Hanging, Imported, ListedRow, NeighbourRow, NewChoice, ServedBy, TypeRow, Uses,
    UsesDecision, VariantChange, Which,
};
pub use change::Changed;
pub use document::{Document, DocumentName, Turn};
pub use draft::{PlannedRow, PublicationRow};
pub use error::{Result, StorageError};
pub use feed::{Note, Thing};
pub use journal::{By, Hand, Seen, StepRow, VariantsSince};
pub use message::{Message, News};
pub use order::{Contact, Order, OrderLine, OrderState, Paying, Placed};
pub use picture::{KeptPicture, PictureChange, PicturesOf, ToMake};
pub use publication::DraftId;
pub use step_key::{Before, StepKey};
pub use swatch_book::{
    BookOption, BookValue, KeptFile, MergeDecision, OptionChange, OwnSwatch, SplitDecision, UsedOption, User,
    ValueChange,
};
pub use template::{Arrangement, Change, Draft, EditRow, History, KeptRow, Moment, TemplateRow};
pub use together::{KeptSituation, Present};
pub use wish::Wish;

use sqlx::Connection;
use sqlx::mysql::{MySqlConnectOptions, MySqlPool, MySqlPoolOptions};
use std::str::FromStr;
use std::sync::Arc;
use std::time::Duration;
use tokio::sync::Notify;

/// The way to everything that is kept.
#[derive(Debug, Clone)]
pub struct Store {
    pool: MySqlPool,
    listener: unit::Listener,
    /// Wakes whoever tells owners what was written here.
    to_tell: Arc<Notify>,
    /// Within such a time one owner's changes of one value are one step: what was typed is undone at once.
    typing: Duration,
}

/// So long somebody who types may think, unless it is said otherwise.
const TYPING: Duration = Duration::from_secs(3);

const RESTED: Duration = Duration::from_secs(1);

static MIGRATIONS: sqlx::migrate::Migrator = sqlx::migrate!();

impl Store {
    /// Connects and brings the tables up to date. The database must exist.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn open(url: &str) -> Result<Self> {
        let options = MySqlConnectOptions::from_str(url)?.charset("utf8mb4").timezone(Some("+00:00".into()));
        let pool = MySqlPoolOptions::new()
            .max_connections(24)
            .acquire_timeout(Duration::from_secs(20))
            // A page asks many questions one after another: only a connection that has rested is asked whether it lives.
            .test_before_acquire(false)
            .before_acquire(|connection, about| {
                Box::pin(async move {
                    if about.idle_for > RESTED {
                        connection.ping().await?;
                    }
                    Ok(true)
                })
            })
            .connect_with(options)
            .await?;
        Self::from_pool(pool).await
    }

    /// The same on a pool that is there already.
    ///
    /// # Errors
    /// [`StorageError::Migration`](crate::StorageError::Migration) where the tables can’t be brought up to date.
    /// Else those of the database.
    pub async fn from_pool(pool: MySqlPool) -> Result<Self> {
        MIGRATIONS.run(&pool).await.map_err(|e| StorageError::Migration(e.to_string()))?;
        Ok(Self { pool, listener: unit::Listener::default(), to_tell: Arc::default(), typing: TYPING })
    }

    /// The same where typing is one step within another time, in whole seconds.
    #[must_use]
    pub fn with_typing(self, typing: Duration) -> Self {
        Self { typing, ..self }
    }

    /// Whether the database answers.
    pub async fn is_well(&self) -> bool {
        sqlx::query_scalar!("SELECT 1 AS one").fetch_one(&self.pool).await.is_ok()
    }

    /// Lets all connections go.
    pub async fn close(&self) {
        self.pool.close().await;
    }
}

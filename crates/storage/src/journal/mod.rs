//! The one way in which owners change the catalogue: a step. Before the work and after it the rows that it may touch are
//! read, held against other writers; what became otherwise is the step. From its events, and from nothing else, come its
//! line in the journal, the notes for other servers and the way back. So no writer can forget one of them, and none can
//! tell of what it didn't do.

mod back;
mod history;
mod put;
mod rows;
mod since;

pub use history::StepRow;
pub(crate) use put::{offer, siblings as put_siblings};
pub use since::VariantsSince;

use crate::change::Changed;
use crate::unit::Unit;
use crate::{Result, StorageError, Store, Thing};
use compagina_core::catalog::journal::{
    Event, Place, Rows, Subject, Touched, difference, places, subjects, told, touched,
};
use compagina_core::ids::{OptionId, ProductId, SiblingsId};
use compagina_core::money::Currency;
use rows::load;
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::BTreeSet;
use std::fmt;

/// Who takes a step, and what was seen before.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub struct By {
    /// None where nobody is asked: a shop that is filled.
    pub owner: Option<u64>,
    /// What was looked at; what others did to it since is not to be overwritten.
    pub seen: Option<Seen>,
}

/// Something as it was seen: after this step, or before the first where that is 0.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Seen {
    /// What was looked at.
    pub subject: Subject,
    /// The last step that was seen; 0 before the first.
    pub step: u64,
}

impl fmt::Display for Seen {
    /// As it is sent along: `product/12@340`.
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        write!(f, "{}@{}", self.subject, self.step)
    }
}

impl Seen {
    /// Reads what [`Display`](fmt::Display) wrote; none where it isn't that.
    #[must_use]
    pub fn read(text: &str) -> Option<Self> {
        let (subject, step) = text.split_once('@')?;
        Some(Self { subject: Subject::read(subject)?, step: step.parse().ok()? })
    }
}

/// The catalogue in somebody's hands: everything that can be done to it is done here.
#[derive(Debug, Clone, Copy)]
pub struct Hand<'a> {
    pub(crate) store: &'a Store,
    pub(crate) by: By,
}

impl Store {
    /// The catalogue in the hands of somebody.
    #[must_use]
    pub fn by(&self, by: By) -> Hand<'_> {
        Hand { store: self, by }
    }
}

/// Which rows a step may touch; others it mustn't.
#[derive(Debug, Clone, Default)]
pub(crate) struct Scope {
    pub products: BTreeSet<ProductId>,
    /// With their values and files.
    pub options: BTreeSet<OptionId>,
    /// Whether the products that use the options are touched too.
    pub users: bool,
    pub palette: bool,
    pub shop_pictures: bool,
    pub siblings: BTreeSet<SiblingsId>,
    /// Products that aren't touched and mustn't be by others meanwhile.
    pub held: BTreeSet<ProductId>,
    /// Whether others may see it a moment later: for what comes often.
    pub soon: bool,
}

impl Scope {
    pub fn product(id: ProductId) -> Self {
        Self::products([id])
    }
    pub fn products(ids: impl IntoIterator<Item = ProductId>) -> Self {
        Self { products: ids.into_iter().collect(), ..Self::default() }
    }
    pub fn options(ids: impl IntoIterator<Item = OptionId>) -> Self {
        Self { options: ids.into_iter().collect(), ..Self::default() }
    }
    fn of(subjects: &[Subject]) -> Self {
        let mut scope = Self::default();
        for subject in subjects {
            match *subject {
                Subject::Product(id) | Subject::Within(id, _) => drop(scope.products.insert(id)),
                Subject::Option(id) => drop(scope.options.insert(id)),
                Subject::Book => scope.palette = true,
                Subject::ShopPictures => scope.shop_pictures = true,
                Subject::Siblings(id) => drop(scope.siblings.insert(id)),
                Subject::Shelf => {}
            }
        }
        scope
    }
}

/// What a step is in the journal.
#[derive(Debug, Clone, PartialEq, Eq)]
enum Sort {
    Made,
    /// It takes these back, and is told so.
    TakesBack(Vec<u64>, String),
    /// It makes again what this one took back.
    MakesAgain(u64, String),
}

/// What came of a piece of work within a step.
struct Done<T> {
    answer: T,
    sort: Sort,
}

impl Hand<'_> {
    /// Takes a step: does a piece of work on the rows of a scope, to which it may add what it makes.
    pub(crate) async fn step<T>(
        &self,
        scope: &Scope,
        work: impl AsyncFn(&mut MySqlConnection, &mut Scope) -> Result<T>,
    ) -> Result<T> {
        self.step_on(scope, async |tx, scope, _| {
            Ok(Done { answer: work(tx, scope).await?, sort: Sort::Made })
        })
        .await
    }

    /// Takes a step that makes of the rows of a scope what they are to be.
    pub(crate) async fn edit(&self, scope: &Scope, change: impl Fn(&mut Rows) -> Result<()>) -> Result<()> {
        self.step_on(scope, async |tx, _, was| {
            let mut is = was.clone();
            change(&mut is)?;
            put::put(tx, was, &is).await?;
            Ok(Done { answer: (), sort: Sort::Made })
        })
        .await
    }

    /// The same where the work needs the rows as they are before it.
    async fn step_on<T>(
        &self,
        scope: &Scope,
        work: impl AsyncFn(&mut MySqlConnection, &mut Scope, &Rows) -> Result<Done<T>>,
    ) -> Result<T> {
        self.store
            .unit(|| async {
                let mut scope = scope.clone();
                let mut unit = self.store.begin().await?;
                rows::hold(unit.db(), &mut scope).await?;
                let was = load(unit.db(), &scope).await?;
                let Done { answer, sort } = work(unit.db(), &mut scope, &was).await?;
                let is = load(unit.db(), &scope).await?;
                let events = difference(&was, &is);
                if !events.is_empty() {
                    self.keep(&mut unit, &was, &is, &events, sort).await?;
                    note(&mut unit, touched(&was, &is, &events), scope.soon);
                }
                unit.done(answer).await
            })
            .await
    }

    /// Keeps what became otherwise, unless somebody else changed the same since it was looked at.
    async fn keep(&self, unit: &mut Unit, was: &Rows, is: &Rows, events: &[Event], sort: Sort) -> Result<()> {
        let of = subjects(was, is, events);
        let tx = unit.db();
        if let Some(seen) = self.by.seen {
            not_overtaken(tx, self.by.owner, seen, events).await?;
        }
        let code = sqlx::query_scalar!("SELECT currency FROM shop").fetch_optional(&mut *tx).await?;
        let currency = Currency::from_code(code.as_deref().unwrap_or("GBP"))?;
        let line = match &sort {
            Sort::Made => told(was, is, events, currency),
            Sort::TakesBack(_, line) | Sort::MakesAgain(_, line) => line.clone(),
        };
        let step = sqlx::query!(
            "INSERT INTO catalogue_step (owner_id, told, events, takes_back, makes_again) VALUES (?, LEFT(?, 400), ?, ?, ?)",
            self.by.owner,
            line,
            Json(events) as _,
            matches!(sort, Sort::TakesBack(..)),
            matches!(sort, Sort::MakesAgain(..))
        )
        .execute(&mut *tx)
        .await?
        .last_insert_id();
        for subject in of {
            // What is worked on in one view of a product belongs to all of it.
            if !matches!(subject, Subject::Within(..)) {
                unit.tell(Thing::Catalogue(subject), Some(step));
            }
            sqlx::query!(
                "INSERT INTO catalogue_step_of (subject, step_id) VALUES (?, ?)",
                subject.to_string(),
                step
            )
            .execute(unit.db())
            .await?;
        }
        settle(unit.db(), step, &sort).await
    }
}

/// Marks the steps that a step took back or made again.
async fn settle(tx: &mut MySqlConnection, step: u64, sort: &Sort) -> Result<()> {
    match sort {
        Sort::Made => {}
        Sort::TakesBack(steps, _) => {
            for one in steps {
                sqlx::query!(
                    "UPDATE catalogue_step SET taken_back_by = COALESCE(taken_back_by, ?) WHERE id = ?",
                    step,
                    one
                )
                .execute(&mut *tx)
                .await?;
            }
        }
        Sort::MakesAgain(took_back, _) => {
            sqlx::query!("UPDATE catalogue_step SET taken_back_by = ? WHERE id = ?", step, took_back)
                .execute(&mut *tx)
                .await?;
            sqlx::query!("UPDATE catalogue_step SET taken_back_by = NULL WHERE taken_back_by = ?", took_back)
                .execute(&mut *tx)
                .await?;
        }
    }
    Ok(())
}

/// Refuses a step that would overwrite what others did to the same since it was looked at.
async fn not_overtaken(
    tx: &mut MySqlConnection,
    owner: Option<u64>,
    seen: Seen,
    events: &[Event],
) -> Result<()> {
    let touches: BTreeSet<Place> = places(events);
    let later = sqlx::query!(
        r#"SELECT s.told, s.events AS "events: Json<Vec<Event>>", o.name AS "who?" FROM catalogue_step_of f
           JOIN catalogue_step s ON s.id = f.step_id LEFT JOIN owner o ON o.id = s.owner_id
           WHERE f.subject = ? AND f.step_id > ? AND NOT (s.owner_id <=> ?) ORDER BY f.step_id DESC"#,
        seen.subject.to_string(),
        seen.step,
        owner
    )
    .fetch_all(&mut *tx)
    .await?;
    for step in later {
        if places(&step.events.0).iter().any(|place| touches.iter().any(|own| own.meets(place))) {
            return Err(StorageError::OvertakenBy { who: step.who, told: step.told });
        }
    }
    Ok(())
}

/// Says for whom a step makes pages otherwise.
fn note(unit: &mut Unit, touched: Touched, soon: bool) {
    let tell = if soon { Unit::changed_soon } else { Unit::changed };
    match touched {
        Touched::Everything => tell(unit, Changed::Everything),
        Touched::Products(ids) => ids.into_iter().for_each(|id| tell(unit, Changed::Product(id))),
    }
}

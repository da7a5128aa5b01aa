//! Pictures of products and of the shop as their owner works on them, and what the worker that makes their sizes needs.

use crate::journal::{Hand, Scope};
use crate::unit::Unit;
use crate::{Result, StorageError, Store, Thing};
use compagina_core::catalog::journal::Subject;
use compagina_core::ids::{ProductId, ValueId};
use compagina_core::media::{FilmFile, Focus, PictureSize};
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// How long a worker may take for one picture before another one tries.
const CLAIM_SECONDS: u32 = 300;
/// How often the sizes of a picture are begun.
const MOST_TRIES: u8 = 2;
const GIVEN_UP: &str = "Its sizes were begun twice and never came to an end. Save it simpler or as another kind of picture, and put it in anew.";

/// A picture with all that is known of it.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct KeptPicture {
    /// Its number.
    pub id: u64,
    /// By which pieces refer to a picture of the shop; products' pictures have none.
    pub name: Option<String>,
    /// What the file was called.
    pub file_name: String,
    /// What is told in place of it.
    pub alt: String,
    /// The values, in their order.
    pub values: Vec<ValueId>,
    /// The point that stays in sight.
    pub focus: Focus,
    /// Whether it stands free on its ground.
    pub cut_out: bool,
    /// The film that it opens; mostly none.
    pub film: Option<FilmFile>,
    /// None while they are being made.
    pub sizes: Vec<PictureSize>,
    /// Whether its sizes are still to be made, or to be made anew.
    pub waiting: bool,
    /// Why its sizes couldn't be made; mostly empty.
    pub trouble: String,
}

/// Whose pictures: a product's, or the shop's own.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum PicturesOf {
    /// Those of a product.
    Product(ProductId),
    /// The shop’s own.
    Shop,
}

impl PicturesOf {
    fn product(self) -> Option<ProductId> {
        match self {
            Self::Product(id) => Some(id),
            Self::Shop => None,
        }
    }
    fn scope(self) -> Scope {
        self.product().map_or(Scope { shop_pictures: true, ..Scope::default() }, Scope::product)
    }
    fn id(self) -> Option<u64> {
        self.product().map(|id| id.0)
    }
}

/// What is changed of pictures; what is none stays as it is.
#[derive(Debug, Clone, Default)]
pub struct PictureChange {
    /// Other words in its place.
    pub alt: Option<String>,
    /// Other values that it shows.
    pub values: Option<Vec<ValueId>>,
    /// Another point that stays in sight.
    pub focus: Option<Focus>,
}

/// A picture whose sizes are to be made.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct ToMake {
    /// Its number.
    pub id: u64,
    /// The hash of the file that was put in.
    pub original: String,
}

impl Store {
    /// The pictures of a product or of the shop, in order.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn pictures_of(&self, of: PicturesOf, plan: u32) -> Result<Vec<KeptPicture>> {
        let rows = sqlx::query!(
            r#"SELECT id, name, file_name, alt, value_ids AS "value_ids: Json<Vec<ValueId>>", focus AS "focus: Json<Focus>",
               cut_out AS "cut_out: bool", film AS "film: Json<FilmFile>", sizes AS "sizes: Json<Vec<PictureSize>>",
               original IS NOT NULL AS "kept!: bool", plan, trouble
               FROM picture WHERE product_id <=> ? ORDER BY position, id"#,
            of.id()
        )
        .fetch_all(&self.pool)
        .await?;
        let kept = rows.into_iter().map(|row| KeptPicture {
            id: row.id,
            name: row.name,
            file_name: row.file_name,
            alt: row.alt,
            values: row.value_ids.0,
            focus: row.focus.0,
            cut_out: row.cut_out,
            film: row.film.map(|film| film.0),
            sizes: row.sizes.0,
            waiting: row.kept && row.plan != plan && row.trouble.is_empty(),
            trouble: row.trouble,
        });
        Ok(kept.collect())
    }

    /// A picture of some product that belongs to this value alone: the hash of its largest size, and its point.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn picture_of_value(&self, value: ValueId) -> Result<Option<(String, Focus)>> {
        let row = sqlx::query!(
            r#"SELECT sizes AS "sizes: Json<Vec<PictureSize>>", focus AS "focus: Json<Focus>" FROM picture
               WHERE product_id IS NOT NULL AND JSON_LENGTH(value_ids) = 1 AND JSON_VALUE(value_ids, '$[0]') = ? AND JSON_LENGTH(sizes) > 0
               AND film IS NULL ORDER BY position, id LIMIT 1"#,
            value.0
        )
        .fetch_optional(&self.pool)
        .await?;
        Ok(row.and_then(|row| Some((row.sizes.0.last()?.hash.clone(), row.focus.0))))
    }
}

impl Hand<'_> {
    /// Adds an uploaded picture behind the others; its sizes are made later.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_picture(&self, of: PicturesOf, file_name: &str, original: &str) -> Result<u64> {
        self.step(&of.scope(), async |tx, _| {
        // The product's row is held, so that two uploads at once don't take the same place.
        sqlx::query!("SELECT id FROM product WHERE id <=> ? FOR UPDATE", of.id()).fetch_optional(&mut *tx).await?;
        let done = sqlx::query!(
            "INSERT INTO picture (product_id, position, alt, sizes, value_ids, original, file_name)
             SELECT ?, COALESCE(MAX(position) + 1, 0), '', '[]', '[]', ?, ? FROM picture WHERE product_id <=> ?",
            of.id(),
            original,
            file_name,
            of.id()
        )
        .execute(&mut *tx)
        .await?;
        let id = done.last_insert_id();
        if of == PicturesOf::Shop {
            let name = format!("p{id}");
            sqlx::query!("UPDATE picture SET name = ? WHERE id = ?", name, id).execute(&mut *tx).await?;
        }
        Ok(id)
        })
        .await
    }

    /// Puts another file in a picture's place; its words, values and place in the order stay.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn replace_picture(
        &self,
        of: PicturesOf,
        id: u64,
        file_name: &str,
        original: &str,
    ) -> Result<()> {
        self.step(&of.scope(), async |tx, _| {
            held(tx, of, &[id]).await?;
            sqlx::query!(
            "UPDATE picture SET original = ?, file_name = ?, plan = 0, tries = 0, claimed_until = NULL, trouble = '',
             focus = '{\"x\":500,\"y\":500}', film = NULL WHERE id = ?",
            original,
            file_name,
            id
        )
            .execute(&mut *tx)
            .await?;
            Ok(())
        })
        .await
    }

    /// Makes a picture the one that a film shows until it runs.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn set_film(&self, of: PicturesOf, id: u64, film: &FilmFile) -> Result<()> {
        self.step(&of.scope(), async |tx, _| {
            held(tx, of, &[id]).await?;
            sqlx::query!("UPDATE picture SET film = ? WHERE id = ?", Json(film) as _, id)
                .execute(&mut *tx)
                .await?;
            Ok(())
        })
        .await
    }

    /// Changes several pictures of a product in the same way; all or none.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn change_pictures(&self, of: PicturesOf, ids: &[u64], change: &PictureChange) -> Result<()> {
        self.step(&of.scope(), async |tx, _| {
        held(tx, of, ids).await?;
        for id in ids {
            sqlx::query!(
                "UPDATE picture SET alt = COALESCE(?, alt), value_ids = COALESCE(?, value_ids), focus = COALESCE(?, focus)
                 WHERE id = ?",
                change.alt,
                change.values.as_ref().map(Json) as _,
                change.focus.map(Json) as _,
                id
            )
            .execute(&mut *tx)
            .await?;
        }
        Ok(())
        })
        .await
    }

    /// Puts a product's pictures into this order. Pictures that aren't named, added meanwhile, stay behind them.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn order_pictures(&self, of: PicturesOf, ids: &[u64]) -> Result<()> {
        self.step(&of.scope(), async |tx, _| {
            held(tx, of, ids).await?;
            let count = ids.len() as u64;
            sqlx::query!("UPDATE picture SET position = position + ? WHERE product_id <=> ?", count, of.id())
                .execute(&mut *tx)
                .await?;
            for (position, id) in (0u64..).zip(ids) {
                sqlx::query!("UPDATE picture SET position = ? WHERE id = ?", position, id)
                    .execute(&mut *tx)
                    .await?;
            }
            Ok(())
        })
        .await
    }

    /// Takes pictures away.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn remove_pictures(&self, of: PicturesOf, ids: &[u64]) -> Result<()> {
        self.step(&of.scope(), async |tx, _| {
            held(tx, of, ids).await?;
            for id in ids {
                sqlx::query!("DELETE FROM picture WHERE id = ?", id).execute(&mut *tx).await?;
            }
            Ok(())
        })
        .await
    }
}

impl Store {
    /// The next picture whose sizes aren't those of this plan; no other worker is given it for some minutes. One that was
    /// begun twice without coming to an end is marked with that and not given again.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn next_to_make(&self, plan: u32) -> Result<Option<ToMake>> {
        loop {
            let found = self.claim_picture(plan).await?;
            match found {
                Some((picture, tries)) if tries >= MOST_TRIES => {
                    self.picture_failed(&picture, GIVEN_UP).await?
                }
                Some((picture, _)) => return Ok(Some(picture)),
                None => return Ok(None),
            }
        }
    }

    async fn claim_picture(&self, plan: u32) -> Result<Option<(ToMake, u8)>> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let row = sqlx::query!(
                r#"SELECT id, original AS "original!: String", tries FROM picture
                   WHERE plan <> ? AND original IS NOT NULL AND trouble = ''
                   AND (claimed_until IS NULL OR claimed_until < CURRENT_TIMESTAMP(3))
                   ORDER BY id LIMIT 1 FOR UPDATE SKIP LOCKED"#,
                plan
            )
            .fetch_optional(&mut *tx)
            .await?;
            let Some(row) = row else { return unit.done(None).await };
            sqlx::query!(
                "UPDATE picture SET tries = tries + 1, claimed_until = CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND WHERE id = ?",
                CLAIM_SECONDS,
                row.id
            )
            .execute(&mut *tx)
            .await?;
            unit.done(Some((ToMake { id: row.id, original: row.original }, row.tries))).await
        })
        .await
    }

    /// Keeps the sizes that were made, unless the picture was replaced meanwhile.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn picture_made(
        &self,
        made: &ToMake,
        sizes: &[PictureSize],
        cut_out: bool,
        plan: u32,
    ) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
        sqlx::query!(
            "UPDATE picture SET sizes = ?, cut_out = ?, plan = ?, tries = 0, claimed_until = NULL WHERE id = ? AND original = ?",
            Json(sizes) as _,
            cut_out,
            plan,
            made.id,
            made.original
        )
        .execute(&mut *tx)
        .await?;
        if let Some(product) = told_of(&mut unit, made.id).await? {
            unit.changed_soon(product);
        }
        unit.done(()).await
        })
        .await
    }

    /// Keeps why no sizes could be made.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn picture_failed(&self, made: &ToMake, why: &str) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            sqlx::query!(
                "UPDATE picture SET trouble = LEFT(?, 300), claimed_until = NULL WHERE id = ? AND original = ?",
                why,
                made.id,
                made.original
            )
            .execute(unit.db())
            .await?;
            told_of(&mut unit, made.id).await?;
            unit.done(()).await
        })
        .await
    }
}

/// Tells whoever looks at a picture's product that something was made of it; gives whose it is, unless it is gone.
async fn told_of(unit: &mut Unit, picture: u64) -> Result<Option<Option<ProductId>>> {
    let row = sqlx::query!("SELECT product_id FROM picture WHERE id = ?", picture)
        .fetch_optional(unit.db())
        .await?;
    let product = row.map(|row| row.product_id.map(ProductId));
    if let Some(of) = product {
        unit.tell(Thing::Catalogue(of.map_or(Subject::ShopPictures, Subject::Product)), None);
    }
    Ok(product)
}

/// Holds pictures for the rest of a transaction; an error where one of them isn't among these.
async fn held(tx: &mut MySqlConnection, of: PicturesOf, ids: &[u64]) -> Result<()> {
    for id in ids {
        sqlx::query!("SELECT id FROM picture WHERE id = ? AND product_id <=> ? FOR UPDATE", id, of.id())
            .fetch_optional(&mut *tx)
            .await?
            .ok_or(StorageError::NotFound { what: "picture" })?;
    }
    Ok(())
}

//! Sets of products that belong together.

use crate::column::{handle, product_state};
use crate::journal::{Hand, Scope, put_siblings};
use crate::matched::palette_of;
use crate::{Result, StorageError, Store};
use compagina_core::catalog::journal::SiblingsRow;
use compagina_core::catalog::{Sibling, Siblings, SiblingsError, Standing, check_siblings, tidied_siblings};
use compagina_core::ids::{Handle, ProductId, SiblingsId};
use compagina_core::letters::folded;
use compagina_core::media::PictureSize;
use compagina_core::swatch::{Colour, Palette, Sources, Swatch, shown};
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::{BTreeMap, BTreeSet};

impl Store {
    /// The name of the first option that has all of these among its values.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn option_of_values(&self, names: &[&str]) -> Result<Option<String>> {
        let name = sqlx::query_scalar!(
            "SELECT o.name FROM JSON_TABLE(?, '$[*]' COLUMNS (label VARCHAR(60) PATH '$')) w
             JOIN option_value v ON v.name = w.label COLLATE utf8mb4_unicode_ci
             JOIN shop_option o ON o.id = v.option_id
             GROUP BY o.id, o.name, o.position HAVING COUNT(DISTINCT w.label) = ? ORDER BY o.position, o.id LIMIT 1",
            serde_json::to_string(names).unwrap_or_default(),
            i64::try_from(names.len()).unwrap_or(i64::MAX)
        )
        .fetch_optional(&self.pool)
        .await?;
        Ok(name)
    }

    /// What products would show among one another under these labels, where nothing is chosen for them.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn siblings_shown(&self, labels: &[(ProductId, String)]) -> Result<Vec<Sibling>> {
        let mut db = self.pool.acquire().await?;
        let one = |(product, label): &(ProductId, String)| Member {
            product: *product,
            label: label.clone(),
            own: None,
        };
        resolved(&mut db, labels.iter().map(one).collect()).await
    }

    /// Products and the sets in which they stand: the set, its name, and how many products it has.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn sets_of(
        &self,
        products: &[ProductId],
    ) -> Result<BTreeMap<ProductId, Vec<(SiblingsId, String, u64)>>> {
        let ids = serde_json::to_string(products).map_err(|e| StorageError::damaged("product")(&e))?;
        let rows = sqlx::query!(
            r#"SELECT STRAIGHT_JOIN m.product_id, s.id, s.name,
                 (SELECT COUNT(*) FROM sibling k WHERE k.set_id = s.id) AS "count!: i64"
               FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) p
               JOIN sibling m ON m.product_id = p.id JOIN sibling_set s ON s.id = m.set_id"#,
            ids
        )
        .fetch_all(&self.pool)
        .await?;
        let mut all: BTreeMap<ProductId, Vec<_>> = BTreeMap::new();
        for row in rows {
            let set = (SiblingsId(row.id), row.name, u64::try_from(row.count).unwrap_or(0));
            all.entry(ProductId(row.product_id)).or_default().push(set);
        }
        all.values_mut().for_each(|sets| sets.sort());
        Ok(all)
    }
}

impl Hand<'_> {
    /// Makes siblings of products.
    ///
    /// # Errors
    /// [`StorageError::Refused`] with the reason, where they can't be; [`StorageError::NotFound`] where one of them is gone.
    pub async fn make_siblings(&self, set: SiblingsRow) -> Result<SiblingsId> {
        let set = sound(set)?;
        self.step(&holding(&set), async |tx, scope| {
            apart(tx, &set, None).await?;
            let id = sqlx::query!("INSERT INTO sibling_set (name) VALUES ('')")
                .execute(&mut *tx)
                .await?
                .last_insert_id();
            scope.siblings.insert(SiblingsId(id));
            put_siblings(tx, SiblingsId(id), &set, false).await?;
            Ok(SiblingsId(id))
        })
        .await
    }

    /// Makes another set of one.
    ///
    /// # Errors
    /// As of [`Self::make_siblings`].
    pub async fn change_siblings(&self, id: SiblingsId, set: SiblingsRow) -> Result<()> {
        let set = sound(set)?;
        let scope = Scope { siblings: BTreeSet::from([id]), ..holding(&set) };
        self.step(&scope, async |tx, _| {
            is_there(tx, id).await?;
            apart(tx, &set, Some(id)).await?;
            put_siblings(tx, id, &set, false).await
        })
        .await
    }

    /// Lets siblings be single products again.
    ///
    /// # Errors
    /// [`StorageError::NotFound`] where there is no such set.
    pub async fn part_siblings(&self, id: SiblingsId) -> Result<()> {
        let scope = Scope { siblings: BTreeSet::from([id]), ..Scope::default() };
        self.step(&scope, async |tx, _| {
            is_there(tx, id).await?;
            sqlx::query!("DELETE FROM sibling_set WHERE id = ?", id.0).execute(&mut *tx).await?;
            Ok(())
        })
        .await
    }
}

fn refused(why: &SiblingsError) -> StorageError {
    StorageError::Refused(why.to_string())
}

fn sound(set: SiblingsRow) -> Result<SiblingsRow> {
    let set = tidied_siblings(set);
    check_siblings(&set).map_err(|why| refused(&why))?;
    Ok(set)
}

fn holding(set: &SiblingsRow) -> Scope {
    Scope { held: set.members.iter().map(|one| one.product).collect(), ..Scope::default() }
}

async fn is_there(tx: &mut MySqlConnection, id: SiblingsId) -> Result<()> {
    let found = sqlx::query_scalar!("SELECT id FROM sibling_set WHERE id = ? FOR UPDATE", id.0)
        .fetch_optional(&mut *tx)
        .await?;
    found.map(|_| ()).ok_or(StorageError::NotFound { what: "set of siblings" })
}

/// Its products are there, and none of them stands in another set of its name.
async fn apart(tx: &mut MySqlConnection, set: &SiblingsRow, id: Option<SiblingsId>) -> Result<()> {
    let name = folded(&set.name);
    for one in &set.members {
        let product = sqlx::query_scalar!("SELECT name FROM product WHERE id = ?", one.product.0)
            .fetch_optional(&mut *tx)
            .await?
            .ok_or(StorageError::NotFound { what: "product" })?;
        let others = sqlx::query!(
            "SELECT s.id, s.name FROM sibling m JOIN sibling_set s ON s.id = m.set_id WHERE m.product_id = ? FOR UPDATE",
            one.product.0
        )
        .fetch_all(&mut *tx)
        .await?;
        let same = |other: &str, of: u64| Some(SiblingsId(of)) != id && folded(other) == name;
        if let Some(other) = others.into_iter().find(|row| same(&row.name, row.id)) {
            return Err(refused(&SiblingsError::InAnother { product, name: other.name }));
        }
    }
    Ok(())
}

/// A product of a set before it is known what it shows.
struct Member {
    product: ProductId,
    label: String,
    own: Option<Swatch>,
}

/// The sets in which products stand, by the products' numbers.
pub(super) async fn load_siblings(
    db: &mut MySqlConnection,
    products: &str,
) -> Result<BTreeMap<u64, Vec<Siblings>>> {
    let stand = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN m.product_id, m.set_id FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) p
           JOIN sibling m ON m.product_id = p.id"#,
        products
    )
    .fetch_all(&mut *db)
    .await?;
    if stand.is_empty() {
        return Ok(BTreeMap::new());
    }
    let sets: BTreeSet<u64> = stand.iter().map(|row| row.set_id).collect();
    let sets = load_sets(db, &serde_json::to_string(&sets).unwrap_or_default()).await?;
    let mut of: BTreeMap<u64, Vec<Siblings>> = BTreeMap::new();
    for row in stand {
        if let Some(set) = sets.get(&row.set_id) {
            of.entry(row.product_id).or_default().push(set.clone());
        }
    }
    of.values_mut().for_each(|sets| sets.sort_by_key(|set| set.id));
    Ok(of)
}

async fn load_sets(db: &mut MySqlConnection, ids: &str) -> Result<BTreeMap<u64, Siblings>> {
    let mut rows = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN s.id, s.name, s.one_card AS "one_card: bool", m.product_id, m.label, m.position,
             m.swatch AS "swatch: Json<Swatch>"
           FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) w
           JOIN sibling_set s ON s.id = w.id JOIN sibling m ON m.set_id = s.id"#,
        ids
    )
    .fetch_all(&mut *db)
    .await?;
    rows.sort_by_key(|row| (row.id, row.position, row.product_id));
    let members = rows.iter().map(|row| Member {
        product: ProductId(row.product_id),
        label: row.label.clone(),
        own: row.swatch.as_ref().map(|swatch| swatch.0.clone()),
    });
    let members = resolved(db, members.collect()).await?;
    let mut sets: BTreeMap<u64, Siblings> = BTreeMap::new();
    for (row, member) in rows.into_iter().zip(members) {
        let new = || Siblings {
            id: SiblingsId(row.id),
            name: row.name.clone(),
            one_card: row.one_card,
            members: vec![],
        };
        sets.entry(row.id).or_insert_with(new).members.push(member);
    }
    Ok(sets)
}

/// Each with what it shows and where it leads, in their order.
async fn resolved(db: &mut MySqlConnection, members: Vec<Member>) -> Result<Vec<Sibling>> {
    let ids: BTreeSet<u64> = members.iter().map(|one| one.product.0).collect();
    let ids = serde_json::to_string(&ids).unwrap_or_default();
    let pages = pages(db, &ids).await?;
    let values = values(db, &ids).await?;
    let labels: Vec<&str> =
        members.iter().filter(|one| one.own.is_none()).map(|one| one.label.as_str()).collect();
    let (book, palette) = named(db, &labels).await?;
    let one = |member: Member| {
        let page = pages.get(&member.product.0).ok_or(StorageError::NotFound { what: "product" })?;
        let known = book.get(&folded(&member.label));
        let shown = shown(Sources {
            product: member.own.as_ref(),
            book: known.and_then(|known| known.swatch.as_ref()),
            palette: known.and_then(|known| known.palette).or_else(|| palette.colour(&member.label)),
            file: known.and_then(|known| known.file.as_deref()),
            variant: page.picture.as_deref(),
        });
        Ok(Sibling {
            product: member.product,
            handle: page.handle.clone(),
            address: page.address.clone(),
            name: page.name.clone(),
            label: member.label,
            swatch: shown.swatch,
            from: shown.from,
            standing: page.standing,
            values: values.get(&member.product.0).cloned().unwrap_or_default(),
        })
    };
    members.into_iter().map(one).collect()
}

/// What of a product its siblings tell.
struct PageOf {
    handle: Handle,
    address: Handle,
    name: String,
    standing: Standing,
    /// The hash of a small picture of it.
    picture: Option<String>,
}

async fn pages(db: &mut MySqlConnection, ids: &str) -> Result<BTreeMap<u64, PageOf>> {
    let rows = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN p.id, p.handle, p.address, p.name, p.state,
             EXISTS (SELECT 1 FROM variant v WHERE v.product_id = p.id AND (v.stock IS NULL OR v.stock > 0)) AS "in_stock!: bool",
             (SELECT i.sizes FROM picture i WHERE i.product_id = p.id AND JSON_LENGTH(i.sizes) > 0
              ORDER BY i.film IS NOT NULL, i.position, i.id LIMIT 1) AS "sizes: Json<Vec<PictureSize>>"
           FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) w JOIN product p ON p.id = w.id"#,
        ids
    )
    .fetch_all(&mut *db)
    .await?;
    let page = |(id, page): (u64, Result<PageOf>)| page.map(|page| (id, page));
    rows.into_iter()
        .map(|row| {
            let of = || {
                Ok(PageOf {
                    handle: handle(row.handle)?,
                    address: handle(row.address)?,
                    name: row.name,
                    standing: Standing::of(product_state(row.state)?, row.in_stock),
                    picture: row.sizes.and_then(|sizes| Some(sizes.first()?.hash.clone())),
                })
            };
            page((row.id, of()))
        })
        .collect()
}

type Values = BTreeMap<Handle, BTreeSet<Handle>>;

/// The values by which products are chosen.
async fn values(db: &mut MySqlConnection, ids: &str) -> Result<BTreeMap<u64, Values>> {
    let rows = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN w.product_id, o.handle AS option_handle, v.handle AS value_handle
           FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) p
           JOIN product_value w ON w.product_id = p.id JOIN option_value v ON v.id = w.value_id
           JOIN shop_option o ON o.id = v.option_id"#,
        ids
    )
    .fetch_all(&mut *db)
    .await?;
    let mut all: BTreeMap<u64, Values> = BTreeMap::new();
    for row in rows {
        let values = all.entry(row.product_id).or_default();
        values.entry(handle(row.option_handle)?).or_default().insert(handle(row.value_handle)?);
    }
    Ok(all)
}

/// What the swatch book has for a name.
struct Known {
    swatch: Option<Swatch>,
    palette: Option<Colour>,
    file: Option<String>,
}

/// What the swatch book and the palette have for labels, letters folded.
async fn named(db: &mut MySqlConnection, labels: &[&str]) -> Result<(BTreeMap<String, Known>, Palette)> {
    if labels.is_empty() {
        return Ok((BTreeMap::new(), Palette::default()));
    }
    let rows = sqlx::query!(
        r#"SELECT v.name, v.swatch AS "swatch: Json<Swatch>", v.palette_colour AS "palette_colour: String",
             v.file_hash AS "file_hash: String" FROM option_value v
           JOIN JSON_TABLE(?, '$[*]' COLUMNS (label VARCHAR(60) PATH '$')) w
             ON v.name = w.label COLLATE utf8mb4_unicode_ci
           WHERE v.swatch IS NOT NULL OR v.palette_colour IS NOT NULL OR v.file_hash IS NOT NULL
           ORDER BY v.option_id, v.position"#,
        serde_json::to_string(labels).unwrap_or_default()
    )
    .fetch_all(&mut *db)
    .await?;
    let mut book = BTreeMap::new();
    for row in rows {
        let palette = row.palette_colour.map(Colour::try_from).transpose();
        let known = Known {
            swatch: row.swatch.map(|swatch| swatch.0),
            palette: palette.map_err(|e| StorageError::damaged("colour")(&e))?,
            file: row.file_hash,
        };
        book.entry(folded(&row.name)).or_insert(known);
    }
    Ok((book, palette_of(db).await?))
}

//! Two options become one, or one becomes two: products, variants, pictures and files go along, in one transaction.

use super::file::hold;
use super::{BookOption, book_of};
use crate::journal::{Hand, Scope};
use crate::{Result, StorageError, Store};
use compagina_core::catalog::Merge;
use compagina_core::ids::{Handle, OptionId, ProductId, ValueId};
use compagina_core::swatch::{Fate, Swatch};
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::BTreeMap;

/// A product that uses an option.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct User {
    /// Its number.
    pub id: ProductId,
    /// Its handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
    /// The values that it offers.
    pub values: Vec<ValueId>,
}

type Turned = BTreeMap<ValueId, ValueId>;

/// An option with the products that use it.
#[derive(Debug, Clone)]
pub struct UsedOption {
    /// The option.
    pub option: BookOption,
    /// The products that are chosen by it.
    pub users: Vec<User>,
}

/// What happens to the values of two options that become one, or why they can't.
pub type MergeDecision<'a> =
    dyn Fn(&UsedOption, &UsedOption) -> std::result::Result<Merge, String> + Sync + 'a;

/// Values with the swatches with which they begin in the option that is split off, or why it can't be.
pub type SplitDecision<'a> =
    dyn Fn(&UsedOption) -> std::result::Result<Vec<(ValueId, Option<Swatch>)>, String> + Sync + 'a;

async fn used(tx: &mut MySqlConnection, option: OptionId) -> Result<UsedOption> {
    let found = book_of(tx).await?.into_iter().find(|one| one.id == option);
    let option = found.ok_or(StorageError::NotFound { what: "option" })?;
    let users = users_of(tx, option.id).await?;
    Ok(UsedOption { option, users })
}

impl Store {
    /// Every product that uses an option, in the order of their names.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn users_of(&self, option: OptionId) -> Result<Vec<User>> {
        users_of(&mut *self.pool.acquire().await?, option).await
    }
}

impl Hand<'_> {
    /// Makes one option of two: what core has worked out happens to values, and every product goes along. Products that
    /// offered all values of one of them go on offering those.
    ///
    /// # Errors
    /// [`StorageError::Refused`](crate::StorageError::Refused) with the reason, where it can’t be.
    /// Else those of the database.
    pub async fn merge_options(
        &self,
        from: OptionId,
        into: OptionId,
        decide: &MergeDecision<'_>,
    ) -> Result<()> {
        let scope = Scope { users: true, ..Scope::options([from, into]) };
        self.change_book_within(&scope, into, async |tx, _| {
            hold(tx, from).await?;
            let products = users(tx, from).await?;
            let merge =
                decide(&used(tx, from).await?, &used(tx, into).await?).map_err(StorageError::Refused)?;
            let turned: Turned = merge.same.iter().copied().collect();
            for product in products {
                turn(tx, product, &turned).await?;
            }
            sqlx::query!("UPDATE product_option SET option_id = ? WHERE option_id = ?", into.0, from.0)
                .execute(&mut *tx)
                .await?;
            keep_what_only_one_has(tx, &turned).await?;
            for value in &merge.over {
                bring_over(tx, *value, into).await?;
            }
            turn_files(tx, from, into, &turned).await?;
            sqlx::query!("DELETE FROM option_value WHERE option_id = ?", from.0).execute(&mut *tx).await?;
            sqlx::query!("DELETE FROM shop_option WHERE id = ?", from.0).execute(&mut *tx).await?;
            mark_whole(tx, into).await
        })
        .await
    }

    /// Gives some products an option of their own that begins as a copy: the values that they offer, each with the swatch
    /// that it shows now.
    ///
    /// # Errors
    /// [`StorageError::Refused`](crate::StorageError::Refused) with the reason, where it can’t be.
    /// Else those of the database.
    pub async fn split_option(
        &self,
        from: OptionId,
        products: &[ProductId],
        handle: &Handle,
        name: &str,
        decide: &SplitDecision<'_>,
    ) -> Result<()> {
        let scope = Scope { users: true, ..Scope::options([from]) };
        self.change_book_within(&scope, from, async |tx, scope| {
            users(tx, from).await?;
            let values = decide(&used(tx, from).await?).map_err(StorageError::Refused)?;
            let new = sqlx::query!(
                "INSERT INTO shop_option (handle, name, about, way_page, way_card, way_quick, from_variants, position)
                 SELECT ?, ?, about, way_page, way_card, way_quick, from_variants, position FROM shop_option WHERE id = ?",
                handle.as_str(),
                name,
                from.0
            )
            .execute(&mut *tx)
            .await?
            .last_insert_id();
            scope.options.insert(OptionId(new));
            let mut turned = Turned::new();
            for (value, swatch) in &values {
                let copy = sqlx::query!(
                    "INSERT INTO option_value (option_id, handle, name, swatch, note, closer, palette_colour, position)
                     SELECT ?, handle, name, ?, note, closer, palette_colour, position FROM option_value WHERE id = ?",
                    new,
                    swatch.as_ref().map(Json) as _,
                    value.0
                )
                .execute(&mut *tx)
                .await?;
                turned.insert(*value, ValueId(copy.last_insert_id()));
            }
            for product in products {
                turn(tx, *product, &turned).await?;
                sqlx::query!(
                    "UPDATE product_option SET option_id = ? WHERE option_id = ? AND product_id = ?",
                    new,
                    from.0,
                    product.0
                )
                .execute(&mut *tx)
                .await?;
            }
            mark_whole(tx, OptionId(new)).await
        })
        .await
    }
}

async fn users_of(db: &mut MySqlConnection, option: OptionId) -> Result<Vec<User>> {
    let rows = sqlx::query!(
            r#"SELECT p.id, p.handle, p.name, w.value_id AS "value?: u64" FROM product_option u
               JOIN product p ON p.id = u.product_id
               LEFT JOIN (product_value w JOIN option_value v ON v.id = w.value_id) ON w.product_id = p.id AND v.option_id = u.option_id
               WHERE u.option_id = ? ORDER BY p.name, p.id, w.position"#,
            option.0
        )
        .fetch_all(&mut *db)
        .await?;
    let mut users: Vec<User> = Vec::new();
    for row in rows {
        if users.last().is_none_or(|user| user.id.0 != row.id) {
            let handle = crate::column::handle(row.handle)?;
            users.push(User { id: ProductId(row.id), handle, name: row.name, values: Vec::new() });
        }
        if let (Some(user), Some(value)) = (users.last_mut(), row.value) {
            user.values.push(ValueId(value));
        }
    }
    Ok(users)
}

/// Their numbers; they are held for the rest of the transaction.
async fn users(tx: &mut MySqlConnection, option: OptionId) -> Result<Vec<ProductId>> {
    let rows = sqlx::query_scalar!(
        "SELECT p.id FROM product_option u JOIN product p ON p.id = u.product_id WHERE u.option_id = ? FOR UPDATE",
        option.0
    )
    .fetch_all(&mut *tx)
    .await?;
    Ok(rows.into_iter().map(ProductId).collect())
}

/// In everything that belongs to a product, values become others.
async fn turn(tx: &mut MySqlConnection, product: ProductId, turned: &Turned) -> Result<()> {
    for (old, new) in turned {
        sqlx::query!(
            "UPDATE product_value SET value_id = ? WHERE product_id = ? AND value_id = ?",
            new.0,
            product.0,
            old.0
        )
        .execute(&mut *tx)
        .await?;
    }
    let variants = sqlx::query!(
        r#"SELECT id, chosen AS "chosen: Json<Vec<Option<ValueId>>>" FROM variant WHERE product_id = ? FOR UPDATE"#,
        product.0
    )
    .fetch_all(&mut *tx)
    .await?;
    for variant in variants {
        let chosen = variant.chosen.0.iter().map(|value| value.map(|id| *turned.get(&id).unwrap_or(&id)));
        let chosen: Vec<Option<ValueId>> = chosen.collect();
        if chosen != variant.chosen.0 {
            sqlx::query!("UPDATE variant SET chosen = ? WHERE id = ?", Json(&chosen) as _, variant.id)
                .execute(&mut *tx)
                .await?;
        }
    }
    let pictures = sqlx::query!(
        r#"SELECT id, value_ids AS "values: Json<Vec<ValueId>>" FROM picture WHERE product_id = ? FOR UPDATE"#,
        product.0
    )
    .fetch_all(&mut *tx)
    .await?;
    for picture in pictures {
        let values: Vec<ValueId> = picture.values.0.iter().map(|id| *turned.get(id).unwrap_or(id)).collect();
        if values != picture.values.0 {
            sqlx::query!("UPDATE picture SET value_ids = ? WHERE id = ?", Json(&values) as _, picture.id)
                .execute(&mut *tx)
                .await?;
        }
    }
    Ok(())
}

/// A value that becomes another leaves it what the other doesn't have.
async fn keep_what_only_one_has(tx: &mut MySqlConnection, turned: &Turned) -> Result<()> {
    for (old, new) in turned {
        sqlx::query!(
            "UPDATE option_value i JOIN option_value f ON f.id = ? SET i.swatch = COALESCE(i.swatch, f.swatch),
             i.note = IF(i.note = '', f.note, i.note), i.closer = COALESCE(i.closer, f.closer) WHERE i.id = ?",
            old.0,
            new.0
        )
        .execute(&mut *tx)
        .await?;
    }
    Ok(())
}

/// A value comes over behind the others; where its handle is taken there, it gets another.
async fn bring_over(tx: &mut MySqlConnection, value: ValueId, into: OptionId) -> Result<()> {
    sqlx::query!(
        "UPDATE option_value v LEFT JOIN option_value o ON o.option_id = ? AND o.handle = v.handle
         SET v.option_id = ?, v.position = v.position + 1000,
         v.handle = IF(o.id IS NULL, v.handle, CONCAT(LEFT(v.handle, 60), '-', v.id)) WHERE v.id = ?",
        into.0,
        into.0,
        value.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// Picture files go along, but for those whose names are there already.
async fn turn_files(tx: &mut MySqlConnection, from: OptionId, into: OptionId, turned: &Turned) -> Result<()> {
    for (old, new) in turned {
        sqlx::query!(
            "UPDATE swatch_file SET fate = ? WHERE option_id = ? AND JSON_VALUE(fate, '$.for') = ?",
            Json(Fate::For(*new)) as _,
            from.0,
            old.0
        )
        .execute(&mut *tx)
        .await?;
    }
    sqlx::query!("UPDATE IGNORE swatch_file SET option_id = ? WHERE option_id = ?", into.0, from.0)
        .execute(&mut *tx)
        .await?;
    sqlx::query!("DELETE FROM swatch_file WHERE option_id = ?", from.0).execute(&mut *tx).await?;
    Ok(())
}

/// A product uses the whole option where it offers every value that there is.
async fn mark_whole(tx: &mut MySqlConnection, option: OptionId) -> Result<()> {
    sqlx::query!(
        "UPDATE product_option u SET whole =
         (SELECT COUNT(*) FROM product_value w JOIN option_value v ON v.id = w.value_id
          WHERE w.product_id = u.product_id AND v.option_id = u.option_id)
         = (SELECT COUNT(*) FROM option_value v WHERE v.option_id = u.option_id)
         WHERE u.option_id = ?",
        option.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

//! Changes of options and values.

use super::file::value_within;
use crate::journal::{Hand, Scope, offer};
use crate::{Result, StorageError};
use compagina_core::catalog::Way;
use compagina_core::ids::{Handle, OptionId, ProductId, ValueId};
use compagina_core::swatch::Swatch;
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// An option has at most so many values.
const MOST_VALUES: i64 = 1000;

/// What is changed of an option; what is none stays as it is.
#[derive(Debug, Clone, Default)]
pub struct OptionChange {
    /// Another name.
    pub name: Option<String>,
    /// Another line about it.
    pub about: Option<String>,
    /// Another way on pages.
    pub page: Option<Way>,
    /// Another way on cards.
    pub card: Option<Way>,
    /// Another way in quick looks.
    pub quick: Option<Way>,
    /// Whether pictures of variants stand in.
    pub from_variants: Option<bool>,
}

/// What is changed of values; what is none stays as it is.
#[derive(Debug, Clone, Default)]
pub struct ValueChange {
    /// Another name.
    pub name: Option<String>,
    /// Another note.
    pub note: Option<String>,
    /// The book's swatch, or none of its own.
    pub swatch: Option<Option<Swatch>>,
    /// The hash of a larger picture, or none.
    pub closer: Option<Option<String>>,
}

impl Hand<'_> {
    /// Adds an option without values behind the others; of the whole shop, or of one product only.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_option(&self, handle: &Handle, name: &str, of_product: Option<ProductId>) -> Result<()> {
        self.step(&Scope::default(), async |tx, scope| {
            let done = sqlx::query!(
                "INSERT INTO shop_option (handle, name, product_id, position)
                 SELECT ?, ?, ?, COALESCE(MAX(position) + 1, 0) FROM shop_option",
                handle.as_str(),
                name,
                of_product.map(|id| id.0)
            )
            .execute(&mut *tx)
            .await?;
            scope.options.insert(OptionId(done.last_insert_id()));
            Ok(())
        })
        .await
    }

    /// Changes what is set on an option.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn change_option(&self, option: OptionId, wanted: &OptionChange) -> Result<()> {
        self.change_book(option, async |tx| {
            sqlx::query!(
                "UPDATE shop_option SET name = COALESCE(?, name), about = COALESCE(?, about),
                 way_page = COALESCE(?, way_page), way_card = COALESCE(?, way_card),
                 way_quick = COALESCE(?, way_quick),
                 from_variants = COALESCE(?, from_variants) WHERE id = ?",
                wanted.name,
                wanted.about,
                wanted.page.map(Way::as_str),
                wanted.card.map(Way::as_str),
                wanted.quick.map(Way::as_str),
                wanted.from_variants,
                option.0
            )
            .execute(&mut *tx)
            .await?;
            Ok(())
        })
        .await
    }

    /// Changes several values of an option in the same way; all or none.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn change_values(&self, option: OptionId, ids: &[ValueId], wanted: &ValueChange) -> Result<()> {
        let all: Vec<_> = ids.iter().map(|id| (*id, wanted.clone())).collect();
        self.change_each_value(option, &all).await
    }

    /// Changes several values of an option, each in its own way; all or none.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn change_each_value(&self, option: OptionId, wanted: &[(ValueId, ValueChange)]) -> Result<()> {
        self.change_book(option, async |tx| {
            for (id, wanted) in wanted {
                change_value(tx, option, *id, wanted).await?;
            }
            Ok(())
        })
        .await
    }

    /// Adds a value behind the others. Products that use the whole option have it at once.
    ///
    /// # Errors
    /// [`StorageError::Full`](crate::StorageError::Full) where there are as many as there can be.
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn add_value(&self, option: OptionId, handle: &Handle, name: &str) -> Result<ValueId> {
        self.change_book(option, async |tx| insert_value(tx, option, handle, name).await).await
    }

    /// Gives a product a swatch of its own for a value, with the reason; none takes it away again.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn set_own_swatch(
        &self,
        product: ProductId,
        value: ValueId,
        own: Option<(&Swatch, &str)>,
    ) -> Result<()> {
        self.step(&Scope::product(product), async |tx, _| {
            sqlx::query!(
                "SELECT value_id FROM product_value WHERE product_id = ? AND value_id = ? FOR UPDATE",
                product.0,
                value.0
            )
            .fetch_optional(&mut *tx)
            .await?
            .ok_or(StorageError::NotFound { what: "value of this product" })?;
            sqlx::query!(
                "UPDATE product_value SET swatch = ?, why = ? WHERE product_id = ? AND value_id = ?",
                own.map(|(swatch, _)| Json(swatch)) as _,
                own.map_or("", |(_, why)| why),
                product.0,
                value.0
            )
            .execute(&mut *tx)
            .await?;
            Ok(())
        })
        .await
    }
}

async fn change_value(
    tx: &mut MySqlConnection,
    option: OptionId,
    id: ValueId,
    wanted: &ValueChange,
) -> Result<()> {
    value_within(tx, option, id).await?;
    sqlx::query!(
        "UPDATE option_value SET name = COALESCE(?, name), note = COALESCE(?, note) WHERE id = ?",
        wanted.name,
        wanted.note,
        id.0
    )
    .execute(&mut *tx)
    .await?;
    if let Some(swatch) = &wanted.swatch {
        let swatch = swatch.as_ref().map(Json);
        sqlx::query!("UPDATE option_value SET swatch = ? WHERE id = ?", swatch as _, id.0)
            .execute(&mut *tx)
            .await?;
    }
    if let Some(closer) = &wanted.closer {
        sqlx::query!("UPDATE option_value SET closer = ? WHERE id = ?", closer.as_deref(), id.0)
            .execute(&mut *tx)
            .await?;
    }
    Ok(())
}

/// Adds a value behind the others; products that use the whole option offer it at once.
pub(crate) async fn insert_value(
    tx: &mut MySqlConnection,
    option: OptionId,
    handle: &Handle,
    name: &str,
) -> Result<ValueId> {
    let count = sqlx::query_scalar!("SELECT COUNT(*) FROM option_value WHERE option_id = ?", option.0)
        .fetch_one(&mut *tx)
        .await?;
    if count >= MOST_VALUES {
        return Err(StorageError::Full { what: "values of one option", most: MOST_VALUES });
    }
    let done = sqlx::query!(
        "INSERT INTO option_value (option_id, handle, name, position) SELECT ?, ?, ?, COALESCE(MAX(position) + 1, 0)
         FROM option_value WHERE option_id = ?",
        option.0,
        handle.as_str(),
        name,
        option.0
    )
    .execute(&mut *tx)
    .await?;
    let id = ValueId(done.last_insert_id());
    offer(tx, option, id).await?;
    Ok(id)
}

//! Product types, with what is known of their products before there are any.

use crate::change::Changed;
use crate::column::handle;
use crate::template::{Arrangement, arrangement, insert_template};
use crate::{Result, StorageError, Store};
use compagina_core::catalog::{ProductOption, ProductType, TypeFields};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::{Layout, op};
use compagina_core::template::Reach;
use sqlx::types::Json;

/// A product type with how many products it has.
#[derive(Debug, Clone)]
pub struct TypeRow {
    /// Its number.
    pub id: u64,
    /// Its type.
    pub kind: ProductType,
    /// How many products it has.
    pub products: u64,
    /// From this its sample is made.
    pub fields: TypeFields,
}

/// Which template serves a new type.
#[derive(Debug, Clone)]
pub enum ServedBy {
    /// One that there is: how all templates are arranged from now on.
    Arranged(Arrangement),
    /// A new one that nobody sees yet.
    New {
        /// The name of the template.
        name: String,
        /// What it serves.
        reach: Reach,
        /// How it is laid out.
        layout: Box<Layout>,
    },
}

impl Store {
    /// All product types in the shop's order.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn types(&self) -> Result<Vec<TypeRow>> {
        let rows = sqlx::query!(
            r#"SELECT t.id, t.handle, t.name, t.fields AS "fields: Json<TypeFields>",
               (SELECT COUNT(*) FROM product p WHERE p.type_id = t.id) AS "products!: i64"
               FROM product_type t ORDER BY t.position, t.id"#
        )
        .fetch_all(&self.pool)
        .await?;
        rows.into_iter()
            .map(|r| {
                let kind = ProductType { handle: handle(r.handle)?, name: r.name };
                let products = u64::try_from(r.products).unwrap_or(0);
                Ok(TypeRow { id: r.id, kind, products, fields: r.fields.0 })
            })
            .collect()
    }

    /// The types in which a shopper finds something, with their numbers, in the shop's order.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn types_on_show(&self) -> Result<Vec<(u64, ProductType)>> {
        let rows = sqlx::query!(
            "SELECT t.id, t.handle, t.name FROM product_type t
             WHERE EXISTS (SELECT 1 FROM product p WHERE p.type_id = t.id AND p.state IN ('on_sale', 'coming_soon'))
             ORDER BY t.position, t.id"
        )
        .fetch_all(&self.pool)
        .await?;
        rows.into_iter()
            .map(|r| Ok((r.id, ProductType { handle: handle(r.handle)?, name: r.name })))
            .collect()
    }

    /// Adds a type together with what serves it, as one step. Gives the template that was made for it.
    ///
    /// # Errors
    /// [`StorageError::Rearranged`](crate::StorageError::Rearranged) where somebody else changed since which template serves what.
    /// Else those of the database.
    pub async fn add_type(
        &self,
        kind: &ProductType,
        fields: &TypeFields,
        served: &ServedBy,
    ) -> Result<Option<TemplateId>> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
        sqlx::query!(
            "INSERT INTO product_type (handle, name, fields, position) SELECT ?, ?, ?, COUNT(*) FROM product_type",
            kind.handle.as_str(),
            kind.name,
            Json(fields) as _
        )
        .execute(&mut *tx)
        .await?;
        let made = match served {
            ServedBy::Arranged(anew) => {
                arrangement::write(tx, anew).await?;
                None
            }
            ServedBy::New { name, reach, layout } => {
                op::check(layout)?;
                Some(insert_template(tx, name, reach, layout).await?)
            }
        };
        unit.changed(Changed::Everything);
        unit.done(made).await
        })
        .await
    }

    /// Gives a type another name and other fields.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn set_type(&self, id: u64, name: &str, fields: &TypeFields) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            sqlx::query!(
                "UPDATE product_type SET name = ?, fields = ? WHERE id = ?",
                name,
                Json(fields) as _,
                id
            )
            .execute(&mut *tx)
            .await?;
            unit.changed(Changed::Everything);
            unit.done(()).await
        })
        .await
    }

    /// Removes a type that has no products; templates that reached it do so no more.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn remove_type(&self, id: u64, anew: &Arrangement) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
        let done = sqlx::query!(
            "DELETE FROM product_type WHERE id = ? AND NOT EXISTS (SELECT 1 FROM product p WHERE p.type_id = ?)",
            id,
            id
        )
        .execute(&mut *tx)
        .await?;
        if done.rows_affected() == 0 {
            return Err(StorageError::NotFound { what: "product type without products" });
        }
        arrangement::write(tx, anew).await?;
        unit.changed(Changed::Everything);
        unit.done(()).await
        })
        .await
    }

    /// Options of the shop as a product uses them whole, in the order asked for; those that there aren't are left out.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn whole_options(&self, handles: &[Handle]) -> Result<Vec<ProductOption>> {
        if handles.is_empty() {
            return Ok(vec![]);
        }
        let mut book = self.swatch_book().await?;
        let take = |handle: &Handle| {
            let place = book.iter().position(|option| option.handle == *handle)?;
            Some(ProductOption::from(book.swap_remove(place)))
        };
        Ok(handles.iter().filter_map(take).collect())
    }
}

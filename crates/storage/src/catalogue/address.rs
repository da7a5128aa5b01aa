//! Where the pages of products stand in the shop, and where they stood before.

use crate::column::handle;
use crate::journal::{Hand, Scope};
use crate::{Result, StorageError, Store};
use compagina_core::catalog::journal::{ProductRow, Row, RowId, Rows};
use compagina_core::ids::{Handle, ProductId};

/// What is found at an address.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct At {
    /// The product's handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
    /// Where its page stands: what was asked for, or where that leads on to.
    pub address: Handle,
}

impl Store {
    /// The product whose page stands at an address, or stood there last.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn at(&self, address: &Handle) -> Result<Option<At>> {
        let row = sqlx::query!(
            "SELECT handle, name, address, 0 AS was FROM product WHERE address = ?
             UNION ALL
             SELECT p.handle, p.name, p.address, 1 FROM product_address a JOIN product p ON p.id = a.product_id WHERE a.address = ?
             ORDER BY was LIMIT 1",
            address.as_str(),
            address.as_str()
        )
        .fetch_optional(&self.pool)
        .await?;
        row.map(|row| Ok(At { handle: handle(row.handle)?, name: row.name, address: handle(row.address)? }))
            .transpose()
    }

    /// Where a product's page stood before; these addresses lead on to it.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn old_addresses(&self, product: ProductId) -> Result<Vec<Handle>> {
        let all = sqlx::query_scalar!(
            "SELECT address FROM product_address WHERE product_id = ? ORDER BY position DESC",
            product.0
        )
        .fetch_all(&self.pool)
        .await?;
        all.into_iter().map(handle).collect()
    }
}

impl Hand<'_> {
    /// Gives a product's page another address. Where it stood leads on.
    ///
    /// # Errors
    /// [`StorageError::Refused`] where another product's page stands there, or is led on to from there.
    pub async fn move_page(&self, product: ProductId, to: &Handle) -> Result<()> {
        let (row, found) = (RowId::Product(product), self.store.at(to).await?);
        self.edit(&Scope::product(product), |rows| {
            let page = of(rows, row)?;
            let others = found.as_ref().filter(|at| at.handle != page.handle);
            if let Some(At { name, address, .. }) = others {
                let does = if address == to { "is the address of" } else { "leads on to" };
                return Err(StorageError::Refused(format!("“{to}” {does} {name}")));
            }
            page.move_to(to.clone());
            Ok(())
        })
        .await
    }

    /// Lets an old address of a product lead on no longer.
    ///
    /// # Errors
    /// [`StorageError::NotFound`] where there is no such product.
    pub async fn let_address_go(&self, product: ProductId, address: &Handle) -> Result<()> {
        self.edit(&Scope::product(product), |rows| {
            of(rows, RowId::Product(product))?.let_go(address);
            Ok(())
        })
        .await
    }
}

fn of(rows: &mut Rows, row: RowId) -> Result<&mut ProductRow> {
    match rows.get_mut(&row) {
        Some(Row::Product(page)) => Ok(page),
        _ => Err(StorageError::NotFound { what: "product" }),
    }
}

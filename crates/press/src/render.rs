//! A layout as an HTML document: a page as its product's page, a card in its listing.

use crate::page::{Page, make};
use crate::sheet::Sheet;
use crate::shop::looked_at;
use compagina_core::money::MoneyError;
use compagina_core::page::Purpose;

/// Makes the page as an HTML document.
///
/// # Errors
/// [`MoneyError`] where currencies differ or an amount is too large.
pub fn render(page: &Page<'_>) -> Result<String, MoneyError> {
    match page.layout.purpose {
        Purpose::Page => make(page, Sheet::default()),
        Purpose::Card => Ok(looked_at(page)),
    }
}

/// The page without the rules of its pieces. They follow from layout and house style alone, so that it tells whether
/// anything else differs.
///
/// # Errors
/// [`MoneyError`] where currencies differ or an amount is too large.
pub fn render_bare(page: &Page<'_>) -> Result<String, MoneyError> {
    make(page, Sheet::unwanted())
}

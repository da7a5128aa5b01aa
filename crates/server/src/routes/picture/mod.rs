//! The pictures of a product: seen, put in, ordered, described, taken out.

pub mod change;
pub mod film;
pub mod list;
pub mod upload;

use crate::error::{ApiError, ApiResult};
use crate::state::State;
use compagina_core::catalog::Product;
use compagina_core::ids::{Handle, ValueId};
use compagina_core::media::{FilmFile, Focus, PLAN, propose};
use compagina_storage::KeptPicture;
use serde::Serialize;
use utoipa::ToSchema;

/// A picture of a product as its owner works on it.
#[derive(Serialize, ToSchema)]
pub struct PictureView {
    id: u64,
    file_name: String,
    alt: String,
    values: Vec<ValueId>,
    focus: Focus,
    cut_out: bool,
    film: Option<FilmFile>,
    /// Width and height of its largest size; zero while none is made.
    width: u32,
    height: u32,
    /// The address of a small one, and of one to look at.
    small: Option<String>,
    large: Option<String>,
    /// Whether its sizes are still being made.
    waiting: bool,
    /// Why its sizes couldn't be made; mostly empty.
    trouble: String,
    /// Values that its file name speaks of and that it doesn't have yet.
    proposed: Vec<ValueId>,
}

/// All pictures of a product, and the values that they can belong to.
#[derive(Serialize, ToSchema)]
pub struct PicturesView {
    name: String,
    options: Vec<UsedOption>,
    pictures: Vec<PictureView>,
}

/// An option that the product uses.
#[derive(Serialize, ToSchema)]
pub struct UsedOption {
    name: String,
    values: Vec<UsedValue>,
}

#[derive(Serialize, ToSchema)]
pub struct UsedValue {
    id: ValueId,
    name: String,
}

/// The product that an address names.
pub async fn product_of(state: &State, handle: &str) -> ApiResult<Product> {
    let handle = Handle::try_from(handle.to_owned()).map_err(|_| ApiError::no_such("product"))?;
    state.store.product(&handle).await?.ok_or_else(|| ApiError::no_such("product"))
}

/// The pictures as they are now.
pub async fn pictures_view(state: &State, product: &Product) -> ApiResult<PicturesView> {
    let kept = state.store.pictures_of(product.id, PLAN).await?;
    let options = product.options.iter().map(|option| UsedOption {
        name: option.name.clone(),
        values: option.values.iter().map(|v| UsedValue { id: v.id, name: v.name.clone() }).collect(),
    });
    Ok(PicturesView {
        name: product.name.clone(),
        options: options.collect(),
        pictures: kept.into_iter().map(|picture| picture_view(product, picture)).collect(),
    })
}

fn picture_view(product: &Product, kept: KeptPicture) -> PictureView {
    let address = |width| {
        let size = kept.sizes.iter().find(|s| s.width >= width).or(kept.sizes.last());
        size.map(|size| format!("/media/{}", size.hash))
    };
    let proposed = propose(&kept.file_name, product).into_iter().map(|p| p.value);
    let proposed = proposed.filter(|value| kept.values.is_empty() && !kept.values.contains(value)).collect();
    let largest = kept.sizes.last();
    PictureView {
        id: kept.id,
        small: address(320),
        large: address(720),
        width: largest.map_or(0, |size| size.width),
        height: largest.map_or(0, |size| size.height),
        proposed,
        file_name: kept.file_name,
        alt: kept.alt,
        values: kept.values,
        focus: kept.focus,
        cut_out: kept.cut_out,
        film: kept.film,
        waiting: kept.waiting,
        trouble: kept.trouble,
    }
}

//! The pictures of a product, or the shop's own: seen, put in, ordered, described, taken out.

pub mod change;
pub mod film;
pub mod list;
pub mod upload;

use crate::error::{ApiError, ApiResult};
use crate::state::State;
use compagina_core::catalog::Product;
use compagina_core::catalog::journal::Subject;
use compagina_core::catalog::propose;
use compagina_core::ids::{Handle, ValueId};
use compagina_core::media::{FilmFile, Focus, PLAN};
use compagina_storage::{KeptPicture, PicturesOf};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

/// A picture as its owner works on it.
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

/// All pictures of a product, and the values that they can belong to; or the shop's own.
#[derive(Serialize, ToSchema)]
pub struct PicturesView {
    /// How it was seen: sent along with what is changed next, in the header `x-seen`.
    seen: String,
    /// The product's name; none for the shop's own.
    name: Option<String>,
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

/// Whose pictures: those of the product with this handle, or the shop's own.
#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct OfProduct {
    pub product: Option<String>,
}

/// Where pictures are kept: with a product, or with the shop.
pub enum Home {
    Product(Box<Product>),
    Shop,
}

impl Home {
    pub async fn find(state: &State, product: Option<&str>) -> ApiResult<Self> {
        let Some(handle) = product else { return Ok(Self::Shop) };
        let handle = Handle::try_from(handle.to_owned()).map_err(|_| ApiError::no_such("product"))?;
        let product = state.store.product(&handle).await?.ok_or_else(|| ApiError::no_such("product"))?;
        Ok(Self::Product(Box::new(product)))
    }
    pub fn of(&self) -> PicturesOf {
        self.product().map_or(PicturesOf::Shop, |product| PicturesOf::Product(product.id))
    }
    pub fn product(&self) -> Option<&Product> {
        match self {
            Self::Product(product) => Some(product),
            Self::Shop => None,
        }
    }
}

/// The pictures as they are now.
pub async fn pictures_view(state: &State, home: &Home) -> ApiResult<PicturesView> {
    let subject = home.product().map_or(Subject::ShopPictures, |product| Subject::Product(product.id));
    let seen = state.store.seen(subject).await?;
    let kept = state.store.pictures_of(home.of(), PLAN).await?;
    let options = home.product().into_iter().flat_map(|product| &product.options).map(|option| UsedOption {
        name: option.name.clone(),
        values: option.values.iter().map(|v| UsedValue { id: v.id, name: v.name.clone() }).collect(),
    });
    Ok(PicturesView {
        seen: seen.to_string(),
        name: home.product().map(|product| product.name.clone()),
        options: options.collect(),
        pictures: kept.into_iter().map(|picture| picture_view(home, picture)).collect(),
    })
}

fn picture_view(home: &Home, kept: KeptPicture) -> PictureView {
    let address = |width| {
        let size = kept.sizes.iter().find(|s| s.width >= width).or(kept.sizes.last());
        size.map(|size| size.address())
    };
    let proposed = home.product().map(|product| propose(&kept.file_name, product)).unwrap_or_default();
    let proposed = proposed.into_iter().map(|p| p.value);
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

//! The variants of a product: a grid of what is really bought, and files that bring many at once.

pub mod change;
pub mod import;
pub mod list;
pub mod make;
pub mod uses;

use crate::error::{ApiError, ApiResult};
use crate::routes::picture::Home;
use crate::state::State;
use compagina_core::catalog::{Product, Variant};
use compagina_core::choice::missing_choices;
use compagina_core::ids::{OptionId, ValueId, VariantId};
use compagina_core::media::PLAN;
use compagina_storage::{KeptPicture, PicturesOf};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

/// The product with this handle.
#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct OfOne {
    product: String,
}

/// A product's variants, and what they are chosen by.
#[derive(Serialize, ToSchema)]
pub struct VariantsView {
    /// How it was seen: sent along with what is changed next, in the header `x-seen`.
    seen: String,
    name: String,
    /// What a variant without a price of its own costs: a plain number.
    price: String,
    currency: &'static str,
    options: Vec<GridOption>,
    variants: Vec<VariantRow>,
    /// How many combinations of the product's values have no variant.
    missing: usize,
    /// The product's pictures, in order.
    pictures: Vec<GridPicture>,
}

#[derive(Serialize, ToSchema)]
pub struct GridPicture {
    id: u64,
    /// The address of a small one.
    small: String,
    name: String,
    values: Vec<ValueId>,
}

#[derive(Serialize, ToSchema)]
pub struct GridOption {
    id: OptionId,
    name: String,
    values: Vec<GridValue>,
}

#[derive(Serialize, ToSchema)]
pub struct GridValue {
    id: ValueId,
    name: String,
}

#[derive(Serialize, ToSchema)]
pub struct VariantRow {
    id: VariantId,
    sku: String,
    /// One for each option; none is any.
    values: Vec<Option<ValueId>>,
    /// A plain number; none where it costs what the product costs.
    price: Option<String>,
    old_price: Option<String>,
    /// None where it isn't counted.
    stock: Option<u32>,
    /// How much there is in it: `25 m`.
    measure: Option<String>,
    /// So many shoppers want to hear when it can be bought.
    waiting: u32,
    /// Its own picture; none where those of its values stand for it.
    picture: Option<u64>,
}

pub async fn product_of(state: &State, handle: &str) -> ApiResult<Product> {
    match Home::find(state, Some(handle)).await? {
        Home::Product(product) => Ok(*product),
        Home::Shop => Err(ApiError::no_such("product")),
    }
}

pub async fn variants_view(state: &State, handle: &str) -> ApiResult<VariantsView> {
    let seen = state.store.seen_product(handle).await?.ok_or_else(|| ApiError::no_such("product"))?;
    let product = product_of(state, handle).await?;
    let options = product.options.iter().map(|option| GridOption {
        id: option.id,
        name: option.name.clone(),
        values: option.values.iter().map(|v| GridValue { id: v.id, name: v.name.clone() }).collect(),
    });
    let kept = state.store.pictures_of(PicturesOf::Product(product.id), PLAN).await?;
    let waiting = state.store.interest_in(product.id).await?;
    let pictures: Vec<GridPicture> = kept.into_iter().filter_map(grid_picture).collect();
    Ok(VariantsView {
        seen: seen.to_string(),
        price: product.price.plain(),
        currency: product.price.currency.code(),
        options: options.collect(),
        variants: product
            .variants
            .iter()
            .map(|variant| VariantRow {
                waiting: waiting.get(&Some(variant.id)).copied().unwrap_or(0),
                ..row(&product, variant, &pictures)
            })
            .collect(),
        pictures,
        missing: missing_choices(&product),
        name: product.name,
    })
}

fn grid_picture(kept: KeptPicture) -> Option<GridPicture> {
    let size = kept.sizes.first()?;
    let name = if kept.alt.is_empty() { kept.file_name } else { kept.alt };
    Some(GridPicture { id: kept.id, small: format!("/media/{}", size.hash), name, values: kept.values })
}

fn row(product: &Product, variant: &Variant, pictures: &[GridPicture]) -> VariantRow {
    let value = |(place, wanted): (usize, &Option<u16>)| {
        let of = wanted.and_then(|v| product.options.get(place)?.values.get(usize::from(v)));
        of.map(|value| value.id)
    };
    VariantRow {
        id: variant.id,
        sku: variant.sku.clone(),
        values: variant.values.iter().enumerate().map(value).collect(),
        price: variant.price.map(|price| price.plain()),
        old_price: variant.old_price.map(|price| price.plain()),
        stock: variant.stock.left(),
        measure: variant.measure.map(String::from),
        waiting: 0,
        picture: variant.picture.and_then(|place| pictures.get(place)).map(|picture| picture.id),
    }
}

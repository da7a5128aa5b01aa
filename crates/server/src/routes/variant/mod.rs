//! The variants of a product: a grid of what is really bought, and files that bring many at once.

pub mod change;
pub mod fill;
pub mod import;
pub mod list;
pub mod make;
pub mod uses;

use crate::error::{ApiError, ApiResult};
use crate::parts::Whole;
use crate::routes::picture::Home;
use crate::state::State;
use compagina_core::catalog::{Product, Variant};
use compagina_core::ids::{OptionId, ValueId, VariantId};
use compagina_core::media::PLAN;
use compagina_storage::{KeptPicture, PicturesOf, Seen, VariantsSince};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

/// Variants that are told at once.
const AT_ONCE: usize = 600;

/// The product with this handle.
#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct OfOne {
    product: String,
}

/// Some of the variants of a product.
#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct PartOf {
    product: String,
    /// So many are passed over.
    #[serde(default)]
    skip: usize,
    /// Only those that are others than they were when the product was seen so.
    since: Option<String>,
}

/// Which variants are told.
pub enum Which {
    /// Those after so many.
    After(usize),
    /// Those that became otherwise since this was seen, as far as that is known; else the first ones.
    Since(Option<Seen>),
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
    /// Whether the variants told here begin or go on the list of all; else they are those that became otherwise.
    whole: bool,
    /// How many there are in all.
    count: usize,
    /// So many of them at the most.
    variants: Vec<VariantRow>,
    /// Where only some are told: those that are gone.
    gone: Vec<VariantId>,
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

pub async fn variants_view(state: &State, handle: &str, which: Which) -> ApiResult<VariantsView> {
    let seen = state.store.seen_product(handle).await?.ok_or_else(|| ApiError::no_such("product"))?;
    let skip = if let Which::After(skip) = which { skip } else { 0 };
    let whole = match state.parts.begun(seen).filter(|_| skip > 0) {
        Some(begun) => begun,
        None => Whole::of(product_of(state, handle).await?),
    };
    let product = &whole.product;
    if skip == 0 && product.variants.len() > AT_ONCE {
        state.parts.begin(seen, &whole);
    }
    let options = product.options.iter().map(|option| GridOption {
        id: option.id,
        name: option.name.clone(),
        values: option.values.iter().map(|v| GridValue { id: v.id, name: v.name.clone() }).collect(),
    });
    let since = match which {
        Which::Since(Some(seen)) => state.store.variants_since(product.id, seen).await?,
        Which::Since(None) | Which::After(_) => None,
    };
    let kept = state.store.pictures_of(PicturesOf::Product(product.id), PLAN).await?;
    let waiting = state.store.interest_in(product.id).await?;
    let pictures: Vec<GridPicture> = kept.into_iter().filter_map(grid_picture).collect();
    let row = |variant: &Variant| VariantRow {
        waiting: waiting.get(&Some(variant.id)).copied().unwrap_or(0),
        ..row(product, variant, &pictures)
    };
    let variants = match &since {
        Some(VariantsSince { set, .. }) => {
            product.variants.iter().filter(|variant| set.contains(&variant.id)).map(row).collect()
        }
        None => product.variants.iter().skip(skip).take(AT_ONCE).map(row).collect(),
    };
    Ok(VariantsView {
        seen: seen.to_string(),
        price: product.price.plain(),
        currency: product.price.currency.code(),
        options: options.collect(),
        whole: since.is_none(),
        count: product.variants.len(),
        variants,
        gone: since.map_or_else(Vec::new, |since| since.gone.into_iter().collect()),
        pictures,
        missing: whole.missing,
        name: product.name.clone(),
    })
}

fn grid_picture(kept: KeptPicture) -> Option<GridPicture> {
    let size = kept.sizes.first()?;
    let name = if kept.alt.is_empty() { kept.file_name } else { kept.alt };
    Some(GridPicture { id: kept.id, small: size.address(), name, values: kept.values })
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

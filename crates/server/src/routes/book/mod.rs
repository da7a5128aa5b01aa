//! The swatch book: options and values of the whole shop, and what each value shows.

pub mod change;
pub mod closer;
pub mod file;
pub mod join;
pub mod list;
pub mod own;
pub mod palette;
pub mod remove;
pub mod take;

use crate::error::{ApiError, ApiResult};
use crate::state::State;
use compagina_core::catalog::Way;
use compagina_core::house::{House, token};
use compagina_core::ids::{Handle, OptionId, ProductId, ValueId};
use compagina_core::media::address;
use compagina_core::swatch::{
    Alike, Colour, FileMatch, Matches, Palette, Swatch, SwatchSource, alike, is_pale, match_files,
};
use compagina_storage::{BookOption, BookValue, Document, DocumentName, KeptFile, OwnSwatch};
use serde::Serialize;
use std::collections::BTreeSet;
use utoipa::ToSchema;

/// An option of the shop, as the book's list shows it.
#[derive(Serialize, ToSchema)]
pub struct OptionLine {
    id: OptionId,
    handle: Handle,
    name: String,
    page: Way,
    card: Way,
    products: u64,
    /// The only product that may use it; mostly none.
    of_product: Option<ProductId>,
    /// What its first values show.
    fan: Vec<Swatch>,
    values: usize,
    /// How many things want to be settled: files that are nearly right, doubled or left over, swatches too alike, values
    /// that show only their text among swatches.
    open: usize,
}

/// An option opened in the book.
#[derive(Serialize, ToSchema)]
pub struct OptionInBook {
    /// How it was seen: sent along with what is changed next, in the header `x-seen`.
    seen: String,
    id: OptionId,
    handle: Handle,
    name: String,
    about: String,
    page: Way,
    card: Way,
    quick: Way,
    from_variants: bool,
    /// The only product that may use it; mostly none.
    of_product: Option<ProductId>,
    products: u64,
    /// The colour of the shop's pages, on which swatches are seen.
    ground: String,
    values: Vec<ValueInBook>,
    files: Vec<SwatchFileView>,
    alike: Vec<Alike>,
    own: Vec<OwnSwatchView>,
}

#[derive(Serialize, ToSchema)]
pub struct ValueInBook {
    id: ValueId,
    handle: Handle,
    name: String,
    /// Shown on hover and spoken in place of the name; mostly empty.
    note: String,
    /// The address of a larger picture, shown when it is pointed at.
    closer: Option<String>,
    swatch: Swatch,
    from: SwatchSource,
    /// Whether it needs a ring to be seen on the ground.
    pale: bool,
    products: u64,
    /// A colour that its name makes one think of; none where it has a swatch.
    proposed: Option<Colour>,
}

#[derive(Serialize, ToSchema)]
pub struct SwatchFileView {
    id: u64,
    name: String,
    /// The hash of the square cut from it.
    hash: String,
    #[serde(flatten)]
    says: FileMatch,
}

/// A product that shows a value in its own way.
#[derive(Serialize, ToSchema)]
pub struct OwnSwatchView {
    product: Handle,
    name: String,
    value: ValueId,
    swatch: Swatch,
    why: String,
}

/// The option that an address names, and all others.
pub async fn option_of(state: &State, handle: &str) -> ApiResult<BookOption> {
    let all = state.store.swatch_book().await?;
    all.into_iter().find(|o| o.handle.as_str() == handle).ok_or_else(|| ApiError::no_such("option"))
}

async fn ground(state: &State) -> ApiResult<String> {
    let document: Document<House> = state.store.document(DocumentName::House).await?;
    Ok(document.published.text(&token::PAPER))
}

fn matches_of(option: &BookOption, files: &[KeptFile]) -> Matches {
    let values: Vec<(ValueId, &str)> = option.values.iter().map(|v| (v.id, v.name.as_str())).collect();
    let files: Vec<_> = files.iter().map(|f| f.file.clone()).collect();
    match_files(&values, &files)
}

fn too_alike(option: &BookOption) -> Vec<Alike> {
    if ![option.page, option.card].contains(&Way::Swatches) {
        return Vec::new();
    }
    let shown: Vec<(ValueId, Swatch)> = option.values.iter().map(|v| (v.id, v.shown().swatch)).collect();
    alike(&shown.iter().map(|(id, swatch)| (*id, swatch)).collect::<Vec<_>>())
}

/// An option as it is now.
pub async fn option_view(state: &State, handle: &str) -> ApiResult<OptionInBook> {
    let seen = state.store.seen_option(handle).await?.ok_or_else(|| ApiError::no_such("option"))?;
    let option = option_of(state, handle).await?;
    let (files, own) =
        (state.store.swatch_files(option.id).await?, state.store.own_swatches(option.id).await?);
    let (ground, palette) = (ground(state).await?, state.store.palette().await?);
    let matches = matches_of(&option, &files);
    let files = files.iter().zip(matches.files).map(|(kept, (_, says))| SwatchFileView {
        id: kept.file.id,
        name: kept.file.name.clone(),
        hash: kept.hash.clone(),
        says,
    });
    Ok(OptionInBook {
        seen: seen.to_string(),
        id: option.id,
        alike: too_alike(&option),
        values: option.values.iter().map(|value| value_view(value, &ground, &palette)).collect(),
        files: files.collect(),
        own: own.into_iter().map(own_view).collect(),
        handle: option.handle,
        name: option.name,
        about: option.about,
        page: option.page,
        card: option.card,
        quick: option.quick,
        from_variants: option.from_variants,
        of_product: option.of_product,
        products: option.products,
        ground,
    })
}

fn value_view(value: &BookValue, ground: &str, palette: &Palette) -> ValueInBook {
    let shown = value.shown();
    let pale = matches!(&shown.swatch, Swatch::Colours { colours } if is_pale(colours, ground));
    let proposed = (shown.from == SwatchSource::Text).then(|| palette.propose(&value.name)).flatten();
    ValueInBook {
        id: value.id,
        handle: value.handle.clone(),
        name: value.name.clone(),
        note: value.note.clone(),
        closer: value.closer.as_deref().map(address),
        swatch: shown.swatch,
        from: shown.from,
        pale,
        products: value.products,
        proposed,
    }
}

fn own_view(own: OwnSwatch) -> OwnSwatchView {
    OwnSwatchView { product: own.product, name: own.name, value: own.value, swatch: own.swatch, why: own.why }
}

/// How many things want to be settled by hand.
fn open_things(option: &BookOption, files: &[KeptFile]) -> usize {
    let settled = |says: &FileMatch| {
        matches!(says, FileMatch::Exact { .. } | FileMatch::Settled { .. } | FileMatch::Unused)
    };
    let files = matches_of(option, files).files.iter().filter(|(_, says)| !settled(says)).count();
    let bare = if option.page == Way::Swatches {
        option.values.iter().filter(|v| v.shown().from == SwatchSource::Text && !option.from_variants).count()
    } else {
        0
    };
    let pairs: BTreeSet<_> = too_alike(option).iter().map(|pair| (pair.first, pair.second)).collect();
    files + bare + pairs.len()
}

fn option_line(option: BookOption, files: &[KeptFile]) -> OptionLine {
    OptionLine {
        id: option.id,
        open: open_things(&option, files),
        fan: option.values.iter().take(7).map(|v| v.shown().swatch).collect(),
        values: option.values.len(),
        handle: option.handle,
        name: option.name,
        page: option.page,
        card: option.card,
        products: option.products,
        of_product: option.of_product,
    }
}

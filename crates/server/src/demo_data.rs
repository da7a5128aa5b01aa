//! Puts the demo shop into an empty database.

use crate::making::drawing::{Drawn, DrawnSwatch, draw, draw_swatch, name_of};
use crate::media::Media;
use crate::password;
use compagina_core::catalog::NewPicture;
use compagina_core::catalog::journal::{SiblingRow, SiblingsRow};
use compagina_core::ids::Handle;
use compagina_core::media::{FilmFile, Focus};
use compagina_core::time::Moment;
use compagina_demo::{Drawing, OWNERS, demo_shop, media as free, prices, siblings, swatch_files};
use compagina_storage::{By, Change, DocumentName, StorageError, Store};
use futures_util::{StreamExt, TryStreamExt, stream};
use std::collections::BTreeMap;
use std::error::Error;

type Failure = Box<dyn Error + Send + Sync>;

/// Drawings under way at once.
const AT_ONCE: usize = 4;

pub async fn fill_if_empty(store: &Store, media: &Media, more: u32) -> Result<(), Failure> {
    if store.shop().await?.is_some() {
        return Ok(());
    }
    let demo = demo_shop(more)?;
    keep_film(media).await?;
    let drawn = draw_all(media, demo.products.iter().flat_map(|p| &p.drawings)).await?;
    store.by(By::default()).add_options(&demo.options).await?;
    fill_swatches(store, media).await?;
    let count = demo.products.len();
    let mut ids = BTreeMap::new();
    for (number, made) in (1..).zip(demo.products) {
        let mut product = made.product;
        product.pictures = made
            .drawings
            .into_iter()
            .map(|drawing| new_picture(&drawn[&name_of(&drawing.svg)], drawing))
            .collect();
        ids.insert(product.handle.clone(), store.by(By::default()).add_product(&product).await?);
        if number % 500 == 0 {
            tracing::info!("{number} of {count} products");
        }
    }
    for set in siblings() {
        let member = |(handle, label): (Handle, &str)| {
            Some(SiblingRow { product: *ids.get(&handle)?, label: label.to_owned(), swatch: None })
        };
        let members = set.members.into_iter().filter_map(member).collect();
        let row = SiblingsRow { name: set.name.to_owned(), one_card: false, members };
        store.by(By::default()).make_siblings(row).await?;
    }
    for (name, band) in &demo.kept {
        store.add_kept_band(name, band).await?;
    }
    let mut owners = Vec::new();
    for (name, email, word) in OWNERS {
        let hash = password::hash(word).map_err(|why| StorageError::Damaged { what: "password", why })?;
        owners.push(store.add_owner(email, name, &hash).await?);
    }
    for template in demo.templates {
        let id = store.add_template(template.name, &template.reach, &template.layout, true).await?;
        for (revision, op) in (1..).zip(template.later) {
            let owner = owners.first().copied().unwrap_or_default();
            store.change_draft(id, owner, revision, Change::Edit(op)).await?;
        }
    }
    for past in demo.past_prices {
        let at = Moment(chrono::Utc::now().timestamp() - i64::from(past.days_ago) * 86_400);
        if let Some(id) = ids.get(&past.product) {
            store.record_past_price(*id, at, past.was_minor).await?;
        }
    }
    store.begin_document(DocumentName::Prices, &prices()).await?;
    fill_media(store, media).await?;
    // Last, so that a database filled only in part is not taken for a full one.
    store.set_shop(&demo.shop).await?;
    Ok(())
}

fn new_picture(drawn: &Drawn, drawing: Drawing) -> NewPicture {
    NewPicture {
        original: drawn.original.clone(),
        sizes: drawn.sizes.clone(),
        cut_out: drawn.cut_out,
        film: drawing.is_film.then(film_file),
        file_name: drawing.file_name,
        alt: drawing.alt,
        focus: drawing.focus,
        values: drawing.values,
    }
}

fn film_file() -> FilmFile {
    let (width, height) = free::FILM_SIZE;
    FilmFile { hash: compagina_pictures::hash(free::FILM), width, height }
}

async fn keep_film(media: &Media) -> Result<(), Failure> {
    Ok(media.put(&film_file().hash, free::FILM.to_vec()).await?)
}

/// Picture files for the colours, as they lie in the swatch book.
async fn fill_swatches(store: &Store, media: &Media) -> Result<(), Failure> {
    let book = store.swatch_book().await?;
    let Some(colour) = book.iter().find(|option| option.handle.as_str() == "colour") else { return Ok(()) };
    for (name, svg) in swatch_files() {
        let DrawnSwatch { hash, colour: of } = draw_swatch(media, &svg).await?;
        store.by(By::default()).put_swatch_file(colour.id, name, &hash, of).await?;
    }
    Ok(())
}

/// The shop's free pictures, and the film with its poster.
async fn fill_media(store: &Store, media: &Media) -> Result<(), Failure> {
    let films = std::iter::once((free::poster(), Some(film_file())));
    for (free, film) in free::pictures().into_iter().map(|free| (free, None)).chain(films) {
        let drawn = draw(media, &free.svg).await?;
        let picture = NewPicture {
            original: drawn.original,
            sizes: drawn.sizes,
            cut_out: drawn.cut_out,
            film,
            file_name: format!("{}.svg", free.name),
            alt: free.alt.to_owned(),
            focus: Focus::default(),
            values: Vec::new(),
        };
        store.add_media(free.name, &picture).await?;
    }
    Ok(())
}

async fn draw_all<'a>(
    media: &Media,
    drawings: impl Iterator<Item = &'a Drawing>,
) -> Result<BTreeMap<String, Drawn>, Failure> {
    let wanted: BTreeMap<String, &Drawing> = drawings.map(|d| (name_of(&d.svg), d)).collect();
    tracing::info!("drawing {} pictures", wanted.len());
    stream::iter(wanted)
        .map(|(name, drawing)| async move { Ok((name, draw(media, &drawing.svg).await?)) })
        .buffer_unordered(AT_ONCE)
        .try_collect()
        .await
}

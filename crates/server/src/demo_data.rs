//! Puts the demo shop into an empty database. Pictures that were drawn once are found again by their drawing.

use crate::media::Media;
use crate::password;
use compagina_core::catalog::NewPicture;
use compagina_core::media::{Film, Picture, PictureSize, WIDTHS};
use compagina_demo::{Drawing, OWNERS, demo_shop, media as free};
use compagina_storage::{StorageError, Store};
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
    let drawn = draw_all(media, demo.products.iter().flat_map(|p| &p.drawings)).await?;
    store.add_options(&demo.options).await?;
    let count = demo.products.len();
    for (number, made) in (1..).zip(demo.products) {
        let mut product = made.product;
        product.pictures = made
            .drawings
            .into_iter()
            .map(|d| NewPicture { sizes: drawn[&name_of(&d)].clone(), alt: d.alt, values: d.values })
            .collect();
        store.add_product(&product).await?;
        if number % 500 == 0 {
            tracing::info!("{number} of {count} products");
        }
    }
    for template in demo.templates {
        store.add_template(template.name, &template.reach, &template.layout, true).await?;
    }
    for (name, email, word) in OWNERS {
        let hash = password::hash(word).map_err(|why| StorageError::Damaged { what: "password", why })?;
        store.add_owner(email, name, &hash).await?;
    }
    fill_media(store, media).await?;
    // Last, so that a database filled only in part is not taken for a full one.
    store.set_shop(&demo.shop).await?;
    Ok(())
}

/// The shop's free pictures, and the film with its poster.
async fn fill_media(store: &Store, media: &Media) -> Result<(), Failure> {
    let picture = |alt: &str, sizes| Picture { sizes, alt: alt.to_owned(), values: vec![] };
    for free in free::pictures() {
        let sizes = draw(media, drawing_name(&free.svg), &free.svg).await?;
        store.put_media(free.name, &picture(free.alt, sizes), None).await?;
    }
    let poster = free::poster();
    let sizes = draw(media, drawing_name(&poster.svg), &poster.svg).await?;
    let (width, height) = free::FILM_SIZE;
    let hash = compagina_pictures::hash(free::FILM);
    media.put(&hash, free::FILM.to_vec()).await?;
    let film = Film { hash, width, height, poster: picture(poster.alt, sizes) };
    store.put_media(poster.name, &film.poster, Some(&film)).await?;
    Ok(())
}

fn name_of(drawing: &Drawing) -> String {
    drawing_name(&drawing.svg)
}

fn drawing_name(svg: &str) -> String {
    compagina_pictures::hash(format!("{WIDTHS:?}{svg}").as_bytes())
}

async fn draw_all<'a>(
    media: &Media,
    drawings: impl Iterator<Item = &'a Drawing>,
) -> Result<BTreeMap<String, Vec<PictureSize>>, Failure> {
    let wanted: BTreeMap<String, &Drawing> = drawings.map(|d| (name_of(d), d)).collect();
    tracing::info!("drawing {} pictures", wanted.len());
    stream::iter(wanted)
        .map(|(name, drawing)| async move { Ok((name.clone(), draw(media, name, &drawing.svg).await?)) })
        .buffer_unordered(AT_ONCE)
        .try_collect()
        .await
}

async fn draw(media: &Media, name: String, svg: &str) -> Result<Vec<PictureSize>, Failure> {
    if let Some(note) = media.note(&name).await
        && let Ok(sizes) = serde_json::from_slice(&note)
    {
        return Ok(sizes);
    }
    let svg = svg.to_owned();
    let made = tokio::task::spawn_blocking(move || compagina_pictures::draw(&svg, &WIDTHS)).await??;
    let mut sizes = Vec::new();
    for size in made {
        sizes.push(PictureSize { hash: size.hash.clone(), width: size.width, height: size.height });
        media.put(&size.hash, size.bytes).await?;
    }
    media.put_note(&name, serde_json::to_string(&sizes)?).await?;
    Ok(sizes)
}

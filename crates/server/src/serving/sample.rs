//! Samples: products that stand in for those of a type that has none yet. They are made from the type's fields whenever
//! they are looked at, so that the first real product takes their place by being there. Shoppers never see one.

use crate::error::{ApiError, ApiResult};
use crate::making::drawing::draw;
use crate::serving::Serving;
use crate::serving::edition::everywhere;
use crate::serving::edition::live;
use crate::serving::edition::live::Live;
use compagina_core::catalog::{MOST_SAMPLE_PICTURES, Product};
use compagina_core::ids::TemplateId;
use compagina_core::media::{Focus, Picture};
use compagina_core::sample::SampleOf;
use compagina_core::template::{Candidate, Index};
use compagina_press::Around;
use compagina_storage::{TemplateRow, TypeRow};
use std::sync::Arc;

/// Others that a sample has around it: it stands for them too.
const AROUND: usize = 4;
/// The grounds of its pictures, so that one tells them apart among thumbnails.
const GROUNDS: [&str; MOST_SAMPLE_PICTURES as usize] =
    ["#E9E3D6", "#DDE5E2", "#E8DDD3", "#DEE0E8", "#E4E6D8", "#E8DEE4"];
/// As cameras hold them: square, upright, wide.
const SHAPES: [(u32, u32); 3] = [(1600, 1600), (1280, 1600), (1600, 1200)];

/// What a type's sample is made of.
pub async fn sample_of<'a>(serving: &Serving, row: &'a TypeRow) -> ApiResult<SampleOf<'a>> {
    let currency = everywhere(serving).await?.shop.currency;
    let options = serving.store.whole_options(&row.fields.options).await?;
    let pictures = pictures(serving, row.fields.pictures).await?;
    Ok(SampleOf { kind: &row.kind, fields: &row.fields, options, pictures, currency })
}

/// The sample with this address; none where its type has products.
pub async fn find(serving: &Serving, handle: &str) -> ApiResult<Option<Product>> {
    let types = serving.store.types().await?;
    let is_it = |row: &&TypeRow| row.kind.sample_handle().is_some_and(|own| own.as_str() == handle);
    match types.iter().filter(|row| row.products == 0).find(is_it) {
        Some(row) => Ok(sample_of(serving, row).await?.product()),
        None => Ok(None),
    }
}

/// What stands around a sample.
pub fn around(sample: &Product) -> Around {
    let one = Arc::new(sample.clone());
    Around { related: vec![one; AROUND], ..Around::default() }
}

/// A sample with the template that serves its type, live or not.
pub struct Served {
    pub sample: Product,
    pub template: TemplateId,
}

/// The samples of all types without products, in the order of types; each of `templates` counts as if it were live.
pub async fn served(serving: &Serving, templates: &[TemplateRow]) -> ApiResult<Vec<Served>> {
    let types = serving.store.types().await?;
    let live = live(serving).await?;
    let index = index(&live, templates);
    let mut all = Vec::new();
    for row in types.iter().filter(|row| row.products == 0) {
        let Some(sample) = sample_of(serving, row).await?.product() else { continue };
        if let Some(template) = index.winner(&live.facts(&sample)) {
            all.push(Served { sample, template });
        }
    }
    Ok(all)
}

fn index<'a>(live: &Live, templates: &'a [TemplateRow]) -> Index<'a> {
    let all = templates.iter().map(|t| Candidate { id: t.id, reach: &t.reach });
    Index::new(all, crate::clock::now(), &live.zone)
}

async fn pictures(serving: &Serving, count: u8) -> ApiResult<Vec<Picture>> {
    let mut pictures = Vec::new();
    for number in 1..=count.min(MOST_SAMPLE_PICTURES) {
        let drawn = draw(&serving.media, &plate(number)).await.map_err(ApiError::unforeseen)?;
        let alt = format!("Picture {number} stands here");
        pictures.push(Picture { sizes: drawn.sizes, alt, focus: Focus::default(), ..Picture::default() });
    }
    Ok(pictures)
}

/// The drawing in the place of a picture: a plate with as many dots as its number.
fn plate(number: u8) -> String {
    let place = usize::from(number.saturating_sub(1));
    let (width, height) = SHAPES[place % SHAPES.len()];
    let (x, y) = (width / 2, height / 2);
    let ground = GROUNDS[place % GROUNDS.len()];
    let corner = |left: bool, top: bool| {
        let (from_x, to_x) = if left { (80, 200) } else { (width - 80, width - 200) };
        let (from_y, to_y) = if top { (80, 200) } else { (height - 80, height - 200) };
        format!("M{to_x} {from_y}H{from_x}V{to_y}")
    };
    let corners = [(true, true), (false, true), (true, false), (false, false)];
    let corners: String = corners.map(|(left, top)| corner(left, top)).concat();
    let dots = (0..u32::from(number)).map(|dot| {
        let at = x + 90 * dot - 45 * (u32::from(number) - 1);
        format!("<circle cx=\"{at}\" cy=\"{y}\" r=\"22\"/>")
    });
    let dots: String = dots.collect();
    format!(
        "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 {width} {height}\" width=\"{width}\" height=\"{height}\">\
         <rect width=\"{width}\" height=\"{height}\" fill=\"{ground}\"/>\
         <g fill=\"none\" stroke=\"#9C978A\" stroke-width=\"10\"><path d=\"{corners}\"/><circle cx=\"{x}\" cy=\"{y}\" r=\"340\"/></g>\
         <g fill=\"#8A8578\">{dots}</g></svg>"
    )
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_plate_can_be_made_and_is_another() {
        let plates: Vec<String> = (1..=MOST_SAMPLE_PICTURES).map(plate).collect();
        for (place, svg) in plates.iter().enumerate() {
            let made = compagina_pictures::draw(svg, &[160]).unwrap();
            assert_eq!(made.sizes[0].width, 160);
            assert_eq!(svg.matches("<circle").count(), place + 2, "a ring and the dots");
            assert!(!plates[..place].contains(svg));
        }
    }
}

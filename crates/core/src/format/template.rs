//! A template as a file: to be kept, read by people and other programs, and brought into another shop. The format is told
//! in `docs/template-files.md`.
//!
//! A file is checked whole before anything is made of it; a mistake is told with its place. What it names that a shop
//! doesn't have, a type, a product, a tag or a picture, is no mistake: it is kept as it is and told.

use crate::catalog::Tag;
use crate::ids::Handle;
use crate::page::op::{self, MOST_PIECES};
use crate::page::{Device, FORMAT, Kind, Layout, OpError, SetValue, Shape, Values, Whom, piece};
use crate::template::{Reach, ReachRule};
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;

/// By what a file says what it is.
pub const NAME: &str = "compagina-template";
pub const VERSION: u32 = 1;
/// Larger files are refused unread.
pub const MOST_BYTES: usize = 5_000_000;

/// A template as it stands in a file.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TemplateFile {
    /// Always `compagina-template`.
    pub format: String,
    /// Of the file's format; this is 1.
    pub version: u32,
    /// The name of the template.
    pub name: String,
    /// Which products it serves.
    pub reach: Reach,
    /// The layout.
    pub layout: Layout,
}

/// Why a file can't be read. Nothing is made of it.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum FileError {
    /// The file is larger than is taken.
    #[error("this file has {given} MB; {} MB is the most", MOST_BYTES / 1_000_000)]
    TooLarge {
        /// So many bytes.
        given: usize,
    },
    /// This is no template file: it doesn't begin with \"format\": \"{NAME}\".
    #[error("this is no template file: it doesn't begin with \"format\": \"{NAME}\"")]
    OtherFormat,
    /// This file has version {given} of the format; this program reads version {VERSION}.
    #[error("this file has version {given} of the format; this program reads version {VERSION}")]
    OtherVersion {
        /// The version that it names.
        given: u64,
    },
    /// Line {line}, column {column}: this is no JSON ({why}).
    #[error("line {line}, column {column}: this is no JSON ({why})")]
    NoJson {
        /// The line where it can’t be read, from 1.
        line: usize,
        /// The column, from 1.
        column: usize,
        /// Why it can’t be read.
        why: String,
    },
    /// At {place}: {why}.
    #[error("at {place}: {why}")]
    At {
        /// Where something is wrong.
        place: String,
        /// What is wrong.
        why: String,
    },
}

/// What a file names that the shop doesn't have.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Unmatched {
    /// Types that aren’t here.
    pub types: BTreeSet<Handle>,
    /// Products that aren’t here.
    pub products: BTreeSet<Handle>,
    /// Tags that no product here has.
    pub tags: BTreeSet<Tag>,
    /// Pictures and films, by their names.
    pub media: BTreeSet<String>,
}

/// Writes a template as a file.
#[must_use]
pub fn write_template(name: &str, reach: &Reach, layout: &Layout) -> String {
    let file = TemplateFile {
        format: NAME.to_owned(),
        version: VERSION,
        name: name.to_owned(),
        reach: reach.clone(),
        layout: without_links(layout),
    };
    let mut text = serde_json::to_string_pretty(&file).unwrap_or_default();
    text.push('\n');
    text
}

/// What a band is linked to means nothing in another shop.
fn without_links(layout: &Layout) -> Layout {
    let mut layout = layout.clone();
    layout.bands.iter_mut().for_each(|band| band.kept = None);
    layout
}

#[derive(Deserialize)]
struct Head {
    format: Option<serde_json::Value>,
    version: Option<serde_json::Value>,
}

/// Reads a file and checks all of it.
///
/// # Errors
/// [`FileError`], which says what can’t be and why.
pub fn read_template(bytes: &[u8]) -> Result<TemplateFile, FileError> {
    if bytes.len() > MOST_BYTES {
        return Err(FileError::TooLarge { given: bytes.len() / 1_000_000 });
    }
    let head: Head = serde_json::from_slice(bytes).map_err(|e| no_json(&e))?;
    if head.format.as_ref().and_then(serde_json::Value::as_str) != Some(NAME) {
        return Err(FileError::OtherFormat);
    }
    match head.version.as_ref().and_then(serde_json::Value::as_u64) {
        Some(version) if version == u64::from(VERSION) => {}
        Some(given) => return Err(FileError::OtherVersion { given }),
        None => return Err(FileError::At { place: "version".into(), why: "a number is wanted".into() }),
    }
    let mut reader = serde_json::Deserializer::from_slice(bytes);
    let file: TemplateFile = serde_path_to_error::deserialize(&mut reader).map_err(|e| {
        let place = e.path().to_string();
        FileError::At { place: if place == "." { "the top".into() } else { place }, why: plain(e.inner()) }
    })?;
    check_layout(&file.layout)?;
    if let ReachRule::Has { features } = &file.reach.rule
        && features.is_empty()
    {
        return Err(FileError::At { place: "reach.features".into(), why: "one is wanted at least".into() });
    }
    Ok(file)
}

fn no_json(e: &serde_json::Error) -> FileError {
    FileError::NoJson { line: e.line(), column: e.column(), why: plain(e) }
}

/// The reader's own words without its place, which is told apart; never longer than a sentence.
fn plain(e: &serde_json::Error) -> String {
    let text = e.to_string();
    let text = text.split(" at line ").next().unwrap_or_default();
    text.chars().filter(|c| !c.is_control()).take(160).collect()
}

/// Checks a layout piece by piece, so that a mistake is told with its place.
fn check_layout(layout: &Layout) -> Result<(), FileError> {
    let at = |place: String, why: &dyn std::fmt::Display| FileError::At { place, why: why.to_string() };
    if layout.format != FORMAT {
        let why = OpError::BadFormat { given: layout.format };
        return Err(at("layout.format".into(), &why));
    }
    if layout.pieces().count() > MOST_PIECES {
        return Err(at("layout.bands".into(), &OpError::TooManyPieces));
    }
    for (b, band) in layout.bands.iter().enumerate() {
        let place = format!("layout.bands[{b}]");
        if band.kept.is_some() {
            return Err(at(format!("{place}.kept"), &"a file holds no links; leave it out"));
        }
        check_values(&place, "Band", piece::band::SETTINGS, &band.values)?;
        for (c, column) in band.columns.iter().enumerate() {
            for (p, piece) in column.pieces.iter().enumerate() {
                let place = format!("{place}.columns[{c}].pieces[{p}]");
                check_values(&place, piece.kind.label(), piece.kind.settings(), &piece.values)?;
            }
        }
    }
    // What concerns the page as a whole: names used twice, columns that don't make twelve, departures.
    op::check(layout).map_err(|why| at("layout".into(), &why))
}

fn check_values(
    place: &str,
    label: &'static str,
    settings: &'static [&'static crate::page::Setting],
    values: &Values,
) -> Result<(), FileError> {
    for (device, name) in [(Device::Wide, "wide"), (Device::Tablet, "tablet"), (Device::Phone, "phone")] {
        for (key, value) in values.of(device) {
            op::check_value(label, settings, key, device, value).map_err(|why| FileError::At {
                place: format!("{place}.values.{name}"),
                why: why.to_string(),
            })?;
        }
    }
    Ok(())
}

impl TemplateFile {
    /// What it names that isn't among what a shop has.
    #[must_use]
    pub fn unmatched(&self, has: &Unmatched) -> Unmatched {
        let missing =
            |wanted: BTreeSet<Handle>, has: &BTreeSet<Handle>| wanted.difference(has).cloned().collect();
        let (mut types, mut products) = (BTreeSet::new(), BTreeSet::new());
        for one in &self.layout.departures {
            match &one.whom {
                Whom::Type(handle) => types.insert(handle.clone()),
                Whom::Product(handle) => products.insert(handle.clone()),
            };
        }
        products.extend(self.reach.also.iter().chain(&self.reach.except).cloned());
        let mut tags = BTreeSet::new();
        match &self.reach.rule {
            ReachRule::Types { types: named } => types.extend(named.iter().cloned()),
            ReachRule::Tags { tags: named } => tags.extend(named.iter().cloned()),
            _ => {}
        }
        Unmatched {
            types: missing(types, &has.types),
            products: missing(products, &has.products),
            tags: tags.difference(&has.tags).cloned().collect(),
            media: media_of(&self.layout).difference(&has.media).cloned().collect(),
        }
    }
}

/// The shop's pictures and films that a layout shows, by their names.
fn media_of(layout: &Layout) -> BTreeSet<String> {
    let pieces = layout.pieces().map(|p| (p.kind.settings(), &p.values));
    let bands = layout.bands.iter().map(|b| (piece::band::SETTINGS, &b.values));
    let kept = layout
        .departures
        .iter()
        .map(|one| (one.kind.map_or(piece::band::SETTINGS, Kind::settings), &one.values));
    let mut names = BTreeSet::new();
    for (settings, values) in pieces.chain(bands).chain(kept) {
        for setting in settings.iter().filter(|s| matches!(s.shape, Shape::Pictures { .. } | Shape::Film)) {
            match values.wide.get(setting.key) {
                Some(SetValue::Lines(lines)) => names.extend(lines.iter().cloned()),
                Some(SetValue::Text(name)) if !name.is_empty() => {
                    names.insert(name.clone());
                }
                _ => {}
            }
        }
    }
    names
}

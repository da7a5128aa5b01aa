//! Whose history a step belongs to, and who has to hear of it.

use super::event::{Change, Event};
use super::row::{Row, RowId, Rows};
use crate::ids::{OptionId, ProductId, SiblingsId};
use std::collections::BTreeSet;
use std::fmt;

/// What an owner works on in one view of a product.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Area {
    /// Its texts, facts and tags.
    Texts,
    /// How it is sold, and its variants.
    Variants,
    /// Its pictures.
    Pictures,
}

/// What has a history.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Subject {
    /// All of a product.
    Product(ProductId),
    /// What is worked on in one view of it.
    Within(ProductId, Area),
    /// Which products there are, and where they stand.
    Shelf,
    /// Options, values and what they show.
    Book,
    /// One option of them.
    Option(OptionId),
    /// Pictures and films that belong to no product.
    ShopPictures,
    /// A set of siblings.
    Siblings(SiblingsId),
}

impl fmt::Display for Subject {
    /// As it is kept: `product/12/pictures`.
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Product(id) => write!(f, "product/{id}"),
            Self::Within(id, area) => {
                let (_, area) = AREAS.into_iter().find(|(known, _)| known == area).unwrap_or(AREAS[0]);
                write!(f, "product/{id}/{area}")
            }
            Self::Shelf => f.write_str("shelf"),
            Self::Book => f.write_str("book"),
            Self::Option(id) => write!(f, "option/{id}"),
            Self::ShopPictures => f.write_str("pictures"),
            Self::Siblings(id) => write!(f, "siblings/{id}"),
        }
    }
}

const AREAS: [(Area, &str); 3] =
    [(Area::Texts, "texts"), (Area::Variants, "variants"), (Area::Pictures, "pictures")];

impl Subject {
    /// Reads what [`Display`](fmt::Display) wrote; none where it isn't that.
    #[must_use]
    pub fn read(text: &str) -> Option<Self> {
        let mut parts = text.split('/');
        let (head, id, area) = (parts.next()?, parts.next(), parts.next());
        let id = || id?.parse().ok();
        Some(match (head, area) {
            ("product", None) => Self::Product(ProductId(id()?)),
            ("product", Some(area)) => {
                let (area, _) = AREAS.into_iter().find(|(_, name)| *name == area)?;
                Self::Within(ProductId(id()?), area)
            }
            ("option", None) => Self::Option(OptionId(id()?)),
            ("siblings", None) => Self::Siblings(SiblingsId(id()?)),
            ("shelf", None) => Self::Shelf,
            ("book", None) => Self::Book,
            ("pictures", None) => Self::ShopPictures,
            _ => return None,
        })
    }
}

/// Everything whose history holds these events. `was` and `is` are the rows before and after them.
#[must_use]
pub fn subjects(was: &Rows, is: &Rows, events: &[Event]) -> BTreeSet<Subject> {
    let mut all = BTreeSet::new();
    for event in events {
        match event.row {
            RowId::Palette | RowId::Option(_) | RowId::Value(_) | RowId::File(_) => {
                all.insert(Subject::Book);
                all.extend(options(was, is, event.row).map(Subject::Option));
            }
            RowId::Product(id) => all.extend(of_product(id, &event.change)),
            RowId::Own(id, _) => all.extend([Subject::Book, Subject::Product(id)]),
            RowId::Siblings(id) => {
                all.extend([Subject::Shelf, Subject::Siblings(id)]);
                all.extend(members(was, is, event.row).map(Subject::Product));
            }
            RowId::Variant(_) | RowId::Picture(_) => {
                let area =
                    if matches!(event.row, RowId::Variant(_)) { Area::Variants } else { Area::Pictures };
                match owner(was, is, event.row) {
                    Some(id) => all.extend([Subject::Product(id), Subject::Within(id, area)]),
                    None => drop(all.insert(Subject::ShopPictures)),
                }
            }
        }
    }
    // What belongs to a product that came or went is that product's own affair.
    let whole: BTreeSet<ProductId> = events.iter().filter_map(came_or_went).collect();
    all.retain(|subject| !matches!(subject, Subject::Within(id, _) if whole.contains(id)));
    all
}

/// The options to which a value or a file belonged and belongs.
fn options(was: &Rows, is: &Rows, row: RowId) -> impl Iterator<Item = OptionId> {
    let of = move |found: Option<&Row>| match (row, found?) {
        (RowId::Option(id), _) => Some(id),
        (_, Row::Value(value)) => Some(value.option),
        (_, Row::File(file)) => Some(file.option),
        _ => None,
    };
    [of(was.get(&row)), of(is.get(&row))].into_iter().flatten()
}

/// The products that stood and stand in a set.
fn members(was: &Rows, is: &Rows, row: RowId) -> impl Iterator<Item = ProductId> {
    let of = move |rows: &Rows| match rows.get(&row) {
        Some(Row::Siblings(set)) => set.members.iter().map(|one| one.product).collect(),
        _ => Vec::new(),
    };
    of(was).into_iter().chain(of(is))
}

/// The product to which a variant or a picture belongs.
fn owner(was: &Rows, is: &Rows, row: RowId) -> Option<ProductId> {
    match is.get(&row).or(was.get(&row))? {
        Row::Variant(variant) => Some(variant.product),
        Row::Picture(picture) => picture.product,
        _ => None,
    }
}

fn came_or_went(event: &Event) -> Option<ProductId> {
    match (event.row, &event.change) {
        (RowId::Product(id), Change::Came(_) | Change::Went(_)) => Some(id),
        _ => None,
    }
}

fn of_product(id: ProductId, change: &Change) -> Vec<Subject> {
    let Change::Set(set) = change else { return vec![Subject::Product(id), Subject::Shelf] };
    let area = |field: &str| match field {
        "name" | "brand" | "summary" | "details" | "facts" | "tags" => Subject::Within(id, Area::Texts),
        "handle" | "address" | "was_at" | "kind" | "position" => Subject::Shelf,
        _ => Subject::Within(id, Area::Variants),
    };
    std::iter::once(Subject::Product(id)).chain(set.keys().map(|field| area(field))).collect()
}

/// Whose pages may be others after a step.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Touched {
    /// Those of these products.
    Products(BTreeSet<ProductId>),
    /// All of them.
    Everything,
}

/// Whose pages may be others after these events.
#[must_use]
pub fn touched(was: &Rows, is: &Rows, events: &[Event]) -> Touched {
    let mut products = BTreeSet::new();
    for event in events {
        if let RowId::Siblings(_) = event.row {
            products.extend(members(was, is, event.row));
            continue;
        }
        let alone = match (event.row, &event.change) {
            // One that comes, goes or moves is seen on the pages of others too.
            (RowId::Product(id), Change::Set(set)) => {
                let moves = ["state", "handle", "address", "kind", "position"]
                    .iter()
                    .any(|field| set.contains_key(*field));
                (!moves).then_some(id)
            }
            (RowId::Own(id, _), _) => Some(id),
            (RowId::Variant(_) | RowId::Picture(_), _) => owner(was, is, event.row),
            _ => None,
        };
        match alone {
            Some(id) => drop(products.insert(id)),
            None => return Touched::Everything,
        }
    }
    Touched::Products(products)
}

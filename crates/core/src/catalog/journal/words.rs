//! What rows and fields are called.

use super::row::RowId;

/// What a row is called, alone and among others.
pub(super) fn nouns(row: RowId) -> (&'static str, &'static str) {
    match row {
        RowId::Palette => ("the palette", "palettes"),
        RowId::Product(_) => ("product", "products"),
        RowId::Option(_) => ("option", "options"),
        RowId::Value(_) => ("value", "values"),
        RowId::File(_) => ("file", "files"),
        RowId::Picture(_) => ("picture", "pictures"),
        RowId::Variant(_) => ("variant", "variants"),
        RowId::Own(..) => ("own swatch", "own swatches"),
        RowId::Siblings(_) => ("siblings", "sets of siblings"),
    }
}

/// What a field is called; none where a change of it follows from another one.
pub(super) fn word(row: RowId, field: &str) -> Option<&'static str> {
    Some(match (row, field) {
        (RowId::Palette, _) => "colours",
        (RowId::Product(_), "uses") => "options",
        (RowId::Product(_), "kind") => "type",
        (RowId::Product(_), "details") => "texts",
        (RowId::Product(_), "most_per_order") => "most in one order",
        (RowId::Product(_), "brand") => "maker",
        (_, "handle" | "address") => "address",
        (RowId::Product(_), "was_at") => "addresses that lead on",
        (_, "position") => "place",
        (_, "price_minor") => "price",
        (_, "old_price_minor") => "old price",
        (RowId::Variant(_), "chosen") => "choice",
        (RowId::Variant(_), "measure") => "measure",
        (RowId::Variant(_), "sku") => "SKU",
        (RowId::Option(_), "about") => "line below",
        (RowId::Option(_), "page") => "way to choose on pages",
        (RowId::Option(_), "card") => "way to choose on cards",
        (RowId::Option(_), "quick") => "way to choose in quick looks",
        (RowId::Option(_), "from_variants") => "pictures from variants",
        (RowId::Option(_), "product") => "only product",
        (RowId::Value(_), "closer") => "larger picture",
        (RowId::Value(_), "option") => "option",
        (RowId::File(_), "fate") => "value",
        (RowId::File(_), "hash" | "colour") => "picture",
        (RowId::File(_), "option") => return None,
        (RowId::Picture(_), "alt") => "words",
        (RowId::Picture(_), "values") => "choices",
        (RowId::Picture(_), "focus") => "point that stays in sight",
        (RowId::Picture(_), "file") => "file",
        (RowId::Own(..), "why") => "reason",
        (RowId::Siblings(_), "members") => "siblings",
        (RowId::Siblings(_), "one_card") => "cards in listings",
        (_, "name") => "name",
        (_, "summary") => "summary",
        (_, "facts") => "facts",
        (_, "tags") => "tags",
        (_, "state") => "state",
        (_, "terms") => "terms",
        (_, "stock") => "stock",
        (_, "picture") => "picture",
        (_, "note") => "note",
        (_, "swatch") => "swatch",
        (_, "film") => "film",
        _ => return None,
    })
}

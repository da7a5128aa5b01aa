//! Open formats in which shops bring their data and take it away.

mod template;
mod variants;

pub use template::{FileError, MOST_BYTES, TemplateFile, Unmatched, read_template, write_template};
pub use variants::{
    Checked, KnownOption, Mistake, PlannedRow, PlannedValue, VariantLine, check_variants, read_amount,
    read_stock, read_variants, write_variants,
};

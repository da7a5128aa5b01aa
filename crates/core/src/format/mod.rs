//! Open formats in which shops bring their data and take it away.

mod variants;

pub use variants::{
    Checked, KnownOption, Mistake, PlannedRow, PlannedValue, VariantLine, check_variants, read_amount,
    read_stock, read_variants, write_variants,
};

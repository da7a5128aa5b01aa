//! What owners do to the catalogue, as events that can be turned round.
//!
//! The catalogue is kept as rows. A step is the difference between the rows before it and after it, field by field; from
//! it alone the journal, the notes for other servers and the way back are derived. A step is taken back by applying its
//! events turned round to the rows as they are by then. Where one of its fields has become something else meanwhile,
//! nothing is taken back and who asked is told which field it is: what somebody did later is never lost silently.

mod event;
mod remove;
mod row;
mod subject;
mod told;
mod words;

pub use event::{Change, Clash, Event, Place, Turn, apply, difference, inverse, merged, places};
pub use remove::{RemoveError, without_option, without_product, without_value, without_variants};
pub use row::{
    FileRow, OptionRow, OwnRow, PaletteRow, PictureFile, PictureRow, ProductRow, Row, RowId, Rows,
    SiblingRow, SiblingsRow, Use, ValueRow, VariantRow,
};
pub use subject::{Area, Subject, Touched, subjects, touched};
pub use told::told;

#[cfg(test)]
mod tests;

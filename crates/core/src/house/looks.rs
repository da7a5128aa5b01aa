//! What choosing looks like, in the house style and on pages that differ from it.

use crate::setting::choice;

choice! {
    /// How a value that can't be had is marked.
    Mark {
        Struck = "struck", "Crossed"; Faded = "faded", "Faded"; Blurred = "blurred", "Blurred"; Away = "away", "Left out";
    }
}
choice! {
    /// Where a swatch's name is told.
    Names { Hover = "hover", "On hover"; Beside = "beside", "Beside it"; Below = "below", "Below it"; Nowhere = "nowhere", "Nowhere"; }
}
choice! {
    /// The shape of swatches.
    SwatchShape { Round = "round", "Round"; Square = "square", "Square"; Soft = "soft", "Soft"; }
}
choice! {
    /// Where an option's name stands.
    Label { Above = "above", "Above"; Beside = "beside", "Beside"; Unseen = "unseen", "Not shown"; }
}
choice! {
    /// What surrounds a swatch that isn't chosen.
    Ring { Edge = "edge", "Thin edge"; Apart = "apart", "A ring apart"; Bare = "bare", "Nothing"; }
}
choice! {
    /// What buttons look like.
    ButtonsAs { Outlined = "outlined", "Outlined"; Tinted = "tinted", "Tinted"; Underlined = "underlined", "Underlined"; }
}
choice! {
    /// What lists to choose from look like.
    RadiosAs { Lines = "lines", "Lines"; Boxes = "boxes", "Boxes"; }
}

/// Sizes of swatches in pixels, with their labels.
pub const SIZES: &[(i64, &str)] = &[(24, "24"), (30, "30"), (36, "36"), (44, "44"), (56, "56")];
/// Gaps between them in pixels, with their labels.
pub const GAPS: &[(i64, &str)] = &[(4, "4"), (7, "7"), (10, "10"), (14, "14"), (20, "20")];
/// Widths of rings in pixels, with their labels.
pub const RING_WIDTHS: &[(i64, &str)] = &[(1, "1"), (2, "2"), (3, "3")];

//! How far a swatch stands out from its ground.

use crate::colour::{Colour, contrast};

/// The contrast, in hundredths, under which a swatch can't be told from its ground without a ring.
pub const PALE: u32 = 150;

/// Whether any of a swatch's colours is lost on the ground.
#[must_use]
pub fn is_pale(colours: &[Colour], ground: &str) -> bool {
    colours.iter().any(|colour| contrast(&colour.to_string(), ground) < PALE)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn white_on_white_is_pale_and_on_ink_is_not() {
        let white = [Colour([255, 255, 255])];
        assert!(is_pale(&white, "#FFFFFF") && is_pale(&white, "#F3EFE6"));
        assert!(!is_pale(&white, "#1D2A32"));
        assert!(is_pale(&[Colour([20, 80, 92]), white[0]], "#FFFFFF"), "one pale slice is enough");
    }
}

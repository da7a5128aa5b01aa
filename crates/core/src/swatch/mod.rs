//! What a value of an option shows in place of its name, and where that comes from.
//!
//! It is the first of: the product's own swatch; the swatch book's; the colour of the same name in the shop's palette; a
//! picture file that has the value's name; the pictures of the value's variants, if the option asks for them; its text.

mod alike;
mod files;
mod pale;
mod palette;

pub use crate::colour::{BadColour, Colour};
pub use alike::{Alike, Eyes, TOO_CLOSE, alike};
pub use files::{Fate, FileMatch, Matches, Near, SwatchFile, match_files};
pub use pale::{PALE, is_pale};
pub use palette::{Palette, PaletteError};

use serde::{Deserialize, Serialize};

/// A swatch holds at most so many colours.
pub const MOST_COLOURS: usize = 4;

/// What a value shows in place of its name.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "kind")]
pub enum Swatch {
    /// Its text and nothing else.
    #[default]
    Text,
    /// One to four colours in equal slices.
    Colours {
        /// Colours, side by side.
        colours: Vec<Colour>,
    },
    /// A square picture, kept under the hash of its bytes; over a colour where parts of it can be seen through.
    Picture {
        /// The hash of the file.
        hash: String,
        /// A colour that lies over it.
        #[serde(default)]
        over: Option<Colour>,
    },
}

impl Swatch {
    /// Whether it can be drawn: one to four colours, or a picture that is named.
    #[must_use]
    pub fn is_sound(&self) -> bool {
        match self {
            Self::Text => true,
            Self::Colours { colours } => (1..=MOST_COLOURS).contains(&colours.len()),
            Self::Picture { hash, .. } => hash.len() == 64 && hash.bytes().all(|b| b.is_ascii_hexdigit()),
        }
    }
    /// A single colour.
    #[must_use]
    pub fn of_colour(colour: Colour) -> Self {
        Self::Colours { colours: vec![colour] }
    }
    /// A picture.
    #[must_use]
    pub fn of_picture(hash: &str) -> Self {
        Self::Picture { hash: hash.to_owned(), over: None }
    }
}

/// Where a shown swatch comes from.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum SwatchSource {
    /// The product has its own for this value.
    Product,
    /// The swatch book.
    Book,
    /// The palette.
    Palette,
    /// A file that has the value's name, or was given to it by hand.
    File,
    /// The value's variants have pictures.
    Variant,
    /// Nothing else was there.
    Text,
}

/// What may be shown for a value, as far as it is there.
#[derive(Debug, Clone, Copy, Default)]
pub struct Sources<'a> {
    /// The product’s own.
    pub product: Option<&'a Swatch>,
    /// The swatch book’s.
    pub book: Option<&'a Swatch>,
    /// The palette’s.
    pub palette: Option<Colour>,
    /// The hash of the picture that a file of this name gives.
    pub file: Option<&'a str>,
    /// The hash of a picture cut from one of its variants; only where the option asks for it.
    pub variant: Option<&'a str>,
}

/// A swatch and where it comes from.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Shown {
    /// What it looks like.
    pub swatch: Swatch,
    /// Where it comes from.
    pub from: SwatchSource,
}

/// The first swatch that is there.
#[must_use]
pub fn shown(sources: Sources<'_>) -> Shown {
    let all = [
        (sources.product.cloned(), SwatchSource::Product),
        (sources.book.cloned(), SwatchSource::Book),
        (sources.palette.map(Swatch::of_colour), SwatchSource::Palette),
        (sources.file.map(Swatch::of_picture), SwatchSource::File),
        (sources.variant.map(Swatch::of_picture), SwatchSource::Variant),
    ];
    let first = all.into_iter().find_map(|(swatch, from)| Some(Shown { swatch: swatch?, from }));
    first.unwrap_or(Shown { swatch: Swatch::Text, from: SwatchSource::Text })
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn each_source_is_hidden_by_those_before_it() {
        let hash = "a".repeat(64);
        let (own, book) = (Swatch::Text, Swatch::of_picture(&hash));
        let red = Colour::try_from("#FF0000").unwrap();
        let mut sources = Sources {
            product: Some(&own),
            book: Some(&book),
            palette: Some(red),
            file: Some(&hash),
            variant: Some("v"),
        };
        let mut from = vec![shown(sources).from];
        sources.product = None;
        assert_eq!(shown(sources), Shown { swatch: book.clone(), from: SwatchSource::Book });
        from.push(shown(sources).from);
        sources.book = None;
        assert_eq!(shown(sources).swatch, Swatch::of_colour(red));
        from.push(shown(sources).from);
        sources.palette = None;
        from.push(shown(sources).from);
        sources.file = None;
        from.push(shown(sources).from);
        sources.variant = None;
        from.push(shown(sources).from);
        use SwatchSource as S;
        assert_eq!(from, [S::Product, S::Book, S::Palette, S::File, S::Variant, S::Text]);
    }

    #[test]
    fn a_product_may_show_the_text_where_the_book_has_a_colour() {
        let book = Swatch::of_colour(Colour::try_from("#FF0000").unwrap());
        let sources = Sources { product: Some(&Swatch::Text), book: Some(&book), ..Sources::default() };
        assert_eq!(shown(sources), Shown { swatch: Swatch::Text, from: SwatchSource::Product });
    }

    #[test]
    fn what_was_kept_before_pictures_were_known_is_still_read() {
        let old: Swatch =
            serde_json::from_str(r##"{"kind":"colours","colours":["#14505C","#f2b35e"]}"##).unwrap();
        let Swatch::Colours { colours } = &old else { panic!() };
        assert_eq!(colours[1].to_string(), "#F2B35E");
        assert!(old.is_sound() && !Swatch::Colours { colours: vec![] }.is_sound());
        assert!(serde_json::from_str::<Swatch>(r#"{"kind":"colours","colours":["red;url(x)"]}"#).is_err());
        assert!(!Swatch::of_picture("../../etc").is_sound());
    }
}

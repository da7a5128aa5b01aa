//! Settings that every piece has, after its own.

use crate::setting::choice;
use crate::setting::text::Look;
use crate::setting::{Group, Setting};

choice! {
    /// To which side a piece keeps.
    Align { Start = "start", "Left"; Centre = "centre", "Centre"; End = "end", "Right"; }
}
choice! {
    /// A colour of the house style for the words.
    Colour {
        Own = "own", "As it is"; Ink = "ink", "Ink"; Soft = "soft", "Soft"; Accent = "accent", "Accent";
        Signal = "signal", "Signal"; Paper = "paper", "Paper";
    }
}
choice! {
    /// What lies under a piece.
    Under {
        None = "none", "Nothing"; Paper = "paper", "Paper"; Tint = "tint", "Tint"; Accent = "accent", "Accent";
        Ink = "ink", "Ink";
    }
}
choice! {
    /// What stands around a piece.
    Border {
        None = "none", "None"; Hairline = "hairline", "Hairline"; Strong = "strong", "Strong";
        Above = "above", "Line above"; Below = "below", "Line below";
    }
}
choice! {
    /// Steps of the house style's corners.
    Corners { House = "house", "House"; Square = "square", "Square"; Small = "small", "Small"; Large = "large", "Large"; }
}

const TEXT: &str = "All its texts";
const GROUND: &str = "Ground and border";
/// The part of a slip in which it is told how far what stands there is from what stands around it.
pub const SPACE: &str = "Side and space";

/// The look of all its texts that have none of their own.
pub const TEXT_STYLE: Setting =
    Setting::choice::<Look>("text_style", "Text style", "own").among(Group::Setting).in_part(TEXT);
/// *Words in*.
pub const COLOUR: Setting =
    Setting::choice::<Colour>("colour", "Words in", "own").among(Group::Setting).in_part(TEXT);
/// *Lies on*.
pub const UNDER: Setting =
    Setting::choice::<Under>("under", "Lies on", "none").among(Group::Setting).in_part(GROUND);
/// *Border*.
pub const BORDER: Setting =
    Setting::choice::<Border>("border", "Border", "none").among(Group::Setting).in_part(GROUND);
/// *Corners*.
pub const CORNERS: Setting =
    Setting::choice::<Corners>("corners", "Corners", "house").among(Group::Setting).in_part(GROUND);
/// *Align*.
pub const ALIGN: Setting =
    Setting::choice::<Align>("align", "Align", "start").among(Group::Setting).in_part(SPACE);
/// *Space above*.
pub const SPACE_ABOVE: Setting = Setting::space("space_above", "Space above", 3).in_part(SPACE);
/// For pieces that belong to the one before.
pub const TIGHT_ABOVE: Setting = Setting::space("space_above", "Space above", 2).in_part(SPACE);
/// For pieces of a card, which has little room.
pub const CARD_ABOVE: Setting = Setting::space("space_above", "Space above", 1).in_part(SPACE);
/// For pieces that begin something new.
pub const WIDE_ABOVE: Setting = Setting::space("space_above", "Space above", 5).in_part(SPACE);
/// *Space below*.
pub const SPACE_BELOW: Setting = Setting::space("space_below", "Space below", 0).in_part(SPACE);
/// Whether the piece is there at all on a screen.
pub const SHOWN: Setting = Setting::flag("shown", "Shown", true).among(Group::When);
/// For which products, carts and days it is there.
pub const APPEARS: Setting = Setting::rule("appears", "Appears when");

/// A kind's own settings, followed by those that every piece has; `tight` and `wide` set how near it stands to the
/// piece before.
macro_rules! piece_settings {
    ($($own:expr),* $(,)?) => { piece_settings!(@ SPACE_ABOVE; $($own),*) };
    (tight; $($own:expr),* $(,)?) => { piece_settings!(@ TIGHT_ABOVE; $($own),*) };
    (card; $($own:expr),* $(,)?) => { piece_settings!(@ CARD_ABOVE; $($own),*) };
    (wide; $($own:expr),* $(,)?) => { piece_settings!(@ WIDE_ABOVE; $($own),*) };
    (@ $above:ident; $($own:expr),*) => {
        &[
            $($own,)*
            &$crate::page::piece::shared::TEXT_STYLE,
            &$crate::page::piece::shared::COLOUR,
            &$crate::page::piece::shared::UNDER,
            &$crate::page::piece::shared::BORDER,
            &$crate::page::piece::shared::CORNERS,
            &$crate::page::piece::shared::ALIGN,
            &$crate::page::piece::shared::$above,
            &$crate::page::piece::shared::SPACE_BELOW,
            &$crate::page::piece::shared::SHOWN,
            &$crate::page::piece::shared::APPEARS,
        ]
    };
}
pub(crate) use piece_settings;

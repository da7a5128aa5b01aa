//! The product's pictures, those of the chosen values first.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;
use crate::setting::{Preset, choice};

choice! {
    /// How the pictures stand.
    Form {
        One = "one", "One at a time"; Strip = "strip", "Film strip"; Stack = "stack", "One below another";
        Mosaic = "mosaic", "Mosaic";
    }
}
choice! {
    /// Which pictures a choice shows.
    Follow {
        Chosen = "chosen", "Of the choice"; Jump = "jump", "All, jumping to it"; All = "all", "All";
    }
}
choice! {
    /// The frame that every picture is put into.
    Shape {
        Own = "own", "As the pictures"; Square = "square", "1 : 1"; Tall = "tall", "4 : 5"; Portrait = "portrait", "3 : 4";
        Wide = "wide", "4 : 3"; Broad = "broad", "16 : 9";
    }
}
choice! {
    /// How a picture of another shape fills its frame.
    Fit { Crop = "crop", "Cropped"; Whole = "whole", "Whole, on a ground"; }
}
choice! {
    /// What lies under pictures that don't fill their frame, and under cut-out ones.
    Ground { Tint = "tint", "Tint"; Paper = "paper", "Paper"; Dark = "dark", "Dark"; Nothing = "nothing", "Nothing"; }
}
choice! {
    /// With frames as the pictures: how high the large one is.
    Height { Tallest = "tallest", "As the tallest"; Each = "each", "As each picture"; }
}
choice! {
    /// Where it is said that the product is on sale, sold out or coming.
    MarkAt {
        None = "none", "Nowhere"; TopLeft = "top_left", "Top left"; TopRight = "top_right", "Top right";
        BottomLeft = "bottom_left", "Bottom left"; BottomRight = "bottom_right", "Bottom right";
    }
}
choice! {
    /// Where the small pictures stand.
    Thumbnails {
        Left = "left", "Left"; Right = "right", "Right"; Above = "above", "Above"; Under = "under", "Under";
        Dots = "dots", "Dots"; None = "none", "None";
    }
}
choice! {
    /// Where more thumbnails go than fit.
    Flow { Slide = "slide", "One line that slides"; Wrap = "wrap", "More lines"; }
}
choice! {
    /// How the next picture comes.
    Change {
        Across = "across", "Slides across"; Up = "up", "Slides up"; Fade = "fade", "Fades"; AtOnce = "at_once", "At once";
    }
}
choice! {
    /// In which direction pictures go on.
    Reading { FromLeft = "from_left", "Left to right"; FromRight = "from_right", "Right to left"; }
}
choice! {
    /// When arrows are seen.
    Arrows { Always = "always", "Always"; Hover = "hover", "While pointed at"; Never = "never", "Never"; }
}
choice! {
    /// Where the arrows stand, always on the large picture itself.
    ArrowsAt { Sides = "sides", "At the sides"; Corner = "corner", "In the corner"; Below = "below", "Below"; }
}
choice! {
    /// What arrows look like.
    ArrowLook { Light = "light", "Light disc"; Dark = "dark", "Dark disc"; Accent = "accent", "Accent disc"; Bare = "bare", "No disc"; }
}
choice! {
    /// How a picture is looked at from near. Only where it is larger than its frame.
    Zoom { None = "none", "Not"; Place = "place", "In its place"; Beside = "beside", "Beside it"; Lens = "lens", "Under a lens"; }
}
choice! {
    /// The form of the lens.
    LensForm { Round = "round", "Round"; Square = "square", "Square"; }
}
choice! {
    /// What fills the whole screen with the picture.
    FullScreen { Never = "never", "Nothing"; Click = "click", "A click on it"; Button = "button", "A button"; }
}

const FRAME: &str = "Frame";
const SMALL: &str = "Thumbnails";
const MOVING: &str = "Change of picture";
const ARROW: &str = "Arrows";
const NEAR: &str = "Zoom and full screen";
const FILMS: &str = "Films";
const IN_TURN: &[&str] = &["one", "strip"];
const PICTURED: &[&str] = &["left", "right", "above", "under"];

/// *Pictures*.
pub const FOLLOW: Setting = Setting::choice::<Follow>("follow", "Pictures", "chosen").everywhere().says();
/// *Film first*.
pub const FILM_FIRST: Setting = Setting::flag("film_first", "Film first", false).everywhere().says();

/// *Form*.
pub const FORM: Setting = Setting::choice::<Form>("form", "Form", "one");
/// *Width*.
pub const SHARE: Setting =
    Setting::number("share", "Width", 30, 100, 100).unit("%").on_phones(Preset::Number(100));

/// *Frame*.
pub const SHAPE: Setting =
    Setting::choice::<Shape>("shape", "Frame", "square").on_phones(Preset::Text("wide")).in_part(FRAME);
/// *Pictures are*.
pub const FIT: Setting = Setting::choice::<Fit>("fit", "Pictures are", "crop").in_part(FRAME);
/// *Ground*.
pub const GROUND: Setting = Setting::choice::<Ground>("ground", "Ground", "tint").in_part(FRAME);
/// *Height*.
pub const HEIGHT: Setting =
    Setting::choice::<Height>("height", "Height", "tallest").in_part(FRAME).with(&SHAPE, &["own"]);
/// *Round corners*.
pub const ROUND: Setting = Setting::flag("round", "Round corners", true).in_part(FRAME);
/// *Marks*.
pub const MARK_AT: Setting = Setting::choice::<MarkAt>("mark_at", "Marks", "none").in_part(FRAME);

/// *Thumbnails*.
pub const THUMBNAILS: Setting = Setting::choice::<Thumbnails>("thumbnails", "Thumbnails", "left")
    .on_phones(Preset::Text("under"))
    .in_part(SMALL)
    .with(&FORM, IN_TURN);
/// *In a line*.
pub const THUMB_COUNT: Setting = Setting::number("thumb_count", "In a line", 3, 12, 6)
    .in_part(SMALL)
    .with(&THUMBNAILS, &["above", "under"]);
/// *Width*.
pub const THUMB_SHARE: Setting = Setting::number("thumb_share", "Width", 6, 30, 11)
    .unit("%")
    .in_part(SMALL)
    .with(&THUMBNAILS, &["left", "right"]);
/// *More of them*.
pub const THUMB_FLOW: Setting =
    Setting::choice::<Flow>("thumb_flow", "More of them", "slide").in_part(SMALL).with(&THUMBNAILS, PICTURED);
/// *Gap*.
pub const THUMB_GAP: Setting =
    Setting::number("thumb_gap", "Gap", 0, 24, 8).unit("px").in_part(SMALL).with(&THUMBNAILS, PICTURED);
/// *Their frame*.
pub const THUMB_SHAPE: Setting = Setting::choice::<Shape>("thumb_shape", "Their frame", "square")
    .in_part(SMALL)
    .with(&THUMBNAILS, PICTURED);

/// *The next one*.
pub const CHANGE: Setting =
    Setting::choice::<Change>("change", "The next one", "across").in_part(MOVING).with(&FORM, &["one"]);
/// *Takes*.
pub const PACE: Setting = Setting::number("pace", "Takes", 100, 1500, 350)
    .unit("ms")
    .in_part(MOVING)
    .with(&CHANGE, &["across", "up", "fade"]);
/// *By itself*.
pub const ADVANCE: Setting =
    Setting::number("advance", "By itself", 0, 30, 0).unit("s").in_part(MOVING).with(&FORM, IN_TURN);
/// *Round and round*.
pub const CIRCLES: Setting =
    Setting::flag("circles", "Round and round", false).in_part(MOVING).with(&FORM, IN_TURN);
/// *Read from*.
pub const READING: Setting =
    Setting::choice::<Reading>("reading", "Read from", "from_left").in_part(MOVING).with(&FORM, IN_TURN);

/// *Shown*.
pub const ARROWS: Setting =
    Setting::choice::<Arrows>("arrows", "Shown", "always").in_part(ARROW).with(&FORM, IN_TURN);
/// *Place*.
pub const ARROWS_AT: Setting = Setting::choice::<ArrowsAt>("arrows_at", "Place", "sides")
    .in_part(ARROW)
    .with(&ARROWS, &["always", "hover"]);
/// *Look*.
pub const ARROW_LOOK: Setting = Setting::choice::<ArrowLook>("arrow_look", "Look", "light")
    .in_part(ARROW)
    .with(&ARROWS, &["always", "hover"]);

/// *Seen from near*.
pub const ZOOM: Setting =
    Setting::choice::<Zoom>("zoom", "Seen from near", "none").on_phones(Preset::Text("none")).in_part(NEAR);
/// *Lens*.
pub const LENS_SIZE: Setting =
    Setting::number("lens_size", "Lens", 100, 320, 180).unit("px").in_part(NEAR).with(&ZOOM, &["lens"]);
/// *Lens is*.
pub const LENS_FORM: Setting =
    Setting::choice::<LensForm>("lens_form", "Lens is", "round").in_part(NEAR).with(&ZOOM, &["lens"]);
/// *Shade around*.
pub const LENS_SHADE: Setting =
    Setting::number("lens_shade", "Shade around", 0, 60, 20).unit("%").in_part(NEAR).with(&ZOOM, &["lens"]);
/// *Full screen by*.
pub const FULL_SCREEN: Setting =
    Setting::choice::<FullScreen>("full_screen", "Full screen by", "click").in_part(NEAR);
/// *With its words*.
pub const CAPTION: Setting =
    Setting::flag("caption", "With its words", true).in_part(NEAR).with(&FULL_SCREEN, &["click", "button"]);

/// *Controls*.
pub const FILM_CONTROLS: Setting =
    Setting::flag("film_controls", "Controls", true).everywhere().in_part(FILMS);
/// *Again and again*.
pub const FILM_LOOP: Setting =
    Setting::flag("film_loop", "Again and again", false).everywhere().in_part(FILMS);
/// *Starts by itself, silent*.
pub const FILM_STARTS: Setting =
    Setting::flag("film_starts", "Starts by itself, silent", false).everywhere().in_part(FILMS);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![
    &FOLLOW,
    &FILM_FIRST,
    &FORM,
    &SHARE,
    &SHAPE,
    &FIT,
    &GROUND,
    &HEIGHT,
    &ROUND,
    &MARK_AT,
    &THUMBNAILS,
    &THUMB_COUNT,
    &THUMB_SHARE,
    &THUMB_FLOW,
    &THUMB_GAP,
    &THUMB_SHAPE,
    &CHANGE,
    &PACE,
    &ADVANCE,
    &CIRCLES,
    &READING,
    &ARROWS,
    &ARROWS_AT,
    &ARROW_LOOK,
    &ZOOM,
    &LENS_SIZE,
    &LENS_FORM,
    &LENS_SHADE,
    &FULL_SCREEN,
    &CAPTION,
    &FILM_CONTROLS,
    &FILM_LOOP,
    &FILM_STARTS,
];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Gallery", Role::Show, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.pictures.is_empty().then_some("this product has no pictures")
}

//! The demo shop's free pictures and its film of a turning kite, drawn by our own code.

use crate::cloth::cloth;
use crate::draw::{self, Make};

/// A free picture of the shop, still to be drawn.
pub struct FreePicture {
    pub name: &'static str,
    pub svg: String,
    pub alt: &'static str,
}

/// The film of a turning kite, an MP4 made from [`frame`]s.
pub const FILM: &[u8] = include_bytes!("../film/turning-kite.mp4");
pub const FILM_SIZE: (u32, u32) = (640, 480);
/// Frames of one turn, and how many are shown in a second.
pub const FRAMES: u32 = 72;
pub const FRAMES_A_SECOND: u32 = 24;

/// The free pictures with which the shop opens.
#[must_use]
pub fn pictures() -> Vec<FreePicture> {
    let picture = |name, svg, alt| FreePicture { name, svg, alt };
    vec![
        picture(
            "long-table",
            draw::workshop(cloth("Tide"), cloth("Saffron")),
            "Our long table with cut cloth and the old sewing machine",
        ),
        picture("dunes", draw::dunes(5), "The dunes behind the loft, with nobody on them"),
        picture("seam-close", draw::seam(cloth("Ember")), "A double seam from close by"),
        picture("packed", draw::packed(cloth("Saffron")), "A kite rolled up and ready to be sent"),
        picture(
            "on-the-beach",
            draw::on_sand(Make::Sport, cloth("Dusk"), 9),
            "A two-coloured kite flat on the sand",
        ),
        picture(
            "evening",
            draw::flying(Make::Diamond, cloth("Heather"), 17),
            "A diamond kite over the dunes",
        ),
        picture("reel", draw::reel(cloth("Ember")), "A reel of red line"),
    ]
}

/// What the film shows before it runs.
#[must_use]
pub fn poster() -> FreePicture {
    FreePicture { name: "turning-kite", svg: frame(9), alt: "A kite turning in the wind" }
}

/// One frame of the film, as a drawing.
#[must_use]
pub fn frame(number: u32) -> String {
    draw::turning(cloth("Ember"), number, FRAMES)
}

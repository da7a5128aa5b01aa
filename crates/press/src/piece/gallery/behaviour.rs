//! What the script is told of a gallery, for each screen.

use crate::ctx::Styled;
use compagina_core::page::piece::gallery::{
    ADVANCE, CAPTION, CHANGE, CIRCLES, FORM, FULL_SCREEN, HEIGHT, LENS_FORM, LENS_SHADE, LENS_SIZE, PACE,
    READING, SHAPE, ZOOM,
};
use compagina_core::page::{Device, Setting};
use serde::Serialize;

#[derive(PartialEq, Eq, Serialize)]
struct Behaviour {
    form: String,
    change: String,
    pace: i64,
    advance: i64,
    circles: bool,
    from_right: bool,
    /// Whether the frame is as high as each picture.
    follows: bool,
    zoom: String,
    lens: (i64, String, i64),
    full: String,
    caption: bool,
}

/// Of wide screens, tablets and phones, as JSON.
pub(super) fn behaviours(styled: &Styled<'_>) -> String {
    let of = |device| {
        let text = |setting: &Setting| styled.chain.text(setting, device);
        let number = |setting: &Setting| styled.chain.number(setting, device);
        Behaviour {
            form: text(&FORM),
            change: text(&CHANGE),
            pace: number(&PACE),
            advance: number(&ADVANCE),
            circles: styled.chain.flag(&CIRCLES, device),
            from_right: text(&READING) == "from_right",
            follows: text(&SHAPE) == "own" && text(&HEIGHT) == "each",
            zoom: text(&ZOOM),
            lens: (number(&LENS_SIZE), text(&LENS_FORM), number(&LENS_SHADE)),
            full: text(&FULL_SCREEN),
            caption: styled.chain.flag(&CAPTION, device),
        }
    };
    serde_json::to_string(&Device::ALL.map(of)).unwrap_or_default()
}

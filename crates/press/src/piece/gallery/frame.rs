//! How large a gallery's pictures are shown, and which part of each.

use crate::ctx::{Ctx, Styled};
use compagina_core::media::{Crop, Picture, Room, Rooms};
use compagina_core::page::Device;
use compagina_core::page::piece::gallery::{
    FIT, FORM, Fit, Form, SHAPE, SHARE, Shape, THUMB_COUNT, THUMB_GAP, THUMB_SHAPE, THUMB_SHARE, THUMBNAILS,
    Thumbnails,
};
use compagina_core::style::rooms_of;
use std::fmt::Write;

/// Between the large picture and what stands beside it, and between pictures that stand together.
pub(super) const GAP: i64 = 12;

/// No frame is taller than this, however tall a picture is.
const TALLEST: (u32, u32) = (2, 3);

/// Width to height of a frame; none for the picture's own.
pub(in crate::piece) fn ratio_of(shape: Option<Shape>) -> Option<(u32, u32)> {
    match shape {
        Some(Shape::Own) => None,
        Some(Shape::Tall) => Some((4, 5)),
        Some(Shape::Portrait) => Some((3, 4)),
        Some(Shape::Wide) => Some((4, 3)),
        Some(Shape::Broad) => Some((16, 9)),
        Some(Shape::Square) | None => Some((1, 1)),
    }
}

/// Width to height of the tallest picture, as CSS.
pub(super) fn tallest(pictures: &[Picture]) -> String {
    let (width, height) = tallest_of(pictures);
    format!("{width}/{height}")
}

fn tallest_of(pictures: &[Picture]) -> (u32, u32) {
    let lower =
        |a: (u32, u32), b: (u32, u32)| u64::from(a.0) * u64::from(b.1) < u64::from(b.0) * u64::from(a.1);
    let ratios = pictures.iter().map(Picture::ratio);
    let tallest = ratios.reduce(|a, b| if lower(b, a) { b } else { a }).unwrap_or((1, 1));
    if lower(tallest, TALLEST) { TALLEST } else { tallest }
}

pub(super) fn own_ratio(picture: &Picture) -> String {
    let (width, height) = picture.ratio();
    format!("{width}/{height}")
}

/// The frame of the large picture on a screen.
fn frame(ctx: &Ctx<'_>, styled: &Styled<'_>, device: Device, picture: &Picture) -> (u32, u32) {
    ratio_of(styled.choice::<Shape>(&SHAPE, device)).unwrap_or_else(|| match form(styled, device) {
        Form::One => tallest_of(&ctx.product.pictures),
        Form::Strip | Form::Stack | Form::Mosaic => picture.ratio(),
    })
}

pub(super) fn form(styled: &Styled<'_>, device: Device) -> Form {
    styled.choice(&FORM, device).unwrap_or(Form::One)
}

pub(super) fn crops(styled: &Styled<'_>, device: Device) -> bool {
    styled.choice::<Fit>(&FIT, device) != Some(Fit::Whole)
        && styled.choice::<Shape>(&SHAPE, device) != Some(Shape::Own)
}

/// Where pictures are cropped: which part of this one stays, for the large frame and the small one, on every screen.
pub(super) fn crop_style(styled: &Styled<'_>, ctx: &Ctx<'_>, picture: &Picture) -> String {
    let mut style = String::new();
    if picture.focus == compagina_core::media::Focus::default() {
        return style;
    }
    for (device, name) in [(Device::Wide, "wide"), (Device::Tablet, "tablet"), (Device::Phone, "phone")] {
        let small = ratio_of(styled.choice::<Shape>(&THUMB_SHAPE, device)).unwrap_or(picture.ratio());
        for (prefix, frame) in [("at", frame(ctx, styled, device, picture)), ("small", small)] {
            let Crop { x, y } = Crop::around(picture.focus, picture.ratio(), frame);
            let _ = write!(style, ";--{prefix}-{name}:{}.{}% {}.{}%", x / 10, x % 10, y / 10, y % 10);
        }
    }
    style
}

/// The room that the large frame has.
fn stage(ctx: &Ctx<'_>, styled: &Styled<'_>, device: Device, column: Room) -> Room {
    let share = |setting| u32::try_from(styled.chain.number(setting, device)).unwrap_or(100);
    let gallery = column.part(share(&SHARE), 100);
    let beside = matches!(
        styled.choice::<Thumbnails>(&THUMBNAILS, device),
        Some(Thumbnails::Left | Thumbnails::Right)
    );
    if beside && ctx.product.pictures.len() > 1 && matches!(form(styled, device), Form::One | Form::Strip) {
        return gallery.part(100 - share(&THUMB_SHARE).min(50), 100).less(GAP);
    }
    gallery
}

/// How wide a picture itself is shown, cropped parts counted.
pub(super) fn shown_rooms(ctx: &Ctx<'_>, styled: &Styled<'_>, picture: &Picture) -> Rooms {
    rooms_of(ctx.layout, &styled.piece.id, ctx.house).map_each(|device, column| {
        let stage = stage(ctx, styled, device, column);
        let (frame_width, frame_height) = frame(ctx, styled, device, picture);
        let room = match form(styled, device) {
            Form::One | Form::Stack => stage,
            Form::Strip => stage.part(9 * frame_width, 16 * frame_height),
            // The first one is as wide as the gallery; all are planned alike.
            Form::Mosaic => stage,
        };
        let (width, height) = picture.ratio();
        // Of a picture broader than its frame more is drawn than is seen; fitted whole, a taller one is narrower.
        let (picture_is, frame_is) = (width * frame_height, frame_width * height);
        let broader = u64::from(width) * u64::from(frame_height) > u64::from(frame_width) * u64::from(height);
        if broader == (crops(styled, device) && !picture.cut_out) {
            room.part(picture_is, frame_is)
        } else {
            room
        }
    })
}

/// How wide a small picture is shown.
pub(super) fn thumb_rooms(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Rooms {
    rooms_of(ctx.layout, &styled.piece.id, ctx.house).map_each(|device, column| {
        let number = |setting| u32::try_from(styled.chain.number(setting, device)).unwrap_or(1);
        let gallery = column.part(number(&SHARE), 100);
        match styled.choice::<Thumbnails>(&THUMBNAILS, device) {
            Some(Thumbnails::Left | Thumbnails::Right) => gallery.part(number(&THUMB_SHARE), 100),
            _ => {
                let count = number(&THUMB_COUNT).max(1);
                gallery.less(i64::from(number(&THUMB_GAP) * (count - 1))).part(1, count)
            }
        }
    })
}

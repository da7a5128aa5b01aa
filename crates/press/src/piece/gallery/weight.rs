//! What a gallery makes a browser load, known before the page is published.

use super::frame::{form, shown_rooms, thumb_rooms};
use super::{MOST_SMALL, order};
use crate::ctx::{Ctx, Styled};
use compagina_core::ids::PieceId;
use compagina_core::media::{Picture, Room, Rooms, load_of};
use compagina_core::page::Device;
use compagina_core::page::piece::gallery::{Form, THUMB_COUNT, THUMBNAILS, Thumbnails, ZOOM, Zoom};

/// The screens for which a page is weighed: width in pixels, and dots to a pixel in hundredths.
const WIDE: (u32, u32) = (1280, 100);
const PHONE: (u32, u32) = (390, 200);

/// So much more than is shown a picture must have, in percent, to be worth a look from near.
const FOR_ZOOM: u32 = 150;

/// Bytes of pictures on one device.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub struct Bytes {
    /// Before the shopper does anything.
    pub first: u64,
    /// When every picture of the choice has been looked at.
    pub all: u64,
}

/// A picture that has fewer pixels than are shown of it.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct TooSmall {
    /// The piece.
    pub piece: PieceId,
    /// Which one, from 0.
    pub picture: usize,
    /// Pixels across that it has, and that it would need.
    pub has: u32,
    /// How many pixels it would need.
    pub needs: u32,
    /// Whether it would do, if it weren't looked at from near.
    pub for_zoom: bool,
}

/// What the galleries of a page load.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Weight {
    /// On a wide screen.
    pub wide: Bytes,
    /// On a phone.
    pub phone: Bytes,
    /// Pictures that are too small for their place.
    pub too_small: Vec<TooSmall>,
}

/// Adds what one gallery loads.
pub(crate) fn weigh(ctx: &Ctx<'_>, styled: &Styled<'_>, weight: &mut Weight) {
    let order = order(ctx, styled);
    let shown = &order.places[..order.shown];
    let small = thumb_rooms(ctx, styled);
    for (device, screen, bytes) in
        [(Device::Wide, WIDE, &mut weight.wide), (Device::Phone, PHONE, &mut weight.phone)]
    {
        let one = matches!(form(styled, device), Form::One);
        let thumbs = thumbs_at_first(styled, device, shown.len());
        for (nth, place) in shown.iter().enumerate() {
            let picture = &ctx.product.pictures[*place];
            let large = bytes_of(picture, room(&shown_rooms(ctx, styled, picture), device), screen, u32::MAX);
            let little = thumbs.map_or(0, |_| bytes_of(picture, room(&small, device), screen, MOST_SMALL));
            bytes.all += large + little;
            // Pictures that stand together come as they are scrolled to; the first screen has two of them at most.
            bytes.first += if nth == 0 || (!one && nth < 2) { large } else { 0 };
            bytes.first += if thumbs.is_some_and(|count| nth < count) { little } else { 0 };
        }
    }
    weight.too_small.extend(shown.iter().filter_map(|place| too_small(ctx, styled, *place)));
}

fn room(rooms: &Rooms, device: Device) -> Room {
    match device {
        Device::Wide => rooms.wide,
        Device::Tablet => rooms.tablet,
        Device::Phone => rooms.phone,
    }
}

/// How many thumbnails are in sight; none where there aren't any.
fn thumbs_at_first(styled: &Styled<'_>, device: Device, pictures: usize) -> Option<usize> {
    if pictures < 2 || !matches!(form(styled, device), Form::One | Form::Strip) {
        return None;
    }
    match styled.choice::<Thumbnails>(&THUMBNAILS, device)? {
        Thumbnails::Dots | Thumbnails::None => None,
        Thumbnails::Left | Thumbnails::Right => Some(pictures),
        Thumbnails::Above | Thumbnails::Under => {
            usize::try_from(styled.chain.number(&THUMB_COUNT, device)).ok()
        }
    }
}

fn bytes_of(picture: &Picture, room: Room, (screen, hundredths): (u32, u32), most: u32) -> u64 {
    let size = load_of(picture, room.on(screen), hundredths);
    let fits = picture.sizes.iter().rfind(|size| size.width <= most);
    let loaded = size.filter(|size| size.width <= most).or(fits);
    loaded.map_or(0, |size| size.bytes.into())
}

fn too_small(ctx: &Ctx<'_>, styled: &Styled<'_>, place: usize) -> Option<TooSmall> {
    let picture = &ctx.product.pictures[place];
    let has = picture.largest()?.width;
    let rooms = shown_rooms(ctx, styled, picture);
    let zooms = styled.choice::<Zoom>(&ZOOM, Device::Wide) != Some(Zoom::None);
    let on = |room: Room, (screen, hundredths): (u32, u32)| (room.on(screen) * hundredths).div_ceil(100);
    let framed = on(rooms.wide, WIDE).max(on(rooms.phone, PHONE));
    let near = if zooms { on(rooms.wide, WIDE) * FOR_ZOOM / 100 } else { 0 };
    let needs = framed.max(near);
    (has < needs).then(|| TooSmall {
        piece: styled.piece.id.clone(),
        picture: place,
        has,
        needs,
        for_zoom: has >= framed,
    })
}

//! Pictures in the page: in the sizes in which they are kept, so that a browser loads the one that it needs.

use crate::sheet::{PHONE_UP_TO, TABLET_UP_TO};
use compagina_core::media::{Picture, Rooms};
use maud::{Markup, html};
use std::ops::RangeBounds;

/// When a picture is loaded.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(crate) enum Load {
    /// Before all others.
    First,
    /// As the page comes.
    Soon,
    /// When it comes near the screen.
    Later,
}

/// A picture, where `sizes` tells how wide it is shown.
pub(crate) fn img(picture: &Picture, sizes: &str, load: Load) -> Markup {
    img_within(picture, .., sizes, load)
}

/// A picture that never needs but some of its widths.
pub(crate) fn img_within(
    picture: &Picture,
    widths: impl RangeBounds<u32>,
    sizes: &str,
    load: Load,
) -> Markup {
    let first = load == Load::First;
    html! {
        @if let Some(size) = picture.at_least(720) {
            img src=(size.address()) srcset=(srcset(picture, widths)) sizes=(sizes) width=(size.width) height=(size.height)
                alt=(picture.alt) loading=[(load == Load::Later).then_some("lazy")] fetchpriority=[first.then_some("high")] decoding="async";
        }
    }
}

/// Only the widths that a picture can need where it stands, so that the page stays light; all where none of them is one.
pub(crate) fn srcset(picture: &Picture, widths: impl RangeBounds<u32>) -> String {
    let needed: Vec<_> = picture.sizes.iter().filter(|size| widths.contains(&size.width)).collect();
    let sizes = if needed.is_empty() { picture.sizes.iter().collect() } else { needed };
    let sizes: Vec<String> =
        sizes.into_iter().map(|size| format!("{} {}w", size.address(), size.width)).collect();
    sizes.join(", ")
}

/// The `sizes` attribute of something that has so much room.
pub(crate) fn sizes(rooms: &Rooms) -> String {
    rooms.sizes(PHONE_UP_TO, TABLET_UP_TO)
}

/// Has a picture loaded before anything else of the page.
pub(crate) fn preload(picture: &Picture, sizes: &str) -> Markup {
    html! {
        @if let Some(size) = picture.at_least(720) {
            link rel="preload" as="image" href=(size.address()) imagesrcset=(srcset(picture, ..)) imagesizes=(sizes) fetchpriority="high";
        }
    }
}

/// A small square one, 64 pixels wide.
pub(crate) fn thumb(picture: &Picture) -> Markup {
    html! {
        @if let Some(size) = picture.at_least(64) {
            img src=(size.address()) srcset=(srcset(picture, ..=216)) sizes="64px" width="64" height="64" alt="" loading="lazy" decoding="async";
        }
    }
}

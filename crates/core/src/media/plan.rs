//! Which widths of a picture are made, and which of them a browser loads on a page.
//!
//! A [`Room`] is the width of something on the page as a browser works it out: a share of the content's width and some
//! pixels. It gives the `sizes` attribute, and for a given screen the pixels that are needed; so what a page will load
//! is known before it is published.

use super::{Picture, PictureSize};
use crate::screen::Device;

/// Widths in pixels in which every picture is kept, smallest first. None is more than half as wide again as the one
/// before, so that what is loaded is never more than half as wide again as what is shown. A picture narrower than one
/// of them is not enlarged.
pub const WIDTHS: [u32; 9] = [96, 144, 216, 320, 480, 720, 1080, 1600, 2400];

/// The number of the plan: raised whenever pictures are to be made anew.
pub const PLAN: u32 = 2;

/// The widths to make from a picture that is `source` pixels wide, smallest first; never wider than the source.
#[must_use]
pub fn widths_to_make(source: u32) -> Vec<u32> {
    let mut widths: Vec<u32> = WIDTHS.into_iter().filter(|w| *w < source).collect();
    if widths.len() < WIDTHS.len() {
        widths.push(source);
    }
    widths
}

const MILLION: i64 = 1_000_000;

/// A width on the page. The content is as wide as the screen less its `edges`, and at most `most`; of it this takes
/// `share` millionths and `thousandths` of a pixel more (or less).
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Room {
    edges: i64,
    most: Option<i64>,
    share: i64,
    thousandths: i64,
}

impl Room {
    /// The content itself.
    #[must_use]
    pub fn content(edges: u32, most: Option<u32>) -> Self {
        Self { edges: edges.into(), most: most.map(i64::from), share: MILLION, thousandths: 0 }
    }
    /// So many parts of a whole.
    #[must_use]
    pub fn part(self, parts: u32, whole: u32) -> Self {
        let (parts, whole) = (i64::from(parts), i64::from(whole.max(1)));
        Self { share: self.share * parts / whole, thousandths: self.thousandths * parts / whole, ..self }
    }
    /// So many pixels less.
    #[must_use]
    pub fn less(self, pixels: i64) -> Self {
        Self { thousandths: self.thousandths - pixels * 1000, ..self }
    }
    /// Pixels on a screen, rounded up.
    #[must_use]
    pub fn on(&self, screen: u32) -> u32 {
        let content = (i64::from(screen) - self.edges).min(self.most.unwrap_or(i64::MAX)).max(0);
        let thousandths = content * self.share / 1000 + self.thousandths;
        u32::try_from(thousandths.max(0).div_euclid(1000) + i64::from(thousandths.rem_euclid(1000) > 0))
            .unwrap_or(1)
    }
    /// The first screen on which the content is at its widest, and its width there; none where it always grows.
    #[must_use]
    pub fn widest(&self) -> Option<(u32, u32)> {
        let from = u32::try_from(self.most? + self.edges).ok()?;
        Some((from, self.on(from)))
    }
    /// As CSS while the content still grows with the screen.
    #[must_use]
    pub fn css(&self) -> String {
        let pixels = self.thousandths - self.edges * self.share / 1000;
        let (share, pixels) = (self.share as f64 / 10_000.0, (pixels as f64 / 1000.0).round() as i64);
        match pixels {
            0 => format!("{share:.5}vw"),
            1.. => format!("calc({share:.5}vw + {pixels}px)"),
            _ => format!("calc({share:.5}vw - {}px)", -pixels),
        }
    }
}

/// The room of something on wide screens, tablets and phones.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Rooms {
    /// On wide screens.
    pub wide: Room,
    /// On tablets.
    pub tablet: Room,
    /// On phones.
    pub phone: Room,
}

impl Rooms {
    /// The `sizes` attribute, where phones end at `phone_up_to` pixels and tablets at `tablet_up_to`.
    #[must_use]
    pub fn sizes(&self, phone_up_to: u32, tablet_up_to: u32) -> String {
        let widest = self.wide.widest().filter(|(from, _)| *from > tablet_up_to);
        let wide = match widest {
            Some((from, pixels)) => format!("(min-width:{from}px) {pixels}px, {}", self.wide.css()),
            None => self.wide.css(),
        };
        format!(
            "(max-width:{phone_up_to}px) {}, (max-width:{tablet_up_to}px) {}, {wide}",
            self.phone.css(),
            self.tablet.css()
        )
    }
    /// Each changed in its own way.
    #[must_use]
    pub fn map_each(self, change: impl Fn(Device, Room) -> Room) -> Self {
        Self {
            wide: change(Device::Wide, self.wide),
            tablet: change(Device::Tablet, self.tablet),
            phone: change(Device::Phone, self.phone),
        }
    }
}

/// The size that a browser takes where a picture is shown so wide, on a screen with so many hundredths of a dot for
/// every pixel: the smallest that is wide enough, or else the largest.
#[must_use]
pub fn load_of(picture: &Picture, shown: u32, hundredths: u32) -> Option<&PictureSize> {
    picture.at_least((shown * hundredths).div_ceil(100))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_picture_is_never_enlarged() {
        assert_eq!(widths_to_make(4000), WIDTHS);
        assert_eq!(widths_to_make(2400), WIDTHS);
        assert_eq!(widths_to_make(900), [96, 144, 216, 320, 480, 720, 900]);
        assert_eq!(widths_to_make(90), [90]);
    }

    #[test]
    fn no_width_is_more_than_half_as_wide_again_as_the_one_before() {
        for pair in WIDTHS.windows(2) {
            assert!(pair[1] * 2 <= pair[0] * 3, "{pair:?}");
        }
    }

    /// Two columns of 7 and 5 parts with 44 pixels between them on a page of 1200, edges of 24.
    fn left_column() -> Room {
        Room::content(48, Some(1200)).less(44).part(7, 12)
    }

    #[test]
    fn a_column_is_as_wide_as_the_browser_makes_it() {
        // (1200 - 44) x 7 / 12 = 674.33
        assert_eq!(left_column().on(1280), 675);
        assert_eq!(left_column().on(1920), 675);
        // (1152 - 44) x 7 / 12 = 646.33
        assert_eq!(left_column().on(1200), 647);
        assert_eq!(left_column().widest(), Some((1248, 675)));
        assert_eq!(left_column().css(), "calc(58.33330vw - 54px)");
    }

    #[test]
    fn beside_thumbnails_less_is_left() {
        // 88 % of 674.33, less 8.
        assert_eq!(left_column().part(88, 100).less(8).on(1280), 586);
        let phone = Room::content(32, None);
        assert_eq!((phone.on(390), phone.css()), (358, "calc(100.00000vw - 32px)".to_owned()));
    }

    #[test]
    fn the_sizes_name_every_screen_once() {
        let rooms = Rooms { wide: left_column(), tablet: left_column(), phone: Room::content(32, None) };
        assert_eq!(
            rooms.sizes(640, 1024),
            "(max-width:640px) calc(100.00000vw - 32px), (max-width:1024px) calc(58.33330vw - 54px), (min-width:1248px) 675px, calc(58.33330vw - 54px)"
        );
    }

    #[test]
    fn what_is_loaded_is_wide_enough_and_at_most_half_as_wide_again() {
        let size = |width| PictureSize { hash: String::new(), width, height: width, bytes: width };
        let picture = Picture { sizes: WIDTHS.map(size).to_vec(), ..Picture::default() };
        for (shown, density) in (64..=1600).flat_map(|shown| [100, 150, 200].map(|density| (shown, density)))
        {
            let wanted = shown * density / 100;
            let loaded = load_of(&picture, shown, density).unwrap().width;
            assert!(
                loaded >= wanted.min(2400) && loaded * 100 <= wanted * 150 + 100,
                "{shown} x {density}: {loaded}"
            );
        }
    }
}

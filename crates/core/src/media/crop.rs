//! Which part of a picture stays where its frame is of another shape.

use super::Focus;

/// CSS `object-position`, in thousandths.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Crop {
    /// From the left, in pixels.
    pub x: u32,
    /// From the top, in pixels.
    pub y: u32,
}

impl Crop {
    /// Puts the focus into the frame's middle, or as near to it as the picture's edges let it. Shapes are width and
    /// height; the picture covers the whole frame.
    #[must_use]
    pub fn around(focus: Focus, picture: (u32, u32), frame: (u32, u32)) -> Self {
        let cover = u64::from(picture.0) * u64::from(frame.1);
        let across = u64::from(frame.0) * u64::from(picture.1);
        if cover > across {
            Self { x: along(focus.x, cover, across), y: 500 }
        } else {
            Self { x: 500, y: along(focus.y, across, cover) }
        }
    }
}

/// Along the side that is cut: the picture is `whole` long where the frame shows `seen` of it. `object-position` lays
/// the same share of both on each other, so a share p puts the point at `p (whole - seen) + seen / 2` into the middle.
fn along(focus: u16, whole: u64, seen: u64) -> u32 {
    let hidden = whole - seen;
    if hidden == 0 {
        return 500;
    }
    let point = u128::from(focus) * u128::from(whole);
    let wanted = point.saturating_sub(500 * u128::from(seen)) / u128::from(hidden);
    u32::try_from(wanted.min(1000)).unwrap_or(1000)
}

#[cfg(test)]
mod tests {
    use super::*;

    fn crop(x: u16, y: u16, picture: (u32, u32), frame: (u32, u32)) -> (u32, u32) {
        let Crop { x, y } = Crop::around(Focus { x, y }, picture, frame);
        (x, y)
    }

    #[test]
    fn the_middle_stays_the_middle_and_a_frame_of_its_shape_hides_nothing() {
        assert_eq!(crop(500, 500, (1600, 600), (1, 1)), (500, 500));
        assert_eq!(crop(100, 900, (800, 800), (1, 1)), (500, 500));
    }

    #[test]
    fn the_focus_comes_into_the_middle_as_far_as_the_edges_let_it() {
        // 1600 x 600 in a square: 600 of 1600 are seen. A focus at 1120 wants 820 to 1420: 820 of the hidden 1000.
        assert_eq!(crop(700, 0, (1600, 600), (1, 1)), (820, 500));
        assert_eq!(crop(950, 0, (1600, 600), (1, 1)), (1000, 500));
        assert_eq!(crop(10, 0, (1600, 600), (1, 1)), (0, 500));
        // A tall one is cut above and below.
        assert_eq!(crop(0, 300, (600, 1200), (1, 1)), (500, 100));
    }
}

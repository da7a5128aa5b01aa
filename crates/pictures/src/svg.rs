//! Drawings. They are never handed on as they came: shoppers get pixels made from them. One that holds anything active
//! is refused all the same, for it isn't the plain drawing that its sender took it for. Nothing that one names is ever
//! fetched or opened: it may point into itself (`#…`) and hold data, and that is all.
//!
//! How long drawing takes can't be told from a file, so strangers' drawings are drawn where that can be ended
//! (`compagina-server`, `vector`); what stands here is what can be told beforehand.

use crate::pixels::Pixels;
use crate::refusal::{PictureError, Refusal};
use fast_image_resize::PixelType;
use fast_image_resize::images::Image;
use resvg::tiny_skia::{Pixmap, Transform};
use resvg::usvg::{ImageHrefResolver, Options, Tree, roxmltree};

/// How wide a drawing is made at most: it has no pixels of its own.
const DRAWN_WIDTH: u32 = 1600;

/// Bytes of a drawing's file, at the most.
const MOST_BYTES: usize = 2_000_000;

/// Pixels of a drawing as it is drawn, at the most: four bytes each, and filters hold several layers of them.
pub const MOST_DRAWN_PIXELS: u64 = 8_000_000;

/// Refuses a file that is too large, isn't well-formed, or holds anything active or from elsewhere. Nothing is drawn.
pub fn check(bytes: &[u8]) -> Result<(), Refusal> {
    if bytes.len() > MOST_BYTES {
        return Err(Refusal::LongDrawing { megabytes: MOST_BYTES / 1_000_000 });
    }
    let text = std::str::from_utf8(bytes).map_err(|_| Refusal::Damaged("it isn't text in UTF-8".into()))?;
    let document = roxmltree::Document::parse(text).map_err(|error| Refusal::Damaged(error.to_string()))?;
    for node in document.descendants().filter(roxmltree::Node::is_element) {
        match node.tag_name().name() {
            "script" => return Err(Refusal::Active { what: "a script" }),
            "foreignObject" | "iframe" | "object" | "embed" => {
                return Err(Refusal::Active { what: "a part of another page" });
            }
            "style" => check_style(&node.descendants().filter_map(|part| part.text()).collect::<String>())?,
            _ => {}
        }
        for attribute in node.attributes() {
            check_attribute(attribute.name(), attribute.value())?;
        }
    }
    Ok(())
}

const ELSEWHERE: Refusal = Refusal::Active { what: "a link to somewhere else" };

fn check_attribute(name: &str, value: &str) -> Result<(), Refusal> {
    if name.len() > 2 && name.is_char_boundary(2) && name[..2].eq_ignore_ascii_case("on") {
        return Err(Refusal::Active { what: "a script" });
    }
    let plain = plain(value);
    if plain.starts_with("javascript:") || plain.starts_with("data:text/html") {
        return Err(Refusal::Active { what: "a script" });
    }
    if name == "href" && !is_inside(&plain) && !plain.is_empty() {
        return Err(ELSEWHERE);
    }
    check_style(value)
}

/// Small letters without anything between them, as a browser reads an address.
fn plain(value: &str) -> String {
    let signs = value.chars().filter(|c| !c.is_whitespace() && !c.is_control());
    signs.collect::<String>().to_ascii_lowercase()
}

/// Whether an address points into the drawing itself, or is data.
fn is_inside(address: &str) -> bool {
    address.starts_with('#') || address.starts_with("data:image/")
}

/// Refuses style that takes in another sheet, or anything by an address.
fn check_style(style: &str) -> Result<(), Refusal> {
    let style = plain(style);
    let addresses = style.split("url(").skip(1).map(|rest| rest.trim_start_matches(['"', '\'']));
    let mut outside = addresses.filter(|address| !is_inside(address));
    if style.contains("@import") || outside.next().is_some() { Err(ELSEWHERE) } else { Ok(()) }
}

/// Draws one that was checked. How large it will be is looked at before anything is allocated.
pub fn rasterise(bytes: &[u8]) -> Result<Pixels, PictureError> {
    check(bytes)?;
    rasterise_at(bytes, DRAWN_WIDTH)
}

/// The same at a width of one's choice, for drawings of our own.
pub(crate) fn rasterise_at(svg: &[u8], width: u32) -> Result<Pixels, PictureError> {
    let damaged = |why: String| PictureError::Refused(Refusal::Damaged(why));
    let nothing_elsewhere =
        ImageHrefResolver { resolve_string: Box::new(|_, _| None), ..ImageHrefResolver::default() };
    let options = Options { image_href_resolver: nothing_elsewhere, ..Options::default() };
    let tree = Tree::from_data(svg, &options).map_err(|e| damaged(e.to_string()))?;
    let scale = width as f32 / tree.size().width();
    let height = drawn_height(tree.size().height() * scale, width)?;
    let mut pixels = Pixmap::new(width, height).ok_or_else(|| damaged("it has no size".into()))?;
    resvg::render(&tree, Transform::from_scale(scale, scale), &mut pixels.as_mut());
    let image = Image::from_vec_u8(width, height, pixels.take_demultiplied(), PixelType::U8x4);
    image.map(Pixels).map_err(|e| PictureError::Resize(e.to_string()))
}

fn drawn_height(height: f32, width: u32) -> Result<u32, Refusal> {
    let height = height.round().max(1.0);
    // Larger numbers than it can hold become its largest.
    let height = if height.is_finite() { height as u32 } else { u32::MAX };
    if u64::from(width) * u64::from(height) > MOST_DRAWN_PIXELS {
        return Err(Refusal::LongShape { width, height });
    }
    Ok(height)
}

#[cfg(test)]
mod tests {
    use super::*;

    fn checked(inner: &str) -> Result<(), Refusal> {
        let svg = format!(
            r#"<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 40 30" width="40" height="30">{inner}</svg>"#
        );
        check(svg.as_bytes())
    }

    #[test]
    fn a_plain_drawing_is_taken() {
        assert_eq!(checked(r##"<rect width="40" height="30" fill="#D7512B"/><a href="#x"/>"##), Ok(()));
    }

    #[test]
    fn anything_active_is_refused() {
        for active in [
            "<script>alert(1)</script>",
            r#"<rect onload="alert(1)"/>"#,
            r#"<a href=" java&#10;script:alert(1)"/>"#,
            r#"<a xlink:href="javascript:alert(1)"/>"#,
            r#"<image href="https://elsewhere.example/a.png"/>"#,
            r#"<image href="/etc/hostname.svg"/>"#,
            r#"<image xlink:href="other.svg"/>"#,
            r#"<use href="other.svg#part"/>"#,
            r#"<image href="FILE:///etc/hostname.svg"/>"#,
            r#"<rect fill="url(other.svg#paint)"/>"#,
            r#"<rect style="fill: url( 'other.svg' )"/>"#,
            "<style>@import 'other.css';</style>",
            "<style>rect { fill: url(//elsewhere.example/a) }</style>",
            r#"<foreignObject><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>"#,
        ] {
            assert!(matches!(checked(active), Err(Refusal::Active { .. })), "{active}");
        }
    }

    #[test]
    fn what_points_into_itself_or_holds_data_is_taken() {
        let dot = "data:image/svg+xml;base64,PHN2ZyB4bWxucz0iaHR0cDovL3d3dy53My5vcmcvMjAwMC9zdmciIHdpZHRoPSI0IiBoZWlnaHQ9IjQiPjxyZWN0IHdpZHRoPSI0IiBoZWlnaHQ9IjQiLz48L3N2Zz4=";
        let inner = format!(
            r##"<defs><linearGradient id="g"/></defs><style>.a {{ fill: url(#g) }}</style><rect id="r" style="fill:url('#g')"/><use href="#r"/><image href="{dot}" width="4" height="4"/>"##
        );
        assert_eq!(checked(&inner), Ok(()));
    }

    #[test]
    fn nothing_that_a_drawing_names_is_opened_even_where_it_was_not_checked() {
        let other = std::env::temp_dir().join(format!("compagina-other-{}.svg", std::process::id()));
        let black = r#"<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"><rect width="8" height="8"/></svg>"#;
        std::fs::write(&other, black).unwrap();
        let svg = format!(
            r#"<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"><image href="{}" width="8" height="8"/></svg>"#,
            other.display()
        );
        let drawn = rasterise_at(svg.as_bytes(), 8).unwrap();
        assert!(drawn.0.buffer().iter().all(|byte| *byte == 0), "nothing of the other file is seen");
        std::fs::remove_file(other).unwrap();
    }

    #[test]
    fn how_large_it_is_drawn_is_looked_at_before_it_is_drawn() {
        let svg = |width: u32, height: u32| {
            format!(
                r#"<svg xmlns="http://www.w3.org/2000/svg" width="{width}" height="{height}"><path d="M0 0h1v1"/></svg>"#
            )
        };
        let refused = |width, height| match rasterise(svg(width, height).as_bytes()) {
            Err(PictureError::Refused(Refusal::LongShape { .. })) => true,
            Ok(_) => false,
            Err(other) => panic!("{other}"),
        };
        assert!(refused(1, 16_000) && refused(1, u32::MAX) && refused(100, 350));
        assert!(!refused(100, 300) && !refused(16_000, 1));
    }

    #[test]
    fn a_broken_drawing_and_one_that_unfolds_without_end_are_refused() {
        assert!(matches!(check(b"<svg"), Err(Refusal::Damaged(_))));
        let bomb = r#"<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"><text>&b;</text></svg>"#;
        assert!(matches!(check(bomb.as_bytes()), Err(Refusal::Damaged(_))));
    }
}

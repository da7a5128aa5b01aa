//! Drawings. They are never handed on as they came: shoppers get pixels made from them. One that holds anything active
//! is refused all the same, for it isn't the plain drawing that its sender took it for.

use crate::check::Refusal;
use resvg::usvg::{Options, Tree, roxmltree};

/// Size in pixels of a drawing without anything active in it.
pub fn check(bytes: &[u8]) -> Result<(u32, u32), Refusal> {
    let text = std::str::from_utf8(bytes).map_err(|_| Refusal::Damaged("it isn't text in UTF-8".into()))?;
    let document = roxmltree::Document::parse(text).map_err(|error| Refusal::Damaged(error.to_string()))?;
    for node in document.descendants().filter(roxmltree::Node::is_element) {
        match node.tag_name().name() {
            "script" => return Err(Refusal::Active { what: "a script" }),
            "foreignObject" | "iframe" | "object" | "embed" => {
                return Err(Refusal::Active { what: "a part of another page" });
            }
            _ => {}
        }
        for attribute in node.attributes() {
            check_attribute(attribute.name(), attribute.value())?;
        }
    }
    let tree =
        Tree::from_str(text, &Options::default()).map_err(|error| Refusal::Damaged(error.to_string()))?;
    Ok((tree.size().width().ceil() as u32, tree.size().height().ceil() as u32))
}

fn check_attribute(name: &str, value: &str) -> Result<(), Refusal> {
    if name.len() > 2 && name[..2].eq_ignore_ascii_case("on") {
        return Err(Refusal::Active { what: "a script" });
    }
    let value: String = value.chars().filter(|c| !c.is_whitespace() && !c.is_control()).collect();
    let value = value.to_ascii_lowercase();
    if value.starts_with("javascript:") || value.starts_with("data:text/html") {
        return Err(Refusal::Active { what: "a script" });
    }
    let outside = ["http:", "https:", "file:", "//"].iter().any(|start| value.starts_with(start));
    if name == "href" && outside {
        return Err(Refusal::Active { what: "a link to somewhere else" });
    }
    Ok(())
}

#[cfg(test)]
mod tests {
    use super::*;

    fn checked(inner: &str) -> Result<(u32, u32), Refusal> {
        let svg = format!(
            r#"<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 40 30" width="40" height="30">{inner}</svg>"#
        );
        check(svg.as_bytes())
    }

    #[test]
    fn a_plain_drawing_is_taken() {
        assert_eq!(checked(r##"<rect width="40" height="30" fill="#D7512B"/><a href="#x"/>"##), Ok((40, 30)));
    }

    #[test]
    fn anything_active_is_refused() {
        for active in [
            "<script>alert(1)</script>",
            r#"<rect onload="alert(1)"/>"#,
            r#"<a href=" java&#10;script:alert(1)"/>"#,
            r#"<a xlink:href="javascript:alert(1)"/>"#,
            r#"<image href="https://elsewhere.example/a.png"/>"#,
            r#"<foreignObject><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>"#,
        ] {
            assert!(matches!(checked(active), Err(Refusal::Active { .. })), "{active}");
        }
    }

    #[test]
    fn a_broken_drawing_and_one_that_unfolds_without_end_are_refused() {
        assert!(matches!(check(b"<svg"), Err(Refusal::Damaged(_))));
        let bomb = r#"<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"><text>&b;</text></svg>"#;
        assert!(matches!(check(bomb.as_bytes()), Err(Refusal::Damaged(_))));
    }
}

//! Formatted text made safe: only the elements that an owner can write, no handlers, no script, no style; links lead
//! only where links may lead.

use ammonia::{Builder, UrlRelative};
use std::collections::{HashMap, HashSet};
use std::sync::LazyLock;

static CLEANER: LazyLock<Builder<'static>> = LazyLock::new(|| {
    let mut cleaner = Builder::empty();
    cleaner
        .tags(HashSet::from([
            "p",
            "br",
            "h2",
            "h3",
            "h4",
            "ul",
            "ol",
            "li",
            "strong",
            "em",
            "s",
            "u",
            "a",
            "blockquote",
            "hr",
        ]))
        .clean_content_tags(HashSet::from([
            "script", "style", "title", "head", "iframe", "object", "noscript", "template",
        ]))
        .tag_attributes(HashMap::from([("a", HashSet::from(["href"]))]))
        .url_schemes(HashSet::from(["http", "https", "mailto", "tel"]))
        .url_relative(UrlRelative::PassThrough)
        .link_rel(Some("noopener"))
        .strip_comments(true);
    cleaner
});

/// The same text without anything that it may not hold.
#[must_use]
pub fn clean(html: &str) -> String {
    // What word processors write for the same thing.
    let html = html
        .replace("<b>", "<strong>")
        .replace("</b>", "</strong>")
        .replace("<i>", "<em>")
        .replace("</i>", "</em>");
    let html = html.replace("<h1>", "<h2>").replace("</h1>", "</h2>");
    CLEANER.clean(&html).to_string()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_an_owner_writes_stays_as_it_is() {
        for html in [
            "<h2>How we sew</h2><p>Every seam is <strong>double</strong>, and <em>checked</em>.</p>",
            "<ul><li><p>One</p></li><li><p>Two</p></li></ul><ol><li>Three</li></ol>",
            "<p>Ask <a href=\"mailto:isla@marramandgale.example\" rel=\"noopener\">Isla</a> or <a href=\"/shop\" rel=\"noopener\">look</a>.</p>",
            "<blockquote><p>Light &amp; quick &lt;3</p></blockquote><hr>",
        ] {
            assert_eq!(clean(html), html);
        }
    }

    #[test]
    fn what_could_act_is_gone_and_its_words_stay() {
        for (html, left) in [
            ("<p onclick=\"alert(1)\">Hello</p>", "<p>Hello</p>"),
            ("<script>alert(1)</script><p>Hello</p>", "<p>Hello</p>"),
            ("<p><img src=x onerror=alert(1)>Hello</p>", "<p>Hello</p>"),
            ("<a href=\"javascript:alert(1)\">Hello</a>", "<a rel=\"noopener\">Hello</a>"),
            ("<a href=\" java\nscript:alert(1)\">Hello</a>", "<a rel=\"noopener\">Hello</a>"),
            ("<a href=\"data:text/html,x\">Hello</a>", "<a rel=\"noopener\">Hello</a>"),
            ("<svg><script>alert(1)</script></svg>Hello", "Hello"),
            ("<p style=\"position:fixed\" class=\"x\">Hello</p>", "<p>Hello</p>"),
            ("<iframe src=\"//evil.example\"></iframe>Hello", "Hello"),
            ("<p>Hello<!-- x --></p>", "<p>Hello</p>"),
            ("<style>p{display:none}</style><p>Hello", "<p>Hello</p>"),
        ] {
            assert_eq!(clean(html), left, "{html}");
        }
    }

    #[test]
    fn text_from_a_word_processor_keeps_its_structure() {
        let pasted = "<html xmlns:o=\"urn:schemas\"><head><style>.Normal{margin:0}</style></head><body lang=EN-GB><h1>Care</h1>\
            <p class=Normal style='mso-margin-top-alt:auto'><b>Dry</b> it <i>flat</i>.<o:p></o:p></p>\
            <ul style='margin-top:0cm' type=disc><li class=Normal>No iron</li></ul></body></html>";
        assert_eq!(
            clean(pasted),
            "<h2>Care</h2><p><strong>Dry</strong> it <em>flat</em>.</p><ul><li>No iron</li></ul>"
        );
    }

    #[test]
    fn cleaning_twice_is_cleaning_once() {
        let once = clean("<p>a<b>c</p><li>x<a href=\"//e.example/?a=1&b=2\">y");
        assert_eq!(clean(&once), once);
    }
}

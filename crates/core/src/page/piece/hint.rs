//! What a piece does, in a few words for its line in the running order.

use super::{buy_button, details, gallery, options, price, promises, related};
use crate::page::{Choice, Device, Kind, Piece, Setting, Shape};
use crate::style::Chain;

/// A few words, or none where the kind says enough.
#[must_use]
pub fn hint(piece: &Piece) -> String {
    let chain = Chain::of_template(&piece.values);
    match piece.kind {
        Kind::Gallery => format!("thumbnails {}", both(&chain, &gallery::THUMBNAILS)),
        Kind::Details => both(&chain, &details::AS),
        Kind::Options => both(&chain, &options::SHOWN_AS),
        Kind::BuyButton => format!("“{}”", chain.text(&buy_button::WORDS, Device::Wide)),
        Kind::Promises => lines(chain.lines(&promises::LINES).len()),
        Kind::Related => format!("“{}”", chain.text(&related::HEADING, Device::Wide)),
        Kind::Price => saving(&chain),
        _ => String::new(),
    }
}

/// The word of a choice; of both screens where they differ.
fn both(chain: &Chain<'_>, setting: &Setting) -> String {
    let [wide, phone] = Device::ALL.map(|device| word(setting, &chain.text(setting, device)));
    if wide == phone { wide } else { format!("{wide} → {phone}") }
}

fn word(setting: &Setting, name: &str) -> String {
    let Shape::Choice(names) = setting.shape else { return name.to_owned() };
    names.iter().find(|(n, _)| *n == name).map_or_else(String::new, |(_, label)| label.to_lowercase())
}

fn lines(count: usize) -> String {
    match count {
        0 => "no lines yet".into(),
        1 => "1 line".into(),
        count => format!("{count} lines"),
    }
}

fn saving(chain: &Chain<'_>) -> String {
    let none = price::SavingAs::None.name();
    match chain.text(&price::SAVING, Device::Wide) {
        name if name == none => "old price".into(),
        name => format!("old price, saving in {}", word(&price::SAVING, &name)),
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::page::op::samples::piece;

    #[test]
    fn a_line_tells_what_differs_between_the_screens() {
        assert_eq!(hint(&piece("d", Kind::Details)), "tabs → folding rows");
        assert_eq!(hint(&piece("g", Kind::Gallery)), "thumbnails left → under");
        assert_eq!(hint(&piece("b", Kind::BuyButton)), "“Add to cart”");
        assert_eq!(hint(&piece("p", Kind::Promises)), "no lines yet");
        assert_eq!(hint(&piece("t", Kind::Title)), "");
    }
}

//! What a piece does, in a few words for its line in the running order.

use super::Chain;
use super::told::without_tags;
use crate::page::piece::pay_shortcuts::{self, OrderBy};
use crate::page::piece::{
    buy_button, details, gallery, options, price, promises, questions, quotes, related, reviews, text,
    value_points, wish_button,
};
use crate::page::{Choice, Device, Kind, Piece, Setting, Shape};

/// A few words, or none where the kind says enough.
#[must_use]
pub fn hint(piece: &Piece) -> String {
    let chain = Chain::of_template(&piece.values);
    match piece.kind {
        Kind::Gallery => format!("thumbnails {}", both(&chain, &gallery::THUMBNAILS)),
        Kind::Details => both(&chain, &details::AS),
        Kind::Options if chain.text(&options::SHOWN_AS, Device::Wide) == "book" => String::new(),
        Kind::Options => both(&chain, &options::SHOWN_AS),
        Kind::BuyButton => format!("“{}”", chain.text(&buy_button::WORDS, Device::Wide)),
        Kind::Promises => count(chain.lines(&promises::LINES).len(), "line"),
        Kind::Related => format!("“{}”", chain.text(&related::HEADING, Device::Wide)),
        Kind::Price => saving(&chain),
        Kind::Reviews => format!("“{}”", chain.text(&reviews::HEADING, Device::Wide)),
        Kind::Questions => count(chain.rows(&questions::QUESTIONS).len(), "question"),
        Kind::Quotes => count(chain.rows(&quotes::QUOTES).len(), "quote"),
        Kind::ValuePoints => count(chain.rows(&value_points::POINTS).len(), "point"),
        Kind::PayShortcuts if chain.choice(&pay_shortcuts::ORDER, Device::Wide) != Some(OrderBy::Listed) => {
            "last used, then device, then country".into()
        }
        Kind::PayShortcuts => "as listed".into(),
        Kind::WishButton => format!("“{}”", chain.text(&wish_button::WORDS, Device::Wide)),
        Kind::Text => opening(&chain.text(&text::BODY, Device::Wide)),
        _ => String::new(),
    }
}

/// The word of a choice; of both screens where they differ.
fn both(chain: &Chain<'_>, setting: &Setting) -> String {
    let [wide, phone] =
        [Device::Wide, Device::Phone].map(|device| word(setting, &chain.text(setting, device)));
    if wide == phone { wide } else { format!("{wide} → {phone}") }
}

fn word(setting: &Setting, name: &str) -> String {
    let Shape::Choice(names) = setting.shape else { return name.to_owned() };
    names.iter().find(|(n, _)| *n == name).map_or_else(String::new, |(_, label)| label.to_lowercase())
}

fn count(number: usize, what: &str) -> String {
    match number {
        0 => format!("no {what}s yet"),
        1 => format!("1 {what}"),
        number => format!("{number} {what}s"),
    }
}

/// The first words of formatted text.
fn opening(html: &str) -> String {
    let words = without_tags(html);
    let words: Vec<&str> = words.split_whitespace().take(6).collect();
    if words.is_empty() { "no text yet".into() } else { format!("“{} …”", words.join(" ")) }
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
        assert_eq!(hint(&piece("s", Kind::PayShortcuts)), "last used, then device, then country");
        assert_eq!(hint(&piece("t", Kind::Title)), "");
    }
}

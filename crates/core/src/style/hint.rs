//! What a piece does, in a few words for its line in the running order.

use super::Chain;
use super::told::without_tags;
use crate::page::piece::pay_shortcuts::{self, OrderBy};
use crate::page::piece::{
    buy_button, card, details, gallery, options, price, promises, questions, quotes, related, reviews, text,
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
        Kind::CardPicture => pictured(&chain),
        Kind::CardMarks => both(&chain, &card::marks::AT),
        Kind::CardName => {
            count(number(&chain, &card::name::LINES), "line").replace("1 line", "one line") + " at most"
        }
        Kind::CardPrice => card_price(&chain),
        Kind::CardChoices => chosen_by(&chain),
        Kind::CardVariants if chain.flag(&card::variants::BUYS, Device::Wide) => "a click buys".into(),
        Kind::CardBuy => format!("“{}”", chain.text(&card::buy::WORDS, Device::Wide)),
        Kind::CardWish | Kind::CardQuickLook => both(&chain, &card::wish::AT),
        Kind::CardFact => chain.lines(&card::fact::FACTS).join(", "),
        Kind::CardText if chain.text(&card::text::OF, Device::Wide) == "own" => {
            format!("“{}”", chain.text(&card::text::WORDS, Device::Wide))
        }
        Kind::CardText => "the product's summary".into(),
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

fn number(chain: &Chain<'_>, setting: &Setting) -> usize {
    usize::try_from(chain.number(setting, Device::Wide)).unwrap_or(0)
}

fn pictured(chain: &Chain<'_>) -> String {
    let frame = both(chain, &card::picture::SHAPE);
    match word(&card::picture::POINTING, &chain.text(&card::picture::POINTING, Device::Wide)).as_str() {
        "nothing" => frame,
        other => format!("{frame}, {other} on pointing"),
    }
}

fn card_price(chain: &Chain<'_>) -> String {
    let old = chain.flag(&card::price::OLD, Device::Wide).then(|| "old price".to_owned());
    let saving = match chain.text(&card::price::SAVING, Device::Wide) {
        name if name == price::SavingAs::None.name() => None,
        name => Some(format!("saving in {}", word(&card::price::SAVING, &name))),
    };
    old.into_iter().chain(saving).collect::<Vec<_>>().join(", ")
}

/// `Colour, Sail · 3 values, then + n`
fn chosen_by(chain: &Chain<'_>) -> String {
    let options = chain.lines(&card::choices::OPTIONS).join(", ");
    let most = format!("{}, then + n", count(number(chain, &card::choices::MOST), "value"));
    if options.is_empty() { most } else { format!("{options} · {most}") }
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

//! A swatch as it is drawn: on a page's choices and on cards.

use compagina_core::catalog::ProductValue;
use compagina_core::house::{House, token};
use compagina_core::media::address;
use compagina_core::swatch::{Colour, Swatch, is_pale};
use maud::{Markup, html};

/// The cloth of a value; nothing where it has only its text.
pub(crate) fn cloth(value: &ProductValue, house: &House) -> Option<Markup> {
    cloth_of(&value.swatch, house)
}

/// The same of a swatch.
pub(crate) fn cloth_of(swatch: &Swatch, house: &House) -> Option<Markup> {
    let ground = ground(swatch)?;
    let pale = matches!(swatch, Swatch::Colours { colours } if is_pale(colours, &house.text(&token::PAPER)));
    Some(html! { span.cloth.pale[pale] style={ "background:" (ground) } {} })
}

/// A CSS background: one to four colours in equal slices, or a picture.
fn ground(swatch: &Swatch) -> Option<String> {
    if !swatch.is_sound() {
        return None;
    }
    match swatch {
        Swatch::Text => None,
        Swatch::Picture { hash, over } => {
            let under = over.map(|colour| format!(" {colour}")).unwrap_or_default();
            Some(format!("url({}) 50%/cover{under}", address(hash)))
        }
        Swatch::Colours { colours } => Some(slices(colours)),
    }
}

fn slices(colours: &[Colour]) -> String {
    if let [only] = colours {
        return only.to_string();
    }
    let count = colours.len();
    let edge = |place: usize| if place == count { 100 } else { place * (100 / count) };
    let stops: Vec<String> = colours
        .iter()
        .enumerate()
        .map(|(place, colour)| format!("{colour} {}% {}%", edge(place), edge(place + 1)))
        .collect();
    format!("linear-gradient(135deg,{})", stops.join(","))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn colours_share_a_swatch_and_what_is_not_sound_is_not_drawn() {
        let swatch = |all: &[&str]| Swatch::Colours {
            colours: all.iter().map(|c| Colour::try_from(*c).unwrap()).collect(),
        };
        assert_eq!(ground(&swatch(&["#D7512B"])).unwrap(), "#D7512B");
        assert_eq!(
            ground(&swatch(&["#14505C", "#F2B35E", "#FFFFFF"])).unwrap(),
            "linear-gradient(135deg,#14505C 0% 33%,#F2B35E 33% 66%,#FFFFFF 66% 100%)"
        );
        assert_eq!((ground(&swatch(&[])), ground(&Swatch::Text)), (None, None));
        assert_eq!(ground(&Swatch::of_picture("x) red")), None);
        let over = Swatch::Picture { hash: "a".repeat(64), over: Colour::try_from("#FFF").ok() };
        assert_eq!(ground(&over).unwrap(), "url(/media/qqqqqqqqqqqqqqqq) 50%/cover #FFFFFF");
    }
}

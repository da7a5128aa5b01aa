//! Starters of cards. A card is one column, so a starter says which kinds stand in it and what they begin with.

use super::arrangement::Plan;
use super::{Laid, Starter, filled, name, take};
use crate::ids::{BandId, ColumnId};
use crate::page::piece::card::{choices, picture, price, variants};
use crate::page::{Band, Column, Device, Frame, Kind, Layout, Piece, Purpose, SetValue, Values};
use Kind as K;

const fn card(kinds: &'static [(u8, &'static [Kind])]) -> Plan {
    Plan { ground: "plain", stays: "none", tight: false, columns: kinds }
}

/// The starting layouts of cards, the quietest first.
pub const CARD_STARTERS: &[Starter] = &[
    Starter {
        key: "quiet",
        name: "Quiet",
        hint: "Picture, name and price; what it is chosen by leads to the page.",
        purpose: Purpose::Card,
        frame: Frame::None,
        plans: &[card(&[(
            12,
            &[
                K::CardPicture,
                K::CardMarks,
                K::CardQuickLook,
                K::CardName,
                K::CardPrice,
                K::CardChoices,
                K::CardSiblings,
            ],
        )])],
    },
    Starter {
        key: "buying",
        name: "Buying",
        hint: "Chosen and bought on the card, without going to the page.",
        purpose: Purpose::Card,
        frame: Frame::None,
        plans: &[card(&[(
            12,
            &[
                K::CardPicture,
                K::CardMarks,
                K::CardWish,
                K::CardName,
                K::CardRating,
                K::CardPrice,
                K::CardChoices,
                K::CardSiblings,
                K::CardBuy,
            ],
        )])],
    },
    Starter {
        key: "one-list",
        name: "One list",
        hint: "All variants in a list; a click on one buys it. For spares and whatever is bought by its size.",
        purpose: Purpose::Card,
        frame: Frame::None,
        plans: &[card(&[(12, &[K::CardPicture, K::CardMarks, K::CardName, K::CardText, K::CardVariants])])],
    },
];

/// What a piece that this starter brings begins with.
fn begins(starter: &Starter, kind: Kind) -> Values {
    let text = |word: &str| SetValue::Text(word.into());
    let set = |settings: &[(&crate::page::Setting, SetValue)]| {
        settings
            .iter()
            .fold(Values::default(), |values, (one, value)| values.with(Device::Wide, one, value.clone()))
    };
    match (starter.key, kind) {
        ("buying", K::CardPicture) => set(&[(&picture::POINTING, text("second"))]),
        ("buying", K::CardPrice) => set(&[(&price::SAVING, text("percent"))]),
        ("buying", K::CardChoices) => {
            set(&[(&choices::CHOOSING, text("card")), (&choices::MOST, SetValue::Number(3))])
        }
        ("one-list", K::CardVariants) => set(&[(&variants::BUYS, SetValue::Flag(true))]),
        _ => Values::default(),
    }
}

/// A card of these pieces.
fn of_pieces(pieces: Vec<Piece>) -> Layout {
    let column = Column { id: name::<ColumnId>("card"), width: 12, pieces };
    let values = Values::default();
    let band = Band { id: name::<BandId>("card"), kept: None, values, columns: vec![column] };
    Layout { purpose: Purpose::Card, frame: Frame::None, bands: vec![band], ..Layout::default() }
}

/// A card that holds nothing yet.
#[must_use]
pub fn empty_card() -> Layout {
    of_pieces(vec![])
}

/// Lays a card anew. What stands on it stays as it is set; what the starter has besides comes; what it has no place for
/// goes to the end.
pub(super) fn lay(starter: &Starter, card: &Layout) -> Laid {
    let mut waiting: Vec<Piece> = card.pieces().cloned().collect();
    let mut free = (1..).filter(|number| card.piece(&filled(K::CardText, *number).id).is_none());
    let mut pieces = Vec::new();
    let kinds = starter.plans.iter().flat_map(|plan| plan.columns).flat_map(|(_, kinds)| kinds.iter());
    for kind in kinds {
        match take(*kind, &mut waiting) {
            there if !there.is_empty() => pieces.extend(there),
            _ => pieces.extend(
                free.next().map(|number| Piece { values: begins(starter, *kind), ..filled(*kind, number) }),
            ),
        }
    }
    let left_over = waiting.iter().map(|piece| piece.id.clone()).collect();
    pieces.append(&mut waiting);
    let layout = Layout { departures: card.departures.clone(), ..of_pieces(pieces) };
    Laid { layout, left_over }
}

/// How a product stands in listings where no card is live that reaches it.
#[must_use]
pub fn quiet_card() -> Layout {
    lay(&CARD_STARTERS[0], &empty_card()).layout
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::page::op::check;

    fn kinds(card: &Layout) -> Vec<Kind> {
        card.pieces().map(|piece| piece.kind).collect()
    }

    #[test]
    fn each_makes_a_sound_card_of_an_empty_one() {
        for starter in CARD_STARTERS {
            let laid = starter.lay(&empty_card());
            assert_eq!(check(&laid.layout), Ok(()), "{}", starter.key);
            assert!(laid.left_over.is_empty());
            for kind in [K::CardPicture, K::CardName] {
                assert!(kinds(&laid.layout).contains(&kind), "{}", starter.key);
            }
        }
    }

    #[test]
    fn another_one_brings_what_is_missing_and_keeps_what_is_there() {
        let mut card = quiet_card();
        let values = Values::default().with(Device::Phone, &choices::MOST, SetValue::Number(2));
        for piece in card.bands[0].columns[0].pieces.iter_mut().filter(|one| one.kind == K::CardChoices) {
            piece.values = values.clone();
        }
        let laid = CARD_STARTERS[1].lay(&card);
        assert_eq!(check(&laid.layout), Ok(()));
        assert_eq!(laid.layout.first_of(K::CardChoices).map(|piece| &piece.values), Some(&values));
        assert!(laid.layout.first_of(K::CardBuy).is_some());
        let quick = laid.layout.first_of(K::CardQuickLook).map(|piece| piece.id.clone());
        assert_eq!(laid.left_over, Vec::from_iter(quick), "the buying card has no place for it");
        assert_eq!(kinds(&laid.layout).last(), Some(&K::CardQuickLook));
    }
}

//! The quick look: a small page over a listing, made of the product page's own pieces, so that what an owner has set of
//! them counts there too.

use super::piece::{band, gallery, options};
use super::{Band, Column, Device, Frame, Kind, Layout, Piece, SetValue, Values};
use crate::ids::{BandId, ColumnId, NameError};

/// What a quick look shows beside the pictures, as far as the page has it.
const BESIDE: &[Kind] = &[
    Kind::Title,
    Kind::RatingLine,
    Kind::Price,
    Kind::Summary,
    Kind::Options,
    Kind::VariantList,
    Kind::Plans,
    Kind::PersonalText,
    Kind::StockLine,
    Kind::Quantity,
    Kind::BuyButton,
];

/// The layout of a page's quick look. The first piece of each kind is taken, with its name and its settings, but for
/// those that belong to a whole page: the gallery stands as it ships, and options are chosen as the swatch book says.
///
/// # Errors
/// [`NameError`](crate::ids::NameError) where a name would be too long.
pub fn quick_look(page: &Layout) -> Result<Layout, NameError> {
    let pictures: Vec<Piece> = page.first_of(Kind::Gallery).map(small_gallery).into_iter().collect();
    let beside = BESIDE.iter().filter_map(|kind| page.first_of(*kind)).cloned().map(by_the_book).collect();
    let column = |id: &str, pieces: Vec<Piece>| Ok(Column { id: ColumnId::try_from(id)?, width: 6, pieces });
    let space = |values: Values, setting| values.with(Device::Wide, setting, SetValue::Number(3));
    let values = space(space(Values::default(), &band::SPACE_ABOVE), &band::SPACE_BELOW);
    let columns = vec![column("quick-pictures", pictures)?, column("quick-words", beside)?];
    let band = Band { id: BandId::try_from("quick")?, kept: None, values, columns };
    Ok(Layout { frame: Frame::None, bands: vec![band], ..Layout::default() })
}

fn small_gallery(page: &Piece) -> Piece {
    let none = SetValue::Text("dots".into());
    let values = Values::default().with(Device::Wide, &gallery::THUMBNAILS, none);
    Piece { values, ..page.clone() }
}

/// A piece without the way of choosing that its page has set.
fn by_the_book(mut piece: Piece) -> Piece {
    for device in Device::ALL {
        piece.values.of_mut(device).remove(options::SHOWN_AS.key);
    }
    piece
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::ids::PieceId;
    use crate::page::piece::buy_button;

    fn piece(id: &str, kind: Kind, values: Values) -> Piece {
        Piece { id: PieceId::try_from(id).unwrap(), kind, values }
    }

    #[test]
    fn a_quick_look_takes_the_pages_pieces_with_their_settings_in_its_own_order() {
        let words = SetValue::Text("Take it home".into());
        let list = SetValue::Text("list".into());
        let mut page = Layout::default();
        page.bands.push(Band {
            id: BandId::try_from("all").unwrap(),
            kept: None,
            values: Values::default(),
            columns: vec![Column {
                id: ColumnId::try_from("one").unwrap(),
                width: 12,
                pieces: vec![
                    piece(
                        "buy",
                        Kind::BuyButton,
                        Values::default().with(Device::Wide, &buy_button::WORDS, words),
                    ),
                    piece("details", Kind::Details, Values::default()),
                    piece(
                        "choose",
                        Kind::Options,
                        Values::default().with(Device::Wide, &options::SHOWN_AS, list),
                    ),
                    piece("title", Kind::Title, Values::default()),
                    piece("pictures", Kind::Gallery, Values::default()),
                    piece("buy-again", Kind::BuyButton, Values::default()),
                ],
            }],
        });
        let quick = quick_look(&page).unwrap();
        let ids: Vec<&str> = quick.pieces().map(|piece| piece.id.as_str()).collect();
        assert_eq!(ids, ["pictures", "title", "choose", "buy"]);
        assert_eq!(quick.frame, Frame::None);
        let of = |id: &str| quick.piece(&PieceId::try_from(id).unwrap()).unwrap().values.clone();
        assert!(of("choose").is_empty(), "chosen as the swatch book says");
        assert_eq!(
            of("pictures").wide["thumbnails"],
            SetValue::Text("dots".into()),
            "there is no room for more"
        );
        assert_eq!(of("buy").wide["words"], SetValue::Text("Take it home".into()));
    }
}

use super::Drawn;
use crate::piece::wish_button;
use compagina_core::page::Device;
use compagina_core::page::piece::card::marks::MarkPlace;
use compagina_core::page::piece::card::wish::{AT, KEPT, WORDS};

/// How it is drawn: over the picture as a heart alone.
pub(in crate::piece) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| {
        let words = |setting| styled.chain.text(setting, Device::Wide);
        let alone = styled.choice(&AT, Device::Wide) != Some(MarkPlace::Line);
        Some(wish_button::button(
            ctx,
            (&words(&WORDS), &words(&KEPT)),
            if alone { "alone" } else { "" },
            true,
        ))
    },
    ..Drawn::NOTHING
};

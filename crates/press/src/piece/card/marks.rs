use super::Drawn;
use crate::piece::gallery::{badges, mark_slots};

/// How it is drawn: a mark of each kind, of which the choice shows one.
pub(in crate::piece) const DRAWN: Drawn =
    Drawn { draw: |ctx, _| Some(badges(ctx)), slots: |ctx, _| mark_slots(ctx), ..Drawn::NOTHING };

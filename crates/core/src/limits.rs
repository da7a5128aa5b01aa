//! Limits that hold everywhere: how large a number and how odd a sign may be that somebody hands in.

/// The largest price that can be typed, in minor units: 100 million pounds. A hundred pieces of it times a cart full of
/// lines are still far from what the arithmetic holds.
pub const MOST_MINOR: i64 = 10_000_000_000;

/// The most of one line.
pub const MOST_OF_ONE: u32 = 99;

/// The largest number of a rule or a plan: what a browser can hold exactly (IEEE 754, 2^53 - 1).
pub const MOST_ID: u64 = 9_007_199_254_740_991;

/// Whether a price in minor units can be kept: from zero up to [`MOST_MINOR`].
#[must_use]
pub fn is_price(minor: i64) -> bool {
    (0..=MOST_MINOR).contains(&minor)
}

/// Whether a sign can't be seen where it stands, and may turn round or hide what stands beside it: control characters, the
/// marks that change the direction of reading (Unicode Standard Annex 9, section 2), line separators, spaces without width.
/// What joins letters or pictures (U+200C, U+200D) and the hyphen that shows only at a line's end belong to writing.
#[must_use]
pub fn is_unseen(sign: char) -> bool {
    sign.is_control()
        || matches!(sign, '\u{200B}' | '\u{2028}'..='\u{202E}' | '\u{2060}'..='\u{206F}' | '\u{FEFF}' | '\u{FFF9}'..='\u{FFFB}')
}

/// A number above all that are taken, or, where that would be too large, the least one that is free.
#[must_use]
pub fn free_id(taken: impl Iterator<Item = u64>) -> u64 {
    let taken: std::collections::BTreeSet<u64> = taken.collect();
    let above = taken.last().map_or(1, |last| last.saturating_add(1));
    if above <= MOST_ID { above } else { (1..).find(|free| !taken.contains(free)).unwrap_or(1) }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn signs_that_hide_or_turn_round_are_told_from_those_that_join() {
        for unseen in ['\u{202E}', '\u{2066}', '\u{200B}', '\u{FEFF}', '\n', '\u{7}', '\u{2028}'] {
            assert!(is_unseen(unseen), "{unseen:?}");
        }
        for seen in ['a', 'é', ' ', '\u{A0}', '\u{200D}', '\u{AD}', '鯨'] {
            assert!(!is_unseen(seen), "{seen:?}");
        }
    }

    #[test]
    fn a_free_number_is_found_beside_the_largest_ones() {
        assert_eq!(free_id([].into_iter()), 1);
        assert_eq!(free_id([3, 1].into_iter()), 4);
        assert_eq!(free_id([u64::MAX, 1, 2].into_iter()), 3);
    }
}

use serde::{Deserialize, Serialize};

/// What one buyer says.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Review {
    /// 1 to 5.
    pub stars: u8,
    /// Its title.
    pub title: String,
    /// The text.
    pub text: String,
    /// Who wrote it.
    pub who: String,
    /// As `2026-11-24`.
    pub day: String,
}

/// How many buyers gave how many stars; one star first.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
pub struct Rating {
    /// How many gave one star, two, up to five.
    pub counts: [u32; 5],
}

impl Rating {
    /// How many reviews there are.
    #[must_use]
    pub fn count(&self) -> u32 {
        self.counts.iter().sum()
    }
    /// The average in tenths of a star, rounded to the nearest; nothing without reviews.
    #[must_use]
    pub fn tenths(&self) -> Option<u32> {
        let count = u64::from(self.count());
        let sum: u64 = self.counts.iter().zip(1u64..).map(|(n, stars)| u64::from(*n) * stars).sum();
        let rounded = (sum * 20 + count).checked_div(count * 2)?;
        u32::try_from(rounded).ok()
    }
    /// The share of one number of stars, 1 to 5, in whole percent, rounded down.
    #[must_use]
    pub fn percent(&self, stars: u8) -> u32 {
        let given = self.counts.get(usize::from(stars).wrapping_sub(1)).copied().unwrap_or(0);
        (u64::from(given) * 100)
            .checked_div(u64::from(self.count()))
            .and_then(|p| u32::try_from(p).ok())
            .unwrap_or(0)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_average_is_rounded_to_a_tenth_and_missing_without_reviews() {
        assert_eq!(Rating::default().tenths(), None);
        assert_eq!(Rating { counts: [0, 0, 0, 1, 2] }.tenths(), Some(47));
        assert_eq!(Rating { counts: [1, 0, 0, 0, 1] }.tenths(), Some(30));
        assert_eq!(Rating { counts: [0, 0, 0, 1, 1] }.tenths(), Some(45));
        assert_eq!(Rating { counts: [0, 0, 0, 0, 3] }.tenths(), Some(50));
    }

    #[test]
    fn shares_never_overstate() {
        let rating = Rating { counts: [1, 0, 0, 0, 2] };
        assert_eq!((rating.percent(5), rating.percent(1), rating.percent(3)), (66, 33, 0));
        assert_eq!((rating.percent(0), rating.percent(6), Rating::default().percent(5)), (0, 0, 0));
    }
}

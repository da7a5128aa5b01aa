//! Products that are sold apart and belong together: they are shown as if they were values of one option. A product stands
//! in any number of sets, in at most one of a name.

use super::Standing;
use super::journal::SiblingsRow;
use crate::ids::{Handle, ProductId, SiblingsId};
use crate::letters::{folded, words_of};
use crate::limits::is_unseen;
use crate::swatch::{Swatch, SwatchSource};
use serde::{Deserialize, Serialize};
use std::collections::{BTreeMap, BTreeSet};

/// Products of a set, at the most.
pub const MOST_SIBLINGS: usize = 40;

/// Characters of a set's name and of a label, at the most.
const LONGEST: usize = 60;

/// A set as it is shown.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Siblings {
    /// Its number.
    pub id: SiblingsId,
    /// Its name, as an option has one.
    pub name: String,
    /// Whether listings show one card for all of them.
    pub one_card: bool,
    /// Its products, in their order.
    pub members: Vec<Sibling>,
}

/// A product of a set.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Sibling {
    /// The product.
    pub product: ProductId,
    /// By which owners name it.
    pub handle: Handle,
    /// Where its page stands.
    pub address: Handle,
    /// Its name.
    pub name: String,
    /// What it is called among the others.
    pub label: String,
    /// What it shows in place of its label.
    pub swatch: Swatch,
    /// Where that comes from.
    pub from: SwatchSource,
    /// How it stands in the shop.
    pub standing: Standing,
    /// The values by which it is chosen, by their options.
    pub values: BTreeMap<Handle, BTreeSet<Handle>>,
}

impl Siblings {
    /// Those that a shopper finds on the page of one of them: itself, and whatever stands in listings. Nothing where no other
    /// one is left.
    #[must_use]
    pub fn shown_on(&self, product: ProductId) -> Vec<&Sibling> {
        let all: Vec<&Sibling> =
            self.members.iter().filter(|one| one.product == product || one.is_listed()).collect();
        if all.len() < 2 || all.iter().all(|one| one.product != product) { vec![] } else { all }
    }
}

impl Sibling {
    /// Whether shoppers find it in listings.
    #[must_use]
    pub fn is_listed(&self) -> bool {
        matches!(self.standing, Standing::OnSale | Standing::SoldOut | Standing::ComingSoon)
    }
}

/// Why products can't be siblings so.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum SiblingsError {
    /// A set needs a name, such as “Colour”.
    #[error("a set needs a name, such as “Colour”")]
    NoName,
    /// “{text}…” is too long; a set's name and a label have at most {LONGEST} characters.
    #[error("“{text}…” is too long; a set’s name and a label have at most {LONGEST} characters")]
    TooLong {
        /// How it begins.
        text: String,
    },
    /// A set needs two products at least.
    #[error("a set needs two products at least")]
    TooFew,
    /// A set has at most {MOST_SIBLINGS} products.
    #[error("a set has at most {MOST_SIBLINGS} products")]
    TooMany,
    /// A product stands twice in it.
    #[error("a product stands twice in the set")]
    Twice,
    /// A product without a label.
    #[error("each product needs a label; one has none")]
    NoLabel,
    /// Two labels are the same.
    #[error("“{label}” is the label of two products; shoppers couldn’t tell them apart")]
    SameLabel {
        /// The label.
        label: String,
    },
    /// A swatch that can't be drawn.
    #[error("the swatch of “{label}” can’t be drawn; choose one to four colours, or a picture")]
    Swatch {
        /// Whose.
        label: String,
    },
    /// A product stands in another set of this name.
    #[error("“{product}” stands in another set with the name “{name}”; a product is in one set of a name")]
    InAnother {
        /// The product's name.
        product: String,
        /// The set's name.
        name: String,
    },
}

/// A set with its texts as they are kept: without room before and behind, and in one line.
#[must_use]
pub fn tidied_siblings(mut set: SiblingsRow) -> SiblingsRow {
    let tidy = |text: &str| text.split_whitespace().collect::<Vec<_>>().join(" ");
    set.name = tidy(&set.name);
    set.members.iter_mut().for_each(|one| one.label = tidy(&one.label));
    set
}

/// Checks a set by itself.
///
/// # Errors
/// The first [`SiblingsError`], but for [`SiblingsError::InAnother`].
pub fn check_siblings(set: &SiblingsRow) -> Result<(), SiblingsError> {
    let fits = |text: &str| match text.chars().count() <= LONGEST && !text.chars().any(is_unseen) {
        true => Ok(()),
        false => Err(SiblingsError::TooLong { text: text.chars().take(20).collect() }),
    };
    if folded(&set.name).is_empty() {
        return Err(SiblingsError::NoName);
    }
    fits(&set.name)?;
    match set.members.len() {
        0 | 1 => return Err(SiblingsError::TooFew),
        many if many > MOST_SIBLINGS => return Err(SiblingsError::TooMany),
        _ => {}
    }
    let (mut products, mut labels) = (BTreeSet::new(), BTreeSet::new());
    for one in &set.members {
        if one.label.is_empty() {
            return Err(SiblingsError::NoLabel);
        }
        fits(&one.label)?;
        if !products.insert(one.product) {
            return Err(SiblingsError::Twice);
        }
        if !labels.insert(one.label.to_lowercase()) {
            return Err(SiblingsError::SameLabel { label: one.label.clone() });
        }
        if one.swatch.as_ref().is_some_and(|swatch| !swatch.is_sound()) {
            return Err(SiblingsError::Swatch { label: one.label.clone() });
        }
    }
    Ok(())
}

/// Of several names those that share a beginning with the one at a place: its first word, itself among them.
#[must_use]
pub fn begin_alike(names: &[&str], place: usize) -> Vec<usize> {
    let first = |name: &str| words_of(name).into_iter().next();
    let Some(wanted) = names.get(place).and_then(|name| first(name)) else { return vec![] };
    (0..names.len()).filter(|at| first(names[*at]).as_ref() == Some(&wanted)).collect()
}

/// What products are called among one another: their names without the words with which all of them begin. One of whose
/// name nothing would be left keeps it whole.
#[must_use]
pub fn labels_of(names: &[&str]) -> Vec<String> {
    let words: Vec<Vec<&str>> = names.iter().map(|name| name.split_whitespace().collect()).collect();
    let alike = |at: usize| {
        let of = |words: &Vec<&str>| words.get(at).map(|word| folded(word));
        let first = words.first().and_then(of);
        first.is_some() && words.iter().all(|words| of(words) == first)
    };
    let shared = if names.len() < 2 { 0 } else { (0..).take_while(|at| alike(*at)).count() };
    let label = |words: &Vec<&str>| {
        let left = words.get(shared..).unwrap_or_default().join(" ");
        let left = left.trim_start_matches([',', ';', ':', '-', '–', '—', '/', '(']).trim();
        let left = if left.contains('(') { left } else { left.trim_end_matches(')') };
        if folded(left).is_empty() { words.join(" ") } else { left.to_owned() }
    };
    words.iter().map(label).map(|label| label.chars().take(LONGEST).collect()).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::journal::SiblingRow;

    fn set(labels: &[&str]) -> SiblingsRow {
        let one = |(n, label): (u64, &&str)| SiblingRow {
            product: ProductId(n),
            label: (*label).to_owned(),
            swatch: None,
        };
        SiblingsRow { name: "Colour".into(), one_card: false, members: (1..).zip(labels).map(one).collect() }
    }

    #[test]
    fn a_set_is_sound_or_says_why_not() {
        assert_eq!(check_siblings(&set(&["Ember", "Slate"])), Ok(()));
        let with = |change: fn(&mut SiblingsRow)| {
            let mut set = set(&["Ember", "Slate"]);
            change(&mut set);
            check_siblings(&tidied_siblings(set)).unwrap_err()
        };
        assert_eq!(with(|set| set.name = " – ".into()), SiblingsError::NoName);
        assert!(matches!(with(|set| set.name = "x".repeat(61)), SiblingsError::TooLong { .. }));
        assert_eq!(with(|set| set.members.truncate(1)), SiblingsError::TooFew);
        assert_eq!(with(|set| set.members[1].label = "  ".into()), SiblingsError::NoLabel);
        assert_eq!(with(|set| set.members[1].product = ProductId(1)), SiblingsError::Twice);
        let same = SiblingsError::SameLabel { label: "ember".into() };
        assert_eq!(with(|set| set.members[1].label = " ember ".into()), same);
        let swatch =
            |set: &mut SiblingsRow| set.members[0].swatch = Some(Swatch::Colours { colours: vec![] });
        assert_eq!(with(swatch), SiblingsError::Swatch { label: "Ember".into() });
        let many: Vec<String> = (0..=MOST_SIBLINGS).map(|n| n.to_string()).collect();
        let many: Vec<&str> = many.iter().map(String::as_str).collect();
        assert_eq!(check_siblings(&set(&many)), Err(SiblingsError::TooMany));
    }

    #[test]
    fn labels_are_what_is_left_of_names_that_begin_alike() {
        assert_eq!(
            labels_of(&["Dunlin Ember", "Dunlin – Sea green", "DUNLIN, Slate"]),
            ["Ember", "Sea green", "Slate"]
        );
        assert_eq!(
            labels_of(&["Dunlin Ember", "Dunlin – Sea green", "dunlin (Slate)"]),
            ["Ember", "Sea green", "Slate"]
        );
        assert_eq!(labels_of(&["Whimbrel", "Whimbrel Mini"]), ["Whimbrel", "Mini"]);
        assert_eq!(labels_of(&["Whimbrel", "Godwit"]), ["Whimbrel", "Godwit"]);
        assert_eq!(labels_of(&["Line 3 mm × 20 m", "Line 3 mm × 40 m"]), ["20 m", "40 m"]);
        assert_eq!(labels_of(&["Alone here"]), ["Alone here"]);
        assert_eq!(labels_of(&[]), Vec::<String>::new());
    }

    #[test]
    fn names_with_the_same_first_word_belong_together() {
        let names = ["Whimbrel", "Dunlin", "whimbrel mini", "Godwit", "–"];
        assert_eq!(begin_alike(&names, 0), [0, 2]);
        assert_eq!(begin_alike(&names, 3), [3]);
        assert_eq!(begin_alike(&names, 4), Vec::<usize>::new());
        assert_eq!(begin_alike(&names, 9), Vec::<usize>::new());
    }

    fn sibling(product: u64, standing: Standing) -> Sibling {
        Sibling {
            product: ProductId(product),
            handle: Handle::try_from("other").unwrap(),
            address: Handle::try_from("other").unwrap(),
            name: "Other".into(),
            label: "Other".into(),
            swatch: Swatch::Text,
            from: SwatchSource::Text,
            standing,
            values: BTreeMap::new(),
        }
    }

    #[test]
    fn what_cannot_be_visited_is_not_shown_and_one_alone_is_none() {
        let standings =
            [Standing::Withdrawn, Standing::OnSale, Standing::SoldOut, Standing::ComingSoon, Standing::New];
        let members = (1..).zip(standings).map(|(n, standing)| sibling(n, standing)).collect();
        let set = Siblings { id: SiblingsId(1), name: "Model".into(), one_card: false, members };
        let shown = |of: u64| set.shown_on(ProductId(of)).iter().map(|one| one.product.0).collect::<Vec<_>>();
        assert_eq!(shown(2), [2, 3, 4]);
        assert_eq!(shown(1), [1, 2, 3, 4], "its own page is there");
        assert_eq!(shown(9), Vec::<u64>::new(), "it isn't one of them");
        let two = Siblings { members: set.members[..2].to_vec(), ..set.clone() };
        assert_eq!(two.shown_on(ProductId(2)), Vec::<&Sibling>::new(), "the other one is withdrawn");
    }
}

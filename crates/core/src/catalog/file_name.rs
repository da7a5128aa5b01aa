//! What a picture's file name says about the option values that it belongs to.

use super::{Product, ProductValue};
use crate::ids::{OptionId, ValueId};
use crate::letters::{stem_of, words_of};

/// A value that a file name seems to mean.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Proposal {
    /// The option that the name speaks of.
    pub option: OptionId,
    /// The value that it speaks of.
    pub value: ValueId,
}

/// Values of the product whose names stand in a file name as whole words: `whimbrel_Ember-2.JPG` means *Ember*. Letters
/// are folded, so case, accents and signs don't matter. Of two values one of which contains the other, *Sea green* and
/// *Green*, only the longer is meant; where several values of one option are named none is proposed, for the file says
/// nothing certain.
#[must_use]
pub fn propose(file: &str, product: &Product) -> Vec<Proposal> {
    let words = words_of(stem_of(file));
    let mut found = Vec::new();
    for option in &product.options {
        let mut named: Vec<(Vec<String>, &ProductValue)> = option
            .values
            .iter()
            .map(|value| (words_of(&value.name), value))
            .filter(|(name, _)| stands_in(name, &words))
            .collect();
        let all: Vec<Vec<String>> = named.iter().map(|(name, _)| name.clone()).collect();
        named.retain(|(name, _)| !all.iter().any(|other| other.len() > name.len() && stands_in(name, other)));
        if let [(_, value)] = named.as_slice() {
            found.push(Proposal { option: option.id, value: value.id });
        }
    }
    found
}

fn stands_in(name: &[String], words: &[String]) -> bool {
    !name.is_empty() && words.windows(name.len()).any(|part| part == name)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::product;

    fn kite(names: &[&str]) -> Product {
        let count = u16::try_from(names.len()).unwrap();
        let mut kite = product(&[("colour", count)]);
        for (value, name) in kite.options[0].values.iter_mut().zip(names) {
            (*name).clone_into(&mut value.name);
        }
        kite
    }

    fn named(file: &str, names: &[&str]) -> Vec<String> {
        let kite = kite(names);
        let name =
            |p: Proposal| kite.options[0].values.iter().find(|v| v.id == p.value).unwrap().name.clone();
        propose(file, &kite).into_iter().map(name).collect()
    }

    #[test]
    fn a_value_named_as_a_word_is_proposed() {
        assert_eq!(named("whimbrel_Ember-2.JPG", &["Ember", "Dusk"]), ["Ember"]);
        assert_eq!(named("Sea Green (3).png", &["Green", "Sea green"]), ["Sea green"]);
        assert_eq!(named("c:\\pictures\\crème brulée.webp", &["Creme Brulee"]), ["Creme Brulee"]);
        assert_eq!(named("cre\u{301}me.webp", &["Crème"]), ["Crème"]);
    }

    #[test]
    fn part_of_a_word_several_values_or_none_propose_nothing() {
        assert!(named("december.jpg", &["Ember"]).is_empty());
        assert!(named("ember-and-dusk.jpg", &["Ember", "Dusk"]).is_empty());
        assert!(named("IMG_2041.jpg", &["Ember", "Dusk"]).is_empty());
        assert!(named(".jpg", &["Ember"]).is_empty());
    }
}

//! Sentences that product pages and the pages around them have in common.

use compagina_core::pay::Provider;
use compagina_core::price::{Hindrance, Next};
use compagina_core::wording::{Arg, Words};

/// `2 more, and each costs £10.80 (−10 %)`
pub(crate) fn say_next(words: &Words, unit: &str, next: Next) -> String {
    let percent = next.percent.to_string();
    let arguments =
        [("count", Arg::Number(next.more)), ("amount", Arg::Text(unit)), ("percent", Arg::Text(&percent))];
    words.say_with("ladder-next", &arguments)
}

/// What a provider is called: the card is no name but a word.
pub(crate) fn provider_name(words: &Words, provider: &Provider) -> String {
    if provider.id == "card" { words.say("pay-card") } else { provider.name.to_owned() }
}

/// Why a shopper can't have something, as a sentence.
#[must_use]
pub fn say_hindrance(words: &Words, hindrance: &Hindrance) -> String {
    let count = |key, number: u32| words.say_with(key, &[("count", Arg::Number(number))]);
    match hindrance {
        Hindrance::ComingSoon => words.say("not-yet-sold"),
        Hindrance::Withdrawn => words.say("no-longer-sold"),
        Hindrance::ChooseFirst(_) => words.say("choose-first"),
        Hindrance::NotMade => words.say("not-made"),
        Hindrance::SoldOut => words.say("is-sold-out"),
        Hindrance::OnlyLeft(left) => count("only-left", *left),
        Hindrance::MostPerOrder(most) => count("hint-most", *most),
        Hindrance::LeastPerOrder(least) => count("hint-least", *least),
        Hindrance::InSteps(step) => count("hint-steps", *step),
        Hindrance::PlanGone => words.say("plan-gone"),
        Hindrance::TextNotTaken => words.say("text-not-taken"),
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use compagina_core::money::{Currency, Money};
    use compagina_core::pay::PROVIDERS;
    use compagina_core::wording::Language;
    use std::collections::BTreeSet;

    fn all() -> Vec<Hindrance> {
        vec![
            Hindrance::ComingSoon,
            Hindrance::Withdrawn,
            Hindrance::ChooseFirst(vec![0]),
            Hindrance::NotMade,
            Hindrance::SoldOut,
            Hindrance::OnlyLeft(3),
            Hindrance::MostPerOrder(4),
            Hindrance::LeastPerOrder(5),
            Hindrance::InSteps(6),
            Hindrance::PlanGone,
            Hindrance::TextNotTaken,
        ]
    }

    #[test]
    fn whatever_hinders_is_told_in_a_sentence_of_its_own_in_each_language() {
        let mut told = BTreeSet::new();
        for language in Language::ALL {
            let words = Words::of(language);
            for hindrance in all() {
                let sentence = say_hindrance(&words, &hindrance);
                assert!(sentence.split_whitespace().count() > 1, "{hindrance:?}: {sentence}");
                assert!(!sentence.contains(['{', '$']), "{sentence}");
                assert!(told.insert(sentence.clone()), "{hindrance:?}: {sentence}");
            }
        }
    }

    #[test]
    fn a_number_that_hinders_is_in_the_sentence() {
        for language in Language::ALL {
            let words = Words::of(language);
            for (number, hindrance) in [
                ("3", Hindrance::OnlyLeft(3)),
                ("4", Hindrance::MostPerOrder(4)),
                ("5", Hindrance::LeastPerOrder(5)),
                ("6", Hindrance::InSteps(6)),
            ] {
                let sentence = say_hindrance(&words, &hindrance);
                assert!(sentence.contains(number), "{sentence}");
            }
        }
        let words = Words::of(Language::En);
        let (one, two) =
            (say_hindrance(&words, &Hindrance::OnlyLeft(1)), say_hindrance(&words, &Hindrance::OnlyLeft(2)));
        assert_ne!(one.replace('1', ""), two.replace('2', ""), "one is told otherwise than two");
    }

    #[test]
    fn the_next_step_down_is_told_with_its_number_its_price_and_what_it_saves() {
        let pounds = Money::new(1_080, Currency::from_code("GBP").unwrap());
        let said = say_next(&Words::of(Language::En), "£10.80", Next { more: 2, unit: pounds, percent: 10 });
        for part in ["2", "£10.80", "10"] {
            assert!(said.contains(part), "{said}");
        }
    }

    #[test]
    fn a_card_is_a_word_and_everything_else_a_name() {
        let (en, de) = (Words::of(Language::En), Words::of(Language::De));
        for provider in &PROVIDERS {
            let names = [&en, &de].map(|words| provider_name(words, provider));
            assert_eq!(names[0] == names[1], provider.id != "card", "{names:?}");
            assert!(!names[0].is_empty());
        }
    }
}

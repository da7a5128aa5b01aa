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

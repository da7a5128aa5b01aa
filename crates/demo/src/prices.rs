//! The price rules with which the demo shop opens: a ladder, and a sale that is planned.

use crate::handle;
use compagina_core::price::{Counted, Effect, Local, PriceBook, PriceRule, RuleId, RuleReach, Step};

/// The rules in force, in their order.
#[must_use]
pub fn prices() -> PriceBook {
    let percent = |from, hundredths| Step { from, effect: Effect::Percent { hundredths } };
    let by_number = PriceRule {
        id: RuleId(1),
        name: "Lines by the number".into(),
        reach: RuleReach::Types { types: vec![handle("Lines and winders")] },
        except: vec![],
        steps: vec![percent(3, 500), percent(6, 1000), percent(12, 2000)],
        counted: Counted::Lines,
        total: None,
        from: None,
        until: None,
        on: true,
    };
    let spring = PriceRule {
        id: RuleId(2),
        name: "First winds of spring".into(),
        reach: RuleReach::Types { types: vec![handle("Single-line kites")] },
        steps: vec![percent(1, 1500)],
        counted: Counted::Product,
        from: local("2027-03-20T08:00"),
        until: local("2027-04-05T00:00"),
        ..by_number.clone()
    };
    PriceBook { rules: vec![by_number, spring], ..PriceBook::default() }
}

fn local(text: &str) -> Option<Local> {
    Local::try_from(text.to_owned()).ok()
}

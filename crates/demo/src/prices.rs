//! The prices with which the demo shop opens: a ladder, a sale that is planned, what goes with a kite for less, plans, and
//! the tax.

use crate::handle;
use compagina_core::price::{
    Counted, Effect, Period, Plan, PlanId, PriceBook, PriceRule, RuleId, RuleReach, SavedOn, Step, Vat,
};
use compagina_core::time::Local;

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
        with: vec![],
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
    let kites = ["Whimbrel", "Whimbrel Mini", "Dunlin"];
    let care = PriceRule {
        id: RuleId(3),
        name: "Care for a new kite".into(),
        reach: RuleReach::Products { products: vec![handle("Line care kit")] },
        steps: vec![percent(1, 2500)],
        counted: Counted::Product,
        with: kites.map(handle).into(),
        ..by_number.clone()
    };
    PriceBook {
        rules: vec![by_number, spring, care],
        plans: vec![
            plan(1, "Line care kit", 8, Period::Weeks, 1000, SavedOn::All),
            plan(2, "Line care kit", 12, Period::Weeks, 500, SavedOn::All),
            Plan { once: false, ..plan(3, "Repair kit club", 3, Period::Months, 1500, SavedOn::First) },
            Plan { once: false, ..plan(4, "Repair kit club", 6, Period::Months, 0, SavedOn::All) },
        ],
        vat: Vat { hundredths: 2000, ..Vat::default() },
        ..PriceBook::default()
    }
}

fn plan(id: u64, product: &str, every: u32, period: Period, hundredths: u32, saved_on: SavedOn) -> Plan {
    let reach = RuleReach::Products { products: vec![handle(product)] };
    Plan { id: PlanId(id), reach, every, period, hundredths, saved_on, once: true }
}

fn local(text: &str) -> Option<Local> {
    Local::try_from(text.to_owned()).ok()
}

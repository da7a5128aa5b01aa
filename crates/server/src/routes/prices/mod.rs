//! The shop's price rules: a draft on the prices view, what it would move, and the bench on which prices are tried.

pub mod moves;
pub mod set;
pub mod show;
pub mod trial;

use crate::error::{ApiError, ApiResult};
use crate::reading::now;
use crate::state::State;
use compagina_core::catalog::Product;
use compagina_core::format::read_amount;
use compagina_core::ids::Handle;
use compagina_core::money::{Currency, Money};
use compagina_core::price::{
    Counted, Effect, Local, Moment, Places, PriceBook, PriceRule, Rounding, RuleId, RuleReach, Step,
    Together, Zone,
};
use compagina_storage::{Document, DocumentName, Which};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// At most so many products of a type are looked at.
const MOST_OF_TYPE: u32 = 5_000;

/// A rule as an owner writes it: amounts and percentages as plain numbers.
#[derive(Debug, Clone, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RuleForm {
    pub id: RuleId,
    pub name: String,
    pub reach: RuleReach,
    #[serde(default)]
    pub except: Vec<Handle>,
    pub steps: Vec<StepForm>,
    pub counted: Counted,
    /// A plain number; empty where the cart's total doesn't matter.
    #[serde(default)]
    pub total: String,
    /// By the shop's clocks, as `2026-11-27T09:00`; empty where it has no beginning.
    #[serde(default)]
    pub from: String,
    #[serde(default)]
    pub until: String,
    pub on: bool,
}

#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum StepKind {
    Percent,
    Amount,
    Fixed,
}

#[derive(Debug, Clone, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct StepForm {
    pub from: u32,
    pub kind: StepKind,
    /// A plain number: percent, or an amount of the shop's currency.
    pub value: String,
}

/// Where a rule stands in time.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum RuleState {
    InForce,
    Planned,
    Over,
    Off,
}

/// A rule with what it comes to now.
#[derive(Serialize, ToSchema)]
pub struct RuleView {
    #[serde(flatten)]
    rule: RuleForm,
    state: RuleState,
    /// `5 % from 3 · 10 % from 6`
    says: String,
    /// How many products it reaches.
    products: usize,
    /// Other rules that are for some of the same products at the same time.
    meets: Vec<RuleId>,
}

/// Something with a handle, and what an owner calls it.
#[derive(Serialize, ToSchema)]
pub struct Named {
    handle: Handle,
    name: String,
}

#[derive(Serialize, ToSchema)]
pub struct PricesView {
    revision: u64,
    currency: Currency,
    /// What the shop's clocks show.
    now: Local,
    rules: Vec<RuleView>,
    together: Together,
    rounding: Rounding,
    places: Places,
    /// A number that no rule has yet.
    free: RuleId,
    /// What a rule can be for.
    types: Vec<Named>,
    products: Vec<Named>,
    tags: Vec<String>,
    changes_not_live: usize,
    can_undo: bool,
}

pub(super) async fn currency(state: &State) -> ApiResult<Currency> {
    Ok(state.store.shop().await?.ok_or_else(|| ApiError::no_such("shop"))?.currency)
}

/// Every product of the shop.
pub(super) async fn everything(state: &State) -> ApiResult<Vec<Product>> {
    let mut all = Vec::new();
    for kind in state.store.types().await? {
        all.extend(
            state.store.products(Which::OfType { type_id: kind.id, most: MOST_OF_TYPE, skip: 0 }).await?,
        );
    }
    Ok(all)
}

pub(super) async fn view(state: &State) -> ApiResult<PricesView> {
    let document: Document<PriceBook> = state.store.document(DocumentName::Prices).await?;
    let (currency, zone, products) =
        (currency(state).await?, state.store.zone().await?, everything(state).await?);
    let (types, book) = (state.store.types().await?, &document.draft);
    let reached: Vec<Vec<usize>> = book.rules.iter().map(|rule| reached(rule, &products)).collect();
    let rule = |(place, rule): (usize, &PriceRule)| RuleView {
        state: state_of(rule, &zone, now()),
        says: says(rule, currency),
        products: reached[place].len(),
        meets: meets(book, place, &reached),
        rule: form(rule, currency),
    };
    Ok(PricesView {
        revision: document.revision,
        currency,
        now: zone.local(now()),
        rules: book.rules.iter().enumerate().map(rule).collect(),
        together: book.together,
        rounding: book.rounding,
        places: book.places,
        free: book.free_id(),
        types: types.into_iter().map(|t| Named { handle: t.kind.handle, name: t.kind.name }).collect(),
        tags: state.store.tags().await?,
        products: products.into_iter().map(|p| Named { handle: p.handle, name: p.name }).collect(),
        changes_not_live: differences(book, &document.published),
        can_undo: document.can_undo,
    })
}

/// Places of the products that a rule reaches.
fn reached(rule: &PriceRule, products: &[Product]) -> Vec<usize> {
    products
        .iter()
        .enumerate()
        .filter(|(_, product)| rule.reaches_some(product))
        .map(|(place, _)| place)
        .collect()
}

/// Rules that are on, for some of the same products, at some of the same times.
fn meets(book: &PriceBook, place: usize, reached: &[Vec<usize>]) -> Vec<RuleId> {
    let rule = &book.rules[place];
    let at_once = |other: &PriceRule| {
        let before = |end: &Option<Local>, start: &Option<Local>| {
            end.as_ref().zip(start.as_ref()).is_some_and(|(end, start)| end <= start)
        };
        other.on && !before(&rule.until, &other.from) && !before(&other.until, &rule.from)
    };
    let others = book.rules.iter().enumerate().filter(|(other, _)| *other != place && rule.on);
    others
        .filter(|(other, one)| {
            at_once(one) && reached[*other].iter().any(|product| reached[place].contains(product))
        })
        .map(|(_, one)| one.id)
        .collect()
}

fn state_of(rule: &PriceRule, zone: &Zone, now: Moment) -> RuleState {
    if !rule.on {
        RuleState::Off
    } else if rule.until.as_ref().is_some_and(|until| zone.moment(until) <= now) {
        RuleState::Over
    } else if rule.from.as_ref().is_some_and(|from| zone.moment(from) > now) {
        RuleState::Planned
    } else {
        RuleState::InForce
    }
}

/// What it does, in a few words.
fn says(rule: &PriceRule, currency: Currency) -> String {
    let mut steps: Vec<&Step> = rule.steps.iter().collect();
    steps.sort_by_key(|step| step.from);
    let step = |step: &&Step| {
        let effect = match step.effect {
            Effect::Percent { hundredths } => format!("−{} %", percent(hundredths)),
            Effect::Amount { minor } => format!("−{}", Money::new(minor, currency).plain()),
            Effect::Fixed { minor } => format!("for {}", Money::new(minor, currency).plain()),
        };
        if step.from == 1 { effect } else { format!("{effect} from {}", step.from) }
    };
    steps.iter().map(step).collect::<Vec<_>>().join(" · ")
}

fn percent(hundredths: u32) -> String {
    match hundredths % 100 {
        0 => (hundredths / 100).to_string(),
        part => format!("{}.{part:02}", hundredths / 100).trim_end_matches('0').to_owned(),
    }
}

/// How many rules and settings differ between two books.
fn differences(a: &PriceBook, b: &PriceBook) -> usize {
    let other = |rule: &&PriceRule, book: &PriceBook| !book.rules.iter().any(|one| one == *rule);
    let changed = a.rules.iter().filter(|rule| other(rule, b)).count();
    let gone = b.rules.iter().filter(|rule| !a.rules.iter().any(|one| one.id == rule.id)).count();
    let order = |book: &PriceBook| book.rules.iter().map(|rule| rule.id).collect::<Vec<_>>();
    let moved = usize::from(changed + gone == 0 && order(a) != order(b));
    let set = [a.together != b.together, a.rounding != b.rounding, a.places != b.places];
    changed + gone + moved + set.into_iter().filter(|differs| *differs).count()
}

fn form(rule: &PriceRule, currency: Currency) -> RuleForm {
    let step = |step: &Step| {
        let (kind, value) = match step.effect {
            Effect::Percent { hundredths } => (StepKind::Percent, percent(hundredths)),
            Effect::Amount { minor } => (StepKind::Amount, Money::new(minor, currency).plain()),
            Effect::Fixed { minor } => (StepKind::Fixed, Money::new(minor, currency).plain()),
        };
        StepForm { from: step.from, kind, value }
    };
    let text = |local: &Option<Local>| local.as_ref().map(Local::to_string).unwrap_or_default();
    RuleForm {
        id: rule.id,
        name: rule.name.clone(),
        reach: rule.reach.clone(),
        except: rule.except.clone(),
        steps: rule.steps.iter().map(step).collect(),
        counted: rule.counted,
        total: rule.total.map(|minor| Money::new(minor, currency).plain()).unwrap_or_default(),
        from: text(&rule.from),
        until: text(&rule.until),
        on: rule.on,
    }
}

/// Reads a rule as it was written.
pub(super) fn read(form: RuleForm, currency: Currency) -> ApiResult<PriceRule> {
    let rule = form.name.trim().to_owned();
    let told = |why: String| ApiError::refused(format!("“{rule}”: {why}"));
    let amount = |text: &str| {
        let read = read_amount(text.trim(), currency).map_err(told)?;
        read.ok_or_else(|| told("an amount is missing".into()))
    };
    let mut steps = Vec::new();
    for step in form.steps {
        let effect = match step.kind {
            StepKind::Percent => Effect::Percent { hundredths: read_percent(&step.value).map_err(told)? },
            StepKind::Amount => Effect::Amount { minor: amount(&step.value)? },
            StepKind::Fixed => Effect::Fixed { minor: amount(&step.value)? },
        };
        steps.push(Step { from: step.from, effect });
    }
    let local = |text: String| {
        if text.is_empty() {
            Ok(None)
        } else {
            Local::try_from(text).map(Some).map_err(|why| told(why.to_string()))
        }
    };
    Ok(PriceRule {
        total: read_amount(form.total.trim(), currency).map_err(told)?,
        from: local(form.from)?,
        until: local(form.until)?,
        id: form.id,
        name: rule.clone(),
        reach: form.reach,
        except: form.except,
        steps,
        counted: form.counted,
        on: form.on,
    })
}

/// Hundredths of a percent from a plain number with at most two decimals.
fn read_percent(text: &str) -> Result<u32, String> {
    let text = text.trim();
    let (whole, part) = text.split_once('.').unwrap_or((text, ""));
    let digits = |text: &str| text.bytes().all(|b| b.is_ascii_digit());
    let sound = !whole.is_empty() && whole.len() <= 3 && digits(whole) && digits(part) && part.len() <= 2;
    let hundredths = if sound { format!("{whole}{part:0<2}").parse().ok() } else { None };
    hundredths.ok_or_else(|| format!("“{text}” is no percentage such as 12.5"))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn percentages_are_read_as_they_are_written() {
        for (text, hundredths) in
            [("5", 500), ("12.5", 1250), ("0.25", 25), ("100", 10_000), (" 33.33 ", 3333)]
        {
            assert_eq!(read_percent(text), Ok(hundredths), "{text}");
            assert_eq!(percent(hundredths), text.trim(), "{text}");
        }
        for bad in ["", "-5", "5 %", "1.234", "1e3", ".5", "12345"] {
            assert!(read_percent(bad).is_err(), "{bad}");
        }
    }
}

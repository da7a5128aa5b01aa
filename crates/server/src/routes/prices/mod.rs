//! The shop's price rules: a draft on the prices view, what it would move, and the bench on which prices are tried.

mod form;
pub mod moves;
pub mod overstated;
pub mod set;
pub mod show;
pub mod trial;

use crate::clock::now;
use crate::error::ApiResult;
use crate::serving::edition::live::{AllListed, Listed, WholeReach};
use crate::serving::edition::{everywhere, listed};
use crate::state::State;
use compagina_core::catalog::Tag;
use compagina_core::ids::Handle;
use compagina_core::money::{AmountStyle, Currency, Money};
use compagina_core::price::{
    Effect, OldFrom, PastBook, Period, Places, Plan, PlanId, PriceBook, PriceRule, Prices, Rounding, RuleId,
    RuleReach, SavedOn, Step, Together,
};
use compagina_core::time::{Local, Moment, Zone};
use compagina_storage::{Document, DocumentName};
use form::{PlanForm, RuleForm, VatForm, form, percent, plan_form, vat_form};
use serde::Serialize;
use std::collections::BTreeSet;
use std::sync::Arc;
use utoipa::ToSchema;

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

/// A plan with what it comes to.
#[derive(Serialize, ToSchema)]
pub struct PlanView {
    #[serde(flatten)]
    plan: PlanForm,
    /// `every 8 weeks, 10 % less`
    says: String,
    /// The product that it is for, or how many there are.
    of: String,
    products: usize,
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
    plans: Vec<PlanView>,
    old: OldFrom,
    vat: VatForm,
    style: AmountStyle,
    /// A number that no rule has yet.
    free: RuleId,
    free_plan: PlanId,
    /// What a rule can be for.
    types: Vec<Named>,
    /// The products that rules and plans name, and the first of the shop.
    named: Vec<Named>,
    first: Option<Named>,
    tags: Vec<Tag>,
    changes_not_live: usize,
    can_undo: bool,
    can_redo: bool,
}

pub(super) async fn currency(state: &State) -> ApiResult<Currency> {
    Ok(everywhere(state).await?.shop.currency)
}

pub(super) async fn view(state: &State) -> ApiResult<PricesView> {
    let document: Document<PriceBook> = state.store.document(DocumentName::Prices).await?;
    let (currency, zone, listed) = (currency(state).await?, state.store.zone().await?, listed(state).await?);
    let (types, book) = (state.store.types().await?, &document.draft);
    let mut rules = Vec::with_capacity(book.rules.len());
    for rule in &book.rules {
        let mut places = reached(state, &rule.reach, &listed).await?;
        places.retain(|place| !rule.except.contains(&listed[*place].facts.handle));
        rules.push(places);
    }
    let mut plans = Vec::with_capacity(book.plans.len());
    for plan in &book.plans {
        plans.push(plan_view(plan, &reached(state, &plan.reach, &listed).await?, &listed));
    }
    let rule = |(place, rule): (usize, &PriceRule)| RuleView {
        state: state_of(rule, &zone, now()),
        says: says(rule, currency, &listed),
        products: rules[place].len(),
        meets: meets(book, place, &rules),
        rule: form(rule, currency),
    };
    let called: BTreeSet<&Handle> = book.named_products().collect();
    let named = |one: &Arc<Listed>| Named { handle: one.facts.handle.clone(), name: one.name.clone() };
    Ok(PricesView {
        revision: document.revision,
        currency,
        now: zone.local(now()),
        rules: book.rules.iter().enumerate().map(rule).collect(),
        together: book.together,
        rounding: book.rounding,
        places: book.places,
        plans,
        old: book.old,
        vat: vat_form(&book.vat),
        style: book.style,
        free: book.free_id(),
        free_plan: book.free_plan(),
        types: types.into_iter().map(|t| Named { handle: t.kind.handle, name: t.kind.name }).collect(),
        tags: state.store.tags().await?,
        named: listed.iter().filter(|one| called.contains(&one.facts.handle)).map(named).collect(),
        first: listed.first().map(named),
        changes_not_live: differences(book, &document.published),
        can_undo: document.can_undo,
        can_redo: document.can_redo,
    })
}

/// A book's prices now, with what was in force before it.
pub(in crate::routes) async fn prices_of(
    state: &State,
    book: PriceBook,
    zone: Zone,
    at: Moment,
) -> ApiResult<Prices> {
    let past = state.store.past_prices().await?;
    Ok(Prices::new(Arc::new(book), zone, at).with_past(past))
}

/// The same for a draft: until now what is published is in force.
pub(in crate::routes) async fn prices_of_draft(
    state: &State,
    document: Document<PriceBook>,
    zone: Zone,
    at: Moment,
) -> ApiResult<Prices> {
    let mut past = state.store.past_prices().await?;
    past.push(PastBook { until: now(), book: Arc::new(document.published) });
    Ok(Prices::new(Arc::new(document.draft), zone, at).with_past(past))
}

/// The draft as if it came into force now.
pub(in crate::routes) async fn draft_now(state: &State) -> ApiResult<Prices> {
    let document: Document<PriceBook> = state.store.document(DocumentName::Prices).await?;
    prices_of_draft(state, document, state.store.zone().await?, now()).await
}

fn plan_view(plan: &Plan, reached: &[usize], listed: &AllListed) -> PlanView {
    let of = match *reached {
        [] => "reaches nothing".to_owned(),
        [one] => listed[one].name.clone(),
        [one, other] => format!("{} and {}", listed[one].name, listed[other].name),
        ref many => format!("{} products", many.len()),
    };
    PlanView { plan: plan_form(plan), says: plan_says(plan), of, products: reached.len() }
}

/// `every 8 weeks, 10 % less`
pub(in crate::routes) fn plan_says(plan: &Plan) -> String {
    let every = match (plan.every, plan.period) {
        (1, Period::Weeks) => "every week".to_owned(),
        (1, Period::Months) => "every month".to_owned(),
        (many, Period::Weeks) => format!("every {many} weeks"),
        (many, Period::Months) => format!("every {many} months"),
    };
    let first = if plan.saved_on == SavedOn::First { " the first time" } else { "" };
    if plan.hundredths == 0 { every } else { format!("{every}, {} % less{first}", percent(plan.hundredths)) }
}

/// Places of the products of which a rule or a plan reaches a variant, in their order.
async fn reached(state: &State, reach: &RuleReach, listed: &AllListed) -> ApiResult<Vec<usize>> {
    let reach = WholeReach::of(&state.store, reach).await?;
    let has = |one: &Arc<Listed>| one.variants > 0 && reach.holds(&one.facts);
    Ok(listed.iter().enumerate().filter(|(_, one)| has(one)).map(|(place, _)| place).collect())
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
            at_once(one)
                && reached[*other].iter().any(|product| reached[place].binary_search(product).is_ok())
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
fn says(rule: &PriceRule, currency: Currency, products: &AllListed) -> String {
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
    let told = steps.iter().map(step).collect::<Vec<_>>().join(" · ");
    if rule.with.is_empty() { told } else { format!("{told} with {}", few_names(&rule.with, products)) }
}

/// `Whimbrel or 2 others`
fn few_names(handles: &[Handle], products: &AllListed) -> String {
    let first = products.iter().find(|product| Some(&product.facts.handle) == handles.first());
    let first = first.map_or("what is gone", |product| product.name.as_str());
    match handles.len() {
        0 | 1 => first.to_owned(),
        2 => format!("{first} or another one"),
        many => format!("{first} or {} others", many - 1),
    }
}

/// How many rules and settings differ between two books.
fn differences(a: &PriceBook, b: &PriceBook) -> usize {
    let other = |rule: &&PriceRule, book: &PriceBook| !book.rules.iter().any(|one| one == *rule);
    let changed = a.rules.iter().filter(|rule| other(rule, b)).count();
    let gone = b.rules.iter().filter(|rule| !a.rules.iter().any(|one| one.id == rule.id)).count();
    let order = |book: &PriceBook| book.rules.iter().map(|rule| rule.id).collect::<Vec<_>>();
    let moved = usize::from(changed + gone == 0 && order(a) != order(b));
    let plans = a.plans.iter().filter(|plan| !b.plans.contains(plan)).count();
    let plans_gone = b.plans.iter().filter(|plan| !a.plans.iter().any(|one| one.id == plan.id)).count();
    let set = [
        a.together != b.together,
        a.rounding != b.rounding,
        a.places != b.places,
        a.old != b.old,
        a.vat != b.vat,
        a.style != b.style,
    ];
    changed + gone + moved + plans + plans_gone + set.into_iter().filter(|differs| *differs).count()
}

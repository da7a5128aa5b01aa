//! Rules, plans and rates as owners write them: amounts and percentages as plain numbers.

use crate::error::{ApiError, ApiResult};
use compagina_core::format::read_amount;
use compagina_core::ids::Handle;
use compagina_core::money::{Currency, Money};
use compagina_core::price::{
    Counted, Effect, Period, Plan, PlanId, PriceRule, RuleId, RuleReach, SavedOn, Step, TypeRate, Vat,
    VatShown,
};
use compagina_core::time::Local;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

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
    /// Only with one of these in the cart.
    #[serde(default)]
    pub with: Vec<Handle>,
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

/// A plan as an owner writes it.
#[derive(Debug, Clone, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PlanForm {
    pub id: PlanId,
    pub reach: RuleReach,
    pub every: u32,
    pub period: Period,
    /// A plain number; empty or 0 where nothing is saved.
    pub percent: String,
    pub saved_on: SavedOn,
    pub once: bool,
}

/// The rates of tax as an owner writes them.
#[derive(Debug, Clone, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct VatForm {
    /// A plain number; empty or 0 for none.
    pub percent: String,
    pub types: Vec<RateForm>,
    pub shown: VatShown,
}

#[derive(Debug, Clone, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RateForm {
    pub kind: Handle,
    pub percent: String,
}

pub(super) fn percent(hundredths: u32) -> String {
    match hundredths % 100 {
        0 => (hundredths / 100).to_string(),
        part => format!("{}.{part:02}", hundredths / 100).trim_end_matches('0').to_owned(),
    }
}

pub(super) fn form(rule: &PriceRule, currency: Currency) -> RuleForm {
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
        with: rule.with.clone(),
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
        with: form.with,
        steps,
        counted: form.counted,
        on: form.on,
    })
}

pub(super) fn plan_form(plan: &Plan) -> PlanForm {
    PlanForm {
        id: plan.id,
        reach: plan.reach.clone(),
        every: plan.every,
        period: plan.period,
        percent: percent(plan.hundredths),
        saved_on: plan.saved_on,
        once: plan.once,
    }
}

pub(super) fn read_plan(form: PlanForm) -> ApiResult<Plan> {
    Ok(Plan {
        hundredths: percent_or_none(&form.percent)?,
        id: form.id,
        reach: form.reach,
        every: form.every,
        period: form.period,
        saved_on: form.saved_on,
        once: form.once,
    })
}

pub(super) fn vat_form(vat: &Vat) -> VatForm {
    let rate = |own: &TypeRate| RateForm { kind: own.kind.clone(), percent: percent(own.hundredths) };
    VatForm {
        percent: percent(vat.hundredths),
        types: vat.types.iter().map(rate).collect(),
        shown: vat.shown,
    }
}

pub(super) fn read_vat(form: VatForm) -> ApiResult<Vat> {
    let rate = |own: RateForm| Ok(TypeRate { hundredths: percent_or_none(&own.percent)?, kind: own.kind });
    Ok(Vat {
        hundredths: percent_or_none(&form.percent)?,
        types: form.types.into_iter().map(rate).collect::<ApiResult<_>>()?,
        shown: form.shown,
    })
}

fn percent_or_none(text: &str) -> ApiResult<u32> {
    if text.trim().is_empty() { Ok(0) } else { read_percent(text).map_err(ApiError::refused) }
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

use super::Drawn;
use super::slot;
use crate::amount::{percent, plan_words};
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::plans::{HEADING, NOTE, ONCE, SAVING, THEN};
use compagina_core::price::{Extras, Plan, PlanId, SavedOn};
use compagina_core::wording::Arg;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), slots: |ctx, _| slots(ctx) };

/// The plans by which some variant can be bought, in the shop's order.
fn plans<'a>(ctx: &'a Ctx<'_>) -> Vec<&'a Plan> {
    let reaches =
        |plan: &&Plan| ctx.product.variants.iter().any(|variant| plan.reaches(ctx.product, variant));
    ctx.prices.book().plans.iter().filter(reaches).collect()
}

/// What one piece costs by a plan, or once; empty where the choice can't be bought so.
fn price(ctx: &Ctx<'_>, plan: Option<PlanId>) -> String {
    let Some(variant) = ctx.told() else { return String::new() };
    let offered = match plan {
        Some(id) => ctx.prices.plans(ctx.product, variant).any(|plan| plan.id == id),
        None => ctx.prices.can_be_bought_once(ctx.product, variant),
    };
    if !offered {
        return String::new();
    }
    let prices = ctx.prices.with_extras(Extras { plan, ..ctx.situation.extras() });
    let priced = prices.quote(ctx.product, variant, ctx.situation.quantity);
    priced.map(|priced| ctx.money(priced.quote.unit)).unwrap_or_default()
}

/// What later deliveries cost, where only the first one costs less.
fn then(ctx: &Ctx<'_>, plan: &Plan) -> String {
    let (Some(variant), SavedOn::First) = (ctx.told(), plan.saved_on) else { return String::new() };
    let later = ctx.prices.with_extras(Extras { plan: Some(plan.id), ..ctx.situation.extras() });
    match later.later(ctx.product, variant, ctx.situation.quantity) {
        Ok(amount) if plan.hundredths > 0 => {
            ctx.say_with("plan-then", &[("amount", Arg::Text(&ctx.money(amount)))])
        }
        _ => String::new(),
    }
}

fn number(plan: Option<PlanId>) -> u64 {
    plan.map_or(0, |plan| plan.0)
}

fn slots(ctx: &Ctx<'_>) -> BTreeMap<String, String> {
    let plans = plans(ctx);
    let ids = std::iter::once(None).chain(plans.iter().map(|plan| Some(plan.id)));
    let mut say: BTreeMap<String, String> =
        ids.map(|id| (format!("plan.{}", number(id)), price(ctx, id))).collect();
    say.extend(plans.iter().map(|plan| (format!("plan-then.{}", plan.id.0), then(ctx, plan))));
    say
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let plans = plans(ctx);
    if plans.is_empty() {
        return None;
    }
    let say = slots(ctx);
    let text = |key: &str| say.get(key).map_or("", String::as_str);
    let taken = ctx.told().and_then(|v| ctx.prices.plan_for(ctx.product, v, ctx.situation.plan));
    let taken = number(taken.map(|plan| plan.id));
    let row = |id: u64, name: Markup, rest: Markup| {
        let price = format!("plan.{id}");
        html! {
            label.plan data-shows=(price) hidden[text(&price).is_empty()] {
                input type="radio" form="buy" name="plan" value=(id) checked[id == taken];
                span.plan-name { (name) (rest) }
                span.plan-price { (slot(&price, text(&price))) }
            }
        }
    };
    Some(html! {
        fieldset.plans {
            legend { (styled.words(&HEADING)) }
            (row(0, styled.words(&ONCE), html! {}))
            @for plan in plans { (row(plan.id.0, html! { (plan_words(ctx.words, plan)) }, rest(ctx, styled, plan, text(&format!("plan-then.{}", plan.id.0))))) }
        }
        @if styled.has_words(&NOTE) { p.side-note { (styled.words(&NOTE)) } }
    })
}

/// What a plan saves, and what comes later.
fn rest(ctx: &Ctx<'_>, styled: &Styled<'_>, plan: &Plan, then: &str) -> Markup {
    let key = match plan.saved_on {
        SavedOn::All => "plan-saves",
        SavedOn::First => "plan-saves-first",
    };
    let saved = ctx.say_with(key, &[("percent", Arg::Text(&percent(ctx.shop.locale, plan.hundredths)))]);
    html! {
        @if plan.hundredths > 0 && styled.flag_anywhere(&SAVING) { span.plan-saving { (saved) } }
        @if styled.flag_anywhere(&THEN) { span.plan-then { (slot(&format!("plan-then.{}", plan.id.0), then)) } }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let away = |setting, class: &str| {
        if styled.chain.flag(setting, device) {
            String::new()
        } else {
            format!("{root} .{class}{{display:none}}")
        }
    };
    format!("{}{}", away(&SAVING, "plan-saving"), away(&THEN, "plan-then"))
}

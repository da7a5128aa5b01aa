use super::Drawn;
use super::slot;
use crate::ctx::{Ctx, Styled};
use crate::say::say_next;
use compagina_core::page::Device;
use compagina_core::page::piece::price_ladder::{AS, HEADING, LadderAs, NEXT, SAVING};
use compagina_core::wording::Arg;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), slots };

/// A page shows at most so many steps.
const MOST_RUNGS: usize = 12;

/// The numbers of pieces from which some variant may cost less; fewer than two where there is no ladder.
fn rungs(ctx: &Ctx<'_>) -> Vec<u32> {
    ctx.prices.steps(ctx.product).into_iter().take(MOST_RUNGS).collect()
}

fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    let (rungs, mut say) = (rungs(ctx), BTreeMap::new());
    let Some(variant) = ctx.told().filter(|_| rungs.len() > 1) else { return say };
    let ladder = ctx.prices.ladder(ctx.product, variant);
    let base = ladder.first().map_or(0, |(_, unit)| unit.minor);
    for from in &rungs {
        let unit = ladder.iter().find(|(step, _)| step == from).map(|(_, unit)| *unit);
        say.insert(name(styled, "price", *from), unit.map_or_else(String::new, |unit| ctx.money(unit)));
        let percent = unit.map_or(0, |unit| i128::from(base - unit.minor) * 100 / i128::from(base.max(1)));
        let percent = u32::try_from(percent).unwrap_or(0);
        let saving = ctx.say_with("mark-saving", &[("percent", Arg::Number(percent))]);
        say.insert(name(styled, "saving", *from), if percent > 0 { saving } else { String::new() });
    }
    let reached =
        ladder.iter().rev().find(|(from, _)| *from <= ctx.situation.quantity).map_or(1, |(from, _)| *from);
    say.insert(format!("rung.{}", styled.id()), reached.to_string());
    let next = ctx.offer.next.map(|next| say_next(ctx.words, &ctx.money(next.unit), next));
    say.insert(format!("next.{}", styled.id()), next.unwrap_or_default());
    say
}

fn name(styled: &Styled<'_>, what: &str, from: u32) -> String {
    format!("ladder-{what}.{}.{from}", styled.id())
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let rungs = rungs(ctx);
    if rungs.len() < 2 {
        return None;
    }
    let say = slots(ctx, styled);
    let text = |key: &str| say.get(key).map_or("", String::as_str);
    let reached = format!("rung.{}", styled.id());
    let class = styled.choice(&AS, Device::Wide).map_or("table", |kind| match kind {
        LadderAs::Table => "table",
        LadderAs::Steps => "steps",
    });
    Some(html! {
        (styled.heading(&HEADING))
        table class={ "ladder " (class) } data-rungs=(reached) {
            thead.unseen { tr { th { (ctx.say("ladder-pieces")) } th { (ctx.say("ladder-each")) } th { (ctx.say("ladder-saving")) } } }
            tbody {
                @for (place, from) in rungs.iter().enumerate() {
                    @let (price, saving) = (name(styled, "price", *from), name(styled, "saving", *from));
                    tr data-rung=(from) data-shows=(price) hidden[text(&price).is_empty()]
                        aria-current=[(text(&reached) == from.to_string()).then_some("true")]
                        style={ "--share:" (place) "/" (rungs.len()) } {
                        th scope="row" { (ctx.say_with("ladder-from", &[("count", Arg::Number(*from))])) }
                        td { (slot(&price, text(&price))) }
                        td.saving-cell { (slot(&saving, text(&saving))) }
                    }
                }
            }
        }
        p.hint.next aria-live="polite" { (slot(&format!("next.{}", styled.id()), text(&format!("next.{}", styled.id())))) }
    })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let away = |setting, what: &str| {
        if styled.chain.flag(setting, device) {
            String::new()
        } else {
            format!("{root} {what}{{display:none}}")
        }
    };
    format!("{}{}", away(&SAVING, ".saving-cell"), away(&NEXT, ".next"))
}

use super::Drawn;
use super::options;
use crate::ctx::{Ctx, Styled};
use crate::swatch::cloth_of;
use compagina_core::catalog::{Sibling, Siblings, Standing, page_path};
use compagina_core::house::looks::Names;
use compagina_core::ids::Handle;
use compagina_core::letters::folded;
use compagina_core::page::piece::options::{BUTTONS_AS, NAMES, SOLD_OUT};
use compagina_core::page::piece::siblings::{SETS, SHOWN_AS, SiblingsAs};
use compagina_core::page::{Choice, Device};
use maud::{Markup, html};
use std::collections::{BTreeMap, BTreeSet};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw,
    css: |root, styled, device, _| options::css(root, styled, device),
    slots: |ctx, _| slots(ctx),
};

/// A set with those of it that are shown.
pub(super) type Row<'a> = (&'a Siblings, Vec<&'a Sibling>);

/// The sets that stand here.
pub(super) fn rows<'a>(ctx: &Ctx<'a>, styled: &Styled<'_>) -> Vec<Row<'a>> {
    let only = styled.chain.lines(&SETS);
    let wanted =
        |set: &&Siblings| only.is_empty() || only.iter().any(|name| folded(name) == folded(&set.name));
    let sets = ctx.product.siblings.iter().filter(wanted);
    sets.map(|set| (set, set.shown_on(ctx.product.id))).filter(|(_, shown)| !shown.is_empty()).collect()
}

type Values = BTreeMap<Handle, BTreeSet<Handle>>;

/// What of the product's choice siblings can keep: mostly all of them the same, so that it is told once for all that do.
fn keeps<'a>(ctx: &Ctx<'a>) -> Vec<&'a Values> {
    let mut all: Vec<&Values> = vec![];
    for one in ctx.product.siblings.iter().flat_map(|set| &set.members) {
        if !all.contains(&&one.values) {
            all.push(&one.values);
        }
    }
    all
}

fn slot_of(at: usize) -> String {
    format!("keeps.{at}")
}

/// The choice as the addresses of siblings keep it.
pub(super) fn slots(ctx: &Ctx<'_>) -> BTreeMap<String, String> {
    let kept =
        |(at, values): (usize, &Values)| (slot_of(at), ctx.offer.selection.kept_by(ctx.product, values));
    keeps(ctx).into_iter().enumerate().map(kept).filter(|(_, kept)| !kept.is_empty()).collect()
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let rows = rows(ctx, styled);
    if rows.is_empty() {
        return None;
    }
    let as_set = |setting| styled.chain.text(setting, Device::Wide);
    let names = styled.choice(&NAMES, Device::Wide).unwrap_or(Names::Hover);
    let look = Look { names, swatches: as_swatches(styled) };
    Some(html! {
        div class={ "sold-" (as_set(&SOLD_OUT)) " buttons-" (as_set(&BUTTONS_AS)) " names-" (names.name()) } {
            @for (set, shown) in &rows {
                fieldset.option {
                    legend { (set.name) ": " strong { (label_of(ctx, shown)) } }
                    div.values { @for one in shown { (link(ctx, look, one)) } }
                }
            }
        }
    })
}

pub(super) fn as_swatches(styled: &Styled<'_>) -> bool {
    styled.choice(&SHOWN_AS, Device::Wide) != Some(SiblingsAs::Buttons)
}

fn label_of<'a>(ctx: &Ctx<'_>, shown: &[&'a Sibling]) -> &'a str {
    shown.iter().find(|one| one.product == ctx.product.id).map_or("", |one| one.label.as_str())
}

/// How siblings look in a row.
#[derive(Clone, Copy)]
pub(super) struct Look {
    pub names: Names,
    pub swatches: bool,
}

/// What leads to the page of another one; the own one is told and leads nowhere else.
pub(super) fn link(ctx: &Ctx<'_>, look: Look, one: &Sibling) -> Markup {
    let here = one.product == ctx.product.id;
    let at = keeps(ctx).iter().position(|values| **values == one.values).unwrap_or(0);
    let kept = ctx.offer.selection.kept_by(ctx.product, &one.values);
    let path = page_path(&one.address);
    let href = if kept.is_empty() { path } else { format!("{path}?{kept}") };
    let (state, said) = match one.standing {
        Standing::SoldOut => ("sold_out", ctx.say("state-sold-out")),
        Standing::ComingSoon => ("coming", ctx.say("mark-coming-soon")),
        _ => ("open", String::new()),
    };
    let cloth = if look.swatches { cloth_of(&one.swatch, ctx.house) } else { None };
    let told = matches!(look.names, Names::Beside | Names::Below);
    let title = (look.names == Names::Hover).then_some(&one.label);
    html! {
        a.value.swatch[cloth.is_some()].word[cloth.is_none()] href=(href) title=[title] data-state=(state)
            data-keeps=(slot_of(at)) aria-current=[here.then_some("page")] {
            @if let Some(cloth) = cloth {
                (cloth)
                @if told { span.name { (one.label) } } @else { span.unseen { (one.label) } }
            } @else { span.text { (one.label) } }
            @if !said.is_empty() { span.unseen { ", " (said) } }
        }
    }
}

use super::Drawn;
use compagina_core::catalog::Fact;
use compagina_core::letters::folded;
use compagina_core::page::piece::card::fact::{FACTS, NAMED};
use maud::html;

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| {
        let names = styled.chain.lines(&FACTS);
        let of = |name: &String| ctx.product.facts.iter().find(|fact| folded(&fact.name) == folded(name));
        let facts: Vec<&Fact> = names.iter().filter_map(of).collect();
        (!facts.is_empty()).then(|| {
            html! {
                dl.card-facts { @for fact in &facts { div { dt { (fact.name) ": " } dd { (fact.value) } } } }
            }
        })
    },
    css: |root, styled, device, _| {
        if styled.chain.flag(&NAMED, device) { String::new() } else { format!("{root} dt{{display:none}}") }
    },
    ..Drawn::NOTHING
};

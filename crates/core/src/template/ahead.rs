//! What a template's dates do on the days to come: which products change to another template then.

use super::{Candidate, Index, ProductFacts};
use crate::ids::{Handle, TemplateId};
use crate::time::{Moment, Zone};

/// A moment to come at which a template begins or ends to serve, and what changes then.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Turn {
    /// When.
    pub at: Moment,
    /// Where products go, in their order; empty where none changes.
    pub moves: Vec<Move>,
}

/// Products of one type that change from one template to another.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Move {
    /// Their type, by its handle.
    pub kind: Handle,
    /// What serves them until then.
    pub from: TemplateId,
    /// What serves them from then on.
    pub to: TemplateId,
    /// How many they are.
    pub products: usize,
}

/// What happens at the dates of one template that are still to come, the first one first.
#[must_use]
pub fn turns(
    all: &[Candidate<'_>],
    of: TemplateId,
    products: &[&ProductFacts],
    now: Moment,
    zone: &Zone,
) -> Vec<Turn> {
    let reaches = all.iter().filter(|one| one.id == of && one.reach.on).map(|one| one.reach);
    let edges = reaches.flat_map(|reach| [&reach.from, &reach.until]).flatten();
    let mut edges: Vec<_> = edges.map(|edge| zone.moment(edge)).filter(|at| *at > now).collect();
    edges.sort_unstable();
    edges
        .into_iter()
        .map(|at| {
            let before = Index::new(all.iter().copied(), Moment(at.0 - 1), zone);
            let after = Index::new(all.iter().copied(), at, zone);
            Turn { at, moves: moves(of, products, &before, &after) }
        })
        .collect()
}

fn moves(of: TemplateId, products: &[&ProductFacts], before: &Index<'_>, after: &Index<'_>) -> Vec<Move> {
    let mut moves: Vec<Move> = vec![];
    for product in products {
        let (Some(from), Some(to)) = (before.winner(product), after.winner(product)) else { continue };
        if from == to || (from != of && to != of) {
            continue;
        }
        let known = moves.iter_mut().find(|one| (&one.kind, one.from, one.to) == (&product.kind, from, to));
        match known {
            Some(one) => one.products += 1,
            None => moves.push(Move { kind: product.kind.clone(), from, to, products: 1 }),
        }
    }
    moves
}

impl Move {
    /// In one sentence: “3 products of Spares change from All products to Winter”.
    #[must_use]
    pub fn say(&self, kind: &str, name: &dyn Fn(TemplateId) -> String) -> String {
        let some = if self.products == 1 {
            format!("1 product of {kind} changes")
        } else {
            format!("{} products of {kind} change", self.products)
        };
        format!("{some} from {} to {}", name(self.from), name(self.to))
    }
}

//! The order of a type's products.

use crate::ids::ProductId;

/// The places at which products stand after one of them was put behind another, or first: only of those whose place
/// becomes another. `all` are the products of the type with their places, in their order.
#[must_use]
pub fn put_after(
    all: &[(ProductId, u32)],
    moved: ProductId,
    behind: Option<ProductId>,
) -> Vec<(ProductId, u32)> {
    let mut order: Vec<ProductId> = all.iter().map(|(id, _)| *id).filter(|id| *id != moved).collect();
    let to = behind.and_then(|behind| order.iter().position(|id| *id == behind)).map_or(0, |place| place + 1);
    order.insert(to, moved);
    // The places there are do as well, unless some of them are the same.
    let apart = all.windows(2).all(|two| two[0].1 < two[1].1);
    let places = all.iter().zip(0..).map(|((_, place), number)| if apart { *place } else { number });
    let place_of = |id: ProductId| all.iter().find(|(one, _)| *one == id).map(|(_, place)| *place);
    order.into_iter().zip(places).filter(|(id, place)| place_of(*id) != Some(*place)).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

    const A: ProductId = ProductId(1);
    const B: ProductId = ProductId(2);
    const C: ProductId = ProductId(3);
    const D: ProductId = ProductId(4);

    #[test]
    fn only_those_between_get_another_place() {
        let all = [(A, 0), (B, 3), (C, 5), (D, 6)];
        assert_eq!(put_after(&all, C, Some(A)), [(C, 3), (B, 5)]);
        assert_eq!(put_after(&all, B, Some(D)), [(C, 3), (D, 5), (B, 6)]);
        assert_eq!(put_after(&all, C, None), [(C, 0), (A, 3), (B, 5)]);
        assert_eq!(put_after(&all, B, Some(A)), [], "it stands there");
        assert_eq!(put_after(&all, A, None), []);
        assert_eq!(put_after(&all, B, Some(B)), [(B, 0), (A, 3)], "what it can't be behind comes later");
    }

    #[test]
    fn places_that_are_the_same_are_told_apart() {
        let all = [(A, 0), (B, 2), (C, 2), (D, 2)];
        assert_eq!(put_after(&all, D, Some(B)), [(B, 1), (C, 3)], "D, with 2, stands third");
        assert_eq!(put_after(&all, D, None), [(D, 0), (A, 1), (C, 3)]);
    }

    proptest! {
        /// Read again, the products stand as if the moved one had been taken out of the list and put in behind the other;
        /// and nobody's place changes who stands where it stood.
        #[test]
        fn the_order_is_what_a_list_would_come_to(places in prop::collection::vec(0u32..9, 1..12), moved in 0usize..12, behind in prop::option::of(0usize..12)) {
            let sorted = |mut all: Vec<(ProductId, u32)>| {
                all.sort_by_key(|(id, place)| (*place, *id));
                all
            };
            let all = sorted((1u64..).map(ProductId).zip(places).collect());
            let moved = all[moved % all.len()].0;
            let behind = behind.map(|place| all[place % all.len()].0);
            let mut list: Vec<ProductId> = all.iter().map(|(id, _)| *id).filter(|id| *id != moved).collect();
            let to = behind.and_then(|behind| list.iter().position(|id| *id == behind)).map_or(0, |place| place + 1);
            list.insert(to, moved);

            let changed = put_after(&all, moved, behind);
            let place_of = |id: ProductId, was: u32| changed.iter().find(|(one, _)| *one == id).map_or(was, |(_, place)| *place);
            let after = sorted(all.iter().map(|(id, was)| (*id, place_of(*id, *was))).collect());
            prop_assert_eq!(after.iter().map(|(id, _)| *id).collect::<Vec<_>>(), list);
            for (id, place) in &changed {
                prop_assert!(!all.contains(&(*id, *place)), "only what becomes another is named");
            }
        }
    }
}

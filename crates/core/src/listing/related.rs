//! Which products stand beside another one.

use crate::catalog::{Product, Tag};
use crate::ids::{Handle, ProductId};
use crate::page::piece::related::RelatedBy;
use std::cmp::Reverse;

/// Of so many orders at least both of two products have to be part before they count as bought together.
pub const LEAST_ORDERS: u64 = 5;

/// What of a product decides whether it stands beside another one. All of them stand in listings.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Beside {
    /// Its number.
    pub id: ProductId,
    /// By which owners name it.
    pub handle: Handle,
    /// Its type.
    pub kind: Handle,
    /// What it costs before rules, in minor units.
    pub price: i64,
    /// Its tags.
    pub tags: Vec<Tag>,
}

/// Which products are asked for.
#[derive(Debug, Clone, PartialEq, Eq, Hash)]
pub struct RelatedWish {
    /// By what they are chosen.
    pub by: RelatedBy,
    /// Those that the owner chose, where it is by hand.
    pub chosen: Vec<Handle>,
    /// Whether the product's siblings are left out.
    pub apart: bool,
    /// So many at the most.
    pub most: usize,
}

impl RelatedWish {
    /// Whether other products may come to stand there once something of them changes.
    #[must_use]
    pub fn is_open(&self) -> bool {
        self.by != RelatedBy::Hand
    }
}

/// How often a product was bought along with another one.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Along {
    /// The product.
    pub id: ProductId,
    /// Orders that hold both.
    pub both: u64,
    /// Orders that hold it.
    pub orders: u64,
}

/// What was bought together with a product.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Bought {
    /// All orders.
    pub orders: u64,
    /// Those that hold the product.
    pub own: u64,
    /// What they hold besides.
    pub along: Vec<Along>,
}

/// The products that stand beside one, in their order. `all` come as the owner has arranged them; `bought` is only asked
/// for where they are those bought together.
#[must_use]
pub fn related(product: &Product, all: &[Beside], bought: &Bought, wish: &RelatedWish) -> Vec<ProductId> {
    let sibling =
        |id: ProductId| product.siblings.iter().flat_map(|set| &set.members).any(|one| one.product == id);
    let mut others: Vec<&Beside> =
        all.iter().filter(|one| one.id != product.id && !(wish.apart && sibling(one.id))).collect();
    match wish.by {
        RelatedBy::Type => others.retain(|one| one.kind == product.kind.handle),
        RelatedBy::Tags => {
            let shared = |one: &Beside| one.tags.iter().filter(|tag| product.tags.contains(tag)).count();
            others.retain(|one| shared(one) > 0);
            others.sort_by_key(|one| (Reverse(shared(one)), one.kind != product.kind.handle));
        }
        RelatedBy::Price => others.sort_by_key(|one| one.price.abs_diff(product.price.minor)),
        RelatedBy::Together => {
            let place = bought.together();
            let place = |one: &Beside| place.iter().position(|id| *id == one.id);
            others.retain(|one| place(one).is_some());
            others.sort_by_key(|one| place(one));
        }
        RelatedBy::Hand => {
            let place = |one: &Beside| wish.chosen.iter().position(|handle| *handle == one.handle);
            others.retain(|one| place(one).is_some());
            others.sort_by_key(|one| place(one));
        }
    }
    others.into_iter().map(|one| one.id).take(wish.most).collect()
}

impl Bought {
    /// Those bought along, the most telling first: by lift, the share of orders with it among those with the product over
    /// its share among all (Brin, Motwani, Ullman, Tsur 1997). Under 1 it is bought along less often than by chance, and
    /// left out. As the product and all orders are the same for each, their order is that of `both / orders`.
    fn together(&self) -> Vec<ProductId> {
        let times = |a: u64, b: u64| u128::from(a) * u128::from(b);
        let telling = |one: &Along| times(one.both, self.orders) >= times(self.own, one.orders);
        let counts = |one: &Along| one.both >= LEAST_ORDERS && one.orders > 0 && telling(one);
        let mut all: Vec<Along> = self.along.iter().copied().filter(counts).collect();
        all.sort_by(|a, b| {
            let lift = times(b.both, a.orders).cmp(&times(a.both, b.orders));
            lift.then(b.both.cmp(&a.both)).then(a.id.cmp(&b.id))
        });
        all.into_iter().map(|one| one.id).collect()
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::product;
    use crate::catalog::{Sibling, Siblings, Standing};
    use crate::ids::SiblingsId;
    use crate::swatch::{Swatch, SwatchSource};
    use std::collections::BTreeMap;

    fn handle(text: &str) -> Handle {
        Handle::try_from(text).unwrap()
    }
    fn beside(id: u64, kind: &str, price: i64, tags: &[&str]) -> Beside {
        let tags = tags.iter().map(|tag| Tag::from(*tag)).collect();
        Beside { id: ProductId(id), handle: handle(&format!("p{id}")), kind: handle(kind), price, tags }
    }
    fn sibling(id: u64) -> Sibling {
        Sibling {
            product: ProductId(id),
            handle: handle("one"),
            address: handle("one"),
            name: String::new(),
            label: String::new(),
            swatch: Swatch::Text,
            from: SwatchSource::Text,
            standing: Standing::OnSale,
            values: BTreeMap::new(),
        }
    }

    /// One of the kites, with two tags and a sibling.
    fn kite() -> Product {
        let mut kite = product(&[]);
        (kite.id, kite.kind.handle, kite.price.minor) = (ProductId(1), handle("kites"), 5_000);
        kite.tags = ["Small", "red"].map(Tag::from).into();
        let members = vec![sibling(1), sibling(3)];
        kite.siblings = vec![Siblings { id: SiblingsId(1), name: "Size".into(), one_card: false, members }];
        kite
    }

    fn found(by: RelatedBy, change: impl FnOnce(&mut RelatedWish), bought: &Bought) -> Vec<u64> {
        let all = [
            beside(1, "kites", 5_000, &["small", "red"]),
            beside(2, "kites", 9_000, &["red"]),
            beside(3, "kites", 5_100, &["small", "red"]),
            beside(4, "lines", 5_200, &["red", "SMALL", "long"]),
            beside(5, "lines", 4_900, &[]),
            beside(6, "kites", 100, &["small"]),
        ];
        let mut wish = RelatedWish { by, chosen: vec![], apart: true, most: 9 };
        change(&mut wish);
        related(&kite(), &all, bought, &wish).into_iter().map(|id| id.0).collect()
    }

    #[test]
    fn each_rule_finds_its_own_and_never_the_product_itself() {
        let none = Bought::default();
        let plain = |by| found(by, |_| {}, &Bought::default());
        assert_eq!(plain(RelatedBy::Type), [2, 6]);
        assert_eq!(plain(RelatedBy::Tags), [4, 2, 6], "most in common first, then of the same type");
        assert_eq!(plain(RelatedBy::Price), [5, 4, 2, 6]);
        assert_eq!(plain(RelatedBy::Hand), Vec::<u64>::new());
        let chosen = ["p5", "p3", "gone", "p2"].map(handle).to_vec();
        assert_eq!(found(RelatedBy::Hand, |wish| wish.chosen = chosen.clone(), &none), [5, 2]);
        let also = |wish: &mut RelatedWish| (wish.chosen, wish.apart) = (chosen, false);
        assert_eq!(found(RelatedBy::Hand, also, &none), [5, 3, 2], "siblings where they aren’t left out");
        assert_eq!(found(RelatedBy::Price, |wish| wish.most = 2, &none), [5, 4]);
    }

    #[test]
    fn those_bought_together_are_ordered_by_lift_and_need_five_orders() {
        let along = |id, both, orders| Along { id: ProductId(id), both, orders };
        let together = |along: &[Along]| {
            found(RelatedBy::Together, |_| {}, &Bought { orders: 200, own: 50, along: along.to_vec() })
        };
        // Half of those who buy 2 buy it along, a third of those who buy 4; 5 was too seldom, 3 is a sibling.
        let orders = [along(4, 20, 60), along(2, 6, 12), along(5, 4, 4), along(3, 9, 9), along(9, 9, 9)];
        assert_eq!(together(&orders), [2, 4]);
        let same = [along(6, 5, 10), along(4, 6, 12), along(2, 6, 12)];
        assert_eq!(together(&same), [2, 4, 6], "as telling: the more often first");
        assert_eq!(together(&[]), Vec::<u64>::new());
        // A quarter of all orders hold the product: 4 is along in less than that of its own, so each is bought without
        // the other rather; 2 just as often as by chance.
        assert_eq!(together(&[along(4, 24, 100), along(2, 25, 100)]), [2]);
    }
}

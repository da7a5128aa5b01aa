use super::{Next, Prices, Promise, Quote, Surface, quote};
use crate::catalog::{Product, ProductState, Stock, Terms, Variant};
use crate::choice::{Selection, ValueState, fitting, states, variant_of};
use crate::ids::{ValueId, VariantId};
use crate::media::Picture;
use crate::money::{Money, MoneyError};
use serde::Serialize;

/// The price that a selection shows.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
pub enum PriceTag {
    /// All that is left costs the same.
    Exact(Quote),
    /// Until more is chosen: the least and the most.
    Span {
        /// The lowest.
        from: Money,
        /// The highest.
        to: Money,
    },
    /// Nothing is made like this.
    None,
}

/// What keeps a shopper from buying now.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
pub enum Hindrance {
    /// It isn’t sold yet.
    ComingSoon,
    /// It isn’t sold any more.
    Withdrawn,
    /// These options, by their places, are still to be chosen.
    ChooseFirst(Vec<usize>),
    /// There is no such variant.
    NotMade,
    /// None is left.
    SoldOut,
    /// Fewer are left than asked for.
    OnlyLeft(u32),
    /// One order may hold only so many.
    MostPerOrder(u32),
    /// One order holds at least so many.
    LeastPerOrder(u32),
    /// Only multiples of it are sold.
    InSteps(u32),
    /// It is no longer sold by the plan that was chosen.
    PlanGone,
    /// What is written onto it can't be, or something has to be written.
    TextNotTaken,
}

/// All that a page says about a selection.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Offer {
    /// What is chosen.
    pub selection: Selection,
    /// The variant, where all is chosen.
    pub variant: Option<VariantId>,
    /// What the price line says.
    pub tag: PriceTag,
    /// Of the variant: the condition of a price that isn't earned yet, and the next step down.
    pub promise: Option<Promise>,
    /// The next step down.
    pub next: Option<Next>,
    /// Of the variant, once it is known.
    pub stock: Option<Stock>,
    /// Why it can’t be bought as it is chosen.
    pub hindrance: Option<Hindrance>,
    /// `[option][value]`
    pub states: Vec<Vec<ValueState>>,
    /// Places of the product's pictures to show, the chosen values' own ones first.
    pub pictures: Vec<usize>,
}

/// Works out what a page offers for a selection and a quantity where no rule is in force.
///
/// # Errors
/// [`MoneyError`] where currencies differ or an amount is too large.
pub fn offer(product: &Product, selection: &Selection, quantity: u32) -> Result<Offer, MoneyError> {
    Prices::default().offer(product, selection, quantity, Surface::Page)
}

impl Prices {
    /// Works out what a place of the shop offers for a selection and a quantity.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn offer(
        &self,
        product: &Product,
        selection: &Selection,
        quantity: u32,
        place: Surface,
    ) -> Result<Offer, MoneyError> {
        let variant = variant_of(product, selection);
        let shown = variant.map(|v| self.shown(product, v, quantity, place)).transpose()?;
        let tag = match shown {
            Some(shown) => PriceTag::Exact(shown.quote),
            None => self.span(product, selection, quantity, place)?,
        };
        Ok(Offer {
            selection: selection.clone(),
            variant: variant.map(|v| v.id),
            tag,
            promise: shown.and_then(|shown| shown.promise),
            next: shown.and_then(|shown| shown.next),
            stock: variant.map(|v| v.stock),
            hindrance: hindrance_of_choice(product, selection, variant, quantity),
            states: if product.is_sold() { states(product, selection) } else { unsold(product, selection) },
            pictures: pictures(product, selection, variant),
        })
    }

    /// The least that a variant of a product costs on cards, and the most percent that any is sold for less than before;
    /// where a rule's sum is too large, without rules. None where nothing is made.
    #[must_use]
    pub fn least_on_card(&self, product: &Product) -> Option<(Money, u32)> {
        let quantity = product.terms.first();
        let quoted = |variant: &Variant| {
            let ruled = self.shown(product, variant, quantity, Surface::Card).map(|shown| shown.quote);
            ruled.or_else(|_| quote(product, variant, quantity)).ok()
        };
        let quotes = product.variants.iter().filter_map(quoted);
        let told = |quote: Quote| (quote.unit, quote.saving.map_or(0, |saving| saving.percent));
        quotes.map(told).reduce(|(least, saves), (unit, also)| {
            (if unit.minor < least.minor { unit } else { least }, saves.max(also))
        })
    }

    /// What all variants that still fit cost, from the least to the most.
    fn span(
        &self,
        product: &Product,
        selection: &Selection,
        quantity: u32,
        place: Surface,
    ) -> Result<PriceTag, MoneyError> {
        let mut quotes: Vec<Quote> = Vec::new();
        for variant in fitting(&product.variants, selection) {
            quotes.push(self.shown(product, variant, quantity, place)?.quote);
        }
        let least = quotes.iter().min_by_key(|q| q.unit.minor);
        let most = quotes.iter().max_by_key(|q| q.unit.minor);
        Ok(match (least, most) {
            (Some(a), Some(b)) if a.unit == b.unit && quotes.iter().all(|q| q.old == a.old) => {
                PriceTag::Exact(*a)
            }
            (Some(a), Some(b)) => PriceTag::Span { from: a.unit, to: b.unit },
            _ => PriceTag::None,
        })
    }
}

/// Of what isn't sold at all nothing is sold out: every choice that is made can be looked at.
fn unsold(product: &Product, selection: &Selection) -> Vec<Vec<ValueState>> {
    let mut states = states(product, selection);
    for state in states.iter_mut().flatten().filter(|state| **state == ValueState::SoldOut) {
        *state = ValueState::Open;
    }
    states
}

fn hindrance_of_choice(
    product: &Product,
    selection: &Selection,
    variant: Option<&Variant>,
    quantity: u32,
) -> Option<Hindrance> {
    if let Some(variant) = variant {
        return hindrance(product, variant, quantity);
    }
    not_sold(product).or(Some(if selection.is_complete() {
        Hindrance::NotMade
    } else {
        Hindrance::ChooseFirst(selection.open_options())
    }))
}

/// What keeps a shopper from buying so many of a variant now.
#[must_use]
pub fn hindrance(product: &Product, variant: &Variant, quantity: u32) -> Option<Hindrance> {
    if let Some(reason) = not_sold(product) {
        return Some(reason);
    }
    if !variant.stock.is_in() {
        return Some(Hindrance::SoldOut);
    }
    if let Some(most) = product.most_per_order.filter(|most| quantity > *most) {
        return Some(Hindrance::MostPerOrder(most));
    }
    let Terms { least, step, .. } = product.terms;
    if !quantity.is_multiple_of(step.max(1)) {
        return Some(Hindrance::InSteps(step));
    }
    if quantity < least {
        return Some(Hindrance::LeastPerOrder(least));
    }
    variant.stock.left().filter(|left| quantity > *left).map(Hindrance::OnlyLeft)
}

/// Why no choice at all of this product can be bought.
fn not_sold(product: &Product) -> Option<Hindrance> {
    match product.state {
        ProductState::New | ProductState::ComingSoon => Some(Hindrance::ComingSoon),
        ProductState::Withdrawn => Some(Hindrance::Withdrawn),
        ProductState::OnSale if !product.can_be_bought() => Some(Hindrance::SoldOut),
        ProductState::OnSale => None,
    }
}

fn pictures(product: &Product, selection: &Selection, variant: Option<&Variant>) -> Vec<usize> {
    let chosen = selection.value_ids(product);
    // What isn't chosen yet leaves the pictures of all its values.
    let is_open = |value: &ValueId| {
        let of = product.options.iter().position(|option| option.values.iter().any(|one| one.id == *value));
        of.is_some_and(|option| selection.get(option).is_none())
    };
    let fits = |picture: &Picture| picture.values.iter().all(|v| chosen.contains(v) || is_open(v));
    let mut shown: Vec<usize> =
        (0..product.pictures.len()).filter(|i| chosen.is_empty() || fits(&product.pictures[*i])).collect();
    let own = |picture: &Picture| picture.values.iter().any(|v| chosen.is_empty() || chosen.contains(v));
    shown.sort_by_key(|i| !own(&product.pictures[*i]));
    if let Some(own) = variant.and_then(|v| v.picture).filter(|own| *own < product.pictures.len()) {
        shown.retain(|place| *place != own);
        shown.insert(0, own);
    }
    shown
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::{pounds, product, with_variants};

    fn kite() -> Product {
        let mut kite = with_variants(
            product(&[("colour", 2)]),
            &[(&[Some(0)], Stock::Counted(2)), (&[Some(1)], Stock::Counted(0))],
        );
        kite.variants[1].price = Some(pounds(7200));
        kite
    }

    fn of(product: &Product, choice: Option<u16>, quantity: u32) -> Offer {
        offer(product, &Selection::from_values(vec![choice]), quantity).unwrap()
    }

    #[test]
    fn until_a_variant_is_chosen_different_prices_are_a_span() {
        let offer = of(&kite(), None, 1);
        assert_eq!(offer.tag, PriceTag::Span { from: pounds(6800), to: pounds(7200) });
        assert_eq!(offer.hindrance, Some(Hindrance::ChooseFirst(vec![0])));
        assert!(matches!(of(&kite(), Some(1), 1).tag, PriceTag::Exact(q) if q.unit == pounds(7200)));
        let mut same = kite();
        same.variants[1].price = None;
        assert!(matches!(of(&same, None, 1).tag, PriceTag::Exact(q) if q.unit == pounds(6800)));
        same.variants[1].old_price = Some(pounds(9000));
        let both = PriceTag::Span { from: pounds(6800), to: pounds(6800) };
        assert_eq!(of(&same, None, 1).tag, both, "one of them costs less than before, so no saving is told");
    }

    #[test]
    fn what_keeps_a_shopper_from_buying_is_told() {
        let mut kite = kite();
        assert_eq!(of(&kite, Some(0), 2).hindrance, None);
        assert_eq!(of(&kite, Some(0), 3).hindrance, Some(Hindrance::OnlyLeft(2)));
        assert_eq!(of(&kite, Some(1), 1).hindrance, Some(Hindrance::SoldOut));
        kite.most_per_order = Some(1);
        assert_eq!(of(&kite, Some(0), 2).hindrance, Some(Hindrance::MostPerOrder(1)));
        kite.most_per_order = Some(2);
        assert_eq!(of(&kite, Some(0), 2).hindrance, None);
        kite.most_per_order = None;
        kite.terms = Terms { least: 2, step: 1, text: None };
        assert_eq!(of(&kite, Some(0), 1).hindrance, Some(Hindrance::LeastPerOrder(2)));
        assert_eq!(of(&kite, Some(0), 2).hindrance, None);
        kite.terms.step = 2;
        assert_eq!(of(&kite, Some(0), 3).hindrance, Some(Hindrance::InSteps(2)));
        kite.variants.pop();
        assert_eq!(of(&kite, Some(1), 1).hindrance, Some(Hindrance::NotMade));
        assert_eq!(of(&kite, Some(1), 1).tag, PriceTag::None);
        kite.state = ProductState::ComingSoon;
        kite.variants[0].stock = Stock::Counted(0);
        assert_eq!(of(&kite, Some(0), 1).hindrance, Some(Hindrance::ComingSoon));
        assert_eq!(of(&kite, None, 1).states, [[ValueState::Open, ValueState::NotMade]]);
    }

    #[test]
    fn when_everything_is_gone_it_is_sold_out_before_anything_is_chosen() {
        let mut kite = kite();
        kite.variants[0].stock = Stock::Counted(0);
        assert_eq!(of(&kite, None, 1).hindrance, Some(Hindrance::SoldOut));
    }

    #[test]
    fn what_is_not_chosen_yet_leaves_the_pictures_of_all_its_values() {
        let mut kite = product(&[("colour", 2), ("sail", 2)]);
        let colours: Vec<ValueId> = kite.options[0].values.iter().map(|value| value.id).collect();
        let of = |values: &[ValueId]| Picture { values: values.to_vec(), ..Picture::default() };
        kite.pictures = vec![of(&colours[..1]), of(&colours[1..]), of(&[])];
        let shown = |values: &[Option<u16>]| {
            offer(&kite, &Selection::from_values(values.to_vec()), 1).unwrap().pictures
        };
        assert_eq!(shown(&[None, Some(0)]), [0, 1, 2], "only the sail is chosen");
        assert_eq!(shown(&[Some(1), None]), [1, 2]);
    }

    #[test]
    fn a_chosen_colour_shows_its_own_pictures_first_and_hides_those_of_other_colours() {
        let mut kite = kite();
        let picture = |values: &[u64]| Picture {
            values: values.iter().map(|v| ValueId(*v)).collect(),
            ..Picture::default()
        };
        kite.pictures = vec![picture(&[]), picture(&[1]), picture(&[2])];
        assert_eq!(of(&kite, Some(1), 1).pictures, [2, 0]);
        assert_eq!(of(&kite, None, 1).pictures, [1, 2, 0]);
        kite.variants[1].picture = Some(0);
        assert_eq!(of(&kite, Some(1), 1).pictures, [0, 2], "a variant's own picture comes first");
        assert_eq!(of(&kite, Some(0), 1).pictures, [1, 0]);
        for gone in [3, 9] {
            kite.variants[1].picture = Some(gone);
            assert_eq!(of(&kite, Some(1), 1).pictures, [2, 0], "one that is gone is passed over");
        }
    }
}

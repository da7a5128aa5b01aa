//! A product that stands in for those to come: it has what its type has, so that a page can be composed for it before
//! there is one.

use crate::catalog::{
    Detail, Fact, NewProduct, NewVariant, Product, ProductOption, ProductState, ProductType, Rating, Stock,
    TypeFields, Variant,
};
use crate::choice::{Choices, combinations, every_choice};
use crate::ids::{Handle, ProductId, ValueId, VariantId};
use crate::media::Picture;
use crate::money::{Currency, Money};

/// A sample has at most so many variants; of the options with most values not all are taken then. No more are made at
/// once for a product that begins.
pub const MOST_VARIANTS: usize = 200;
const IN_STOCK: u32 = 12;
/// No product that is kept has this number.
const OF_A_SAMPLE: ProductId = ProductId(0);

impl ProductType {
    /// The address of the sample on the desk; none where the type's own is too long.
    #[must_use]
    pub fn sample_handle(&self) -> Option<Handle> {
        Handle::try_from(format!("sample-of-{}", self.handle)).ok()
    }
}

impl Product {
    /// Whether it stands in for products that there aren't yet.
    #[must_use]
    pub fn is_sample(&self) -> bool {
        self.id == OF_A_SAMPLE
    }
}

/// What a sample is made of.
#[derive(Debug, Clone)]
pub struct SampleOf<'a> {
    /// Its type.
    pub kind: &'a ProductType,
    /// What the type has.
    pub fields: &'a TypeFields,
    /// The options that the fields name, each with all its values.
    pub options: Vec<ProductOption>,
    /// Its pictures, the leading one first.
    pub pictures: Vec<Picture>,
    /// The currency.
    pub currency: Currency,
}

impl SampleOf<'_> {
    /// The sample; none where the type's address leaves no room for one.
    #[must_use]
    pub fn product(&self) -> Option<Product> {
        let kind = self.kind.name.as_str();
        let mut sample = self.bare(self.kind.sample_handle()?, format!("Sample of {kind}"));
        sample.state = ProductState::OnSale;
        sample.summary = format!(
            "Here stands what a product of {kind} is, for whom it is made and what makes it worth its price. \
             Two or three lines are enough; a shopper reads them beside the pictures."
        );
        let detail = |title: &String| Detail {
            title: title.clone(),
            text: format!(
                "What there is to say under “{title}” stands here. It is as long as a paragraph mostly is, so that the \
                 page shows how much room it takes.\n\nA second paragraph may follow."
            ),
        };
        sample.details = self.fields.details.iter().map(detail).collect();
        let fact = |name: &String| Fact { name: name.clone(), value: "to be told".into() };
        sample.facts = self.fields.facts.iter().map(fact).collect();
        let stock = if self.fields.counted { Stock::Counted(IN_STOCK) } else { Stock::NotCounted };
        while sample.options.iter().map(|option| option.values.len()).product::<usize>() > MOST_VARIANTS {
            let longest = sample.options.iter_mut().max_by_key(|option| option.values.len());
            longest.and_then(|option| option.values.pop())?;
        }
        let variant = |(number, values): (u64, Vec<Option<u16>>)| Variant {
            id: VariantId(number),
            sku: format!("SAMPLE-{number}"),
            values,
            price: None,
            old_price: None,
            stock,
            picture: None,
            measure: None,
        };
        sample.variants = (1..).zip(every_choice(&sample)).map(variant).collect();
        Some(sample)
    }

    /// A real product of the type as it begins: with its options and a variant for each choice, none of them in stock,
    /// without pictures and texts, and not in the shop yet. Where there would be too many variants it has none. Of an
    /// option some of whose values are among `only`, it has those alone.
    #[must_use]
    pub fn begun(&self, handle: Handle, name: String, only: &[ValueId]) -> NewProduct {
        let mut bare = self.bare(handle, name);
        for option in &mut bare.options {
            if option.values.iter().any(|value| only.contains(&value.id)) {
                option.values.retain(|value| only.contains(&value.id));
            }
        }
        let count = bare.options.iter().try_fold(1usize, |n, option| n.checked_mul(option.values.len()));
        let few = count.is_some_and(|count| count <= MOST_VARIANTS);
        let made = few.then(|| combinations(&bare, &Choices::default()).ok()).flatten().unwrap_or_default();
        let stock = if self.fields.counted { Stock::Counted(0) } else { Stock::NotCounted };
        let variants = made.into_iter().zip(every_choice(&bare)).map(|(new, values)| NewVariant {
            sku: new.sku,
            values,
            price_minor: None,
            old_price_minor: None,
            stock,
            measure: None,
        });
        let values =
            |option: &ProductOption| option.values.iter().map(|value| value.handle.clone()).collect();
        NewProduct {
            variants: variants.collect(),
            options: bare.options.iter().map(|option| (option.handle.clone(), values(option))).collect(),
            handle: bare.handle,
            kind: bare.kind,
            name: bare.name,
            state: bare.state,
            summary: String::new(),
            details: vec![],
            price_minor: bare.price.minor,
            old_price_minor: None,
            most_per_order: bare.most_per_order,
            terms: bare.terms,
            pictures: vec![],
            brand: String::new(),
            facts: vec![],
            tags: bare.tags,
            reviews: vec![],
        }
    }

    fn bare(&self, handle: Handle, name: String) -> Product {
        let fields = self.fields;
        Product {
            id: OF_A_SAMPLE,
            address: handle.clone(),
            handle,
            name,
            kind: self.kind.clone(),
            state: ProductState::New,
            summary: String::new(),
            details: vec![],
            pictures: self.pictures.iter().take(fields.pictures.into()).cloned().collect(),
            options: self.options.iter().filter(|option| !option.values.is_empty()).cloned().collect(),
            variants: vec![],
            price: Money::new(fields.price_minor, self.currency),
            old_price: None,
            most_per_order: fields.most_per_order,
            terms: fields.terms(),
            history: vec![],
            brand: String::new(),
            facts: vec![],
            tags: fields.tags.clone(),
            rating: Rating::default(),
            reviews: vec![],
            siblings: vec![],
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::{handle, product};

    fn kind() -> ProductType {
        ProductType { handle: handle("power-kites"), name: "Power kites".into() }
    }
    fn fields() -> TypeFields {
        TypeFields {
            options: vec![handle("colour"), handle("sail")],
            details: vec!["Care".into()],
            facts: vec!["Span".into(), "Lines".into()],
            tags: vec!["strong wind".into()],
            price_minor: 14_900,
            pictures: 2,
            counted: true,
            most_per_order: Some(2),
            ..TypeFields::default()
        }
    }
    fn of<'a>(kind: &'a ProductType, fields: &'a TypeFields, options: &[(&str, u16)]) -> SampleOf<'a> {
        let (options, pictures) = (product(options).options, vec![Picture::default(); 4]);
        SampleOf { kind, fields, options, pictures, currency: Currency::from_code("GBP").unwrap() }
    }

    #[test]
    fn a_sample_has_what_its_type_has() {
        let (kind, fields) = (kind(), fields());
        let sample = of(&kind, &fields, &[("colour", 3), ("sail", 2)]).product().unwrap();
        assert_eq!(
            (sample.handle.as_str(), sample.name.as_str()),
            ("sample-of-power-kites", "Sample of Power kites")
        );
        assert_eq!((sample.options.len(), sample.variants.len(), sample.pictures.len()), (2, 6, 2));
        assert_eq!(sample.facts.iter().map(|fact| fact.name.as_str()).collect::<Vec<_>>(), ["Span", "Lines"]);
        assert_eq!(sample.details[0].title, "Care");
        assert!(sample.is_sample() && !product(&[]).is_sample());
        assert!(sample.can_be_bought() && sample.price.minor == 14_900 && sample.tags == ["strong wind"]);
        assert_eq!(sample.most_per_order, Some(2));
    }

    #[test]
    fn a_type_without_anything_has_one_variant_that_is_not_counted() {
        let (kind, fields) = (kind(), TypeFields::default());
        let sample = of(&kind, &fields, &[]).product().unwrap();
        assert_eq!(sample.variants.len(), 1);
        assert_eq!(sample.variants[0].stock, Stock::NotCounted);
        assert!(sample.pictures.is_empty() && sample.details.is_empty());
    }

    #[test]
    fn many_values_make_no_sample_that_is_too_large_to_look_at() {
        let (kind, fields) = (kind(), fields());
        let many = of(&kind, &fields, &[("colour", 40), ("sail", 30), ("line", 2), ("none", 0)]);
        let sample = many.product().unwrap();
        let counts: Vec<usize> = sample.options.iter().map(|option| option.values.len()).collect();
        assert_eq!(counts, [10, 10, 2], "options lose values by turns, and one without values is none");
        assert_eq!(sample.variants.len(), 200);
        let begun = many.begun(handle("gannet"), "Gannet".into(), &[]);
        assert!(begun.variants.is_empty(), "their owner chooses which are made");
    }

    #[test]
    fn a_real_product_begins_with_its_choices_and_with_no_word_of_the_sample() {
        let (kind, fields) = (kind(), fields());
        let begun =
            of(&kind, &fields, &[("colour", 3), ("sail", 2)]).begun(handle("gannet"), "Gannet".into(), &[]);
        assert_eq!(begun.state, ProductState::New);
        assert_eq!(begun.variants.len(), 6);
        assert!(begun.variants.iter().all(|v| v.stock == Stock::Counted(0) && v.sku.starts_with("GANNET")));
        assert!(begun.summary.is_empty() && begun.details.is_empty() && begun.facts.is_empty());
        assert_eq!(begun.options[0].1.len(), 3);
        assert_eq!((begun.price_minor, begun.pictures.len()), (14_900, 0));
    }

    #[test]
    fn a_real_product_begins_with_the_values_that_were_chosen() {
        let (kind, fields) = (kind(), fields());
        let all = of(&kind, &fields, &[("colour", 3), ("sail", 2)]);
        let colours: Vec<ValueId> = all.options[0].values[1..].iter().map(|value| value.id).collect();
        let begun = all.begun(handle("gannet"), "Gannet".into(), &colours);
        let used: Vec<usize> = begun.options.iter().map(|(_, values)| values.len()).collect();
        assert_eq!(
            (used, begun.variants.len()),
            (vec![2, 2], 4),
            "of sails, of which none was chosen, there are all"
        );
        assert_eq!(begun.options[0].1[0], all.options[0].values[1].handle);
    }

    #[test]
    fn an_address_without_room_for_a_sample_has_none() {
        let kind = ProductType { handle: handle(&"k".repeat(75)), name: "Long".into() };
        assert_eq!(of(&kind, &fields(), &[]).product(), None);
    }
}

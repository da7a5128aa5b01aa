use super::WayTold;
use crate::error::{ApiError, ApiResult};
use crate::reading::now;
use crate::routes::prices::moves::{by_plan, farthest};
use crate::routes::prices::{prices_of, prices_of_draft};
use crate::state::State;
use compagina_core::catalog::{Product, ProductValue, Variant};
use compagina_core::house::House;
use compagina_core::ids::ValueId;
use compagina_core::page::Group;
use compagina_core::price::{PriceBook, Prices};
use compagina_core::swatch::{Swatch, SwatchSource, alike};
use compagina_press::{Nav, Restyled};
use compagina_storage::{Document, DocumentName};
use std::borrow::Cow;

/// A change that waits, seen from the pages.
pub enum Change {
    House(Box<Restyled>),
    /// Before and after.
    Prices(Box<(Prices, Prices)>),
    Swatch {
        value: ValueId,
        name: String,
        swatch: Swatch,
    },
}

impl Change {
    /// The house style's draft.
    pub async fn house(state: &State) -> ApiResult<Self> {
        let document: Document<House> = state.store.document(DocumentName::House).await?;
        Ok(Self::House(Box::new(Restyled::new(document.published, document.draft))))
    }

    /// The draft of the price rules, as if it came into force now.
    pub async fn prices(state: &State) -> ApiResult<Self> {
        let document: Document<PriceBook> = state.store.document(DocumentName::Prices).await?;
        let zone = state.store.zone().await?;
        let before = prices_of(state, document.published.clone(), zone.clone(), now()).await?;
        let after = prices_of_draft(state, document, zone, now()).await?;
        Ok(Self::Prices(Box::new((before, after))))
    }

    /// Another swatch for a value of the book.
    pub async fn swatch(state: &State, option: &str, value: ValueId, swatch: Swatch) -> ApiResult<Self> {
        let option = crate::routes::book::option_of(state, option).await?;
        let found = option.values.into_iter().find(|one| one.id == value);
        let name = found.ok_or_else(|| ApiError::no_such("value"))?.name;
        if !swatch.is_sound() {
            return Err(ApiError::refused("a swatch has one to four colours, or a picture"));
        }
        Ok(Self::Swatch { value, name, swatch })
    }

    /// What surrounds the pages after it.
    pub fn nav(&self, nav: &Nav) -> Nav {
        match self {
            Self::House(restyled) => Nav { house: restyled.after().clone(), ..nav.clone() },
            Self::Prices(books) => Nav { prices: books.1.clone(), ..nav.clone() },
            Self::Swatch { .. } => nav.clone(),
        }
    }

    /// A product after it.
    pub fn product<'p>(&self, product: &'p Product) -> Cow<'p, Product> {
        let Self::Swatch { value, swatch, .. } = self else { return Cow::Borrowed(product) };
        let mut changed = product.clone();
        let values = changed.options.iter_mut().flat_map(|option| &mut option.values);
        for one in values.filter(|one| shows(one, *value)) {
            (one.swatch, one.from) = (swatch.clone(), SwatchSource::Book);
        }
        Cow::Owned(changed)
    }

    /// Whether it can change what is told of a product.
    pub fn touches(&self, product: &Product) -> bool {
        let Self::Swatch { value, .. } = self else { return true };
        let mut values = product.options.iter().flat_map(|option| &option.values);
        values.any(|one| shows(one, *value))
    }

    /// Whether it is to be expected that a product's own page changes.
    pub fn moves(&self, product: &Product) -> bool {
        match self {
            Self::House(_) => false,
            Self::Prices(books) => !moved(product, &books.0, &books.1).is_empty(),
            Self::Swatch { .. } => self.touches(product),
        }
    }

    /// How a product's own page changes, where something else is seen on it. What a house style comes to is told from
    /// the page: [`restyling`].
    pub fn of_itself(&self, product: &Product) -> Option<WayTold> {
        match self {
            Self::House(_) => None,
            Self::Prices(books) => {
                let (before, after) = &**books;
                let says = moved(product, before, after);
                let says = if says.is_empty() { vec!["What is said about the price".into()] } else { says };
                let too_high = |prices: &Prices| {
                    product
                        .variants
                        .iter()
                        .any(|variant: &Variant| prices.overstated(product, variant).is_some())
                };
                let mend =
                    (too_high(after) && !too_high(before)).then(|| "the old price is too high".to_owned());
                Some(WayTold::of_itself(says, mend.into_iter().collect()))
            }
            Self::Swatch { name, value, .. } => Some(WayTold::of_itself(
                vec![format!("“{name}” is shown otherwise")],
                self.too_alike(product, *value),
            )),
        }
    }

    /// Values of a product that could be told apart before and can't be after.
    fn too_alike(&self, product: &Product, value: ValueId) -> Vec<String> {
        let pairs = |product: &Product| -> Vec<(ValueId, ValueId)> {
            let of = |option: &compagina_core::catalog::ProductOption| {
                alike(&option.values.iter().map(|v| (v.id, &v.swatch)).collect::<Vec<_>>())
            };
            let tried = |(a, b)| if value == b { (b, a) } else { (a, b) };
            product.options.iter().flat_map(of).map(|pair| tried((pair.first, pair.second))).collect()
        };
        let name = |id: ValueId| {
            let mut values = product.options.iter().flat_map(|option| &option.values);
            values.find(|v| v.id == id).map_or("", |v| v.name.as_str())
        };
        let before = pairs(product);
        let new = pairs(&self.product(product)).into_iter().filter(|pair| !before.contains(pair));
        new.map(|(a, b)| format!("“{}” and “{}” can’t be told apart", name(a), name(b))).collect()
    }
}

/// Whether a product shows a value as the book does: what it shows of its own goes before.
fn shows(one: &ProductValue, value: ValueId) -> bool {
    one.id == value && one.from != SwatchSource::Product
}

/// How a page changes under a house style; none where nothing of it is seen there.
pub fn restyling(restyled: &Restyled, before: &str, after: &str) -> Option<WayTold> {
    let seen = restyled.seen(before, after);
    let says = seen
        .iter()
        .map(|(group, labels)| format!("{}: {}", group_name(*group), labels.join(", ").to_lowercase()));
    let weak = restyled.weak(after).into_iter().map(|pair| {
        let ratio = |hundredths: u32| f64::from(hundredths / 10) / 10.0;
        let (is, needs) = (ratio(pair.hundredths), ratio(pair.needed));
        format!("{} can’t be read by everybody: {is} to 1, it needs {needs}", pair.what)
    });
    (!seen.is_empty()).then(|| WayTold::of_itself(says.collect(), weak.collect()))
}

/// Which prices move, and which way.
fn moved(product: &Product, before: &Prices, after: &Prices) -> Vec<String> {
    let mut says = Vec::new();
    if let Some(one) = farthest(product, before, after) {
        let way = if one.after.minor < one.before.minor { "Costs less" } else { "Costs more" };
        says.push(if one.pieces > 1 {
            format!("{way} from {} pieces on", one.pieces)
        } else {
            way.to_owned()
        });
    }
    says.extend(by_plan(product, before, after).into_iter().map(|one| {
        let way = if one.after.minor < one.before.minor { "less" } else { "more" };
        format!("Costs {way} by a plan, {}", one.plan.unwrap_or_default())
    }));
    says
}

fn group_name(group: Group) -> &'static str {
    match group {
        Group::Type => "Type",
        Group::Colours => "Colours",
        Group::Space => "Space and shape",
        Group::Buttons => "Buttons",
        Group::Fields => "Fields",
        Group::Choices => "Choices",
        Group::Marks => "Marks",
        Group::Says | Group::Looks | Group::Setting | Group::When => "Pieces",
    }
}

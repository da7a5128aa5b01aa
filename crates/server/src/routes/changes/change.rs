use super::WayTold;
use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::routes::prices::moves::{by_plan, farthest};
use crate::routes::prices::{prices_of, prices_of_draft};
use crate::state::State;
use crate::visit::Visit;
use compagina_core::catalog::{Product, ProductValue, Variant};
use compagina_core::choice::Selection;
use compagina_core::house::House;
use compagina_core::ids::ValueId;
use compagina_core::money::{Money, MoneyError};
use compagina_core::page::Group;
use compagina_core::price::{PriceBook, Prices};
use compagina_core::swatch::{Swatch, SwatchSource, alike};
use compagina_press::{Nav, Restyled};
use compagina_storage::{Document, DocumentName};
use std::borrow::Cow;

/// The prices before and after.
#[derive(Clone)]
pub struct Books {
    before: Prices,
    after: Prices,
    /// How many pieces are looked at, where it is for a cart; any number without one.
    pieces: Option<u32>,
}

/// A change that waits, seen from the pages.
#[derive(Clone)]
pub enum Change {
    House(Box<Restyled>),
    Prices(Box<Books>),
    Swatch { value: ValueId, name: String, swatch: Swatch },
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
        Ok(Self::Prices(Box::new(Books { before, after, pieces: None })))
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
            Self::Prices(books) => Nav { prices: books.after.clone(), ..nav.clone() },
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

    /// The same where prices are for the cart of a visit.
    pub fn under(
        &self,
        visit: &Visit,
        product: &Product,
        chosen: &Selection,
    ) -> Result<Cow<'_, Self>, MoneyError> {
        let Self::Prices(books) = self else { return Ok(Cow::Borrowed(self)) };
        let of = |prices| visit.prices(prices, product, chosen);
        let (Cow::Owned(before), Cow::Owned(after)) = (of(&books.before)?, of(&books.after)?) else {
            return Ok(Cow::Borrowed(self));
        };
        let pieces = Some(visit.quantity(product));
        Ok(Cow::Owned(Self::Prices(Box::new(Books { before, after, pieces }))))
    }

    /// Whether it is to be expected that a product's own page changes.
    pub fn moves(&self, product: &Product) -> bool {
        match self {
            Self::House(_) => false,
            Self::Prices(books) => !moved(product, books).is_empty(),
            Self::Swatch { .. } => self.touches(product),
        }
    }

    /// How a product's own page changes, where something else is seen on it. What a house style comes to is told from
    /// the page: [`restyling`].
    pub fn of_itself(&self, product: &Product) -> Option<WayTold> {
        match self {
            Self::House(_) => None,
            Self::Prices(books) => {
                let Books { before, after, .. } = &**books;
                let says = moved(product, books);
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
fn moved(product: &Product, books: &Books) -> Vec<String> {
    let Books { before, after, pieces } = books;
    if let Some(pieces) = pieces {
        return moved_for(product, before, after, *pieces).into_iter().collect();
    }
    let mut says = Vec::new();
    if let Some(one) = farthest(product, before, after) {
        let way = costs(one.before, one.after);
        says.push(if one.pieces > 1 {
            format!("{way} from {} pieces on", one.pieces)
        } else {
            way.to_owned()
        });
    }
    says.extend(
        by_plan(product, before, after).into_iter().map(|one| {
            format!("{} by a plan, {}", costs(one.before, one.after), one.plan.unwrap_or_default())
        }),
    );
    says
}

/// Which way the price of so many pieces moves most, with what is in the cart.
fn moved_for(product: &Product, before: &Prices, after: &Prices, pieces: u32) -> Option<String> {
    let unit = |prices: &Prices, variant| prices.quote(product, variant, pieces).ok().map(|it| it.quote.unit);
    let both = |variant| Some((unit(before, variant)?, unit(after, variant)?));
    let moves = product.variants.iter().filter_map(both).filter(|(was, is)| was != is);
    let (was, is) = moves.max_by_key(|(was, is)| (was.minor - is.minor).unsigned_abs())?;
    Some(format!("{} with this cart", costs(was, is)))
}

fn costs(was: Money, is: Money) -> &'static str {
    if is.minor < was.minor { "Costs less" } else { "Costs more" }
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
        Group::Texts => "Texts",
        Group::Says | Group::Looks | Group::Setting | Group::When => "Pieces",
    }
}

use super::change::{Change, restyling};
use super::{ChangePart, WayTold};
use crate::error::{ApiError, ApiResult};
use crate::serving::edition::everywhere;
use crate::serving::edition::everywhere::Everywhere;
use crate::serving::edition::live::{Listed, Live};
use crate::serving::edition::{listed, live};
use crate::serving::known::{MOST_RELATED, related_among};
use crate::serving::reading::{Reading, Side, nav};
use crate::state::State;
use crate::visit::{Under, Visit};
use crate::walk::{Compare, Found, Way};
use compagina_core::catalog::Product;
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::money::MoneyError;
use compagina_core::page::Layout;
use compagina_core::situation::Situation;
use compagina_core::template::compose;
use compagina_core::wording::Language;
use compagina_press::{Around, Mode, Nav, Page, as_seen, opening_selection, render, render_bare};
use compagina_storage::{StorageError, Which};
use std::borrow::Cow;
use std::collections::HashMap;
use std::sync::Arc;

type Make = fn(&Page<'_>) -> Result<String, MoneyError>;

/// What stands around the products of a type.
struct Beside {
    first: Vec<Product>,
    /// Around those that are none of the first, before and after.
    before: Around,
    after: Around,
}

/// All pages of the shop, as they are and as they are under a change.
pub struct Compared {
    change: Change,
    visit: Visit,
    live: Arc<Live>,
    /// Which template serves which product.
    served: HashMap<Handle, TemplateId>,
    /// For each template what surrounds its pages, before and after.
    navs: HashMap<TemplateId, (Nav, Nav)>,
    everywhere: Arc<Everywhere>,
    beside: HashMap<Handle, Beside>,
}

impl Compared {
    pub async fn new(state: &State, change: Change, under: &Under) -> ApiResult<Self> {
        let visit = Visit::of(state, under).await?;
        let (live, listed) = (live(state).await?, listed(state).await?);
        let index = live.index();
        let of = |one: &Arc<Listed>| Some((one.facts.handle.clone(), index.winner(&one.facts)?));
        let served: HashMap<_, _> = listed.iter().filter_map(of).collect();
        let mut navs = HashMap::new();
        for template in live.templates() {
            let reading = Reading {
                language: Language::default(),
                side: Side::Live,
                template: Some(template.id),
                here: "/shop".into(),
            };
            let nav = nav(state, &reading).await?;
            let after = change.nav(&nav);
            navs.insert(template.id, (nav, after));
        }
        let mut beside = HashMap::new();
        for row in state.store.types().await?.into_iter().filter(|row| row.products > 0) {
            let which = Which::OfType { type_id: row.id, most: MOST_RELATED + 1, skip: 0 };
            let first = state.store.products(which).await?;
            let before = related_among(None, first.clone());
            let after = before.iter().map(|one| change.product(one).into_owned()).collect();
            let around = |related: Vec<Product>| Around {
                related: related.into_iter().map(Arc::new).collect(),
                ..Around::default()
            };
            let one = Beside { first, before: around(before), after: around(after) };
            beside.insert(row.kind.handle.clone(), one);
        }
        let everywhere = everywhere(state).await?;
        Ok(Self { change, visit, live, served, navs, everywhere, beside })
    }

    /// The page of a product after the change.
    pub fn page_after(&self, product: &Product) -> ApiResult<String> {
        let missing = || ApiError::no_such("page");
        let (layout, (_, after)) = self.page_of(product).ok_or_else(missing)?;
        let nav = Nav { here: product.path(), ..after.clone() };
        Ok(self.draw(render, &self.change.product(product), &layout, &nav, &self.around(product, true))?)
    }

    fn page_of(&self, product: &Product) -> Option<(Layout, &(Nav, Nav))> {
        let id = self.served.get(&product.handle)?;
        let template = self.live.templates().iter().find(|t| t.id == *id)?;
        Some((compose(&template.layout, &product.kind.handle, &product.handle), self.navs.get(id)?))
    }

    fn around(&self, product: &Product, after: bool) -> Cow<'_, Around> {
        let Some(beside) = self.beside.get(&product.kind.handle) else {
            return Cow::Owned(Around::default());
        };
        if beside.first.iter().all(|one| one.id != product.id) {
            return Cow::Borrowed(if after { &beside.after } else { &beside.before });
        }
        let mut related = related_among(Some(product.id), beside.first.clone());
        if after {
            related = related.iter().map(|one| self.change.product(one).into_owned()).collect();
        }
        Cow::Owned(Around { related: related.into_iter().map(Arc::new).collect(), ..Around::default() })
    }

    /// Makes a page: with its style sheet or without.
    fn draw(
        &self,
        make: Make,
        product: &Product,
        layout: &Layout,
        nav: &Nav,
        around: &Around,
    ) -> Result<String, StorageError> {
        let selection = opening_selection(product, layout);
        let with_cart;
        let nav = match self.visit.prices(&nav.prices, product, &selection)? {
            Cow::Borrowed(_) => nav,
            Cow::Owned(prices) => {
                with_cart = Nav { prices, ..nav.clone() };
                &with_cart
            }
        };
        let situation = &Situation {
            selection,
            quantity: self.visit.quantity(product),
            cart: self.visit.facts(product),
            ..Situation::plain(product.options.len(), nav.prices.today())
        };
        let (media, mode) = (&self.everywhere.media, Mode::Shop);
        Ok(make(&Page { nav, product, layout, around, media, situation, mode, notice: None, only: None })?)
    }

    /// How the page of a product changes; none where it doesn't.
    fn way(
        &self,
        product: &Product,
        layout: &Layout,
        (live, then): &(Nav, Nav),
    ) -> Result<Option<WayTold>, StorageError> {
        if let Change::House(restyled) = &self.change {
            let around = self.around(product, false);
            let draw = |nav| self.draw(render, product, layout, nav, &around);
            let before = if restyled.lays_otherwise() { draw(live)? } else { String::new() };
            return Ok(restyling(restyled, &before, &draw(then)?));
        }
        let changed = self.change.product(product);
        let differs = |before: &Around, after: &Around| -> Result<bool, StorageError> {
            let before = self.draw(render_bare, product, layout, live, before)?;
            Ok(as_seen(&before) != as_seen(&self.draw(render_bare, &changed, layout, then, after)?))
        };
        let nothing = Around::default();
        let alone = || differs(&nothing, &nothing);
        let change = self.change.under(&self.visit, product, &opening_selection(product, layout))?;
        let of_itself = || Ok(change.of_itself(product));
        // What is to be expected first: it needs fewer pages to be made.
        let expected = change.moves(product);
        if expected && alone()? {
            return of_itself();
        }
        let (before, after) = (self.around(product, false), self.around(product, true));
        let touched = |one| self.change.touches(one);
        if !(touched(product) || before.related.iter().any(|one| touched(one))) || !differs(&before, &after)?
        {
            return Ok(None);
        }
        if !expected && touched(product) && alone()? { of_itself() } else { Ok(Some(WayTold::near())) }
    }
}

impl Compare for Compared {
    type Way = WayTold;
    type Part = ChangePart;

    fn count(&self) -> usize {
        self.served.len()
    }

    fn ways(&self, products: &[Product]) -> ApiResult<Vec<Way<WayTold>>> {
        let way = |product: &Product| {
            let Some((layout, navs)) = self.page_of(product) else { return Ok(Way::NoPage) };
            Ok(self.way(product, &layout, navs)?.map_or(Way::Stays, Way::Changes))
        };
        products.iter().map(way).collect()
    }

    fn part(Found { done, of, ways, pages }: Found<WayTold>) -> ChangePart {
        ChangePart { done, of, ways, pages }
    }
}

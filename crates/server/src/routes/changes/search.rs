use super::change::{Change, Pages};
use super::{ChangePart, WayTold};
use crate::error::{ApiError, ApiResult};
use crate::reading::{Reading, Side, nav_items, nav_of, today};
use crate::routes::desk::impact::ChangedPage;
use crate::routes::shop::{MOST_RELATED, related_among};
use crate::serving::{Live, listed, live};
use crate::state::State;
use crate::walk::{Parts, Walk, Ways};
use actix_web::web::Data;
use compagina_core::catalog::Product;
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::media::ShopMedia;
use compagina_core::page::Layout;
use compagina_core::situation::Situation;
use compagina_core::template::compose;
use compagina_core::wording::Language;
use compagina_press::{Around, Mode, Nav, Page, as_seen, opening_selection, render};
use compagina_storage::{StorageError, Which};
use std::borrow::Cow;
use std::collections::HashMap;
use std::sync::Arc;

/// Pages that are made before others are served again.
const AT_A_TIME: usize = 16;

/// What stands around the products of a type.
struct Beside {
    first: Vec<Product>,
    /// Around those that are none of the first, before and after.
    before: Around,
    after: Around,
}

/// All pages of the shop under a change.
pub struct Search {
    state: Data<State>,
    change: Change,
    live: Arc<Live>,
    /// Which template serves which product.
    served: HashMap<Handle, TemplateId>,
    /// For each template what surrounds its pages, before and after.
    navs: HashMap<TemplateId, (Nav, Nav)>,
    media: ShopMedia,
    beside: HashMap<Handle, Beside>,
    walk: Walk,
    ways: Ways<WayTold>,
    done: usize,
}

impl Search {
    pub async fn new(state: Data<State>, change: Change) -> ApiResult<Self> {
        let (live, listed) = (live(&state).await?, listed(&state).await?);
        let index = live.index();
        let of = |one: &crate::serving::Listed| Some((one.facts.handle.clone(), index.winner(&one.facts)?));
        let served: HashMap<_, _> = listed.iter().filter_map(of).collect();
        let shop = state.store.shop().await?.ok_or_else(|| ApiError::no_such("shop"))?;
        let items = nav_items(&state).await?;
        let mut navs = HashMap::new();
        for template in live.templates() {
            let reading = Reading {
                language: Language::default(),
                side: Side::Live,
                template: Some(template.id),
                here: "/shop".into(),
            };
            let nav = nav_of(&state, &reading, shop.clone(), items.clone()).await?;
            let after = change.nav(&nav);
            navs.insert(template.id, (nav, after));
        }
        let types = state.store.types().await?;
        let mut beside = HashMap::new();
        for row in types.iter().filter(|row| row.products > 0) {
            let which = Which::OfType { type_id: row.id, most: MOST_RELATED + 1, skip: 0 };
            let first = state.store.products(which).await?;
            let before = related_among(None, first.clone());
            let after = before.iter().map(|one| change.product(one).into_owned()).collect();
            let around = |related| Around { related, ..Around::default() };
            let one = Beside { first, before: around(before), after: around(after) };
            beside.insert(row.kind.handle.clone(), one);
        }
        let media = state.store.shop_media().await?;
        let walk = Walk::through(types.iter().filter(|row| row.products > 0).map(|row| row.id));
        let (ways, done) = (Ways::default(), 0);
        Ok(Self { state, change, live, served, navs, media, beside, walk, ways, done })
    }

    /// The page of a product after the change.
    pub fn page_after(&self, product: &Product) -> ApiResult<String> {
        let missing = || ApiError::no_such("page");
        let (layout, (_, after)) = self.page_of(product).ok_or_else(missing)?;
        let nav = Nav { here: format!("/shop/products/{}", product.handle), ..after.clone() };
        Ok(self.draw(&self.change.product(product), &layout, &nav, &self.around(product, true))?)
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
        Cow::Owned(Around { related, ..Around::default() })
    }

    fn draw(
        &self,
        product: &Product,
        layout: &Layout,
        nav: &Nav,
        around: &Around,
    ) -> Result<String, StorageError> {
        let plain = Situation::plain(product.options.len(), today());
        let situation = Situation {
            selection: opening_selection(product, layout),
            quantity: product.terms.first(),
            ..plain
        };
        let page = Page {
            nav,
            product,
            layout,
            around,
            media: &self.media,
            situation: &situation,
            mode: Mode::Shop,
            notice: None,
            only: None,
        };
        Ok(render(&page)?)
    }

    /// How the pages of some products change, worked out on two cores.
    fn ways_of(&self, products: &[Product]) -> Vec<Result<Option<WayTold>, StorageError>> {
        let (here, there) = products.split_at(products.len() / 2);
        let of = |some: &[Product]| some.iter().map(|product| self.way(product)).collect::<Vec<_>>();
        std::thread::scope(|scope| {
            let other = scope.spawn(|| of(there));
            let mut ways = of(here);
            match other.join() {
                Ok(others) => ways.extend(others),
                Err(panic) => std::panic::resume_unwind(panic),
            }
            ways
        })
    }

    fn way(&self, product: &Product) -> Result<Option<WayTold>, StorageError> {
        let Some((layout, (live, then))) = self.page_of(product) else { return Ok(None) };
        let itself = self.change.touches(product);
        if !itself && !self.around(product, false).related.iter().any(|one| self.change.touches(one)) {
            return Ok(None);
        }
        let changed = self.change.product(product);
        let before = match self.change.asks_for_before() {
            true => as_seen(&self.draw(product, &layout, live, &self.around(product, false))?),
            false => String::new(),
        };
        let after = as_seen(&self.draw(&changed, &layout, then, &self.around(product, true))?);
        let alone = || {
            let draw = |product, nav| self.draw(product, &layout, nav, &Around::default());
            if !itself {
                return false;
            }
            match (draw(product, live), draw(&changed, then)) {
                (Ok(before), Ok(after)) => as_seen(&before) != as_seen(&after),
                _ => true,
            }
        };
        Ok(self.change.tell(product, Pages { before: &before, after: &after }, alone))
    }
}

impl Parts for Search {
    type Part = ChangePart;
    type Error = StorageError;

    async fn next_part(&mut self) -> Result<Option<ChangePart>, StorageError> {
        let Some(products) = self.walk.next(&self.state.store).await? else { return Ok(None) };
        let (mut new, mut pages) = (Vec::new(), Vec::new());
        for some in products.chunks(AT_A_TIME) {
            for (product, way) in some.iter().zip(self.ways_of(some)) {
                let Some(way) = way? else { continue };
                let way = self.ways.number(way, &mut new);
                pages.push(ChangedPage { handle: product.handle.clone(), name: product.name.clone(), way });
            }
            // Others are to be served in between.
            tokio::task::yield_now().await;
        }
        self.done += products.len();
        Ok(Some(ChangePart { done: self.done, of: self.served.len(), ways: new, pages }))
    }
}

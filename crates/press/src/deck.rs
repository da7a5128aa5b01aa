//! Which card each product has, and the cards of one document: what their pieces are set to is written once for all cards
//! of a layout.

use crate::image::Load;
use compagina_core::catalog::Product;
use compagina_core::ids::ProductId;
use compagina_core::listing::OfSet;
use compagina_core::page::Layout;
use compagina_core::page::starter::quiet_card;
use compagina_core::situation::Situation;
use compagina_core::template::CardPlace;
use std::cell::{Cell, RefCell};
use std::collections::BTreeMap;
use std::sync::{Arc, LazyLock};

/// Which card each product has.
pub trait Cards: std::fmt::Debug + Send + Sync {
    /// The card that was composed for a product at a place, with what its type and it keep different.
    fn composed(&self, product: &Product, place: CardPlace) -> Option<Arc<Layout>>;

    /// The same; a quiet one where none was composed.
    fn card(&self, product: &Product, place: CardPlace) -> Arc<Layout> {
        static QUIET: LazyLock<Arc<Layout>> = LazyLock::new(|| Arc::new(quiet_card()));
        self.composed(product, place).unwrap_or_else(|| QUIET.clone())
    }
}

/// Of a shop that has composed none.
#[derive(Debug, Clone, Copy)]
pub struct Quiet;

impl Cards for Quiet {
    fn composed(&self, _: &Product, _: CardPlace) -> Option<Arc<Layout>> {
        None
    }
}

/// The one card of a document that isn't as all shoppers have it.
#[derive(Debug, Clone)]
pub struct Lead {
    /// Whose card it is.
    pub product: ProductId,
    /// What is chosen on it, the stock, the day.
    pub situation: Situation,
    /// Why it differs.
    pub looked_at: LookedAt,
}

/// Why a card isn't as all shoppers have it.
#[derive(Debug, Clone)]
pub enum LookedAt {
    /// It is composed on the desk: this is its layout, and its pieces carry their names.
    OnDesk(Arc<Layout>),
    /// Something on it is still to be chosen.
    Asked,
}

/// So many cards of a listing are seen at once, about.
const EARLY: usize = 5;

/// The cards of a document: their layouts, each under a number, and whose they are.
#[derive(Debug, Default)]
pub(crate) struct Deck {
    layouts: RefCell<Vec<Arc<Layout>>>,
    names: RefCell<BTreeMap<String, usize>>,
    drawn: Cell<usize>,
    /// Whether it is put into a document that has cards of its own.
    aside: bool,
}

/// By so much the numbers of cards that are put into another document differ from that document's own.
const ASIDE: usize = 1000;

impl Deck {
    /// The cards of a part that is put into a document that may have cards of its own.
    pub fn aside() -> Self {
        Self { aside: true, ..Self::default() }
    }

    /// Its layouts with their numbers.
    pub fn numbered(&self) -> Vec<(usize, Arc<Layout>)> {
        (self.begins()..).zip(self.layouts.borrow().iter().cloned()).collect()
    }

    fn begins(&self) -> usize {
        if self.aside { ASIDE } else { 0 }
    }

    /// The number of a layout, by which its rules are found.
    pub fn number_of(&self, layout: &Arc<Layout>) -> usize {
        let mut layouts = self.layouts.borrow_mut();
        let known = layouts.iter().position(|one| Arc::ptr_eq(one, layout) || one == layout);
        let place = known.unwrap_or_else(|| {
            layouts.push(layout.clone());
            layouts.len() - 1
        });
        self.begins() + place
    }

    /// When the picture of the card that is drawn next in a listing is loaded.
    pub fn load(&self) -> Load {
        let place = self.drawn.replace(self.drawn.get() + 1);
        match place {
            0 => Load::First,
            place if place < EARLY => Load::Soon,
            _ => Load::Later,
        }
    }

    /// A name for one more card of a product, as the document's elements are named.
    pub fn name_of(&self, product: &Product) -> String {
        let mut names = self.names.borrow_mut();
        let before = names.entry(product.handle.to_string()).or_default();
        *before += 1;
        let aside = if self.aside { "side-" } else { "" };
        match *before {
            1 => format!("{aside}card-{}", product.handle),
            before => format!("{aside}card-{}-{before}", product.handle),
        }
    }
}

/// A card with everything that its pieces are given.
pub(crate) struct OnCard {
    /// The name of the form to which its inputs and buttons belong.
    pub form: String,
    /// Whether what is chosen on it changes it; otherwise it leads to the page.
    pub chooses: bool,
    /// The options that are still to be chosen and asked for, by their places.
    pub missing: Vec<usize>,
    /// When its picture is loaded.
    pub load: Load,
    /// What is told of all products that stand on it, where they are several and nothing is chosen on it.
    pub of_set: Option<OfSet>,
}

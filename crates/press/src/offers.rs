//! What the page's script needs to answer a choice at once: for every selection that can be reached, all texts that
//! change, already written, and for every value its state and where picking it leads. The script looks up; it
//! doesn't reckon. Products with too many selections, and quantities, ask the server for the same entry.

use crate::buy::{BuyState, buy_state};
use crate::ctx::{Around, Ctx, Styled};
use crate::deck::{Deck, OnCard};
use crate::document::Nav;
use crate::image::Load;
use crate::piece;
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, ValueState, pick};
use compagina_core::media::ShopMedia;
use compagina_core::money::MoneyError;
use compagina_core::page::{Layout, Purpose};
use compagina_core::price::{Extras, Surface};
use compagina_core::situation::Situation;
use serde::Serialize;
use std::collections::{BTreeMap, VecDeque};

/// A page carries at most so many entries; beyond that the script asks for each.
const MOST_ENTRIES: usize = 80;

/// What a page says under one selection.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
pub struct Entry {
    /// The selection as an address names it.
    pub key: String,
    /// Text by slot; an empty one hides its place.
    pub say: BTreeMap<String, String>,
    /// Whether the buy button does something, and whether it is because of a choice still to be made.
    pub buy: BuyState,
    /// Places of the pictures to show, first things first.
    pub pictures: Vec<usize>,
    /// The chosen value of each option, by its place.
    pub chosen: Vec<Option<u16>>,
    /// `[option][value]`: state, and the key of the selection to which picking it leads.
    pub values: Vec<Vec<(ValueState, String)>>,
}

/// The entries that a page carries.
#[derive(Debug, Serialize)]
pub(crate) struct Table {
    /// The key of the entry that the page was drawn with.
    start: String,
    /// Where an entry that isn't here is to be had.
    ask: String,
    /// Whether what is in the cart can change prices here.
    cart: bool,
    /// For how many, and by which plan (0 for once), the entries are.
    quantity: u32,
    plan: u64,
    written: bool,
    /// The options by their handles, in their order.
    options: Vec<String>,
    /// What is said while the shop doesn't answer.
    late: String,
    /// The words for values that can't be had.
    states: BTreeMap<&'static str, String>,
    entries: BTreeMap<String, Entry>,
}

/// The entry of one selection and quantity, as the script asks for it; of a page or a card.
///
/// # Errors
/// [`MoneyError`] where currencies differ or an amount is too large.
pub fn entry_for(
    nav: &Nav,
    product: &Product,
    layout: &Layout,
    situation: &Situation,
) -> Result<Entry, MoneyError> {
    let product = &situation.apply(product);
    let prices = nav.prices.with_extras(situation.extras());
    let on_card = layout.purpose == Purpose::Card;
    let place = if on_card { Surface::Card } else { Surface::Page };
    let offer = prices.offer(product, &situation.selection, situation.quantity, place)?;
    let card =
        OnCard { form: String::new(), chooses: true, missing: vec![], load: Load::Later, of_set: None };
    let ctx = Ctx {
        shop: &nav.shop,
        product,
        around: &Around::default(),
        media: &ShopMedia::default(),
        words: &nav.words,
        house: &nav.house,
        prices: &prices,
        place,
        situation,
        offer: &offer,
        layout,
        small: false,
        cards: nav.cards.as_ref(),
        deck: &Deck::default(),
        card: on_card.then_some(&card),
        here: &nav.here,
    };
    Ok(entry(&ctx, layout))
}

/// The entries reachable by picking from where the page opens, or only the first where they are too many.
pub(crate) fn table(ctx: &Ctx<'_>, layout: &Layout) -> Result<Table, MoneyError> {
    let first = entry(ctx, layout);
    let start = first.key.clone();
    let mut entries = BTreeMap::new();
    let mut waiting = VecDeque::from([ctx.offer.selection.clone()]);
    while let Some(selection) = waiting.pop_front() {
        if entries.contains_key(&selection.to_query(ctx.product)) {
            continue;
        }
        if entries.len() >= MOST_ENTRIES {
            entries = BTreeMap::from([(start.clone(), first)]);
            break;
        }
        let offer = ctx.prices.offer(ctx.product, &selection, ctx.situation.quantity, ctx.place)?;
        let entry = entry(&Ctx { offer: &offer, ..*ctx }, layout);
        entries.insert(entry.key.clone(), entry);
        for (option, uses) in ctx.product.options.iter().enumerate() {
            for value in (0..uses.values.len()).filter_map(|v| u16::try_from(v).ok()) {
                waiting.push_back(pick(ctx.product, &selection, option, value));
            }
        }
    }
    let states =
        BTreeMap::from([("sold_out", ctx.say("state-sold-out")), ("not_made", ctx.say("state-not-made"))]);
    let cart = ctx.prices.look_at_the_cart();
    let (quantity, Extras { plan, written }) = (ctx.situation.quantity, ctx.situation.extras());
    let plan = ctx.told().and_then(|v| ctx.prices.plan_for(ctx.product, v, plan)).map_or(0, |plan| plan.id.0);
    Ok(Table {
        start,
        cart,
        quantity,
        plan,
        written,
        ask: format!("{}/offer", ctx.product.path()),
        options: ctx.product.options.iter().map(|option| option.handle.to_string()).collect(),
        late: ctx.say("offer-late"),
        states,
        entries,
    })
}

fn entry(ctx: &Ctx<'_>, layout: &Layout) -> Entry {
    let selection = &ctx.offer.selection;
    let mut say = piece::price::slots(ctx);
    for piece in layout.pieces() {
        say.extend(piece::slots(ctx, &Styled::new(piece, ctx.words, ctx.house)));
    }
    Entry {
        key: selection.to_query(ctx.product),
        say,
        buy: buy_state(ctx.offer),
        pictures: ctx.offer.pictures.clone(),
        chosen: selection.values().to_vec(),
        values: values(ctx, selection),
    }
}

fn values(ctx: &Ctx<'_>, selection: &Selection) -> Vec<Vec<(ValueState, String)>> {
    let row = |(option, states): (usize, &Vec<ValueState>)| {
        let cell = |(value, state): (usize, &ValueState)| {
            let to = u16::try_from(value)
                .map(|v| pick(ctx.product, selection, option, v))
                .unwrap_or(selection.clone());
            (*state, to.to_query(ctx.product))
        };
        states.iter().enumerate().map(cell).collect()
    };
    ctx.offer.states.iter().enumerate().map(row).collect()
}

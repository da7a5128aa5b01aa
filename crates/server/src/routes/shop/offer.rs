use super::product::only_for_owners_unless_public;
use crate::error::{ApiError, ApiResult};
use crate::routes::till::prices_for_cart;
use crate::serving::edition::page::{Served, plan_of};
use crate::serving::known::known_at;
use crate::serving::reading::Reading;
use crate::state::State;
use actix_web::web::{Data, Json, Path, Query};
use actix_web::{HttpRequest, get};
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, ValueState, pick};
use compagina_core::ids::Handle;
use compagina_core::money::Money;
use compagina_core::price::{Offer, PriceTag, Surface};
use compagina_core::situation::Situation;
use compagina_core::template::CardPlace;
use compagina_press::{Entry, Nav, amount as press_amount, entry_for};
use serde::Serialize;
use utoipa::ToSchema;

/// Of choices made one upon another in one question.
const MOST_PICKS: usize = 100;

/// What a product is offered at under a choice and a quantity.
#[derive(Serialize, ToSchema)]
pub struct OfferAnswer {
    /// Each option with the state of each of its values.
    options: Vec<OfferedOption>,
    /// The SKU that the choice comes to; none while a choice is open.
    variant: Option<String>,
    /// Choices that had to change so that the last one in the address could be kept.
    moved: Vec<Moved>,
    quantity: u32,
    /// Of one piece; the least while a choice is open.
    price: Option<Amount>,
    /// The most, where a choice is open and prices differ.
    up_to: Option<Amount>,
    old_price: Option<Amount>,
    /// As the page says it; empty where it says nothing.
    stock_line: String,
    /// The address of the first picture of the choice.
    picture: Option<String>,
    /// What else changes on the page, for its script.
    #[serde(flatten)]
    #[schema(ignore)]
    entry: Entry,
}

#[derive(Serialize, ToSchema)]
pub struct OfferedOption {
    option: Handle,
    name: String,
    chosen: Option<Handle>,
    values: Vec<OfferedValue>,
}

#[derive(Serialize, ToSchema)]
pub struct OfferedValue {
    value: Handle,
    name: String,
    state: ValueState,
}

/// A choice that changed by itself.
#[derive(Serialize, ToSchema)]
pub struct Moved {
    option: Handle,
    from: Handle,
    to: Handle,
}

/// An amount in whole minor units, and as the shop writes it.
#[derive(Serialize, ToSchema)]
pub struct Amount {
    minor: i64,
    currency: &'static str,
    text: String,
}

/// What a product costs under a choice, and which values can be had. Options are named by their handles:
/// `?colour=ember&sail=2-1-m&quantity=2&plan=1`; `written=1` where something is written onto it. What isn't known is passed
/// over. More choices that were made one upon another follow as `then=colour.ember`. Of choices that nothing fits the last one stays
/// and as few others as possible move. `card=listing` asks for the card on which it stands there, `card=related` for the
/// one beside other products, `card=cart` for the one beside the cart, instead of the page.
#[utoipa::path(operation_id = "offer", params(("address" = String, Path), ("quantity" = Option<u32>, Query), ("plan" = Option<u64>, Query),
    ("written" = Option<u8>, Query), ("card" = Option<String>, Query), ("then" = Option<String>, Query)),
    responses((status = 200, body = OfferAnswer), (status = 404, body = ApiError)))]
#[get("/shop/products/{address}/offer")]
pub async fn tell(
    state: Data<State>,
    address: Path<String>,
    query: Query<Vec<(String, String)>>,
    request: HttpRequest,
) -> ApiResult<Json<OfferAnswer>> {
    let product = known_at(&state, &address).await?.known().product.clone();
    only_for_owners_unless_public(&state, &product, &request).await?;
    let Served { layout, mut nav, .. } = Served::now(&state, &product, Reading::of(&request)).await?;
    let pairs = || query.iter().map(|(name, value)| (name.as_str(), value.as_str()));
    let quantity = pairs().find(|(name, _)| *name == "quantity").and_then(|(_, text)| text.parse().ok());
    let asked = Selection::from_pairs(&product, pairs()).0;
    let selection = settled(&product, &asked, pairs().map(|(name, _)| name));
    let then = pairs().filter(|(name, _)| *name == "then").filter_map(|(_, one)| named(&product, one));
    let (mut asked, mut selection) = (asked, selection);
    for (option, value) in then.take(MOST_PICKS) {
        asked.set(option, Some(value));
        selection = pick(&product, &selection, option, value);
    }
    let written = pairs().any(|(name, text)| name == "written" && text == "1");
    let situation = Situation {
        selection: selection.clone(),
        quantity: quantity.unwrap_or(product.terms.first()).clamp(1, 99),
        plan: plan_of(pairs()),
        text: if written { "x".to_owned() } else { String::new() },
        ..Situation::plain(product.options.len(), nav.prices.today())
    };
    nav.prices = prices_for_cart(&state, &request, nav.prices).await?;
    let place = pairs().find(|(name, _)| *name == "card").and_then(|(_, key)| CardPlace::from_key(key));
    let card = place.map(|place| nav.cards.card(&product, place));
    let entry = entry_for(&nav, &product, card.as_deref().unwrap_or(&layout), &situation)?;
    nav.prices = nav.prices.with_extras(situation.extras());
    let surface = if card.is_some() { Surface::Card } else { Surface::Page };
    let offer = nav.prices.offer(&product, &selection, situation.quantity, surface)?;
    Ok(Json(answer(&nav, &product, &asked, &offer, situation.quantity, entry)))
}

/// The choice, with the last one in the address kept where nothing fits all of them.
fn settled<'a>(product: &Product, asked: &Selection, names: impl Iterator<Item = &'a str>) -> Selection {
    let of = |name: &str| product.options.iter().position(|option| option.handle.as_str() == name);
    let newest = names.filter_map(of).filter(|option| asked.get(*option).is_some()).last();
    match newest.and_then(|option| Some((option, asked.get(option)?))) {
        Some((option, value)) => pick(product, asked, option, value),
        None => asked.clone(),
    }
}

/// An option and its value by their handles, with a dot between them. What isn't known is passed over.
fn named(product: &Product, one: &str) -> Option<(usize, u16)> {
    let (option, value) = one.split_once('.')?;
    let option = product.options.iter().position(|known| known.handle.as_str() == option)?;
    let value = product.options[option].values.iter().position(|known| known.handle.as_str() == value)?;
    Some((option, u16::try_from(value).ok()?))
}

fn answer(
    nav: &Nav,
    product: &Product,
    asked: &Selection,
    offer: &Offer,
    quantity: u32,
    entry: Entry,
) -> OfferAnswer {
    let amount = |m: Money| Amount {
        minor: m.minor,
        currency: m.currency.code(),
        text: press_amount(&nav.shop, &nav.prices, product, m),
    };
    let (price, up_to, old_price) = match &offer.tag {
        PriceTag::Exact(quote) => (Some(amount(quote.unit)), None, quote.old.map(amount)),
        PriceTag::Span { from, to } => (Some(amount(*from)), Some(amount(*to)), None),
        PriceTag::None => (None, None, None),
    };
    let picture = offer.pictures.first().and_then(|place| product.pictures.get(*place)?.at_least(720));
    let line = entry.say.iter().find(|(slot, text)| slot.starts_with("stock.") && !text.is_empty());
    OfferAnswer {
        options: options(product, offer),
        variant: offer
            .variant
            .and_then(|id| product.variants.iter().find(|v| v.id == id))
            .map(|v| v.sku.clone()),
        moved: moved(product, asked, &offer.selection),
        quantity,
        price,
        up_to,
        old_price,
        stock_line: line.map(|(_, text)| text.clone()).unwrap_or_default(),
        picture: picture.map(|size| size.address()),
        entry,
    }
}

fn options(product: &Product, offer: &Offer) -> Vec<OfferedOption> {
    let option = |(place, states): (usize, &Vec<ValueState>)| {
        let option = product.options.get(place)?;
        let values = option.values.iter().zip(states);
        Some(OfferedOption {
            option: option.handle.clone(),
            name: option.name.clone(),
            chosen: value_of(product, &offer.selection, place),
            values: values
                .map(|(v, state)| OfferedValue {
                    value: v.handle.clone(),
                    name: v.name.clone(),
                    state: *state,
                })
                .collect(),
        })
    };
    offer.states.iter().enumerate().filter_map(option).collect()
}

fn value_of(product: &Product, selection: &Selection, option: usize) -> Option<Handle> {
    let value = selection.get(option)?;
    Some(product.options.get(option)?.values.get(usize::from(value))?.handle.clone())
}

fn moved(product: &Product, asked: &Selection, now: &Selection) -> Vec<Moved> {
    let of = |place: usize| {
        let (from, to) = (value_of(product, asked, place)?, value_of(product, now, place)?);
        (from != to).then(|| Moved { option: product.options[place].handle.clone(), from, to })
    };
    (0..product.options.len()).filter_map(of).collect()
}

//! The form by which a listing is ordered and narrowed. It is sent as an address, so that it works without script and can
//! be shared; beside each filter stands how many it would leave.

use super::listing::Leaf;
use crate::document::Nav;
use crate::escape::encoded;
use crate::swatch::cloth;
use compagina_core::catalog::{ProductOption, ProductType, Tag, Way};
use compagina_core::ids::Handle;
use compagina_core::listing::{Filter, Found, Order, Wanted};
use compagina_core::money::Money;
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// What a listing is asked for, and what is there.
#[derive(Debug, Clone, Copy)]
pub struct Sift<'a> {
    /// The listing's own path.
    pub path: &'a str,
    /// The words that are searched for, where it is a search.
    pub words: Option<&'a str>,
    /// What is asked for.
    pub wanted: &'a Wanted,
    /// What there is of it.
    pub found: &'a Found,
    /// The types that its products may have.
    pub types: &'a [ProductType],
    /// The options that its products may have, with their values.
    pub options: &'a [ProductOption],
    /// Whether any of its products has been reviewed.
    pub rated: bool,
}

/// What is offered of one kind at the most: tags, and values of an option; those of most products first.
const MOST_OFFERED: usize = 8;
/// Options of which values are offered, at the most.
const MOST_OPTIONS: usize = 3;

/// A box to tick: its name and value in addresses, what it says, how many it would leave.
struct Tick<'a> {
    name: &'static str,
    value: String,
    says: &'a str,
    cloth: Option<Markup>,
    count: usize,
    asked: bool,
}

impl Sift<'_> {
    /// The listing with something else asked for.
    fn address(&self, nav: &Nav, wanted: &Wanted) -> String {
        let mut pairs = vec![];
        pairs.extend(self.words.map(|words| format!("q={}", encoded(words))));
        pairs.extend(wanted.order.map(|order| format!("order={}", order.key())));
        pairs.extend(wanted.types.iter().map(|kind| format!("type={kind}")));
        pairs.extend(wanted.tags.iter().map(|tag| format!("tag={}", encoded(tag.as_str()))));
        for (option, values) in self.options.iter().filter_map(|one| Some((one, wanted.values.get(&one.id)?)))
        {
            let values = option.values.iter().filter(|value| values.contains(&value.id));
            pairs.extend(values.map(|value| format!("value={}", named(&option.handle, &value.handle))));
        }
        let amount = |minor: i64| Money::new(minor, nav.shop.currency).plain();
        pairs.extend(wanted.least.map(|least| format!("from={}", amount(least))));
        pairs.extend(wanted.most.map(|most| format!("to={}", amount(most))));
        if wanted.in_stock {
            pairs.push("stock=1".to_owned());
        }
        if wanted.on_sale {
            pairs.push("sale=1".to_owned());
        }
        if pairs.is_empty() { self.path.to_owned() } else { format!("{}?{}", self.path, pairs.join("&")) }
    }

    /// The same listing's page of this number.
    pub(super) fn page(&self, nav: &Nav, number: u32) -> String {
        let address = self.address(nav, self.wanted);
        let sign = if address.contains('?') { '&' } else { '?' };
        if number == 1 { address } else { format!("{address}{sign}page={number}") }
    }

    /// The address that stands for it: however it is ordered and narrowed, it is the one listing.
    #[must_use]
    pub fn itself(&self, leaf: Option<Leaf>) -> String {
        let plain = *self.wanted == self.wanted.plain();
        match leaf.filter(|leaf| plain && leaf.number > 1) {
            Some(leaf) => format!("{}?page={}", self.path, leaf.number),
            None => self.path.to_owned(),
        }
    }

    /// The listing as it is without any filter.
    fn plain(&self, nav: &Nav) -> String {
        self.address(nav, &Wanted { order: self.wanted.order, ..self.wanted.plain() })
    }

    /// The types that are offered, where there are several.
    fn types(&self) -> Vec<Tick<'_>> {
        let all = self.types.iter().map(|kind| Tick {
            name: "type",
            value: kind.handle.to_string(),
            says: &kind.name,
            cloth: None,
            count: self.found.types.get(&kind.handle).copied().unwrap_or(0),
            asked: self.wanted.types.contains(&kind.handle),
        });
        let all: Vec<_> = all.filter(|tick| tick.count > 0 || tick.asked).collect();
        if all.len() > 1 || !self.wanted.types.is_empty() { all } else { vec![] }
    }

    /// The tags that are offered: those that are asked for, then those of most products.
    fn tags(&self) -> Vec<Tick<'_>> {
        let counted = self.found.tags.iter().map(|(tag, count)| (tag, *count));
        let gone =
            self.wanted.tags.iter().filter(|tag| !self.found.tags.contains_key(*tag)).map(|tag| (tag, 0));
        let ticks = counted.chain(gone).map(|(tag, count)| Tick {
            name: "tag",
            value: tag.to_string(),
            says: tag.as_str(),
            cloth: None,
            count,
            asked: self.wanted.tags.contains(tag),
        });
        let mut ticks: Vec<_> = ticks.collect();
        ticks.sort_by_key(|tick| (!tick.asked, std::cmp::Reverse(tick.count), tick.says));
        ticks.truncate(MOST_OFFERED);
        ticks
    }

    /// The options that are offered: those by which something is chosen now, then those that tell most products apart.
    fn values(&self, nav: &Nav) -> Vec<(&str, Vec<Tick<'_>>)> {
        let of = |option: &ProductOption| -> usize {
            option.values.iter().filter_map(|value| self.found.values.get(&(option.id, value.id))).sum()
        };
        let asks = |option: &ProductOption| self.wanted.values.contains_key(&option.id);
        let mut options: Vec<&ProductOption> = self.options.iter().collect();
        options.sort_by_key(|option| (!asks(option), std::cmp::Reverse(of(option))));
        let offered = options.into_iter().map(|option| (option, self.ticks_of(nav, option)));
        let offered = offered.filter(|(option, ticks)| ticks.len() > 1 || asks(option));
        offered.take(MOST_OPTIONS).map(|(option, ticks)| (option.name.as_str(), ticks)).collect()
    }

    /// An option's values in their order; of many those of most products.
    fn ticks_of<'a>(&'a self, nav: &Nav, option: &'a ProductOption) -> Vec<Tick<'a>> {
        let asked = self.wanted.values.get(&option.id);
        // As it is chosen by on pages or cards.
        let by_swatches = [option.page, option.card].contains(&Way::Swatches);
        let ticks = option.values.iter().map(|value| Tick {
            name: "value",
            value: named(&option.handle, &value.handle),
            says: &value.name,
            cloth: cloth(value, &nav.house).filter(|_| by_swatches),
            count: self.found.values.get(&(option.id, value.id)).copied().unwrap_or(0),
            asked: asked.is_some_and(|asked| asked.contains(&value.id)),
        });
        let mut ticks: Vec<_> = ticks.filter(|tick| tick.count > 0 || tick.asked).enumerate().collect();
        ticks.sort_by_key(|(_, tick)| (!tick.asked, std::cmp::Reverse(tick.count)));
        ticks.truncate(MOST_OFFERED);
        ticks.sort_by_key(|(place, _)| *place);
        ticks.into_iter().map(|(_, tick)| tick).collect()
    }
}

/// Where the listing of a tag stands.
#[must_use]
pub fn tag_path(tag: &Tag) -> String {
    format!("/shop/tags/{}", encoded(tag.as_str()))
}

/// A value as addresses of listings name it: `colour.ember`.
fn named(option: &Handle, value: &Handle) -> String {
    format!("{option}.{value}")
}

fn tick(tick: &Tick<'_>) -> Markup {
    let Tick { name, value, says, cloth, count, asked } = tick;
    html! {
        label { input type="checkbox" name=(name) value=(value) checked[*asked]; @if let Some(cloth) = cloth { (cloth) } (says) span.soft { " " (count) } }
    }
}

/// Order and filters, folded on phones, and on wide screens where that is asked for.
pub(super) fn form(nav: &Nav, sift: &Sift<'_>, folded: bool) -> Markup {
    let say = |key: &str| nav.words.say(key);
    let Sift { path, words, wanted, found, rated, .. } = *sift;
    let count = nav.words.say_with("listing-products", &[("count", Arg::Number(number(found.places.len())))]);
    let narrowed = !wanted.narrows().is_empty();
    let orders =
        Order::ALL.into_iter().filter(|order| rated || *order != Order::Rating || *order == wanted.order());
    html! {
        form.sift method="get" action=(path) aria-label=(say("listing-sift")) data-sift {
            @if let Some(words) = words { input type="hidden" name="q" value=(words); }
            strong.sift-count role="status" { (count) }
            @if narrowed { a.sift-clear href=(sift.plain(nav)) { (say("listing-all-again")) } }
            label.sift-order {
                span { (say("listing-order")) }
                select name="order" {
                    @for order in orders {
                        option value=(order.key()) selected[order == wanted.order()] { (say(&said(order, words.is_some()))) }
                    }
                }
            }
            details.sift-more.folded[folded] open[narrowed] {
                summary { (say("listing-filters")) }
                (ticks(&say("listing-types"), &sift.types()))
                (ticks(&say("listing-tags"), &sift.tags()))
                @for (option, values) in sift.values(nav) { (ticks(option, &values)) }
                (more(nav, sift))
            }
            button.plain { (say("listing-show")) }
        }
    }
}

/// How an order is called; what is searched for is arranged by how well it fits.
fn said(order: Order, searched: bool) -> String {
    let key = if searched && order == Order::Arranged { "fit" } else { order.key() };
    format!("listing-order-{key}")
}

fn ticks(name: &str, all: &[Tick<'_>]) -> Markup {
    html! {
        @if !all.is_empty() { fieldset { legend { (name) } @for one in all { (tick(one)) } } }
    }
}

/// What can be had, what costs less, and the span of prices.
fn more(nav: &Nav, sift: &Sift<'_>) -> Markup {
    let say = |key: &str| nav.words.say(key);
    let Sift { wanted, found, .. } = *sift;
    let currency = &sign(nav);
    let with = |key: &str| nav.words.say_with(key, &[("currency", Arg::Text(currency))]);
    let amount = |minor: Option<i64>| minor.map(|minor| Money::new(minor, nav.shop.currency).plain());
    let flag = |name: &'static str, key: &str, count: usize, asked: bool| {
        let says = say(key);
        tick(&Tick { name, value: "1".to_owned(), says: &says, cloth: None, count, asked })
    };
    html! {
        fieldset.sift-flags {
            legend.unseen { (say("listing-filters")) }
            (flag("stock", "listing-stock", found.in_stock, wanted.in_stock))
            @if found.on_sale > 0 || wanted.on_sale { (flag("sale", "listing-sale", found.on_sale, wanted.on_sale)) }
        }
        fieldset.sift-price {
            legend.unseen { (with("listing-price-from")) }
            label { span { (with("listing-price-from")) } input type="text" inputmode="decimal" name="from" size="6" value=[amount(wanted.least)] placeholder=[amount(found.prices.map(|(least, _)| least))]; }
            label { span { (with("listing-price-to")) } input type="text" inputmode="decimal" name="to" size="6" value=[amount(wanted.most)] placeholder=[amount(found.prices.map(|(_, most)| most))]; }
        }
    }
}

/// Where nothing is left: what to loosen, with how many there would be.
pub(super) fn loosen(nav: &Nav, sift: &Sift<'_>) -> Markup {
    let option =
        |id| sift.options.iter().find(|option| option.id == id).map_or("", |option| option.name.as_str());
    let way = |(filter, count): (&Filter, &usize)| {
        let count = ("count", Arg::Number(number(*count)));
        let words = match filter {
            Filter::Types => nav.words.say_with("listing-without-types", &[count]),
            Filter::Tags => nav.words.say_with("listing-without-tags", &[count]),
            Filter::Values(id) => {
                nav.words.say_with("listing-without-values", &[count, ("option", Arg::Text(option(*id)))])
            }
            Filter::Price => nav.words.say_with("listing-without-price", &[count]),
            Filter::Stock => nav.words.say_with("listing-without-stock", &[count]),
            Filter::Sale => nav.words.say_with("listing-without-sale", &[count]),
        };
        html! { li { a href=(sift.address(nav, &sift.wanted.without(*filter))) { (words) } } }
    };
    html! {
        p { (nav.words.say("listing-nothing-fits")) }
        ul.loosen { @for one in &sift.found.without { (way(one)) } }
    }
}

/// `£`, as amounts are written.
fn sign(nav: &Nav) -> String {
    let nothing = Money::new(0, nav.shop.currency).format(nav.shop.locale);
    nothing
        .chars()
        .filter(|one| !one.is_ascii_digit() && !one.is_whitespace() && !",.'".contains(*one))
        .collect()
}

pub(super) fn number(count: usize) -> u32 {
    u32::try_from(count).unwrap_or(u32::MAX)
}

//! The form by which a listing is ordered and narrowed. It is sent as an address, so that it works without script and can
//! be shared; beside each filter stands how many it would leave.

use crate::document::Nav;
use crate::escape::encoded;
use compagina_core::listing::{Filter, Found, Order, Wanted};
use compagina_core::money::Money;
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// What a listing is asked for, and what is there.
#[derive(Debug, Clone, Copy)]
pub struct Sift<'a> {
    /// The listing's own path.
    pub path: &'a str,
    /// What is asked for.
    pub wanted: &'a Wanted,
    /// What there is of it.
    pub found: &'a Found,
}

/// Tags that are offered at the most, those of most products first.
const MOST_TAGS: usize = 8;

impl Sift<'_> {
    /// The listing with something else asked for.
    fn address(&self, nav: &Nav, wanted: &Wanted) -> String {
        let mut pairs = vec![];
        if wanted.order != Order::default() {
            pairs.push(format!("order={}", wanted.order.key()));
        }
        pairs.extend(wanted.tags.iter().map(|tag| format!("tag={}", encoded(tag.as_str()))));
        let amount = |minor: i64| Money::new(minor, nav.shop.currency).plain();
        pairs.extend(wanted.least.map(|least| format!("from={}", amount(least))));
        pairs.extend(wanted.most.map(|most| format!("to={}", amount(most))));
        if wanted.in_stock {
            pairs.push("stock=1".to_owned());
        }
        if pairs.is_empty() { self.path.to_owned() } else { format!("{}?{}", self.path, pairs.join("&")) }
    }

    /// The same listing's page of this number.
    pub(super) fn page(&self, nav: &Nav, number: u32) -> String {
        let address = self.address(nav, self.wanted);
        let sign = if address.contains('?') { '&' } else { '?' };
        if number == 1 { address } else { format!("{address}{sign}page={number}") }
    }

    /// The tags that are offered: those that are asked for, then those of most products.
    fn tags(&self) -> Vec<(&str, usize, bool)> {
        let mut all: Vec<(&str, usize, bool)> = self
            .found
            .tags
            .iter()
            .map(|(tag, count)| (tag.as_str(), *count, self.wanted.tags.contains(tag)))
            .collect();
        let gone = self.wanted.tags.iter().filter(|tag| !self.found.tags.contains_key(*tag));
        all.extend(gone.map(|tag| (tag.as_str(), 0, true)));
        all.sort_by_key(|(tag, count, asked)| (!asked, std::cmp::Reverse(*count), *tag));
        all.truncate(MOST_TAGS);
        all
    }
}

/// Order and filters, folded on phones.
pub(super) fn form(nav: &Nav, sift: &Sift<'_>) -> Markup {
    let say = |key: &str| nav.words.say(key);
    let Sift { path, wanted, found } = *sift;
    let currency = &sign(nav);
    let with = |key: &str| nav.words.say_with(key, &[("currency", Arg::Text(currency))]);
    let amount = |minor: Option<i64>| minor.map(|minor| Money::new(minor, nav.shop.currency).plain());
    let count = nav.words.say_with("listing-products", &[("count", Arg::Number(number(found.places.len())))]);
    let tags = sift.tags();
    html! {
        form.sift method="get" action=(path) aria-label=(say("listing-sift")) data-sift {
            strong.sift-count role="status" { (count) }
            @if !wanted.narrows().is_empty() { a.sift-clear href=(path) { (say("listing-all-again")) } }
            label.sift-order {
                span { (say("listing-order")) }
                select name="order" {
                    @for order in Order::ALL {
                        option value=(order.key()) selected[order == wanted.order] { (say(&format!("listing-order-{}", order.key()))) }
                    }
                }
            }
            details.sift-more open[!wanted.narrows().is_empty()] {
                summary { (say("listing-filters")) }
                @if !tags.is_empty() {
                    fieldset.sift-tags {
                        legend.unseen { (say("listing-tags")) }
                        @for (tag, count, asked) in &tags {
                            label { input type="checkbox" name="tag" value=(tag) checked[*asked]; (tag) span.soft { " " (count) } }
                        }
                    }
                }
                label.sift-stock { input type="checkbox" name="stock" value="1" checked[wanted.in_stock]; (say("listing-stock")) span.soft { " " (found.in_stock) } }
                fieldset.sift-price {
                    legend.unseen { (with("listing-price-from")) }
                    label { span { (with("listing-price-from")) } input type="text" inputmode="decimal" name="from" size="6" value=[amount(wanted.least)] placeholder=[amount(found.prices.map(|(least, _)| least))]; }
                    label { span { (with("listing-price-to")) } input type="text" inputmode="decimal" name="to" size="6" value=[amount(wanted.most)] placeholder=[amount(found.prices.map(|(_, most)| most))]; }
                }
            }
            button.plain { (say("listing-show")) }
        }
    }
}

/// Where nothing is left: what to loosen, with how many there would be.
pub(super) fn loosen(nav: &Nav, sift: &Sift<'_>) -> Markup {
    let way = |(filter, count): (&Filter, &usize)| {
        let key = match filter {
            Filter::Tags => "listing-without-tags",
            Filter::Price => "listing-without-price",
            Filter::Stock => "listing-without-stock",
        };
        let words = nav.words.say_with(key, &[("count", Arg::Number(number(*count)))]);
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

fn number(count: usize) -> u32 {
    u32::try_from(count).unwrap_or(u32::MAX)
}

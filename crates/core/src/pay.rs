//! The providers by which an order can be paid, all of them simulated, and the order in which a shopper meets them.

use serde::Serialize;

/// A provider.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Provider {
    /// Its name in addresses.
    pub id: &'static str,
    /// What it is called.
    pub name: &'static str,
    /// Where it is at home, as ISO 3166 codes; empty for everywhere.
    pub countries: &'static [&'static str],
    /// Whether it is at its best on a phone.
    pub phone: bool,
}

/// All of them, in the shop's own order.
pub const PROVIDERS: [Provider; 4] = [
    Provider { id: "card", name: "Card", countries: &[], phone: false },
    Provider { id: "tern", name: "Tern", countries: &[], phone: true },
    Provider { id: "harbour", name: "Harbour Pay", countries: &["GB", "IE"], phone: false },
    Provider { id: "leuchtturm", name: "Leuchtturm", countries: &["DE", "AT"], phone: false },
];

/// Why a provider stands where it does.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Because {
    /// The shopper paid by it the last time.
    UsedLast,
    /// It suits the device.
    Device,
    /// It is at home in the shopper's country.
    Country,
    /// It is as the shop lists it.
    Listed,
    /// It isn't used in the shopper's country.
    Elsewhere,
}

/// What is known of a shopper when providers are put in order.
#[derive(Debug, Clone, Copy, Default)]
pub struct Payer<'a> {
    /// Where the order goes.
    pub country: Option<&'a str>,
    /// Whether on a phone.
    pub on_phone: bool,
    /// By which the shopper paid last.
    pub used_last: Option<&'a str>,
}

/// A provider by its id.
#[must_use]
pub fn provider(id: &str) -> Option<&'static Provider> {
    PROVIDERS.iter().find(|known| known.id == id)
}

/// The providers for a shopper: what was used last first, then what suits the device, then what is at home in the country,
/// then the rest as listed; last what isn't used there.
#[must_use]
pub fn in_order(payer: Payer<'_>) -> Vec<(&'static Provider, Because)> {
    let why = |one: &Provider| {
        let here = payer.country.is_some_and(|country| one.countries.contains(&country));
        if payer.used_last == Some(one.id) {
            Because::UsedLast
        } else if !here && payer.country.is_some() && !one.countries.is_empty() {
            Because::Elsewhere
        } else if payer.on_phone && one.phone {
            Because::Device
        } else if here {
            Because::Country
        } else {
            Because::Listed
        }
    };
    let mut all: Vec<_> = PROVIDERS.iter().map(|one| (one, why(one))).collect();
    all.sort_by_key(|(_, why)| *why);
    all
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::collections::BTreeSet;

    fn order(payer: Payer<'_>) -> Vec<(&'static str, Because)> {
        in_order(payer).into_iter().map(|(one, why)| (one.id, why)).collect()
    }

    #[test]
    fn last_use_comes_before_device_and_device_before_country() {
        use Because::{Country, Device, Elsewhere, Listed, UsedLast};
        let british = Payer { country: Some("GB"), ..Payer::default() };
        let at_home = [("harbour", Country), ("card", Listed), ("tern", Listed), ("leuchtturm", Elsewhere)];
        assert_eq!(order(british), at_home);
        let on_phone = Payer { on_phone: true, ..british };
        let phone = [("tern", Device), ("harbour", Country), ("card", Listed), ("leuchtturm", Elsewhere)];
        assert_eq!(order(on_phone), phone);
        let again = Payer { used_last: Some("leuchtturm"), ..on_phone };
        assert_eq!(order(again)[..2], [("leuchtturm", UsedLast), ("tern", Device)]);
        let nowhere = [("card", Listed), ("tern", Listed), ("harbour", Listed), ("leuchtturm", Listed)];
        assert_eq!(order(Payer::default()), nowhere, "nothing is known: as the shop lists them");
    }

    #[test]
    fn every_order_has_every_provider_once() {
        for country in [None, Some("GB"), Some("DE"), Some("NZ")] {
            for (on_phone, used_last) in [(false, None), (true, Some("card")), (true, Some("gone"))] {
                let ids: BTreeSet<_> =
                    in_order(Payer { country, on_phone, used_last }).iter().map(|(one, _)| one.id).collect();
                assert_eq!(ids.len(), PROVIDERS.len());
            }
        }
    }
}

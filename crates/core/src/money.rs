//! Money as whole minor units of an ISO 4217 currency. No floating point anywhere: sums are checked, and a mismatch
//! of currencies is an error of its own.

use serde::{Deserialize, Serialize};

/// What can go wrong in reckoning with money.
#[derive(Debug, Clone, Copy, PartialEq, Eq, thiserror::Error)]
pub enum MoneyError {
    /// The amount is too large to reckon with.
    #[error("the amount is too large to reckon with")]
    Overflow,
    /// {left} and {right} can't be added: they are different currencies.
    #[error("{left} and {right} can't be added: they are different currencies")]
    Mismatch {
        /// The one currency.
        left: Currency,
        /// The other.
        right: Currency,
    },
    /// This isn't a currency we know.
    #[error("this isn't a currency we know")]
    UnknownCurrency,
}

/// A currency of ISO 4217, by its letter code.
#[derive(Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(try_from = "String", into = "String")]
#[cfg_attr(feature = "schema", schema(value_type = String, example = "GBP"))]
pub struct Currency(&'static Known);

/// One row of the currency table: code, decimals of the minor unit, sign.
#[derive(Debug, PartialEq, Eq, Hash)]
struct Known {
    code: &'static str,
    decimals: u32,
    sign: &'static str,
}

const fn known(code: &'static str, decimals: u32, sign: &'static str) -> Known {
    Known { code, decimals, sign }
}

/// ISO 4217 codes with their minor units; a currency without a sign of its own is shown by its code.
static CURRENCIES: &[Known] = &[
    known("AUD", 2, "A$"),
    known("BHD", 3, ""),
    known("BRL", 2, "R$"),
    known("CAD", 2, "CA$"),
    known("CHF", 2, ""),
    known("CLP", 0, ""),
    known("CNY", 2, "CN¥"),
    known("CZK", 2, "Kč"),
    known("DKK", 2, "kr."),
    known("EUR", 2, "€"),
    known("GBP", 2, "£"),
    known("HUF", 2, "Ft"),
    known("INR", 2, "₹"),
    known("ISK", 0, "kr."),
    known("JOD", 3, ""),
    known("JPY", 0, "¥"),
    known("KRW", 0, "₩"),
    known("KWD", 3, ""),
    known("MXN", 2, "MX$"),
    known("NOK", 2, "kr"),
    known("NZD", 2, "NZ$"),
    known("OMR", 3, ""),
    known("PLN", 2, "zł"),
    known("SEK", 2, "kr"),
    known("TND", 3, ""),
    known("USD", 2, "$"),
    known("VND", 0, "₫"),
    known("ZAR", 2, "R"),
];

impl Currency {
    /// Finds a currency by its letter code, in capitals.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn from_code(code: &str) -> Result<Self, MoneyError> {
        CURRENCIES.iter().find(|k| k.code == code).map(Self).ok_or(MoneyError::UnknownCurrency)
    }
    /// Its code, as in ISO 4217.
    #[must_use]
    pub fn code(self) -> &'static str {
        self.0.code
    }
    /// How many decimals the minor unit has: 2 for pounds and pence.
    #[must_use]
    pub fn decimals(self) -> u32 {
        self.0.decimals
    }
}

impl std::fmt::Debug for Currency {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str(self.0.code)
    }
}
impl std::fmt::Display for Currency {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str(self.0.code)
    }
}
impl TryFrom<String> for Currency {
    type Error = MoneyError;
    fn try_from(code: String) -> Result<Self, MoneyError> {
        Self::from_code(&code)
    }
}
impl From<Currency> for String {
    fn from(currency: Currency) -> String {
        currency.code().to_owned()
    }
}

/// How a shop's language writes figures and where it puts the currency.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Locale {
    /// English as in Britain.
    #[serde(rename = "en-GB")]
    EnGb,
    /// English as in the United States.
    #[serde(rename = "en-US")]
    EnUs,
    /// German as in Germany.
    #[serde(rename = "de-DE")]
    DeDe,
    /// French as in France.
    #[serde(rename = "fr-FR")]
    FrFr,
}

impl Locale {
    /// The tag of BCP 47, for the `lang` of a page.
    #[must_use]
    pub fn tag(self) -> &'static str {
        match self {
            Self::EnGb => "en-GB",
            Self::EnUs => "en-US",
            Self::DeDe => "de-DE",
            Self::FrFr => "fr-FR",
        }
    }
    /// The country in it, by its ISO 3166 code.
    #[must_use]
    pub fn country(self) -> Option<&'static str> {
        self.tag().split_once('-').map(|(_, country)| country)
    }
    /// What stands between whole and part of a number.
    #[must_use]
    pub fn decimal_mark(self) -> &'static str {
        self.marks().1
    }
    /// A day such as `2026-11-24` as people write it; any other text as it is.
    #[must_use]
    pub fn day(self, text: &str) -> String {
        const MONTHS: [&str; 12] =
            ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
        let parts: Vec<usize> = text.split('-').filter_map(|part| part.parse().ok()).collect();
        let [year, month, day] = parts.as_slice() else { return text.to_owned() };
        let Some(name) = month.checked_sub(1).and_then(|m| MONTHS.get(m)) else { return text.to_owned() };
        match self {
            Self::EnGb => format!("{day} {name} {year}"),
            Self::EnUs => format!("{name} {day}, {year}"),
            Self::DeDe => format!("{day}.{month}.{year}"),
            Self::FrFr => format!("{day:02}/{month:02}/{year}"),
        }
    }
    /// Group separator, decimal separator, and whether the sign goes in front.
    fn marks(self) -> (&'static str, &'static str, bool) {
        match self {
            Self::EnGb | Self::EnUs => (",", ".", true),
            Self::DeDe => (".", ",", false),
            Self::FrFr => ("\u{202f}", ",", false),
        }
    }
}

/// How the unit of an amount is told.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum UnitAs {
    /// `£68.00`
    #[default]
    Sign,
    /// `GBP 68.00`
    Code,
    /// `68.00`
    None,
}

/// How a shop writes its amounts.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct AmountStyle {
    /// How the currency is written.
    pub unit: UnitAs,
    /// Whether whole amounts have their zeros: `£68.00` rather than `£68`.
    pub zeros: bool,
}

impl Default for AmountStyle {
    fn default() -> Self {
        Self { unit: UnitAs::Sign, zeros: true }
    }
}

/// An amount: whole minor units (pence) of one currency.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Money {
    /// Minor units.
    pub minor: i64,
    /// The currency.
    pub currency: Currency,
}

impl Money {
    /// So many minor units.
    #[must_use]
    pub fn new(minor: i64, currency: Currency) -> Self {
        Self { minor, currency }
    }
    /// Both together.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn plus(self, other: Self) -> Result<Self, MoneyError> {
        self.same_currency(other)?;
        self.minor.checked_add(other.minor).map(|m| Self::new(m, self.currency)).ok_or(MoneyError::Overflow)
    }
    /// What is left of one less the other.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn minus(self, other: Self) -> Result<Self, MoneyError> {
        self.same_currency(other)?;
        self.minor.checked_sub(other.minor).map(|m| Self::new(m, self.currency)).ok_or(MoneyError::Overflow)
    }
    /// The price of `quantity` pieces.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn times(self, quantity: u32) -> Result<Self, MoneyError> {
        self.minor
            .checked_mul(i64::from(quantity))
            .map(|m| Self::new(m, self.currency))
            .ok_or(MoneyError::Overflow)
    }
    fn same_currency(self, other: Self) -> Result<(), MoneyError> {
        if self.currency == other.currency {
            Ok(())
        } else {
            Err(MoneyError::Mismatch { left: self.currency, right: other.currency })
        }
    }

    /// The amount as a shopper reads it: `£1,234.50`, `1.234,50 €`.
    #[must_use]
    pub fn format(self, locale: Locale) -> String {
        self.written(locale, AmountStyle::default())
    }

    /// The amount as a shopper reads it, in a style of the shop's own.
    #[must_use]
    pub fn written(self, locale: Locale, style: AmountStyle) -> String {
        let (group, decimal, in_front) = locale.marks();
        let decimals = self.currency.decimals();
        let whole = self.minor % 10i64.pow(decimals) == 0;
        let decimals_shown = if style.zeros || !whole { decimals } else { 0 };
        let unit = 10u64.pow(decimals - decimals_shown);
        let digits = figure(self.minor.unsigned_abs() / unit, decimals_shown, group, decimal);
        let minus = if self.minor < 0 { "−" } else { "" };
        let sign = match style.unit {
            UnitAs::Sign => self.currency.0.sign,
            UnitAs::Code => "",
            UnitAs::None => return format!("{minus}{digits}"),
        };
        match (sign, in_front) {
            ("", true) => format!("{minus}{}\u{a0}{digits}", self.currency.code()),
            (sign, true) => format!("{minus}{sign}{digits}"),
            ("", false) => format!("{minus}{digits}\u{a0}{}", self.currency.code()),
            (sign, false) => format!("{minus}{digits}\u{a0}{sign}"),
        }
    }

    /// The amount as other programs read it: `1234.50`, always with a point and no grouping.
    #[must_use]
    pub fn plain(self) -> String {
        let minus = if self.minor < 0 { "-" } else { "" };
        format!("{minus}{}", figure(self.minor.unsigned_abs(), self.currency.decimals(), "", "."))
    }
}

fn figure(minor: u64, decimals: u32, group: &str, decimal: &str) -> String {
    let unit = 10u64.pow(decimals);
    let whole = (minor / unit).to_string();
    let mut out = String::new();
    for (i, c) in whole.chars().enumerate() {
        if i > 0 && (whole.len() - i).is_multiple_of(3) {
            out.push_str(group);
        }
        out.push(c);
    }
    if decimals > 0 {
        out.push_str(decimal);
        out.push_str(&format!("{:0width$}", minor % unit, width = decimals as usize));
    }
    out
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

    fn money(minor: i64, code: &str) -> Money {
        Money::new(minor, Currency::from_code(code).unwrap())
    }

    #[test]
    fn amounts_are_written_as_the_locale_writes_them() {
        assert_eq!(money(123_456_789, "GBP").format(Locale::EnGb), "£1,234,567.89");
        assert_eq!(money(5, "GBP").format(Locale::EnGb), "£0.05");
        assert_eq!(money(-6800, "GBP").format(Locale::EnGb), "−£68.00");
        assert_eq!(money(123_450, "EUR").format(Locale::DeDe), "1.234,50\u{a0}€");
        assert_eq!(money(123_450, "EUR").format(Locale::FrFr), "1\u{202f}234,50\u{a0}€");
        assert_eq!(money(1500, "JPY").format(Locale::EnUs), "¥1,500");
        assert_eq!(money(1_234_567, "KWD").format(Locale::EnGb), "KWD\u{a0}1,234.567");
        assert_eq!(money(1900, "CHF").format(Locale::DeDe), "19,00\u{a0}CHF");
    }

    #[test]
    fn a_shop_writes_signs_codes_or_plain_numbers_with_or_without_zeros() {
        let written = |minor, code, locale, unit, zeros| {
            money(minor, code).written(locale, AmountStyle { unit, zeros })
        };
        assert_eq!(written(6800, "GBP", Locale::EnGb, UnitAs::Code, true), "GBP\u{a0}68.00");
        assert_eq!(written(6800, "EUR", Locale::DeDe, UnitAs::Code, false), "68\u{a0}EUR");
        assert_eq!(written(6850, "GBP", Locale::EnGb, UnitAs::Sign, false), "£68.50");
        assert_eq!(written(6800, "GBP", Locale::EnGb, UnitAs::Sign, false), "£68");
        assert_eq!(written(-123_400, "GBP", Locale::EnGb, UnitAs::None, false), "−1,234");
        assert_eq!(written(1500, "JPY", Locale::EnGb, UnitAs::None, true), "1,500");
        assert_eq!(written(1_234_000, "KWD", Locale::FrFr, UnitAs::Code, false), "1\u{202f}234\u{a0}KWD");
    }

    #[test]
    fn different_currencies_are_not_added() {
        let error = money(1, "GBP").plus(money(1, "EUR")).unwrap_err();
        assert!(matches!(error, MoneyError::Mismatch { .. }));
    }

    #[test]
    fn too_large_sums_are_refused_not_wrapped() {
        assert_eq!(money(i64::MAX, "GBP").plus(money(1, "GBP")), Err(MoneyError::Overflow));
        assert_eq!(money(i64::MAX, "GBP").times(2), Err(MoneyError::Overflow));
        assert_eq!(money(i64::MIN, "GBP").minus(money(1, "GBP")), Err(MoneyError::Overflow));
        assert_eq!(money(i64::MIN, "JPY").plain(), "-9223372036854775808");
    }

    proptest! {
        #[test]
        fn the_plain_figure_holds_every_minor_unit(minor in any::<i64>(), index in 0..CURRENCIES.len()) {
            let amount = Money::new(minor, Currency(&CURRENCIES[index]));
            let digits: String = amount.plain().chars().filter(char::is_ascii_digit).collect();
            prop_assert_eq!(digits.parse::<u128>().unwrap(), u128::from(minor.unsigned_abs()));
        }

        #[test]
        fn taking_away_what_was_added_gives_the_same_again(a in -1_000_000_000i64..1_000_000_000, b in -1_000_000_000i64..1_000_000_000) {
            let (a, b) = (money(a, "GBP"), money(b, "GBP"));
            prop_assert_eq!(a.plus(b).unwrap().minus(b).unwrap(), a);
        }
    }

    #[test]
    fn days_are_written_as_people_do() {
        assert_eq!(Locale::EnGb.day("2026-11-04"), "4 Nov 2026");
        assert_eq!(Locale::EnUs.day("2026-11-04"), "Nov 4, 2026");
        assert_eq!(Locale::DeDe.day("2026-11-04"), "4.11.2026");
        assert_eq!(Locale::FrFr.day("2026-11-04"), "04/11/2026");
        for odd in ["soon", "2026-13-01", ""] {
            assert_eq!(Locale::EnGb.day(odd), odd);
        }
    }
}

//! How much of something there is in a variant, so that its price can be compared: `25 m`, `0.5 kg`.

use crate::money::Money;
use serde::{Deserialize, Serialize};

/// A unit by which things are measured.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum MeasureUnit {
    /// Metres.
    #[serde(rename = "m")]
    Metre,
    /// Square metres.
    #[serde(rename = "m²")]
    SquareMetre,
    /// Grams.
    #[serde(rename = "g")]
    Gram,
    /// Kilograms.
    #[serde(rename = "kg")]
    Kilogram,
    /// Millilitres.
    #[serde(rename = "ml")]
    Millilitre,
    /// Litres.
    #[serde(rename = "l")]
    Litre,
    /// Pieces.
    #[serde(rename = "pieces")]
    Piece,
}

impl MeasureUnit {
    const ALL: [Self; 7] = [
        Self::Metre,
        Self::SquareMetre,
        Self::Gram,
        Self::Kilogram,
        Self::Millilitre,
        Self::Litre,
        Self::Piece,
    ];

    /// How it is written behind a number.
    #[must_use]
    pub fn sign(self) -> &'static str {
        match self {
            Self::Metre => "m",
            Self::SquareMetre => "m²",
            Self::Gram => "g",
            Self::Kilogram => "kg",
            Self::Millilitre => "ml",
            Self::Litre => "l",
            Self::Piece => "pieces",
        }
    }

    /// The unit to which prices are brought, and how many of this one it has.
    fn reference(self) -> (Self, u64) {
        match self {
            Self::Gram => (Self::Kilogram, 1000),
            Self::Millilitre => (Self::Litre, 1000),
            other => (other, 1),
        }
    }
}

/// An amount of something.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(try_from = "String", into = "String")]
pub struct Measure {
    /// Thousandths of the unit.
    pub thousandths: u64,
    /// The unit.
    pub unit: MeasureUnit,
}

/// A measure that can’t be read.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
#[error("“{0}” is no measure such as 25 m, 0.5 kg or 10 pieces")]
pub struct NoSuchMeasure(String);

impl TryFrom<String> for Measure {
    type Error = NoSuchMeasure;
    fn try_from(text: String) -> Result<Self, NoSuchMeasure> {
        let read = || {
            let text = text.trim();
            let end = text.find(|c: char| !c.is_ascii_digit() && c != '.')?;
            let (number, unit) = (&text[..end], text[end..].trim());
            let unit = match unit {
                "m2" => MeasureUnit::SquareMetre,
                "L" => MeasureUnit::Litre,
                "piece" => MeasureUnit::Piece,
                other => MeasureUnit::ALL.into_iter().find(|known| known.sign() == other)?,
            };
            let (whole, part) = number.split_once('.').unwrap_or((number, ""));
            let sound = (1..=7).contains(&whole.len()) && part.len() <= 3 && !part.contains('.');
            let thousandths: u64 =
                if sound { format!("{whole}{part:0<3}").parse().ok()? } else { return None };
            (thousandths > 0).then_some(Self { thousandths, unit })
        };
        read().ok_or_else(|| NoSuchMeasure(text.chars().take(40).collect()))
    }
}

impl From<Measure> for String {
    fn from(measure: Measure) -> Self {
        measure.to_string()
    }
}

impl std::fmt::Display for Measure {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        let (whole, part) = (self.thousandths / 1000, self.thousandths % 1000);
        let part = format!(".{part:03}");
        write!(f, "{whole}{} {}", part.trim_end_matches('0').trim_end_matches('.'), self.unit.sign())
    }
}

impl Measure {
    /// What one of the unit of reference costs, to the nearest minor unit, halves up: £9.00 for 25 m is £0.36 per m.
    #[must_use]
    pub fn per(self, price: Money) -> (Money, MeasureUnit) {
        let (reference, many) = self.unit.reference();
        let amount = i128::from(self.thousandths.max(1));
        let whole = i128::from(price.minor) * 1000 * i128::from(many);
        let minor = (whole * 2 + amount).div_euclid(amount * 2);
        (Money::new(i64::try_from(minor).unwrap_or(i64::MAX), price.currency), reference)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::pounds;

    fn measure(text: &str) -> Measure {
        Measure::try_from(text.to_owned()).unwrap()
    }

    #[test]
    fn a_measure_is_read_and_written_alike() {
        for text in ["25 m", "0.5 kg", "1.25 l", "750 ml", "10 pieces", "2.1 m²"] {
            assert_eq!(measure(text).to_string(), text);
        }
        assert_eq!(measure("  25m "), measure("25 m"));
        assert_eq!(measure("2 m2"), measure("2 m²"));
        for bad in
            ["", "m", "25", "0 m", "25 miles", "1.2345 kg", "-3 m", "1..2 m", "12345678 m", "25 m long"]
        {
            assert!(Measure::try_from(bad.to_owned()).is_err(), "{bad}");
        }
    }

    #[test]
    fn prices_are_brought_to_metres_kilos_and_litres() {
        let cases = [
            ("25 m", 900, 36, MeasureUnit::Metre, "9.00 / 25"),
            ("100 m", 2900, 29, MeasureUnit::Metre, "29.00 / 100"),
            ("150 g", 450, 3000, MeasureUnit::Kilogram, "4.50 for 150 g is 30.00 for 1000 g"),
            ("750 ml", 1000, 1333, MeasureUnit::Litre, "13.333… rounds down"),
            ("0.8 m", 1, 1, MeasureUnit::Metre, "1.25 of a penny rounds down"),
            ("8 pieces", 100, 13, MeasureUnit::Piece, "12.5 pence, halves up"),
        ];
        for (text, price, per, unit, why) in cases {
            assert_eq!(measure(text).per(pounds(price)), (pounds(per), unit), "{why}");
        }
    }
}

//! Variants as CSV (RFC 4180, UTF-8): one variant a line.
//!
//! Columns, in any order: `product` (its handle), `sku`, and, where wanted, `price`, `old price` (plain numbers such as
//! `68.00`; empty: the product's), `stock` (a whole number; empty: not counted), `measure` (such as `25 m`; empty: none told;
//! without the column measures stay). Every other column is named as an option and holds the value's name; `*` is *any*. A SKU that the product has already is changed, another one is added;
//! variants that no line names stay as they are. Values that an option lacks are added to it.
//!
//! All mistakes of a file are told with their lines; a file with one mistake changes nothing.

use crate::catalog::{Measure, Product, Stock, Variant};
use crate::ids::{OptionId, ValueId};
use crate::letters::folded;
use crate::limits::{is_price, is_unseen};
use crate::money::Currency;
use serde::Serialize;
use std::collections::{BTreeMap, BTreeSet};

/// A file holds at most so many variants.
pub const MOST_LINES: usize = 20_000;
/// A product has at most so many.
pub const MOST_VARIANTS: usize = 10_000;
const LONGEST_SKU: usize = 80;
const LONGEST_VALUE: usize = 80;
const ANY: &str = "*";

/// Something in a file that can't be taken.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Mistake {
    /// As an editor counts; the names of the columns are line 1.
    pub line: u64,
    /// The column's name; empty where the whole line is meant.
    pub column: String,
    /// What is wrong, in a sentence.
    pub says: String,
}

/// One line of a file, its fields read.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct VariantLine {
    /// The line of the file, from 1.
    pub line: u64,
    /// The handle of the product.
    pub product: String,
    /// Its SKU.
    pub sku: String,
    /// Its price, in minor units.
    pub price_minor: Option<i64>,
    /// A typed old price, in minor units.
    pub old_price_minor: Option<i64>,
    /// What is left of it.
    pub stock: Stock,
    /// None where the file has no such column.
    pub measure: Option<Option<Measure>>,
    /// Column and value of every column that is none of ours; an empty field isn't here.
    pub values: Vec<(String, String)>,
}

/// What a file would do.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Checked {
    /// What is kept of each line.
    pub rows: Vec<PlannedRow>,
    /// Values that options lack, by their names.
    pub new_values: Vec<(OptionId, String)>,
    /// How many variants are new.
    pub added: usize,
    /// Variants that are otherwise afterwards.
    pub changed: usize,
    /// Variants that the file tells as they are; they aren't among the rows.
    pub same: usize,
}

/// A variant to be added or changed.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct PlannedRow {
    /// The place of its product among those given.
    pub product: usize,
    /// Its SKU.
    pub sku: String,
    /// One for each of the product's options.
    pub values: Vec<PlannedValue>,
    /// Its price, in minor units.
    pub price_minor: Option<i64>,
    /// A typed old price, in minor units.
    pub old_price_minor: Option<i64>,
    /// What is left of it.
    pub stock: Stock,
    /// The measure; nothing where the file says nothing of it.
    pub measure: Option<Option<Measure>>,
}

/// A value of a line.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord)]
pub enum PlannedValue {
    /// Any value.
    Any,
    /// A value that is there.
    Known(ValueId),
    /// The place among the new values.
    New(usize),
}

/// An option of the shop with all its values.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct KnownOption {
    /// Its number.
    pub id: OptionId,
    /// Its name.
    pub name: String,
    /// Its values with their names.
    pub values: Vec<(ValueId, String)>,
}

/// Columns that are no options.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Column {
    Product,
    Sku,
    Price,
    OldPrice,
    Stock,
    Measure,
    Option,
}

impl Column {
    fn of(name: &str) -> Self {
        match folded(name).as_str() {
            "product" => Self::Product,
            "sku" => Self::Sku,
            "price" => Self::Price,
            "oldprice" => Self::OldPrice,
            "stock" => Self::Stock,
            "measure" => Self::Measure,
            _ => Self::Option,
        }
    }
}

/// Reads a file as far as it can be read, with all mistakes that need no catalogue to be seen.
#[must_use]
pub fn read_variants(bytes: &[u8], currency: Currency) -> (Vec<VariantLine>, Vec<Mistake>) {
    let mut mistakes = Vec::new();
    let bytes = bytes.strip_prefix(b"\xEF\xBB\xBF").unwrap_or(bytes);
    let mut reader = csv::ReaderBuilder::new().flexible(true).from_reader(bytes);
    let head = match reader.headers() {
        Ok(head) => head.clone(),
        Err(_) => return (vec![], vec![whole(1, "the names of the columns can't be read as UTF-8 text")]),
    };
    let columns = read_head(&head, &mut mistakes);
    let mut lines = Vec::new();
    let mut skus: BTreeMap<String, u64> = BTreeMap::new();
    for record in reader.records() {
        let record = match record {
            Ok(record) => record,
            Err(error) => {
                let line = error.position().map_or(0, csv::Position::line);
                mistakes.push(whole(line, "this line can't be read as UTF-8 text"));
                continue;
            }
        };
        let line = record.position().map_or(0, csv::Position::line);
        if record.iter().all(|field| field.trim().is_empty()) {
            continue;
        }
        if record.len() != columns.len() {
            let says =
                format!("this line has {} fields, and there are {} columns", record.len(), columns.len());
            mistakes.push(whole(line, &says));
            continue;
        }
        if lines.len() >= MOST_LINES {
            mistakes.push(whole(line, &format!("a file holds at most {MOST_LINES} variants; part it")));
            break;
        }
        let read = read_line(line, &columns, &record, currency, &mut mistakes);
        if !read.sku.is_empty()
            && let Some(first) = skus.insert(read.sku.to_lowercase(), line)
        {
            mistakes.push(at(line, "sku", format!("“{}” stands on line {first} already", read.sku)));
        }
        lines.push(read);
    }
    if lines.is_empty() && mistakes.is_empty() {
        mistakes.push(whole(1, "there are no variants in this file"));
    }
    (lines, mistakes)
}

fn whole(line: u64, says: &str) -> Mistake {
    Mistake { line, column: String::new(), says: says.to_owned() }
}

fn at(line: u64, column: &str, says: impl Into<String>) -> Mistake {
    Mistake { line, column: column.to_owned(), says: says.into() }
}

fn read_head(head: &csv::StringRecord, mistakes: &mut Vec<Mistake>) -> Vec<(String, Column)> {
    let columns: Vec<(String, Column)> =
        head.iter().map(|name| (name.trim().to_owned(), Column::of(name))).collect();
    for (column, name) in [(Column::Product, "product"), (Column::Sku, "sku")] {
        if !columns.iter().any(|(_, known)| *known == column) {
            mistakes.push(whole(1, &format!("there is no column “{name}”")));
        }
    }
    let mut seen = BTreeSet::new();
    for (name, _) in &columns {
        if name.is_empty() {
            mistakes.push(whole(1, "a column has no name"));
        } else if !seen.insert(folded(name)) {
            mistakes.push(at(1, name, "this column stands here twice"));
        }
    }
    columns
}

fn read_line(
    line: u64,
    columns: &[(String, Column)],
    record: &csv::StringRecord,
    currency: Currency,
    mistakes: &mut Vec<Mistake>,
) -> VariantLine {
    let mut read = VariantLine {
        line,
        product: String::new(),
        sku: String::new(),
        price_minor: None,
        old_price_minor: None,
        stock: Stock::NotCounted,
        measure: None,
        values: Vec::new(),
    };
    for ((name, column), field) in columns.iter().zip(record.iter().map(str::trim)) {
        let mut wrong = |says: String| mistakes.push(at(line, name, says));
        match column {
            Column::Product if field.is_empty() => wrong("no product is named".into()),
            Column::Product => field.clone_into(&mut read.product),
            Column::Sku if field.is_empty() => wrong("there is no SKU".into()),
            Column::Sku if field.chars().count() > LONGEST_SKU => {
                wrong(format!("a SKU has at most {LONGEST_SKU} characters"));
            }
            Column::Sku if field.chars().any(is_unseen) => {
                wrong("a SKU is one line of letters, digits and signs".into());
            }
            Column::Sku => field.clone_into(&mut read.sku),
            Column::Price => {
                read.price_minor = read_amount(field, currency).unwrap_or_else(|says| {
                    wrong(says);
                    None
                })
            }
            Column::OldPrice => {
                read.old_price_minor = read_amount(field, currency).unwrap_or_else(|says| {
                    wrong(says);
                    None
                })
            }
            Column::Stock => {
                read.stock = read_stock(field).unwrap_or_else(|says| {
                    wrong(says);
                    Stock::NotCounted
                })
            }
            Column::Measure if field.is_empty() => read.measure = Some(None),
            Column::Measure => match Measure::try_from(field.to_owned()) {
                Ok(measure) => read.measure = Some(Some(measure)),
                Err(error) => wrong(error.to_string()),
            },
            Column::Option if field.is_empty() => {}
            Column::Option if field.chars().count() > LONGEST_VALUE => {
                wrong(format!("a value's name has at most {LONGEST_VALUE} characters"));
            }
            Column::Option if field.chars().any(is_unseen) => {
                wrong("a value's name is one line".into());
            }
            Column::Option if field != ANY && folded(field).is_empty() => {
                wrong(format!("“{field}” has no letter or digit; write * for any value"));
            }
            Column::Option => read.values.push((name.clone(), field.to_owned())),
        }
    }
    read
}

/// A plain number as typed, such as `68.00`, in minor units; nothing where there is none. The error says what is wrong
/// with it.
///
/// # Errors
/// What is wrong, in a sentence.
pub fn read_amount(field: &str, currency: Currency) -> Result<Option<i64>, String> {
    if field.is_empty() {
        return Ok(None);
    }
    if field.starts_with('-') {
        return Err(format!("“{field}” is below zero"));
    }
    let (whole, part) = field.split_once('.').unwrap_or((field, ""));
    let digits = |text: &str| text.bytes().all(|b| b.is_ascii_digit());
    if whole.is_empty() || !digits(whole) || !digits(part) || field.ends_with('.') {
        return Err(format!("“{field}” is no plain number such as 68.00"));
    }
    let decimals = usize::try_from(currency.decimals()).unwrap_or(2);
    if part.len() > decimals {
        return Err(format!("“{field}” has more than the {decimals} decimals of {}", currency.code()));
    }
    let minor = format!("{whole}{part:0<decimals$}").parse::<i64>().ok();
    match minor.filter(|minor| is_price(*minor)) {
        Some(minor) => Ok(Some(minor)),
        None => Err(format!("“{field}” is too large")),
    }
}

/// A whole number; nothing where stock isn't counted.
///
/// # Errors
/// What is wrong, in a sentence.
pub fn read_stock(field: &str) -> Result<Stock, String> {
    if field.is_empty() {
        return Ok(Stock::NotCounted);
    }
    if field.starts_with('-') {
        return Err(format!("“{field}” is below zero"));
    }
    if !field.bytes().all(|b| b.is_ascii_digit()) {
        return Err(format!("“{field}” is no whole number"));
    }
    match field.parse::<u32>().ok().filter(|count| *count <= 1_000_000_000) {
        Some(count) => Ok(Stock::Counted(count)),
        None => Err(format!("“{field}” is too many")),
    }
}

impl PlannedRow {
    /// Whether it tells a variant as it is.
    fn is_as(&self, product: &Product, variant: &Variant) -> bool {
        let id = |option: usize, place: Option<u16>| match place {
            None => Some(PlannedValue::Any),
            Some(place) => {
                let value = product.options.get(option)?.values.get(usize::from(place))?;
                Some(PlannedValue::Known(value.id))
            }
        };
        let values = variant.values.iter().enumerate().map(|(option, place)| id(option, *place));
        let minor = |money: Option<crate::money::Money>| money.map(|money| money.minor);
        values.eq(self.values.iter().cloned().map(Some))
            && minor(variant.price) == self.price_minor
            && minor(variant.old_price) == self.old_price_minor
            && variant.stock == self.stock
            && self.measure.is_none_or(|measure| measure == variant.measure)
    }
}

/// Holds the lines of a file against the catalogue: the products that they name, and the products to which other SKUs
/// belong. Gives what the file would do, or every mistake.
///
/// # Errors
/// Each [`Mistake`], with its line.
pub fn check_variants(
    lines: &[VariantLine],
    products: &[Product],
    elsewhere: &BTreeMap<String, String>,
    options: &[KnownOption],
) -> Result<Checked, Vec<Mistake>> {
    let mut check = Check { products, options, checked: Checked::default(), mistakes: Vec::new() };
    let mut named: BTreeMap<(usize, Vec<PlannedValue>), u64> = BTreeMap::new();
    for line in lines {
        let Some(place) = check.product(line) else { continue };
        let product = &products[place];
        if let Some(other) = elsewhere.get(&line.sku.to_lowercase()) {
            check.mistakes.push(at(line.line, "sku", format!("“{}” belongs to {other}", line.sku)));
        }
        let Some(values) = check.values(line, product) else { continue };
        if let Some(first) = named.insert((place, values.clone()), line.line) {
            check
                .mistakes
                .push(whole(line.line, &format!("line {first} makes the same choice of {}", product.name)));
        }
        let row = PlannedRow {
            product: place,
            sku: line.sku.clone(),
            values,
            price_minor: line.price_minor,
            old_price_minor: line.old_price_minor,
            stock: line.stock,
            measure: line.measure,
        };
        match product.variants.iter().find(|variant| variant.sku.eq_ignore_ascii_case(&line.sku)) {
            Some(variant) if row.is_as(product, variant) => check.checked.same += 1,
            Some(_) => {
                check.checked.changed += 1;
                check.checked.rows.push(row);
            }
            None => {
                check.checked.added += 1;
                check.checked.rows.push(row);
            }
        }
    }
    check.against_the_rest(lines);
    check.mistakes.sort();
    check.mistakes.dedup();
    if check.mistakes.is_empty() { Ok(check.checked) } else { Err(check.mistakes) }
}

struct Check<'a> {
    products: &'a [Product],
    options: &'a [KnownOption],
    checked: Checked,
    mistakes: Vec<Mistake>,
}

impl Check<'_> {
    fn product(&mut self, line: &VariantLine) -> Option<usize> {
        if line.product.is_empty() {
            return None;
        }
        let found = self.products.iter().position(|p| p.handle.as_str() == line.product);
        if found.is_none() {
            let says = format!(
                "there is no product “{}”; its handle is the last part of its page's address",
                line.product
            );
            self.mistakes.push(at(line.line, "product", says));
        }
        found
    }

    /// The value of each of the product's options; nothing where one can't be told.
    fn values(&mut self, line: &VariantLine, product: &Product) -> Option<Vec<PlannedValue>> {
        let mut sound = true;
        for (column, _) in &line.values {
            let of_product = product.options.iter().any(|o| folded(&o.name) == folded(column));
            let of_shop = self.options.iter().any(|o| folded(&o.name) == folded(column));
            if !of_product {
                let says = if of_shop {
                    format!("{} isn't chosen by “{column}”; leave this field empty", product.name)
                } else {
                    format!("the shop has no option “{column}”")
                };
                self.mistakes.push(at(line.line, column, says));
                sound = false;
            }
        }
        let mut values = Vec::new();
        for option in &product.options {
            let field = line.values.iter().find(|(column, _)| folded(column) == folded(&option.name));
            match field {
                None => {
                    let says = format!(
                        "{} is chosen by “{}”: name a value, or * for any",
                        product.name, option.name
                    );
                    self.mistakes.push(at(line.line, &option.name, says));
                    sound = false;
                }
                Some((_, name)) => values.push(self.value(option.id, name)),
            }
        }
        sound.then_some(values)
    }

    fn value(&mut self, option: OptionId, name: &str) -> PlannedValue {
        if name == ANY {
            return PlannedValue::Any;
        }
        let all = self.options.iter().find(|o| o.id == option).map(|o| &o.values);
        let known = all.into_iter().flatten().find(|(_, known)| folded(known) == folded(name));
        if let Some((id, _)) = known {
            return PlannedValue::Known(*id);
        }
        let same = |(o, n): &(OptionId, String)| *o == option && folded(n) == folded(name);
        let place = self.checked.new_values.iter().position(same).unwrap_or_else(|| {
            self.checked.new_values.push((option, name.to_owned()));
            self.checked.new_values.len() - 1
        });
        PlannedValue::New(place)
    }

    /// Variants that no line names must not make a choice that a line makes too; and no product may get too many.
    fn against_the_rest(&mut self, lines: &[VariantLine]) {
        let skus: BTreeSet<String> = self.checked.rows.iter().map(|row| row.sku.to_lowercase()).collect();
        for (place, product) in self.products.iter().enumerate() {
            let rest: Vec<_> =
                product.variants.iter().filter(|v| !skus.contains(&v.sku.to_lowercase())).collect();
            let rows: Vec<_> = self.checked.rows.iter().filter(|row| row.product == place).collect();
            if rest.len() + rows.len() > MOST_VARIANTS {
                let says = format!("{} would have more than {MOST_VARIANTS} variants", product.name);
                self.mistakes.push(whole(1, &says));
                continue;
            }
            let kept: BTreeMap<Vec<PlannedValue>, &str> = rest
                .iter()
                .map(|variant| {
                    let value = |(option, place): (&crate::catalog::ProductOption, &Option<u16>)| {
                        let known = place.and_then(|p| option.values.get(usize::from(p)));
                        known.map_or(PlannedValue::Any, |value| PlannedValue::Known(value.id))
                    };
                    (product.options.iter().zip(&variant.values).map(value).collect(), variant.sku.as_str())
                })
                .collect();
            for row in rows {
                if let Some(sku) = kept.get(&row.values) {
                    let line = lines.iter().find(|line| line.sku == row.sku).map_or(0, |line| line.line);
                    let says =
                        format!("“{sku}”, which no line names, makes the same choice of {}", product.name);
                    self.mistakes.push(whole(line, &says));
                }
            }
        }
    }
}

/// The variants of products as a file that can be read again.
#[must_use]
pub fn write_variants(products: &[Product]) -> String {
    let mut options: Vec<&str> = Vec::new();
    for option in products.iter().flat_map(|product| &product.options) {
        if !options.contains(&option.name.as_str()) {
            options.push(&option.name);
        }
    }
    let mut writer = csv::Writer::from_writer(Vec::new());
    let measured = products.iter().flat_map(|product| &product.variants).any(|v| v.measure.is_some());
    let head = ["product", "sku", "price", "old price", "stock"].into_iter();
    let head = head.chain(measured.then_some("measure")).chain(options.iter().copied());
    // Writing to memory doesn't fail.
    let _ = writer.write_record(head);
    for product in products {
        for variant in &product.variants {
            let plain = |money: Option<crate::money::Money>| money.map(|m| m.plain()).unwrap_or_default();
            let mut record = vec![
                product.handle.as_str().to_owned(),
                variant.sku.clone(),
                plain(variant.price),
                plain(variant.old_price),
                variant.stock.left().map(|left| left.to_string()).unwrap_or_default(),
            ];
            if measured {
                record.push(variant.measure.map(String::from).unwrap_or_default());
            }
            for name in &options {
                let place = product.options.iter().position(|option| option.name == *name);
                record.push(place.map_or_else(String::new, |place| {
                    let value = variant.values.get(place).copied().flatten();
                    let value = value.and_then(|v| product.options[place].values.get(usize::from(v)));
                    value.map_or_else(|| ANY.to_owned(), |value| value.name.clone())
                }));
            }
            let _ = writer.write_record(&record);
        }
    }
    String::from_utf8(writer.into_inner().unwrap_or_default()).unwrap_or_default()
}

#[cfg(test)]
#[path = "variants_tests.rs"]
mod tests;

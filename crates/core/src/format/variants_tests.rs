use super::*;
use crate::catalog::samples::{product, with_variants};
use proptest::prelude::*;

fn pounds() -> Currency {
    Currency::from_code("GBP").unwrap()
}

/// Whimbrel, chosen by `colour` (two values) and `sail` (two), with two variants; and a gift card without options.
fn products() -> Vec<Product> {
    let mut kite = with_variants(
        product(&[("colour", 2), ("sail", 2)]),
        &[(&[Some(0), Some(0)], Stock::Counted(2)), (&[Some(1), None], Stock::NotCounted)],
    );
    kite.options[0].values[0].name = "Ember".into();
    let mut card = with_variants(product(&[]), &[(&[], Stock::NotCounted)]);
    card.handle = crate::catalog::samples::handle("gift-card");
    card.name = "Gift card".into();
    card.variants[0].sku = "CARD".into();
    vec![kite, card]
}

fn options() -> Vec<KnownOption> {
    let kite = products().remove(0);
    let values = |o: usize| kite.options[o].values.iter().map(|v| (v.id, v.name.clone())).collect();
    let known = |id: u64, name: &str, values| KnownOption { id: OptionId(id), name: name.into(), values };
    let reel = vec![(ValueId(900), "25 m".to_owned())];
    vec![known(1, "colour", values(0)), known(2, "sail", values(1)), known(9, "reel", reel)]
}

fn checked(file: &str) -> Result<Checked, Vec<Mistake>> {
    let (lines, mistakes) = read_variants(file.as_bytes(), pounds());
    let elsewhere = BTreeMap::from([("dun-1".to_owned(), "Dunlin".to_owned())]);
    match check_variants(&lines, &products(), &elsewhere, &options()) {
        Ok(checked) if mistakes.is_empty() => Ok(checked),
        Ok(_) => Err(mistakes),
        Err(more) => Err([mistakes, more].concat()),
    }
}

fn told(file: &str) -> Vec<String> {
    let say = |m: Mistake| format!("{} {}: {}", m.line, m.column, m.says);
    checked(file).unwrap_err().into_iter().map(say).collect()
}

#[test]
fn a_sku_that_is_known_is_changed_and_another_is_added() {
    let file = "\u{feff}SKU,Product,Colour,SAIL,Price,Old price,Stock\r\n\
        SKU-0,whimbrel,ember,sail 0,70,85.5,4\r\n\
        \r\n\
        \"W, new\",whimbrel,Dusk,*,,,\r\n\
        CARD,gift-card,,,25.00,,\r\n";
    let checked = checked(file).unwrap();
    assert_eq!((checked.added, checked.changed), (1, 2));
    assert_eq!(checked.new_values, [(OptionId(1), "Dusk".to_owned())]);
    let rows: Vec<_> =
        checked.rows.iter().map(|r| (r.sku.as_str(), r.price_minor, r.old_price_minor, r.stock)).collect();
    assert_eq!(
        rows,
        [
            ("SKU-0", Some(7000), Some(8550), Stock::Counted(4)),
            ("W, new", None, None, Stock::NotCounted),
            ("CARD", Some(2500), None, Stock::NotCounted)
        ]
    );
    assert_eq!(checked.rows[0].values, [PlannedValue::Known(ValueId(1)), PlannedValue::Known(ValueId(101))]);
    assert_eq!(checked.rows[1].values, [PlannedValue::New(0), PlannedValue::Any]);
}

#[test]
fn currencies_have_their_own_decimals() {
    let amount = |field: &str, code: &str| read_amount(field, Currency::from_code(code).unwrap());
    assert_eq!(amount("680", "JPY"), Ok(Some(680)));
    assert!(amount("680.5", "JPY").is_err());
    assert_eq!(amount("1.5", "KWD"), Ok(Some(1500)));
    assert_eq!((amount("0", "GBP"), amount("", "GBP")), (Ok(Some(0)), Ok(None)));
}

/// Every mistake that a line can hold, each told on its own line.
#[test]
fn every_mistake_is_told_with_its_line() {
    let head = "product,sku,price,old price,stock,colour,sail,reel";
    let lines = [
        (",A1,,,,Ember,sail 0,", "product: no product is named"),
        ("dunlyn,A2,,,,Ember,sail 0,", "product: there is no product “dunlyn”"),
        ("whimbrel,,,,,Ember,sail 0,", "sku: there is no SKU"),
        ("whimbrel,DUN-1,,,,Ember,sail 0,", "sku: “DUN-1” belongs to Dunlin"),
        ("whimbrel,A3,sixty,,,Ember,sail 1,", "price: “sixty” is no plain number"),
        ("whimbrel,A4,-1,,,Ember,*,", "price: “-1” is below zero"),
        ("whimbrel,A5,1.005,,,*,sail 0,", "price: “1.005” has more than the 2 decimals of GBP"),
        ("whimbrel,A6,\"1,000\",,,*,sail 1,", "price: “1,000” is no plain number"),
        ("whimbrel,A7,99999999999999,,,New 1,*,", "price: “99999999999999” is too large"),
        ("whimbrel,A8,,£80,,New 2,*,", "old price: “£80” is no plain number"),
        ("whimbrel,A9,,,many,New 3,*,", "stock: “many” is no whole number"),
        ("whimbrel,B1,,,-3,New 4,*,", "stock: “-3” is below zero"),
        ("whimbrel,B2,,,2.5,New 5,*,", "stock: “2.5” is no whole number"),
        ("whimbrel,B3,,,9999999999,New 6,*,", "stock: “9999999999” is too many"),
        ("whimbrel,B4,,,,,sail 0,", "colour: Whimbrel is chosen by “colour”"),
        ("whimbrel,B5,,,,Ember,,", "sail: Whimbrel is chosen by “sail”"),
        ("whimbrel,B6,,,,Ember,sail 0,25 m", "reel: Whimbrel isn't chosen by “reel”"),
        ("gift-card,B7,,,,Ember,,", "colour: Gift card isn't chosen by “colour”"),
        ("whimbrel,B8,,,,!!,sail 0,", "colour: “!!” has no letter or digit"),
        ("whimbrel,b8,,,,New 7,*,", "sku: “b8” stands on line 20 already"),
        ("whimbrel,B9,,,,NEW 7,*,", "line 21 makes the same choice"),
        ("whimbrel,C1,,,,colour 1,*,", "“SKU-1”, which no line names, makes the same choice"),
        ("whimbrel,C2,,,", "this line has 5 fields, and there are 8 columns"),
    ];
    let long = "x".repeat(81);
    let file: String = std::iter::once(head.to_owned())
        .chain(lines.iter().map(|(line, _)| (*line).to_owned()))
        .chain([format!("whimbrel,{long},,,,Ember,sail 1,"), format!("whimbrel,C3,,,,{long},*,")])
        .map(|line| line + "\n")
        .collect();
    let told = told(&file);
    for (number, (_, says)) in (2..).zip(lines) {
        let here: Vec<&String> = told.iter().filter(|t| t.starts_with(&format!("{number} "))).collect();
        assert!(here.iter().any(|t| t.contains(says)), "line {number}: {says}: {here:?}");
    }
    assert!(told.iter().any(|t| t.starts_with("25 sku: a SKU has at most 80 characters")));
    assert!(told.iter().any(|t| t.starts_with("26 colour: a value's name has at most 80 characters")));
}

#[test]
fn what_is_wrong_with_the_whole_file_is_told() {
    for (file, says) in [
        ("", "there is no column “product”"),
        ("product,price\nwhimbrel,1\n", "there is no column “sku”"),
        ("product,sku,Price,price\nwhimbrel,A,1,2\n", "this column stands here twice"),
        ("product,sku,\nwhimbrel,A,\n", "a column has no name"),
        ("product,sku\n", "there are no variants"),
        ("product,sku,Weight\nwhimbrel,A,3\n", "the shop has no option “Weight”"),
    ] {
        let told = told(file);
        assert!(told.iter().any(|t| t.contains(says)), "{file:?}: {told:?}");
    }
    let (_, mistakes) = read_variants(b"product,sku\nwhimbrel,A\xff\n", pounds());
    assert_eq!((mistakes[0].line, mistakes[0].says.as_str()), (2, "this line can't be read as UTF-8 text"));
    let many: String = (0..=MOST_LINES).map(|n| format!("gift-card,C{n}\n")).collect();
    let (_, mistakes) = read_variants(format!("product,sku\n{many}").as_bytes(), pounds());
    assert!(mistakes[0].says.contains("at most 20000 variants"));
}

#[test]
fn what_is_written_is_read_again_and_changes_nothing() {
    let file = write_variants(&products());
    assert!(file.starts_with("product,sku,price,old price,stock,colour,sail\n"), "{file}");
    let checked = checked(&file).unwrap();
    assert_eq!((checked.added, checked.changed, checked.same), (0, 0, 3));
    assert_eq!((checked.rows.len(), checked.new_values.len()), (0, 0));
    // One number is typed into it.
    let other = file.replacen("whimbrel,SKU-0,", "whimbrel,SKU-0,12.34", 1);
    assert_ne!(other, file);
    let checked = super::tests::checked(&other).unwrap();
    assert_eq!((checked.changed, checked.same, checked.rows.len()), (1, 2, 1));
}

proptest! {
    /// Whatever a file holds, reading it ends with lines or with mistakes, and never in both none.
    #[test]
    fn any_file_is_read_or_refused(file in ".{0,300}") {
        let (lines, mistakes) = read_variants(file.as_bytes(), pounds());
        prop_assert!(!lines.is_empty() || !mistakes.is_empty());
        let _ = check_variants(&lines, &products(), &BTreeMap::new(), &options());
    }
}

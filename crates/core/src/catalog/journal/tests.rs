use super::*;
use crate::catalog::{ProductState, Terms, Way};
use crate::ids::{Handle, OptionId, ProductId, ValueId, VariantId};
use crate::media::Focus;
use crate::money::Currency;
use crate::swatch::Swatch;
use proptest::prelude::*;

const KITE: ProductId = ProductId(7);
const COLOUR: OptionId = OptionId(1);
const SAIL: OptionId = OptionId(2);

fn handle(text: &str) -> Handle {
    Handle::try_from(text).unwrap()
}

fn value(option: OptionId, name: &str, position: u32) -> ValueRow {
    let handle = handle(name);
    let (name, note) = (name.to_owned(), String::new());
    ValueRow { option, handle, name, note, swatch: None, closer: None, position }
}

fn option(name: &str) -> OptionRow {
    OptionRow {
        handle: handle(name),
        name: name.into(),
        about: String::new(),
        position: 0,
        page: Way::List,
        card: Way::Nothing,
        quick: Way::List,
        from_variants: false,
        product: None,
    }
}

fn variant(sku: &str, chosen: [Option<u64>; 2], stock: u32) -> VariantRow {
    VariantRow {
        product: KITE,
        position: 0,
        sku: sku.into(),
        chosen: chosen.iter().map(|id| id.map(ValueId)).collect(),
        price_minor: None,
        old_price_minor: None,
        stock: Some(stock),
        measure: None,
        picture: None,
    }
}

fn picture(file: &str) -> PictureRow {
    PictureRow {
        product: Some(KITE),
        name: None,
        position: 0,
        alt: String::new(),
        values: vec![ValueId(11)],
        focus: Focus::default(),
        film: None,
        file: PictureFile {
            original: Some(file.into()),
            file_name: file.into(),
            sizes: vec![],
            cut_out: false,
            plan: 0,
            trouble: String::new(),
        },
    }
}

/// A kite in two colours and two sails, with a picture.
fn shop() -> Rows {
    let uses = |option, values: &[u64]| Use {
        option,
        values: values.iter().map(|id| ValueId(*id)).collect(),
        whole: true,
    };
    let kite = ProductRow {
        handle: handle("whimbrel"),
        address: handle("whimbrel"),
        was_at: vec![],
        kind: 1,
        position: 0,
        name: "Whimbrel".into(),
        brand: String::new(),
        summary: "A kite.".into(),
        details: vec![],
        facts: vec![],
        tags: vec!["two-line".into()],
        state: ProductState::OnSale,
        price_minor: 6800,
        old_price_minor: None,
        most_per_order: None,
        terms: Terms::default(),
        uses: vec![uses(COLOUR, &[11, 12]), uses(SAIL, &[21, 22])],
    };
    let own = OwnRow { swatch: Swatch::Text, why: "its own dye".into() };
    Rows::from([
        (RowId::Palette, PaletteRow { text: String::new() }.into()),
        (RowId::Product(KITE), kite.into()),
        (RowId::Option(COLOUR), option("colour").into()),
        (RowId::Option(SAIL), option("sail").into()),
        (RowId::Value(ValueId(11)), value(COLOUR, "ember", 0).into()),
        (RowId::Value(ValueId(12)), value(COLOUR, "chalk", 1).into()),
        (RowId::Value(ValueId(21)), value(SAIL, "small", 0).into()),
        (RowId::Value(ValueId(22)), value(SAIL, "large", 1).into()),
        (RowId::Picture(5), picture("whimbrel-1.jpg").into()),
        (RowId::Variant(VariantId(1)), variant("W-E", [Some(11), Some(21)], 5).into()),
        (RowId::Variant(VariantId(2)), variant("W-C", [Some(12), None], 0).into()),
        (RowId::Own(KITE, ValueId(11)), own.into()),
    ])
}

fn kite(rows: &mut Rows) -> &mut ProductRow {
    match rows.get_mut(&RowId::Product(KITE)) {
        Some(Row::Product(row)) => row,
        _ => panic!("the kite is gone"),
    }
}

fn of(rows: &mut Rows, id: u64) -> &mut VariantRow {
    match rows.get_mut(&RowId::Variant(VariantId(id))) {
        Some(Row::Variant(row)) => row,
        _ => panic!("variant {id} is gone"),
    }
}

/// The step that a change of the shop makes.
fn step(was: &Rows, change: impl FnOnce(&mut Rows)) -> (Rows, Vec<Event>) {
    let mut is = was.clone();
    change(&mut is);
    let events = difference(was, &is);
    (is, events)
}

fn line(was: &Rows, change: impl FnOnce(&mut Rows)) -> String {
    let (is, events) = step(was, change);
    told(was, &is, &events, Currency::from_code("GBP").unwrap())
}

#[test]
fn what_two_owners_change_of_one_thing_stays_where_it_is_not_the_same() {
    let was = shop();
    let (is, first) = step(&was, |rows| kite(rows).summary = "A good kite.".into());
    let (mut is, _) = step(&is, |rows| kite(rows).name = "Whimbrel II".into());
    apply(&mut is, &inverse(&first)).unwrap();
    let both = kite(&mut is).clone();
    assert_eq!((both.summary.as_str(), both.name.as_str()), ("A kite.", "Whimbrel II"));

    let (mut is, _) = step(&is, |rows| kite(rows).summary = "The best kite.".into());
    let before = is.clone();
    let clash = apply(&mut is, &inverse(&first)).unwrap_err();
    assert_eq!(clash.to_string(), "the summary was changed since");
    assert_eq!(is, before, "a refused step changes nothing");
}

#[test]
fn a_stock_is_moved_by_what_was_sold_since_and_never_below_none() {
    let was = shop();
    let (mut is, events) = step(&was, |rows| of(rows, 1).stock = Some(8));
    of(&mut is, 1).stock = Some(6);
    apply(&mut is, &inverse(&events)).unwrap();
    assert_eq!(of(&mut is, 1).stock, Some(3), "five, of which two are sold");

    let (mut is, events) = step(&was, |rows| of(rows, 1).stock = Some(8));
    of(&mut is, 1).stock = Some(2);
    assert!(apply(&mut is, &inverse(&events)).is_err(), "of five, six can't be sold");
    let (mut is, events) = step(&was, |rows| of(rows, 1).stock = None);
    apply(&mut is, &inverse(&events)).unwrap();
    assert_eq!(of(&mut is, 1).stock, Some(5), "counted again as before");
}

#[test]
fn what_was_sold_keeps_a_variant_from_nothing_but_a_price_set_since_does() {
    let was = shop();
    let (is, events) = step(&was, |rows| {
        drop(rows.insert(RowId::Variant(VariantId(3)), variant("W-X", [None, None], 4).into()))
    });
    let back = inverse(&events);
    let (mut sold, _) = step(&is, |rows| of(rows, 3).stock = Some(1));
    apply(&mut sold, &back).unwrap();
    assert_eq!(sold, was);
    let (mut dearer, _) = step(&is, |rows| of(rows, 3).price_minor = Some(1));
    assert_eq!(apply(&mut dearer, &back).unwrap_err().to_string(), "the price was changed since");
}

#[test]
fn sizes_made_of_a_file_are_no_step_and_another_file_is() {
    let was = shop();
    let made = |rows: &mut Rows| {
        if let Some(Row::Picture(row)) = rows.get_mut(&RowId::Picture(5)) {
            row.file.plan = 3;
        }
    };
    assert_eq!(step(&was, made).1, []);
    let other = |rows: &mut Rows| drop(rows.insert(RowId::Picture(5), picture("other.jpg").into()));
    let (mut is, events) = step(&was, other);
    made(&mut is);
    apply(&mut is, &inverse(&events)).unwrap();
    assert_eq!(is, was, "though its sizes were made meanwhile");
}

#[test]
fn a_tag_in_other_letters_is_a_step() {
    let (mut is, events) = step(&shop(), |rows| kite(rows).tags = vec!["Two-Line".into()]);
    assert_eq!(events.len(), 1);
    apply(&mut is, &inverse(&events)).unwrap();
    assert_eq!(kite(&mut is).tags[0].as_str(), "two-line");
}

#[test]
fn steps_are_told_in_words() {
    let was = shop();
    assert_eq!(line(&was, |rows| of(rows, 1).price_minor = Some(7250)), "Price of W-E: none → 72.50");
    assert_eq!(line(&was, |rows| kite(rows).price_minor = 7000), "Price: 68.00 → 70.00");
    let both = |rows: &mut Rows| [1, 2].into_iter().for_each(|id| of(rows, id).stock = Some(40));
    assert_eq!(line(&was, both), "Stock of 2 variants: 40");
    let apart = |rows: &mut Rows| (of(rows, 1).stock, of(rows, 2).stock) = (Some(1), None);
    assert_eq!(line(&was, apart), "Stock of 2 variants");
    assert_eq!(line(&was, |rows| drop(rows.remove(&RowId::Picture(5)))), "Picture whimbrel-1.jpg removed");
    assert_eq!(line(&was, |rows| without_product(rows, KITE)), "“Whimbrel” removed");
    assert_eq!(line(&was, |rows| kite(rows).state = ProductState::Withdrawn), "State: on sale → withdrawn");
    let many = |rows: &mut Rows| {
        let row = kite(rows);
        (row.name, row.summary, row.brand) = ("W".into(), "x".repeat(50), "B".into());
        (row.price_minor, row.most_per_order) = (1, Some(3));
    };
    let told = line(&was, many);
    assert_eq!(
        told,
        "Maker: nothing → B; most in one order: none → 3; name: Whimbrel → W; price: 68.00 → 0.01; 1 more"
    );
    assert_eq!(line(&was, |_| ()), "");
}

#[test]
fn a_step_stands_in_the_histories_of_what_it_touches_and_of_nothing_else() {
    let was = shop();
    let seen = |change: fn(&mut Rows)| {
        let (is, events) = step(&was, change);
        let names: Vec<String> = subjects(&was, &is, &events).iter().map(ToString::to_string).collect();
        (names.join(" "), touched(&was, &is, &events))
    };
    let alone = Touched::Products([KITE].into());
    assert_eq!(seen(|rows| kite(rows).summary.clear()), ("product/7 product/7/texts".into(), alone.clone()));
    assert_eq!(seen(|rows| of(rows, 1).stock = None), ("product/7 product/7/variants".into(), alone.clone()));
    assert_eq!(seen(|rows| kite(rows).state = ProductState::New).1, Touched::Everything);
    let gone = seen(|rows| without_product(rows, KITE));
    assert_eq!(gone, ("product/7 shelf book".into(), Touched::Everything));
    let dyed = seen(|rows| drop(rows.remove(&RowId::Own(KITE, ValueId(11)))));
    assert_eq!(dyed, ("product/7 book".into(), alone));
    let named = seen(|rows| drop(rows.insert(RowId::Value(ValueId(11)), value(COLOUR, "fire", 0).into())));
    assert_eq!(named, ("book option/1".into(), Touched::Everything));
    for text in ["product/7", "product/7/texts", "shelf", "book", "option/1", "pictures"] {
        assert_eq!(Subject::read(text).unwrap().to_string(), text);
    }
    for text in ["", "product", "product/x", "product/7/prices", "options/1"] {
        assert_eq!(Subject::read(text), None, "{text}");
    }
}

#[test]
fn an_option_goes_out_of_every_product_unless_variants_differ_by_it_alone() {
    let was = shop();
    let (mut is, _) = step(&was, |rows| without_option(rows, SAIL).unwrap());
    assert_eq!(of(&mut is, 1).chosen, [Some(ValueId(11))]);
    assert_eq!(kite(&mut is).uses.len(), 1);
    assert!(!is.contains_key(&RowId::Value(ValueId(21))) && !is.contains_key(&RowId::Option(SAIL)));
    of(&mut is, 2).chosen = vec![Some(ValueId(12))];
    let refused = without_option(&mut is, COLOUR).unwrap_err().to_string();
    assert!(
        refused.starts_with("without it, W-E and W-C of “Whimbrel” would be the same choice"),
        "{refused}"
    );
}

#[test]
fn a_value_goes_with_the_variants_that_have_it_unless_none_would_be_left() {
    let was = shop();
    let (mut is, _) = step(&was, |rows| without_value(rows, ValueId(11)).unwrap());
    assert!(
        !is.contains_key(&RowId::Variant(VariantId(1))) && is.contains_key(&RowId::Variant(VariantId(2)))
    );
    assert_eq!(kite(&mut is).uses[0].values, [ValueId(12)]);
    assert!(!is.contains_key(&RowId::Own(KITE, ValueId(11))), "its own swatch is of no use");
    assert!(matches!(&is[&RowId::Picture(5)], Row::Picture(row) if row.values.is_empty()));
    assert!(without_value(&mut is, ValueId(12)).is_err(), "the kite would have no variant");
    let mut is = was.clone();
    assert!(without_variants(&mut is, KITE, &[VariantId(1), VariantId(2)]).is_err());
}

#[test]
fn what_two_made_of_one_thing_is_put_together_unless_it_is_the_same_field() {
    let mut rows = shop();
    let was = kite(&mut rows).clone();
    let now = ProductRow { name: "N".into(), brand: "B".into(), ..was.clone() };
    let wanted = ProductRow { summary: "S".into(), brand: "B".into(), ..was.clone() };
    let both = merged(&was, &now, &wanted).unwrap();
    assert_eq!((both.name.as_str(), both.summary.as_str(), both.brand.as_str()), ("N", "S", "B"));
    let other = ProductRow { name: "M".into(), ..was.clone() };
    assert_eq!(merged(&was, &now, &other).unwrap_err(), "name");
}

/// One thing that an owner may do, by what is drawn.
fn act(rows: &mut Rows, (what, which, number): (u8, u64, u32)) {
    let id = RowId::Variant(VariantId(which));
    match what {
        0 => kite(rows).price_minor = i64::from(number),
        1 => kite(rows).name = format!("Kite {number}"),
        2 if rows.contains_key(&id) => of(rows, which).stock = Some(number),
        3 if rows.contains_key(&id) => of(rows, which).sku = format!("S-{number}"),
        4 => drop(rows.insert(id, variant(&format!("N-{number}"), [None, Some(22)], number).into())),
        5 => drop(without_variants(rows, KITE, &[VariantId(which)])),
        6 => drop(rows.insert(RowId::Picture(which), picture(&format!("p{number}.jpg")).into())),
        7 => drop(rows.remove(&RowId::Picture(which))),
        8 => drop(without_value(rows, ValueId(10 + which))),
        9 => drop(without_option(rows, OptionId(which))),
        _ => drop(
            rows.insert(RowId::Value(ValueId(30 + which)), value(SAIL, &format!("v{which}"), number).into()),
        ),
    }
}

proptest! {
    #[test]
    fn steps_lead_from_before_to_after_and_all_of_them_back_to_the_beginning(
        acts in prop::collection::vec((0u8..11, 1u64..4, 0u32..30), 1..20)
    ) {
        let beginning = shop();
        let mut now = beginning.clone();
        let mut journal = Vec::new();
        for one in acts {
            let (is, events) = step(&now, |rows| act(rows, one));
            let mut again = now.clone();
            apply(&mut again, &events).unwrap();
            prop_assert_eq!(&again, &is, "the events are all that happened");
            let kept = serde_json::to_string(&events).unwrap();
            let read: Vec<Event> = serde_json::from_str(&kept).unwrap();
            prop_assert_eq!(&read, &events, "and are read as they were kept");
            prop_assert_eq!(inverse(&inverse(&events)), events.clone());
            prop_assert_eq!(told(&now, &is, &events, Currency::from_code("GBP").unwrap()).is_empty(), events.is_empty());
            journal.push(events);
            now = is;
        }
        for events in journal.iter().rev() {
            apply(&mut now, &inverse(events)).unwrap();
        }
        prop_assert_eq!(now, beginning);
    }
}

#[test]
fn a_page_that_moves_is_led_on_to_from_where_it_stood() {
    let was = shop();
    let mut row = kite(&mut was.clone()).clone();
    row.move_to(handle("knot"));
    row.move_to(handle("dunlin"));
    assert_eq!(
        (row.address.as_str(), row.was_at.clone()),
        ("dunlin", vec![handle("whimbrel"), handle("knot")])
    );
    row.move_to(handle("dunlin"));
    assert_eq!(row.was_at.len(), 2, "it stands there");
    row.move_to(handle("whimbrel"));
    assert_eq!(row.was_at, [handle("knot"), handle("dunlin")], "where it stands leads nowhere else");
    row.let_go(&handle("nowhere"));
    row.let_go(&handle("knot"));
    assert_eq!(row.was_at, [handle("dunlin")]);
    for number in 0..60 {
        row.move_to(handle(&format!("at-{number}")));
    }
    assert_eq!((row.was_at.len(), row.was_at[0].as_str(), row.address.as_str()), (50, "at-9", "at-59"));

    let told = line(&was, |rows| kite(rows).move_to(handle("knot")));
    assert_eq!(told, "Address: whimbrel → knot; addresses that lead on");
    let (is, events) = step(&was, |rows| kite(rows).move_to(handle("knot")));
    assert_eq!(touched(&was, &is, &events), Touched::Everything, "links to it stand on other pages");
    assert!(subjects(&was, &is, &events).contains(&Subject::Shelf));
    let mut back = is;
    apply(&mut back, &inverse(&events)).unwrap();
    assert_eq!(back, was);
}

#[test]
fn a_product_that_went_before_pages_could_move_comes_back_to_where_it_stood() {
    let was = shop();
    let (_, events) = step(&was, |rows| without_product(rows, KITE));
    let mut kept = serde_json::to_value(&events).unwrap();
    let gone = |event: &mut serde_json::Value| {
        if let Some(fields) = event.pointer_mut("/change/went").and_then(|fields| fields.as_object_mut()) {
            fields.remove("address");
            fields.remove("was_at");
        }
    };
    kept.as_array_mut().unwrap().iter_mut().for_each(gone);
    assert!(!kept.to_string().contains("\"address\""), "as it was kept then");
    let events: Vec<Event> = serde_json::from_value(kept).unwrap();
    let is = step(&was, |rows| without_product(rows, KITE)).0;
    let mut back = is;
    apply(&mut back, &inverse(&events)).unwrap();
    assert_eq!(back, was);
}

//! Each piece under each of its settings, on the page where it stands.
#![allow(clippy::unwrap_used)]

mod shop;

use compagina_core::catalog::{ProductState, Stock};
use compagina_core::page::{Device, Kind, Op, SetValue, Target, apply};
use shop::bench::Bench;

#[test]
fn the_saving_is_told_in_percent_in_money_or_not_at_all() {
    let percent = Bench::new().piece("k-price");
    assert!(percent.contains("−20 %") && !percent.contains("Save"));
    let amount = Bench::new().set(Kind::Price, "saving", "amount").piece("k-price");
    assert!(amount.contains("Save £17.00") && !amount.contains("−20 %"));
    let none = Bench::new().set(Kind::Price, "saving", "none").piece("k-price");
    assert!(!none.contains("Save") && !none.contains('%') && none.contains("£85.00"));
    let both = Bench::new().set_on_phones(Kind::Price, "saving", "amount").html();
    assert!(both.contains("−20 %") && both.contains("Save £17.00"), "each screen hides one");
    let (wide, phone) = both.split_once("@media (max-width:640px)").unwrap();
    assert!(wide.contains("#p-p5 .amount{display:none}") && phone.contains("#p-p5 .percent{display:none}"));
}

#[test]
fn the_old_price_stands_where_it_is_put() {
    for (place, rule) in [("before", "order:-1"), ("after", "order:0"), ("under", "order:1;flex-basis:100%")]
    {
        let html = Bench::new().set(Kind::Price, "old", place).html();
        assert!(html.contains(&format!("#p-p5 .old{{{rule}}}")), "{place}");
    }
}

#[test]
fn until_a_variant_is_chosen_the_least_price_is_shown_with_its_word() {
    let bench = Bench::new().set(Kind::Options, "start", "nothing").set(Kind::Price, "from", "starting at");
    let price = bench.piece("k-price");
    assert!(price.contains(r#"data-shows="from">starting at<"#) && price.contains("£68.00"));
    assert!(price.contains(r#"class="old" data-shows="old" hidden"#), "a span of prices has no old price");
    assert_eq!(bench.say()["chosen.p6.0"], "choose");
}

#[test]
fn the_button_says_what_keeps_a_shopper_from_buying() {
    let words = |bench: &Bench| bench.say().remove("buy.p9").unwrap();
    assert_eq!(words(&Bench::new()), "Add to cart");
    assert_eq!(words(&Bench::new().choosing("colour=ember&sail=2-4-m")), "Sold out");
    assert_eq!(words(&Bench::new().choosing("colour=chalk&sail=2-4-m")), "Sold out", "not made");
    assert_eq!(words(&Bench::new().choosing("colour=chalk")), "Make your choice");
    for (state, said) in
        [(ProductState::ComingSoon, "Coming soon"), (ProductState::Withdrawn, "No longer sold")]
    {
        let mut bench = Bench::new();
        bench.product.state = state;
        assert_eq!(words(&bench), said);
        assert!(bench.piece("k-buy-button").contains(" disabled"));
        assert_eq!(bench.piece("k-quantity"), "", "nothing to count");
    }
}

#[test]
fn the_bar_says_sold_out_too() {
    let bench = Bench::new().set(Kind::StickyBar, "words", "Fly it");
    assert_eq!(bench.say()["bar.p13"], "Fly it");
    assert_eq!(bench.choosing("colour=ember&sail=2-4-m").say()["bar.p13"], "Sold out");
}

#[test]
fn a_sold_out_choice_leaves_the_button_usable_without_script_and_nothing_left_does_not() {
    let choice = Bench::new().choosing("colour=ember&sail=2-4-m").piece("k-buy-button");
    assert!(choice.contains("aria-disabled=\"true\"") && !choice.contains(" disabled"));
    let mut gone = Bench::new();
    gone.product.variants.iter_mut().for_each(|v| v.stock = Stock::Counted(0));
    assert!(gone.piece("k-buy-button").contains(" disabled"));
}

#[test]
fn under_the_button_stands_the_sum_or_why_so_many_cannot_be_had() {
    let hint = |quantity| {
        let mut bench = Bench::new().choosing("colour=ember&sail=2-1-m");
        bench.quantity = quantity;
        bench.say().remove("hint").unwrap()
    };
    assert_eq!(hint(1), "");
    assert_eq!(hint(6), "6 for £408.00");
    assert_eq!(hint(7), "There are only 6 left of this choice.");
}

#[test]
fn the_stock_line_speaks_always_or_only_when_it_matters() {
    let line = |bench: &Bench| bench.say().remove("stock.p7").unwrap();
    let quiet = || Bench::new().set(Kind::StockLine, "when", "matters");
    assert_eq!(line(&Bench::new()), "In stock");
    assert_eq!(line(&quiet()), "");
    assert_eq!(line(&quiet().choosing("colour=chalk&sail=2-1-m")), "Only 1 left");
    let few = Bench::new().set(Kind::StockLine, "few", 10).choosing("colour=dusk&sail=2-1-m");
    assert_eq!(line(&few), "Only 9 left");
    let undecided =
        Bench::new().set(Kind::StockLine, "undecided", "Choose a sail to see").choosing("colour=chalk");
    assert_eq!(line(&undecided), "Choose a sail to see");
}

#[test]
fn words_for_each_screen_have_places_of_their_own() {
    let bench = Bench::new().set_on_phones(Kind::StockLine, "in_stock", "Ready to fly");
    let say = bench.say();
    assert_eq!((say["stock.p7.wide"].as_str(), say["stock.p7.phone"].as_str()), ("In stock", "Ready to fly"));
    let line = bench.piece("k-stock-line");
    assert!(
        line.contains(r#"<span data-say="stock.p7" hidden>"#),
        "the common place is there for other choices"
    );
}

#[test]
fn choices_are_swatches_words_or_lists_and_all_of_them_tell_what_is_sold_out() {
    let swatches = Bench::new().piece("k-options");
    assert!(swatches.contains("linear-gradient(135deg,#14505C 0% 50%,#F2B35E 50% 100%)"));
    assert!(swatches.contains("value=\"2-1-m\""), "an option that the book shows by buttons");
    let words = Bench::new().set(Kind::Options, "shown_as", "buttons").piece("k-options");
    assert!(!words.contains("cloth") && words.contains(">Dusk</span>"));
    let list = Bench::new().set(Kind::Options, "shown_as", "list").piece("k-options");
    assert!(
        list.contains("<select form=\"buy\" name=\"colour\"") && list.contains("Fern – sold out"),
        "{list}"
    );
    assert!(swatches.contains(", sold out") && words.contains(", sold out"));
    for mark in ["struck", "faded", "blurred", "away"] {
        let options = Bench::new().set(Kind::Options, "sold_out", mark).piece("k-options");
        assert!(options.contains(&format!("sold-{mark} made-struck")));
    }
    let radios = Bench::new().set(Kind::Options, "shown_as", "radios").piece("k-options");
    assert!(radios.contains("class=\"value line\"") && !radios.contains("cloth"));
}

#[test]
fn values_can_be_left_out_told_by_name_and_kept_from_being_chosen() {
    let without = Bench::new().set(Kind::Options, "hidden", ["chalk", "EMBER"].as_slice()).piece("k-options");
    assert!(!without.contains("value=\"chalk\""));
    assert!(
        without.contains("value=\"ember\""),
        "what is chosen is seen, or nobody could tell what is bought"
    );
    let beside = Bench::new().set(Kind::Options, "names", "beside").piece("k-options");
    assert!(beside.contains("<span class=\"name\">Dusk</span>") && !beside.contains("title="));
    assert!(!beside.contains("disabled"));
    let strict = Bench::new().set(Kind::Options, "selectable", false).piece("k-options");
    assert!(strict.contains(" disabled") && strict.contains("data-strict"));
    let clear = Bench::new().set(Kind::Options, "clear", "Begin again").piece("k-options");
    assert!(clear.contains("data-clear>Begin again</a>"), "{clear}");
}

#[test]
fn on_phones_pieces_of_all_columns_can_stand_in_another_order_and_on_tablets_those_of_one() {
    let order = |device: Device, names: &[&str]| {
        let mut bench = Bench::new();
        let band = bench
            .layout
            .bands
            .iter()
            .find(|band| band.pieces().any(|one| one.kind == Kind::BuyButton))
            .unwrap();
        let target = Target::Band(band.id.clone());
        let value = Some(SetValue::Lines(names.iter().map(|name| (*name).to_owned()).collect()));
        apply(&mut bench.layout, Op::Set { target, setting: "order".into(), device, value }).unwrap();
        bench.html()
    };
    assert!(!Bench::new().html().contains("data-on-phones"));
    // The price before the gallery, the name last.
    let html = order(Device::Phone, &["p5", "p2", "p4", "siblings", "p6", "p7", "p8", "p9", "p10", "p3"]);
    let (wide, phone) = html.split_once("@media (max-width:640px)").unwrap();
    assert!(!wide.contains("{order:0;margin") && !wide.contains("display:contents;}"));
    assert!(phone.contains(".columns{row-gap:0;reading-flow:grid-order}"), "{phone}");
    assert!(
        phone.contains("#p-p5{order:0;margin-top:0}")
            && phone.contains("#p-p2{order:1;margin-top:var(--above,0)}")
    );
    let told = html.split("data-on-phones=\"").nth(1).unwrap().split('"').next().unwrap();
    assert!(told.starts_with("p-p5 p-p2 p-p4") && told.ends_with("p-p3"), "{told}");

    let html = order(Device::Tablet, &["p5", "p3"]);
    let tablet = html.split("@media (min-width:641px) and (max-width:1024px){").nth(1).unwrap();
    assert!(tablet.contains(">.column{display:flex;flex-direction:column;reading-flow:flex-visual}"));
    assert!(html.contains("data-on-phones"), "phones take the tablet's");
}

#[test]
fn details_that_are_all_read_at_once_are_no_rows_that_fold() {
    let below = Bench::new().set(Kind::Details, "as", "below").set_on_phones(Kind::Details, "as", "below");
    let piece = below.piece("k-details");
    assert!(!piece.contains("<details") && piece.contains("<section><h2>What is in the bag</h2>"), "{piece}");
    assert_eq!(piece.matches("<h2>").count(), 3);
    assert!(below.html().contains("#p-p11 .texts{grid-template-columns:minmax(0,1fr)}"));

    // Columns where there is room, rows that fold on phones: each screen shows one of the two.
    let both = Bench::new().set(Kind::Details, "as", "columns").set_on_phones(Kind::Details, "as", "folding");
    let html = both.html();
    let (wide, phone) = html.split_once("@media (max-width:640px)").unwrap();
    assert!(
        wide.contains(
            "#p-p11 .folds{display:none}#p-p11 .texts{grid-template-columns:repeat(3,minmax(0,1fr))}"
        )
    );
    assert!(phone.contains("#p-p11 .texts{display:none}"));
    assert_eq!(html.matches("Kite, two 25 m lines").count(), 2, "once for each form");
}

#[test]
fn a_details_piece_takes_the_texts_that_it_names_in_its_order() {
    let named = |titles: &[&str]| Bench::new().set(Kind::Details, "titles", titles).piece("k-details");
    let piece = named(&["sending and returns", "What is in the Bag", "Nothing such"]);
    let at = |title: &str| piece.find(&format!("<summary>{title}")).unwrap();
    assert!(at("Sending and returns") < at("What is in the bag"), "letters folded");
    assert_eq!(piece.matches("<summary>").count(), 2);
    assert_eq!(named(&["", " "]).matches("<summary>").count(), 3, "nothing named is all");
    assert_eq!(named(&["Nothing such"]), "", "it isn't drawn");
}

#[test]
fn details_are_tabs_or_rows_and_paragraphs_are_kept() {
    let html = Bench::new().html();
    let (wide, phone) = html.split_once("@media (max-width:640px)").unwrap();
    assert!(wide.contains("#p-p11 .folds details{display:contents}"));
    assert!(phone.contains("#p-p11 .folds details{border-bottom"));
    let rows = Bench::new().set(Kind::Details, "as", "folding").set(Kind::Details, "first_open", false);
    assert!(!rows.piece("k-details").contains(" open"));
    assert!(rows.piece("k-details").contains("<p>For ten years and older.</p>"));
}

#[test]
fn promises_without_lines_are_not_drawn() {
    let none: &[&str] = &["", "  "];
    assert_eq!(Bench::new().set(Kind::Promises, "lines", none).piece("k-promises"), "");
    let some: &[&str] = &["Sent today", ""];
    let promises = Bench::new().set(Kind::Promises, "lines", some).piece("k-promises");
    assert_eq!(promises.matches("<li>").count(), 1);
}

#[test]
fn related_products_are_as_many_as_a_screen_wants() {
    let cards = |bench: Bench| bench.piece("k-related").matches("class=\"card-name").count();
    assert_eq!(cards(Bench::new()), 4);
    assert_eq!(cards(Bench::new().set(Kind::Related, "count", 2)), 2);
    let mut alone = Bench::new();
    alone.related.clear();
    assert_eq!(cards(alone), 0);
    let plain =
        Bench::new().set(Kind::Related, "prices", false).set(Kind::Related, "heading", "").piece("k-related");
    assert!(!plain.contains("<h2>"));
    let away = Bench::new().set(Kind::Related, "prices", false).html();
    assert!(away.contains(".k-card-price{display:none}"));
}

#[test]
fn sizes_and_sides_come_from_steps_of_the_house() {
    let sizes = |bench: Bench| -> Vec<String> {
        let (html, rule) = (bench.html(), "#p-p3 h1{font-size:");
        html.match_indices(rule).map(|(at, _)| html[at + rule.len()..].chars().take(2).collect()).collect()
    };
    assert_eq!(sizes(Bench::new()), ["38", "30"], "the house has a size of its own for phones");
    assert_eq!(
        sizes(Bench::new().set(Kind::Title, "size", 7)),
        ["48"],
        "the template's wide value goes before it"
    );
    assert_eq!(
        sizes(Bench::new().set(Kind::Title, "size", 7).set_on_phones(Kind::Title, "size", 4)),
        ["48", "24"]
    );
    let centred = Bench::new().set(Kind::Title, "align", "centre").html();
    assert!(centred.contains("#p-p3{--above:8px;text-align:center"));
    let crumbs =
        Bench::new().set(Kind::Breadcrumb, "divider", "angle").set(Kind::Breadcrumb, "last", false).html();
    assert!(crumbs.contains("--divider:\"›\"") && crumbs.contains("#p-p1 .last{display:none}"));
}

#[test]
fn a_page_opens_with_named_values_as_far_as_they_are_made() {
    let opening = |names: &[&str]| {
        let bench = Bench::new().set(Kind::Options, "start", "named").set(Kind::Options, "named", names);
        compagina_press::opening_selection(&bench.product, &bench.layout).to_query(&bench.product)
    };
    assert_eq!(opening(&["DUSK", "2.1 m"]), "colour=dusk&sail=2-1-m");
    assert_eq!(opening(&["Tide"]), "colour=tide&sail=1-6-m");
    assert_eq!(opening(&["Plaid"]), "colour=ember&sail=1-6-m");
}

#[test]
fn a_list_of_variants_leads_to_each_and_says_what_is_gone() {
    let mut bench = Bench::new();
    let target = compagina_core::page::Op::AddPiece {
        piece: serde_json::from_str(
            r#"{"id":"list","kind":"variant_list","values":{"wide":{"left_out":["whi-chk-16"]}}}"#,
        )
        .unwrap(),
        at: serde_json::from_str(r#"{"column":"c3-1","index":0}"#).unwrap(),
    };
    compagina_core::page::apply(&mut bench.layout, target).unwrap();
    let list = bench.piece("k-variant-list");
    let lines = list.matches("data-key=").count();
    assert!(lines > 5 && lines <= bench.product.variants.len(), "{list}");
    assert_eq!(list.matches("aria-current").count(), 1);
    assert!(list.contains("data-state=\"sold_out\"") && list.contains("sold out"));
    assert!(!list.contains("data-carry"), "the options piece carries the choice");
    let op = compagina_core::page::Op::RemovePiece {
        piece: bench.layout.first_of(Kind::Options).unwrap().id.clone(),
    };
    compagina_core::page::apply(&mut bench.layout, op).unwrap();
    assert!(bench.piece("k-variant-list").contains("name=\"colour\" data-carry value=\"ember\""));
}

#[test]
fn a_value_that_no_variant_has_any_more_is_not_offered() {
    let mut bench = Bench::new();
    let ember = bench.product.options[0].values.iter().position(|value| value.name == "Ember").unwrap();
    assert!(bench.piece("k-options").contains("data-name=\"Ember\""));
    let ember = u16::try_from(ember).unwrap();
    bench.product.variants.retain(|variant| variant.values[0] != Some(ember));
    let html = bench.piece("k-options");
    assert!(!html.contains("data-name=\"Ember\"") && html.contains("data-name=\"Dusk\""));
}

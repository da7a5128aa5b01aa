//! Every kind of piece on a page of its own, as a golden file; conditions, bands and languages.
#![allow(clippy::unwrap_used)]

mod shop;

use compagina_core::catalog::{Product, Rating};
use compagina_core::ids::{BandId, ColumnId, PieceId};
use compagina_core::money::{AmountStyle, UnitAs};
use compagina_core::page::op::check;
use compagina_core::page::piece::{self, shared};
use compagina_core::page::{
    Band, Column, Device, Kind, Layout, Piece, Purpose, Rule, SetValue, Setting, Shape, Values,
};
use compagina_core::price::{
    Counted, Effect, Period, Plan, PlanId, PriceBook, PriceRule, Prices, RuleId, RuleReach, SavedOn, Step,
    Vat, VatShown,
};
use compagina_core::situation::{SaleMood, Situation};
use compagina_core::time::{Moment, Zone};
use compagina_core::wording::{Language, Own, Words};
use compagina_press::{Around, Mode, Nav, Neighbour, Page, render};
use shop::{demo, media, nav, plain};
use std::sync::Arc;

fn text(words: &str) -> SetValue {
    SetValue::Text(words.into())
}

fn rows(rows: &[&[&str]]) -> SetValue {
    SetValue::Rows(rows.iter().map(|row| row.iter().map(|cell| (*cell).to_owned()).collect()).collect())
}

fn lines(all: &[&str]) -> SetValue {
    SetValue::Lines(all.iter().map(|l| (*l).to_owned()).collect())
}

/// What a piece needs to have something to show.
fn filled(kind: Kind) -> Vec<(&'static Setting, SetValue)> {
    match kind {
        Kind::Promises => vec![(&piece::promises::LINES, lines(&["Sent in two days"]))],
        Kind::Text => {
            vec![(&piece::text::BODY, text("<h2>How we sew</h2><p>Every seam <strong>twice</strong>.</p>"))]
        }
        Kind::Picture => {
            vec![
                (&piece::picture::PICTURE, lines(&["seam"])),
                (&piece::picture::CAPTION, text("Twice round")),
            ]
        }
        Kind::Film => {
            vec![(&piece::film::FILM, text("turning")), (&piece::film::START, SetValue::Flag(true))]
        }
        Kind::PictureRow => vec![(&piece::picture_row::PICTURES, lines(&["seam", "gone", "table"]))],
        Kind::Quotes => {
            vec![(&piece::quotes::QUOTES, rows(&[&["It flies <b>itself</b>.", "Jo"], &["", "Nobody"]]))]
        }
        Kind::Questions => vec![(&piece::questions::QUESTIONS, rows(&[&["Does it float?", "No & yes."]]))],
        Kind::Comparison => vec![
            (
                &piece::comparison::TABLE,
                rows(&[&["", "Whimbrel", "Dunlin"], &["Frame", "Fibreglass", "Carbon"]]),
            ),
            (&piece::comparison::LIFT, SetValue::Number(2)),
        ],
        Kind::ValuePoints => {
            vec![(
                &piece::value_points::POINTS,
                rows(&[&["Sewn here", "By two people"], &["Mended free", ""]]),
            )]
        }
        Kind::SizeChart => vec![(&piece::size_chart::TABLE, rows(&[&["Sail", "Span"], &["1.6", "160 cm"]]))],
        _ => vec![],
    }
}

fn page_of(kind: Kind, set: Vec<(&'static Setting, SetValue)>) -> Layout {
    let values = set.into_iter().fold(Values::default(), |all, (s, value)| all.with(Device::Wide, s, value));
    let piece = Piece { id: PieceId::try_from("it").unwrap(), kind, values };
    let column = Column { id: ColumnId::try_from("c").unwrap(), width: 12, pieces: vec![piece] };
    let band = Band {
        id: BandId::try_from("b").unwrap(),
        kept: None,
        values: Values::default(),
        columns: vec![column],
    };
    Layout { bands: vec![band], ..Layout::default() }
}

fn around(products: &[Product]) -> Around {
    let neighbour = |product: &Product| Neighbour {
        address: product.handle.clone(),
        name: product.name.clone(),
        picture: product.lead_picture().cloned(),
    };
    let (before, after) = (Some(neighbour(&products[1])), Some(neighbour(&products[2])));
    Around {
        related: products[1..3].iter().cloned().map(Arc::new).collect(),
        before,
        after,
        ..Around::default()
    }
}

fn draw(nav: &Nav, layout: &Layout, product: &Product, change: impl FnOnce(&mut Situation)) -> String {
    let (products, _) = demo();
    let mut situation = plain(product, layout);
    change(&mut situation);
    let (media, around) = (media(), around(&products));
    let (mode, notice, only) = (Mode::Shop, None, None);
    let (situation, around) = (&situation, &around);
    render(&Page { nav, product, layout, around, media: &media, situation, mode, notice, only }).unwrap()
}

fn html(layout: &Layout) -> String {
    let mut nav = nav();
    if [Kind::PriceLadder, Kind::Plans].into_iter().any(|kind| layout.first_of(kind).is_some()) {
        nav.prices = ladder();
    }
    let (products, _) = demo();
    let written = |product: &&Product| product.terms.text.is_some();
    let with_text = products.iter().find(written).filter(|_| layout.first_of(Kind::PersonalText).is_some());
    draw(&nav, layout, with_text.unwrap_or(&products[0]), |_| {})
}

/// The page's content without what stands on every page, one element a line.
fn content(html: &str) -> String {
    let (_, rest) = html.split_once("</form>").unwrap();
    let (content, _) = rest.split_once("</main>").unwrap();
    let (_, css) = html.split_once("<style id=\"laid\">").unwrap();
    let (css, _) = css.split_once("</style>").unwrap();
    format!("{css}\n{content}").replace("><", ">\n<").replace('}', "}\n")
}

/// Three pieces 5 % less, six 10 %.
fn ladder() -> Prices {
    let step = |from, hundredths| Step { from, effect: Effect::Percent { hundredths } };
    let rule = PriceRule {
        id: RuleId(1),
        name: "By number".into(),
        reach: RuleReach::All,
        except: vec![],
        steps: vec![step(3, 500), step(6, 1000)],
        counted: Counted::Product,
        total: None,
        with: vec![],
        from: None,
        until: None,
        on: true,
    };
    let plan = Plan {
        id: PlanId(1),
        reach: RuleReach::All,
        every: 8,
        period: Period::Weeks,
        hundredths: 1250,
        saved_on: SavedOn::First,
        once: true,
    };
    let book = PriceBook { rules: vec![rule], plans: vec![plan], ..PriceBook::default() };
    Prices::new(Arc::new(book), Zone::default(), Moment::default())
}

#[test]
fn a_ladder_marks_the_step_that_is_reached_and_tells_what_comes_next() {
    let (mut nav, layout) = (nav(), page_of(Kind::PriceLadder, vec![]));
    assert!(
        !draw(&nav, &layout, &demo().0[0], |_| {}).contains("id=\"p-it\""),
        "without steps there is none"
    );
    nav.prices = ladder();
    let page = draw(&nav, &layout, &demo().0[0], |situation| situation.quantity = 4);
    assert!(
        page.contains("data-rung=\"3\" data-shows=\"ladder-price.it.3\" aria-current=\"true\""),
        "{page}"
    );
    assert!(page.contains("2 more, and each costs £61.20 (−10 %)"), "{page}");
}

#[test]
fn a_plan_that_is_chosen_makes_the_price_and_tells_what_comes_later() {
    let (mut nav, mut layout) = (nav(), page_of(Kind::Plans, vec![]));
    layout.bands[0].columns[0].pieces.extend(page_of(Kind::Price, vec![]).bands[0].columns[0].pieces.clone());
    layout.bands[0].columns[0].pieces[1].id = PieceId::try_from("price").unwrap();
    nav.prices = ladder();
    let page = draw(&nav, &layout, &demo().0[0], |_| {});
    assert!(page.contains("value=\"0\" checked") && page.contains("Every 8 weeks"), "{page}");
    assert!(page.contains("12.5 % less the first time") && page.contains("then £68.00"), "{page}");
    let page = draw(&nav, &layout, &demo().0[0], |situation| situation.plan = Some(PlanId(1)));
    assert!(page.contains("value=\"1\" checked"), "{page}");
    assert!(page.contains("<span data-say=\"price\">£59.50</span>"), "{page}");
}

#[test]
fn amounts_are_shown_as_the_shop_wants_them() {
    let (mut nav, layout) = (nav(), page_of(Kind::Price, vec![(&piece::price::VAT, SetValue::Flag(true))]));
    let line = demo().0.into_iter().find(|product| product.handle.as_str() == "braided-line").unwrap();
    let shown = |nav: &Nav| draw(nav, &layout, &line, |_| {});
    let page = shown(&nav);
    assert!(page.contains("£9.00") && page.contains("£0.36 per m") && !page.contains("VAT"), "{page}");
    let vat = Vat { hundredths: 2000, types: vec![], shown: VatShown::Without };
    let style = AmountStyle { unit: UnitAs::Code, zeros: false };
    let book = PriceBook { vat, style, ..PriceBook::default() };
    nav.prices = Prices::new(Arc::new(book), Zone::default(), Moment::default());
    let page = shown(&nav);
    // 9.00 is 7.50 and a fifth of it; 0.36 a metre is 0.30 and a fifth of it.
    assert!(page.contains("GBP\u{a0}7.50") && page.contains("GBP\u{a0}0.30 per m"), "{page}");
    assert!(page.contains("plus 20 % VAT"), "{page}");
}

#[test]
fn every_kind_has_a_page() {
    for kind in Kind::of(Purpose::Page) {
        let layout = page_of(kind, filled(kind));
        assert_eq!(check(&layout), Ok(()), "{}", kind.label());
        let page = content(&html(&layout));
        assert!(page.contains("id=\"p-it\""), "{} is drawn", kind.label());
        insta::with_settings!({ snapshot_path => "golden", prepend_module_to_snapshot => false, omit_expression => true }, {
            insta::assert_snapshot!(format!("kind_{}", kind.label().to_lowercase().replace(' ', "_")), page);
        });
    }
}

#[test]
fn kinds_that_need_something_are_not_drawn_without_it() {
    let needy = [
        Kind::Promises,
        Kind::Text,
        Kind::Picture,
        Kind::Film,
        Kind::PictureRow,
        Kind::Quotes,
        Kind::Questions,
        Kind::Comparison,
        Kind::ValuePoints,
        Kind::SizeChart,
    ];
    for kind in needy {
        assert!(!html(&page_of(kind, vec![])).contains("id=\"p-it\""), "{}", kind.label());
    }
}

#[test]
fn what_every_piece_has_comes_to_rules_on_each_screen() {
    let mut layout = page_of(
        Kind::Summary,
        vec![(&shared::UNDER, text("tint")), (&shared::SPACE_ABOVE, SetValue::Number(7))],
    );
    let values = &mut layout.bands[0].columns[0].pieces[0].values;
    values.tablet.insert("align".into(), text("centre"));
    values.phone.insert("text_style".into(), text("lead"));
    let page = html(&layout);
    let rule = |screen: &str| {
        page.split(&format!("@media {screen}{{")).nth(1).unwrap().split("}}").next().unwrap().to_owned()
    };
    let (wide, tablet, phone) = (
        rule("(min-width:1025px)"),
        rule("(min-width:641px) and (max-width:1024px)"),
        rule("(max-width:640px)"),
    );
    assert!(wide.contains("--above:64px;text-align:start") && wide.contains("background:var(--tint)"));
    assert!(
        tablet.contains("text-align:center") && phone.contains("text-align:center"),
        "phones take the tablet's"
    );
    let lead = "#p-it p{font-size:20px";
    assert!(phone.contains(lead) && !tablet.contains(lead), "{phone}");
}

#[test]
fn words_apart_for_three_screens_stand_side_by_side() {
    let mut layout = page_of(Kind::BuyButton, vec![(&piece::buy_button::WORDS, text("Buy this kite"))]);
    let values = &mut layout.bands[0].columns[0].pieces[0].values;
    values.tablet.insert("words".into(), text("Buy it"));
    values.phone.insert("words".into(), text("Buy"));
    let page = html(&layout);
    for (class, name, said) in [
        ("only-wide", "wide", "Buy this kite"),
        ("only-tablet", "tablet", "Buy it"),
        ("only-phone", "phone", "Buy"),
    ] {
        assert!(
            page.contains(&format!("<span class=\"{class}\" data-say=\"buy.it.{name}\">{said}<")),
            "{class}"
        );
    }
}

fn appearing(rule: Rule) -> Layout {
    page_of(Kind::Summary, vec![(&shared::APPEARS, SetValue::Rule(rule))])
}

#[test]
fn a_piece_appears_when_its_condition_holds_in_the_situation() {
    let kite = &demo().0[0];
    let drawn = |rule: Rule, change: fn(&mut Situation)| {
        draw(&nav(), &appearing(rule), kite, change).contains("id=\"p-it\"")
    };
    assert!(drawn(Rule::OnSale, |_| {}));
    assert!(!drawn(Rule::OnSale, |s| s.sale = SaleMood::Off));
    assert!(!drawn(Rule::ComingSoon, |_| {}) && drawn(Rule::ComingSoon, |s| s.coming_soon = true));
    assert!(!drawn(Rule::CartHoldsThis, |_| {}));
    assert!(drawn(Rule::CartHoldsThis, |s| s.cart.products.push("whimbrel".try_into().unwrap())));
    assert!(drawn(Rule::Tagged { tag: "beginners".into() }, |_| {}));
}

#[test]
fn a_band_that_does_not_appear_takes_its_pieces_along() {
    let mut layout = page_of(Kind::Summary, vec![]);
    layout.bands[0].values =
        Values::default().with(Device::Wide, &shared::APPEARS, SetValue::Rule(Rule::SoldOut));
    assert!(!html(&layout).contains("id=\"b-b\""));
}

#[test]
fn a_column_left_empty_on_purpose_keeps_its_room_and_one_with_nothing_to_show_gives_it_away() {
    let mut layout = page_of(Kind::Summary, vec![]);
    let empty = |name: &str, width| Column { id: ColumnId::try_from(name).unwrap(), width, pieces: vec![] };
    layout.bands[0].columns[0].width = 6;
    layout.bands[0].columns.push(empty("free", 6));
    assert!(html(&layout).contains("--columns:minmax(0,6fr) minmax(0,6fr)"));
    let silent =
        Piece { id: PieceId::try_from("silent").unwrap(), kind: Kind::Quotes, values: Values::default() };
    layout.bands[0].columns[1].pieces.push(silent);
    assert!(html(&layout).contains("--columns:minmax(0,6fr)\""));
}

#[test]
fn a_band_whose_pieces_are_all_hidden_on_a_screen_takes_no_room_there() {
    let mut layout = page_of(Kind::Summary, vec![]);
    layout.bands[0].columns[0].pieces[0].values.phone.insert("shown".into(), SetValue::Flag(false));
    let page = html(&layout);
    let (wide, phone) = page.split_once("@media (max-width:640px)").unwrap();
    assert!(phone.contains("#b-b{display:none}") && !wide.contains("#b-b{display:none}"));
}

#[test]
fn a_band_is_as_high_as_a_part_of_the_screen_where_that_is_set_and_a_strip_of_its_picture_without_pieces() {
    let mut layout = page_of(Kind::Summary, vec![]);
    let high = |layout: &Layout| html(layout).matches("min-height:var(--screen,100svh)").count();
    assert_eq!(high(&layout), 0);
    layout.bands[0].values.phone.insert("height".into(), text("screen"));
    let page = html(&layout);
    let (_, phone) = page.split_once("@media (max-width:640px)").unwrap();
    assert!(phone.contains("#b-b{display:grid;align-content:start;min-height:var(--screen,100svh)}"));
    assert_eq!(high(&layout), 1, "on phones alone");

    let silent =
        Piece { id: PieceId::try_from("silent").unwrap(), kind: Kind::Quotes, values: Values::default() };
    layout.bands[0].columns[0].pieces = vec![silent];
    assert!(!html(&layout).contains("id=\"b-b\""), "nothing to show");
    layout.bands[0].values.wide.insert("behind".into(), text("picture"));
    layout.bands[0].values.wide.insert("picture".into(), lines(&["dunes"]));
    assert!(html(&layout).contains("id=\"b-b\""), "the picture has a height");
    layout.bands[0].values.phone.clear();
    assert!(!html(&layout).contains("id=\"b-b\""), "a picture behind nothing has none");
}

#[test]
fn what_lies_behind_a_band_moves_only_for_those_who_want_motion() {
    let mut layout = page_of(Kind::Summary, vec![]);
    let set = |values: Values, setting, value| values.with(Device::Wide, setting, value);
    let values = set(Values::default(), &piece::band::BEHIND, text("picture"));
    let values = set(values, &piece::band::PICTURE, lines(&["dunes"]));
    layout.bands[0].values = set(values, &piece::band::MOTION, text("slow"));
    let page = html(&layout);
    assert!(page.contains("class=\"behind slow\" aria-hidden=\"true\"><img"));
    let css = include_str!("../../../shop/src/styles/bands.css");
    let (before, moving) = css.split_once("prefers-reduced-motion: no-preference").unwrap();
    assert!(!before.contains("animation:") && moving.contains("animation-timeline: view()"));
    let values = set(Values::default(), &piece::band::BEHIND, text("film"));
    layout.bands[0].values = set(values, &piece::band::FILM, text("turning"));
    let page = html(&layout);
    assert!(
        page.contains("data-starts") && !page.contains("autoplay"),
        "the script starts it, for those who want it"
    );
}

#[test]
fn a_page_is_read_in_both_languages_with_numbers_as_each_writes_them() {
    let kite = &demo().0[0];
    let layout = page_of(Kind::BuyButton, vec![]);
    let mut german = nav();
    german.words = Words::of(Language::De);
    german.shop.locale = Language::De.locale(german.shop.locale);
    let page = draw(&german, &layout, kite, |_| {});
    assert!(
        page.contains("<html lang=\"de-DE\">")
            && page.contains(">In den Warenkorb<")
            && page.contains("Zum Inhalt")
    );
    let price = draw(&german, &page_of(Kind::Price, vec![]), kite, |_| {});
    assert!(price.contains("68,00") && price.contains("Vorher:"), "{price}");
    let reviews = draw(&german, &page_of(Kind::Reviews, vec![]), kite, |_| {});
    assert!(reviews.contains("37 Bewertungen") && reviews.contains("4,"), "{reviews}");
}

#[test]
fn own_words_are_said_and_escaped_and_a_pieces_own_go_before_them() {
    let own = Own::from([("buy-button-words".to_owned(), "Take <it>".to_owned())]);
    let mut nav = nav();
    nav.words = Words::with(Language::En, &[&own]);
    let kite = &demo().0[0];
    assert!(draw(&nav, &page_of(Kind::BuyButton, vec![]), kite, |_| {}).contains(">Take &lt;it&gt;<"));
    let set = page_of(Kind::BuyButton, vec![(&piece::buy_button::WORDS, text("Mine"))]);
    assert!(draw(&nav, &set, kite, |_| {}).contains(">Mine<"));
}

#[test]
fn formatted_text_that_slipped_into_the_document_is_still_made_safe() {
    let page = html(&page_of(
        Kind::Text,
        vec![(&piece::text::BODY, text("<p onclick=x>a</p><script>alert(1)</script>"))],
    ));
    assert!(page.contains("<p>a</p>") && !page.contains("onclick") && !page.contains("alert(1)"));
}

#[test]
fn a_rating_line_is_silent_without_reviews_and_leads_to_them_only_where_they_are() {
    let (mut products, _) = demo();
    let layout = page_of(Kind::RatingLine, vec![]);
    assert!(!html(&layout).contains("href=\"#reviews\""));
    products[0].rating = Rating::default();
    assert!(!draw(&nav(), &layout, &products[0], |_| {}).contains("id=\"p-it\""));
    let reviews = draw(&nav(), &page_of(Kind::Reviews, vec![]), &products[0], |_| {});
    assert!(reviews.contains("No reviews yet"));
}

#[test]
fn the_house_style_is_on_every_page_and_holds_only_checked_values() {
    let mut nav = nav();
    nav.house.set("ink", Some(text("#222222"))).unwrap();
    nav.house.set("heading_font", Some(text("grotesque"))).unwrap();
    nav.house.set("space_3", Some(SetValue::Number(20))).unwrap();
    let page = draw(&nav, &page_of(Kind::Summary, vec![]), &demo().0[0], |_| {});
    assert!(page.contains("--ink:#222222;") && page.contains("--heading:\"Bricolage Grotesque Variable\""));
    assert!(page.contains("--above:20px"), "a step of space is as large as the house has it");
    let sample = compagina_press::shop::sample(&nav);
    assert!(sample.contains("--ink:#222222;") && sample.contains("is-pressed"));
}

#[test]
fn one_piece_alone_stands_without_the_shop_around_it() {
    let (products, layouts) = demo();
    let price = layouts[1].first_of(Kind::Price).unwrap().id.clone();
    let (nav, media, situation) = (nav(), media(), plain(&products[0], &layouts[1]));
    let page = render(&Page {
        nav: &nav,
        product: &products[0],
        layout: &layouts[1],
        around: &Around::default(),
        media: &media,
        situation: &situation,
        mode: Mode::Proof,
        notice: None,
        only: Some(&price),
    });
    let page = page.unwrap();
    assert_eq!(page.matches("data-piece=").count(), 1);
    assert!(page.contains("k-price") && !page.contains("class=\"top\"") && !page.contains("class=\"foot\""));
}

/// Values at the edges of what a setting takes.
fn edges(setting: &Setting) -> Vec<SetValue> {
    let number = |n: i64| SetValue::Number(n);
    match setting.shape {
        Shape::Flag => vec![SetValue::Flag(true), SetValue::Flag(false)],
        Shape::Choice(names) => names.iter().map(|(name, _)| text(name)).collect(),
        Shape::Steps(steps) => steps.iter().map(|(n, _)| number(*n)).collect(),
        Shape::Number { least, most } => vec![number(least), number(most)],
        Shape::Text { most } => vec![text(""), text(&"<&\"'>".repeat(most / 5))],
        Shape::Lines { count, most } => {
            vec![lines(&[]), SetValue::Lines(vec!["</li>".repeat(most / 5); count])]
        }
        Shape::Rich { .. } => {
            vec![text(""), text("<p>unclosed <b>bold<ul><li>x"), text("</div></section><p>out")]
        }
        Shape::Rows { parts, count } => {
            vec![
                rows(&[]),
                SetValue::Rows(vec![parts.iter().map(|(_, most)| "</p>".repeat(most / 4)).collect(); count]),
            ]
        }
        Shape::Table { columns, rows: count, most } => {
            vec![
                rows(&[]),
                SetValue::Rows(vec![vec!["</td>".repeat(most / 5); columns]; count]),
                rows(&[&["only"]]),
            ]
        }
        Shape::Pictures { count } => {
            vec![lines(&[]), SetValue::Lines(vec!["seam".into(); count]), lines(&["gone"])]
        }
        Shape::Products { count } => {
            vec![lines(&[]), SetValue::Lines(vec!["dunlin".into(); count]), lines(&["gone"])]
        }
        Shape::Order { .. } => vec![lines(&[]), lines(&["it", "gone"])],
        Shape::Film => vec![text(""), text("turning"), text("gone")],
        Shape::Link => vec![text(""), text("/shop?a=1&b=\"2\""), text("mailto:a@b.co")],
        Shape::Colour => vec![text("#FFFFFF")],
        Shape::Space | Shape::TypeSize => vec![number(0), number(7)],
        Shape::TextSize => vec![number(0), number(120)],
        Shape::Family => vec![text("heading"), text("grotesque")],
        Shape::Paint { .. } => vec![text("piece"), text("#6B2D5C")],
        Shape::Look => vec![text("own"), text("heading")],
        Shape::Rule => vec![SetValue::Rule(Rule::always())],
    }
}

/// The first element that is closed without being open, or stays open.
fn unbalanced(html: &str) -> Option<String> {
    const VOID: [&str; 7] = ["meta", "link", "img", "input", "hr", "br", "!DOCTYPE"];
    let (mut open, mut rest) = (Vec::new(), html);
    while let Some(at) = rest.find('<') {
        rest = &rest[at + 1..];
        let closing = rest.starts_with('/');
        let start = rest.trim_start_matches('/');
        let name: String = start.chars().take_while(|c| c.is_ascii_alphanumeric() || *c == '!').collect();
        if closing {
            match open.pop() {
                Some(last) if last == name => {}
                other => return Some(format!("</{name}> closes {other:?}")),
            }
        } else if matches!(name.as_str(), "script" | "style") {
            rest = &rest[rest.find(&format!("</{name}>")).unwrap() + name.len() + 3..];
        } else if !VOID.contains(&name.as_str()) {
            open.push(name);
        }
    }
    open.pop().map(|name| format!("<{name}> stays open"))
}

#[test]
fn whatever_is_set_on_a_piece_the_page_stays_whole() {
    for kind in Kind::of(Purpose::Page) {
        for setting in kind.settings() {
            for value in edges(setting) {
                let mut set = filled(kind);
                set.retain(|(other, _)| other.key != setting.key);
                set.push((setting, value.clone()));
                let layout = page_of(kind, set);
                assert_eq!(check(&layout), Ok(()), "{} {}", kind.label(), setting.key);
                let page = html(&layout);
                let wrong = unbalanced(&page);
                assert_eq!(wrong, None, "{}, {} = {value:?}", kind.label(), setting.label);
            }
        }
    }
}

#[test]
fn whatever_is_set_on_a_band_the_page_stays_whole() {
    for setting in piece::band::SETTINGS {
        for value in edges(setting) {
            let mut layout = page_of(Kind::Summary, vec![]);
            let behind = Values::default().with(Device::Wide, &piece::band::BEHIND, text("picture"));
            let behind = behind.with(Device::Wide, &piece::band::PICTURE, lines(&["dunes"]));
            layout.bands[0].values = behind.with(Device::Wide, setting, value.clone());
            assert_eq!(unbalanced(&html(&layout)), None, "{} = {value:?}", setting.label);
        }
    }
}

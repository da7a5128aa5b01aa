//! Which template serves which product: worked cases, and laws on generated ones.
#![allow(clippy::unwrap_used)]

mod samples;

use compagina_core::catalog::ProductType;
use compagina_core::ids::TemplateId;
use compagina_core::template::{
    Candidate, Feature, Index, ProductFacts, Reach, ReachError, ReachLevel, ReachRule, Shift, Turn, Words,
    move_product, move_type, next_change, turns,
};
use compagina_core::time::{Local, Moment, Zone};
use proptest::prelude::*;
use samples::{handle, handles};

fn local(text: &str) -> Option<Local> {
    Some(Local::try_from(text.to_owned()).unwrap())
}

fn facts(name: &str, kind: &str, tags: &[&str], price: i64, features: &[Feature]) -> ProductFacts {
    let tags = tags.iter().map(|tag| (*tag).into()).collect();
    ProductFacts { handle: handle(name), kind: handle(kind), tags, price, features: features.to_vec() }
}

fn candidates(reaches: &[Reach]) -> impl Iterator<Item = Candidate<'_>> {
    reaches.iter().zip(1..).map(|(reach, id)| Candidate { id: TemplateId(id), reach })
}

/// Nine in the evening of 26 November 2026, in London.
const NOW: Moment = Moment(1_795_726_800);

/// The number of the template that serves, at which level, who ties, who else reaches.
fn served(reaches: &[Reach], product: &ProductFacts) -> (u64, ReachLevel, Vec<u64>, Vec<u64>) {
    let zone = Zone::default();
    let serving = Index::new(candidates(reaches), NOW, &zone).serving(product).unwrap();
    let numbers = |ids: Vec<TemplateId>| ids.into_iter().map(|id| id.0).collect();
    (serving.template.0, serving.level, numbers(serving.tied), numbers(serving.others))
}

fn tags(all: &[&str]) -> Reach {
    ReachRule::Tags { tags: all.iter().map(|tag| (*tag).into()).collect() }.into()
}

#[test]
fn the_most_specific_reach_wins_level_by_level() {
    let ladder: Vec<Reach> = vec![
        Reach::fallback(),
        ReachRule::All.into(),
        Reach::types(handles(&["kites"])),
        tags(&["sale"]),
        ReachRule::Prices { least: Some(5_000), most: None }.into(),
        ReachRule::Has { features: vec![Feature::Options, Feature::Pictures] }.into(),
        Reach { also: handles(&["whimbrel"]), ..ReachRule::Named.into() },
    ];
    let (o, p) = (Feature::Options, Feature::Pictures);
    // Product, who serves it, at which level, who else reaches it: each line takes one thing away.
    let cases = [
        (facts("whimbrel", "kites", &["sale"], 9_000, &[o, p]), 7, ReachLevel::Named),
        (facts("dunlin", "kites", &["sale"], 9_000, &[p, o]), 6, ReachLevel::Has),
        (facts("dunlin", "kites", &["sale"], 5_000, &[o]), 5, ReachLevel::Price),
        (facts("dunlin", "kites", &["new", "sale"], 4_999, &[o]), 4, ReachLevel::Tag),
        (facts("dunlin", "kites", &["new"], 4_999, &[o]), 3, ReachLevel::Type),
        (facts("spar", "spares", &[], 400, &[]), 2, ReachLevel::All),
    ];
    for (product, template, level) in cases {
        let (winner, at, tied, others) = served(&ladder, &product);
        assert_eq!((winner, at, tied), (template, level, vec![]), "{product:?}");
        assert_eq!(others, (1..template).rev().collect::<Vec<_>>(), "all that come before it reach it too");
    }
    let (winner, level, ..) = served(&ladder[..1], &facts("spar", "spares", &[], 400, &[]));
    assert_eq!((winner, level), (1, ReachLevel::Fallback));
}

#[test]
fn of_two_as_specific_the_first_in_order_serves_and_the_other_is_told() {
    let reaches =
        [Reach::types(handles(&["kites"])), Reach::fallback(), Reach::types(handles(&["lines", "kites"]))];
    let kite = facts("dunlin", "kites", &[], 1, &[]);
    assert_eq!(served(&reaches, &kite), (1, ReachLevel::Type, vec![3], vec![2]));
}

#[test]
fn exceptions_dates_and_the_switch_take_out_what_a_rule_takes_in() {
    let kites = || Reach::types(handles(&["kites"]));
    let dunlin = facts("dunlin", "kites", &[], 1, &[]);
    let cases = [
        ("in force", kites(), 2),
        ("not this one", Reach { except: handles(&["dunlin"]), ..kites() }, 1),
        (
            "named in spite of an exception",
            Reach { except: handles(&["dunlin"]), also: handles(&["dunlin"]), ..kites() },
            2,
        ),
        ("off", Reach { on: false, ..kites() }, 1),
        ("begins in a minute", Reach { from: local("2026-11-26T21:01"), ..kites() }, 1),
        ("begins now", Reach { from: local("2026-11-26T21:00"), ..kites() }, 2),
        ("ends now", Reach { until: local("2026-11-26T21:00"), ..kites() }, 1),
        ("ends in a minute", Reach { until: local("2026-11-26T21:01"), ..kites() }, 2),
    ];
    for (why, reach, template) in cases {
        assert_eq!(served(&[Reach::fallback(), reach], &dunlin).0, template, "{why}");
    }
}

#[test]
fn the_next_moment_at_which_a_reach_begins_or_ends_is_known() {
    let past =
        Reach { from: local("2026-11-01T00:00"), until: local("2026-12-01T00:00"), ..ReachRule::All.into() };
    let off = Reach { on: false, until: local("2026-11-27T00:00"), ..ReachRule::All.into() };
    let zone = Zone::default();
    let ends = zone.moment(&local("2026-12-01T00:00").unwrap());
    assert_eq!(next_change([&past, &off].into_iter(), NOW, &zone), Some(ends));
    assert_eq!(next_change([&off].into_iter(), NOW, &zone), None);
    assert_eq!(next_change([&past].into_iter(), ends, &zone), None, "what changes now isn't still to come");
}

/// When each turn of the second template is, in hours from now, and what it says.
fn told(reaches: &[Reach], products: &[ProductFacts]) -> Vec<(i64, Vec<String>)> {
    let all: Vec<_> = candidates(reaches).collect();
    let found = turns(&all, TemplateId(2), &products.iter().collect::<Vec<_>>(), NOW, &Zone::default());
    let name = |id: TemplateId| format!("T{}", id.0);
    let say = |turn: &Turn| turn.moves.iter().map(|one| one.say(one.kind.as_str(), &name)).collect();
    found.iter().map(|turn| ((turn.at.0 - NOW.0) / 3_600, say(turn))).collect()
}

#[test]
fn what_a_templates_dates_will_change_is_told_before() {
    let products = [
        facts("dunlin", "kites", &[], 1, &[]),
        facts("spar", "spares", &[], 1, &[]),
        facts("clip", "spares", &[], 1, &[]),
        facts("ferrule", "spares", &[], 1, &[]),
    ];
    let some = |from: Option<Local>, until: Option<Local>| Reach {
        from,
        until,
        except: handles(&["ferrule"]),
        ..Reach::types(handles(&["spares", "kites"]))
    };
    let (noon, night) = (local("2026-11-27T12:00"), local("2026-11-27T21:00"));
    let with = |second: Reach| vec![Reach::fallback(), second];
    let says = |all: &[&str]| all.iter().map(|one| (*one).to_owned()).collect::<Vec<_>>();
    let come =
        says(&["1 product of kites changes from T1 to T2", "2 products of spares change from T1 to T2"]);
    let go = says(&["1 product of kites changes from T2 to T1", "2 products of spares change from T2 to T1"]);
    let ahead = |second: Reach| told(&with(second), &products);
    assert_eq!(ahead(some(noon.clone(), night.clone())), [(15, come.clone()), (24, go.clone())]);
    assert_eq!(ahead(some(None, night.clone())), [(24, go)], "it has begun");
    assert_eq!(ahead(some(local("2026-11-26T21:00"), None)), [], "it begins now: that is no day to come");
    assert_eq!(ahead(Reach { on: false, ..some(noon.clone(), None) }), [], "switched off");
    // Another one's dates are told there, and where another serves at that time nothing changes.
    let busy = vec![
        Reach { from: noon.clone(), ..tags(&["sale"]) },
        some(noon.clone(), None),
        Reach {
            also: handles(&["dunlin", "spar", "clip"]),
            from: local("2026-11-27T10:00"),
            ..ReachRule::Named.into()
        },
        Reach::fallback(),
    ];
    assert_eq!(told(&busy, &products), [(15, vec![])]);
}

#[test]
fn a_reach_that_would_leave_products_without_a_page_is_refused() {
    let known = [ProductType { handle: handle("kites"), name: "Kites".into() }];
    let fallback = Reach::fallback();
    let types = |names: &[&str]| Reach::types(handles(names));
    let with = |rule: ReachRule| -> Reach { rule.into() };
    let cases = [
        (types(&["kites"]), None, Ok(())),
        (types(&["x"]), None, Err(ReachError::NoSuchType(handle("x")))),
        (types(&[]), Some(&fallback), Err(ReachError::FallbackStays)),
        (Reach::fallback(), None, Err(ReachError::OneFallback)),
        (Reach { also: handles(&["dunlin"]), ..Reach::fallback() }, Some(&fallback), Ok(())),
        (Reach { on: false, ..Reach::fallback() }, Some(&fallback), Err(ReachError::FallbackServesAll)),
        (
            Reach { until: local("2026-12-01T00:00"), ..Reach::fallback() },
            Some(&fallback),
            Err(ReachError::FallbackServesAll),
        ),
        (
            Reach { except: handles(&["a"]), ..Reach::fallback() },
            Some(&fallback),
            Err(ReachError::FallbackServesAll),
        ),
        (with(ReachRule::Prices { least: Some(2), most: Some(1) }), None, Err(ReachError::BadSpan)),
        (with(ReachRule::Prices { least: Some(-1), most: None }), None, Err(ReachError::BadSpan)),
        (with(ReachRule::Prices { least: Some(2), most: Some(2) }), None, Ok(())),
        (with(ReachRule::Has { features: vec![] }), None, Err(ReachError::NothingAsked)),
        (
            Reach { from: local("2026-12-01T00:00"), until: local("2026-12-01T00:00"), ..types(&[]) },
            None,
            Err(ReachError::BadDates),
        ),
    ];
    for (reach, current, outcome) in cases {
        assert_eq!(reach.check(current, &known), outcome, "{reach:?}");
    }
}

#[test]
fn why_is_told_in_one_sentence() {
    let kites = facts("dunlin", "kites", &["sale"], 6_400, &[Feature::Options]);
    let money = |minor: i64| format!("£{}", minor / 100);
    let name = |id: TemplateId| ["All products", "Sport kites", "Winter sale"][id.0 as usize - 1].to_owned();
    let words = Words { kind: "Kites", money: &money, name: &name };
    let say = |reaches: &[Reach]| {
        let zone = Zone::default();
        let serving = Index::new(candidates(reaches), NOW, &zone).serving(&kites).unwrap();
        serving.say(&reaches[serving.template.0 as usize - 1], &kites, &words)
    };
    let all = |rule: ReachRule| [Reach::fallback(), rule.into()];
    let cases = [
        (vec![Reach::fallback()], "no other template reaches it"),
        (all(ReachRule::All).into(), "the template takes all products"),
        (vec![Reach::fallback(), tags(&["new", "sale"])], "it has the tag “sale”"),
        (all(ReachRule::Prices { least: Some(5_000), most: None }).into(), "it costs £64, £50 or more"),
        (all(ReachRule::Prices { least: None, most: Some(7_000) }).into(), "it costs £64, £70 or less"),
        (all(ReachRule::Has { features: vec![Feature::Options] }).into(), "it has options"),
        (all(ReachRule::Has { features: vec![] }).into(), "it takes what has all that it asks for"),
        (vec![Reach { also: handles(&["dunlin"]), ..Reach::fallback() }], "it is named there"),
        (
            vec![Reach::fallback(), Reach::types(handles(&["kites"])), Reach::types(handles(&["kites"]))],
            "its type is Kites, and it stands before Winter sale that reaches it in the same way",
        ),
    ];
    for (reaches, sentence) in cases {
        assert_eq!(say(&reaches), sentence);
    }
}

fn shifts(reaches: &[Reach]) -> Vec<Shift> {
    reaches
        .iter()
        .zip(1..)
        .map(|(reach, id)| Shift { id: TemplateId(id), name: format!("T{id}"), reach: reach.clone() })
        .collect()
}

#[test]
fn what_is_moved_to_a_template_is_served_by_it() {
    let kite = facts("dunlin", "kites", &["sale"], 1, &[]);
    let start = shifts(&[
        Reach::fallback(),
        Reach::types(handles(&["kites", "lines"])),
        ReachRule::Named.into(),
        Reach { except: handles(&["dunlin"]), ..tags(&["sale"]) },
    ]);
    let winner =
        |all: &[Shift]| served(&all.iter().map(|one| one.reach.clone()).collect::<Vec<_>>(), &kite).0;
    assert_eq!(winner(&start), 2);
    for to in 1..=4 {
        let mut all = start.clone();
        move_product(&mut all, &handle("dunlin"), TemplateId(to));
        assert_eq!(winner(&all), to);
        move_product(&mut all, &handle("dunlin"), TemplateId(1));
        assert_eq!(winner(&all), 1, "and leaves it again");
    }
    // Other products stay where they are named, and where they are left out.
    let two = || handles(&["dunlin", "whimbrel"]);
    let mut all = shifts(&[
        Reach { also: two(), ..Reach::fallback() },
        Reach { except: two(), ..ReachRule::All.into() },
    ]);
    move_product(&mut all, &handle("dunlin"), TemplateId(2));
    let whimbrel = handles(&["whimbrel"]);
    assert_eq!((&all[0].reach.also, &all[1].reach.except), (&whimbrel, &whimbrel));
    assert_eq!(all[1].reach.also, handles(&["dunlin"]));
    for to in 1..=3 {
        let mut all = start.clone();
        move_type(&mut all, &handle("kites"), TemplateId(to)).unwrap();
        assert_eq!(winner(&all), to);
    }
    let mut all = start.clone();
    let refused = move_type(&mut all, &handle("kites"), TemplateId(4)).unwrap_err();
    assert!(matches!(refused, ReachError::NotByType { by: "their tags", .. }) && all == start);
}

// Laws.

fn any_reach() -> impl Strategy<Value = Reach> {
    let few = |all: &'static [&'static str]| prop::collection::vec(prop::sample::select(all), 0..3);
    const TYPES: &[&str] = &["kites", "lines", "spares"];
    const PRODUCTS: &[&str] = &["a", "b", "c", "d"];
    let feature = prop::sample::select(vec![Feature::Options, Feature::Pictures, Feature::Plan]);
    let rule = prop_oneof![
        Just(ReachRule::All),
        Just(ReachRule::Named),
        few(TYPES).prop_map(|types| ReachRule::Types { types: handles(&types) }),
        few(&["new", "sale"]).prop_map(|t| ReachRule::Tags { tags: t.iter().map(|t| (*t).into()).collect() }),
        (prop::option::of(0..9i64), prop::option::of(0..9i64))
            .prop_map(|(least, most)| ReachRule::Prices { least, most }),
        prop::collection::vec(feature, 1..3).prop_map(|features| ReachRule::Has { features }),
    ];
    (rule, few(PRODUCTS), few(PRODUCTS), any::<bool>(), prop::option::of(prop::bool::ANY)).prop_map(
        |(rule, also, except, on, ended)| {
            let until =
                ended.and_then(|ended| local(if ended { "2026-11-01T00:00" } else { "2026-12-01T00:00" }));
            Reach { also: handles(&also), except: handles(&except), until, on, ..rule.into() }
        },
    )
}

fn any_facts() -> impl Strategy<Value = ProductFacts> {
    let name = prop::sample::select(vec!["a", "b", "c", "d", "e"]);
    let kind = prop::sample::select(vec!["kites", "lines", "spares", "cards"]);
    let tags = prop::sample::subsequence(vec!["new", "sale"], 0..=2);
    let features = prop::sample::subsequence(vec![Feature::Options, Feature::Pictures, Feature::Plan], 0..=3);
    (name, kind, tags, 0..9i64, features)
        .prop_map(|(name, kind, tags, price, features)| facts(name, kind, &tags, price, &features))
}

/// By going through them all, as the rule is told: how specific a reach takes a product in, if at all.
fn level(reach: &Reach, product: &ProductFacts) -> Option<ReachLevel> {
    if !reach.is_in_force(NOW, &Zone::default()) {
        return None;
    }
    if reach.also.contains(&product.handle) {
        return Some(ReachLevel::Named);
    }
    let taken = !reach.except.contains(&product.handle) && reach.rule.holds(product);
    let level = match reach.rule {
        ReachRule::Fallback => ReachLevel::Fallback,
        ReachRule::All => ReachLevel::All,
        ReachRule::Types { .. } => ReachLevel::Type,
        ReachRule::Tags { .. } => ReachLevel::Tag,
        ReachRule::Prices { .. } => ReachLevel::Price,
        ReachRule::Has { .. } => ReachLevel::Has,
        ReachRule::Named => return None,
    };
    taken.then_some(level)
}

proptest! {
    #[test]
    fn every_product_has_exactly_one_template_the_first_of_the_most_specific(
        reaches in prop::collection::vec(any_reach(), 0..12), place in 0..12usize, product in any_facts()
    ) {
        let mut reaches = reaches;
        reaches.insert(place.min(reaches.len()), Reach::fallback());
        let levels: Vec<_> = reaches.iter().map(|reach| level(reach, &product)).collect();
        let best = levels.iter().flatten().max().unwrap();
        let expected = levels.iter().position(|level| level.as_ref() == Some(best)).unwrap() as u64 + 1;
        let zone = Zone::default();
        let index = Index::new(candidates(&reaches), NOW, &zone);
        let serving = index.serving(&product).unwrap();
        prop_assert_eq!((serving.template.0, serving.level), (expected, *best));
        prop_assert_eq!(index.winner(&product), Some(serving.template));
        // Everyone that reaches it is told, and each once.
        let reaching = levels.iter().flatten().count();
        prop_assert_eq!(1 + serving.tied.len() + serving.others.len(), reaching);
    }

    #[test]
    fn a_reach_is_read_back_as_it_was_written(reach in any_reach()) {
        let text = serde_json::to_string(&reach).unwrap();
        prop_assert_eq!(serde_json::from_str::<Reach>(&text).unwrap(), reach);
    }
}

#[test]
fn what_a_reach_says_by_itself_isnt_written_and_exceptions_say_nothing_where_all_are_named() {
    let written = |reach: &Reach| serde_json::to_value(reach).unwrap();
    let mut reach = Reach::types(handles(&["kites"]));
    assert_eq!(written(&reach).get("on"), None, "it is on unless it is said otherwise");
    reach.on = false;
    assert_eq!(written(&reach)["on"], false);
    let but = |rule: ReachRule| Reach { except: handles(&["dunlin"]), ..Reach::from(rule) }.tidied().except;
    assert!(but(ReachRule::Named).is_empty());
    assert_eq!(but(ReachRule::All), handles(&["dunlin"]));
}

#[test]
fn a_reach_names_no_more_than_can_be_kept_and_dates_have_a_minute_between_them() {
    const MOST_NAMED: usize = 5_000;
    let many = |count: usize| (0..count).map(|number| handle(&format!("p{number}"))).collect::<Vec<_>>();
    let of = |also, except| Reach { also, except, ..Reach::from(ReachRule::All) };
    for (reach, sound) in [
        (of(many(MOST_NAMED), many(MOST_NAMED)), true),
        (of(many(MOST_NAMED + 1), vec![]), false),
        (of(vec![], many(MOST_NAMED + 1)), false),
    ] {
        let checked = reach.check(None, &[]);
        assert_eq!(checked, if sound { Ok(()) } else { Err(ReachError::TooManyNamed) });
    }
    let names = |count: usize| (0..count).map(|number| format!("t{number}"));
    let types = |count| ReachRule::Types { types: names(count).map(|name| handle(&name)).collect() };
    let tagged = |count| ReachRule::Tags { tags: names(count).map(|name| name.as_str().into()).collect() };
    let has = |count| ReachRule::Has { features: vec![Feature::Plan; count] };
    let known: Vec<ProductType> =
        names(MOST_NAMED + 1).map(|name| ProductType { handle: handle(&name), name }).collect();
    for (most, more) in [
        (types(MOST_NAMED), types(MOST_NAMED + 1)),
        (tagged(MOST_NAMED), tagged(MOST_NAMED + 1)),
        (has(MOST_NAMED), has(MOST_NAMED + 1)),
    ] {
        assert_eq!(Reach::from(most).check(None, &known), Ok(()));
        assert_eq!(Reach::from(more).check(None, &known), Err(ReachError::TooManyNamed));
    }
    for bad in ["", " ", "a\u{202E}b"] {
        assert_eq!(tags(&["sale", bad]).check(None, &[]), Err(ReachError::BadTag), "{bad:?}");
    }
    let dated = |from, until| Reach { from: local(from), until: local(until), ..Reach::from(ReachRule::All) };
    for (until, sound) in
        [("2026-11-27T09:01", true), ("2026-11-27T09:00", false), ("2026-11-26T09:01", false)]
    {
        let checked = dated("2026-11-27T09:00", until).check(None, &[]);
        assert_eq!(checked, if sound { Ok(()) } else { Err(ReachError::BadDates) }, "{until}");
    }
    let span = |least, most| Reach::from(ReachRule::Prices { least, most }).check(None, &[]);
    assert_eq!(span(Some(500), Some(500)), Ok(()));
    assert_eq!(span(None, Some(0)), Ok(()));
    for (least, most) in [(Some(501), Some(500)), (Some(-1), None), (None, Some(-1))] {
        assert_eq!(span(least, most), Err(ReachError::BadSpan), "{least:?} to {most:?}");
    }
}

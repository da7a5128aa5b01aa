//! What products and types keep different, what a draft changes where, kept bands and files: worked cases, and laws on
//! generated ones.
#![allow(clippy::unwrap_used)]

mod samples;

use compagina_core::ids::ColumnId;
use compagina_core::page::op::{Names, check};
use compagina_core::page::{
    Device, Difference, Layout, Op, OpError, SetValue, Target, Values, Whom, apply, differences,
};
use compagina_core::style::{Chain, Level};
use compagina_core::template::{Reach, compose, levels};
use proptest::prelude::*;
use samples::{handle, handles, id, layout};

fn keep(whom: Whom, piece: &str, setting: &str, device: Device, value: Option<&str>) -> Op {
    let value = value.map(|text| SetValue::Text(text.into()));
    Op::Depart { whom, target: Target::Piece(id(piece)), setting: setting.into(), device, value, kind: None }
}
fn whimbrel() -> Whom {
    Whom::Product(handle("whimbrel"))
}
fn of_kites() -> Whom {
    Whom::Type(handle("kites"))
}
fn page_of(template: &Layout, product: &str) -> Layout {
    compose(template, &handle("kites"), &handle(product))
}
fn words_of(template: &Layout, product: &str, device: Device) -> String {
    let page = page_of(template, product);
    Chain::of_template(&page.piece(&id("buy")).unwrap().values)
        .text(&compagina_core::page::piece::buy_button::WORDS, device)
}

#[test]
fn a_product_keeps_its_value_while_the_template_changes_under_it() {
    let mut template = layout();
    apply(&mut template, keep(of_kites(), "buy", "words", Device::Wide, Some("Take it flying"))).unwrap();
    apply(&mut template, keep(whimbrel(), "buy", "words", Device::Wide, Some("Take the Whimbrel"))).unwrap();
    let set = Op::Set {
        target: Target::Piece(id("buy")),
        setting: "words".into(),
        device: Device::Phone,
        value: Some(SetValue::Text("Buy".into())),
    };
    apply(&mut template, set).unwrap();
    for device in Device::ALL {
        assert_eq!(words_of(&template, "whimbrel", device), "Take the Whimbrel");
        assert_eq!(
            words_of(&template, "dunlin", device),
            "Take it flying",
            "further in counts on phones too"
        );
    }
    apply(&mut template, keep(whimbrel(), "buy", "words", Device::Wide, None)).unwrap();
    apply(&mut template, keep(of_kites(), "buy", "words", Device::Wide, None)).unwrap();
    assert_eq!(words_of(&template, "whimbrel", Device::Phone), "Buy");
    assert!(template.departures.is_empty(), "nothing empty stays behind");
}

#[test]
fn where_a_value_comes_from_is_told_on_every_level() {
    let mut template = layout();
    apply(&mut template, keep(of_kites(), "buy", "words", Device::Wide, Some("Fly"))).unwrap();
    apply(&mut template, keep(whimbrel(), "buy", "words", Device::Phone, Some("Go"))).unwrap();
    let target = Target::Piece(id("buy"));
    let at = |upto: Level, device: Device| {
        let (kites, whimbrel) = (handle("kites"), handle("whimbrel"));
        let stack = levels(&template, &target, (&kites, &whimbrel), upto);
        let chain =
            stack.into_iter().fold(Chain::default(), |chain, (level, values)| chain.then(level, values));
        let said = chain.explain(&compagina_core::page::piece::buy_button::WORDS, device);
        (said.value, said.source.level)
    };
    let text = |words: &str| SetValue::Text(words.into());
    assert_eq!(at(Level::Product, Device::Phone), (text("Go"), Level::Product));
    assert_eq!(at(Level::Product, Device::Wide), (text("Fly"), Level::Type));
    assert_eq!(at(Level::Type, Device::Phone), (text("Fly"), Level::Type));
    assert_eq!(at(Level::Template, Device::Phone).1, Level::House);
}

#[test]
fn a_departure_outlives_its_piece_is_listed_and_bears_again_when_the_piece_is_back() {
    let mut template = layout();
    apply(&mut template, keep(whimbrel(), "buy", "words", Device::Wide, Some("Go"))).unwrap();
    let before = template.clone();
    let back = apply(&mut template, Op::RemovePiece { piece: id("buy") }).unwrap();
    assert_eq!(template.lost_departures().count(), 1);
    assert_eq!(page_of(&template, "whimbrel"), Layout { departures: vec![], ..template.clone() });
    // Given up while its piece is gone, and that undone, both exactly.
    let lost = template.clone();
    let given = apply(&mut template, keep(whimbrel(), "buy", "words", Device::Wide, None)).unwrap();
    assert!(template.departures.is_empty());
    apply(&mut template, given).unwrap();
    assert_eq!(template, lost);
    apply(&mut template, back).unwrap();
    assert_eq!(template, before);
    assert_eq!(words_of(&template, "whimbrel", Device::Wide), "Go");
}

#[test]
fn unsound_departures_are_refused_and_change_nothing() {
    let mut page = layout();
    let unknown = apply(&mut page, keep(whimbrel(), "buy", "volume", Device::Wide, Some("11"))).unwrap_err();
    assert!(matches!(unknown, OpError::NoSuchSetting { kind: "Buy button", .. }), "{unknown}");
    let long = "x".repeat(61);
    assert!(apply(&mut page, keep(whimbrel(), "buy", "words", Device::Wide, Some(&long))).is_err());
    assert!(apply(&mut page, keep(whimbrel(), "ghost", "volume", Device::Wide, Some("x"))).is_err());
    assert_eq!(page, layout());
    let mut twice = layout();
    apply(&mut twice, keep(whimbrel(), "buy", "words", Device::Wide, Some("Go"))).unwrap();
    twice.departures.push(twice.departures[0].clone());
    assert_eq!(check(&twice), Err(OpError::DeparturesInDisorder));
}

#[test]
fn a_departure_is_one_difference_and_none_once_it_rejoined() {
    let (before, mut after) = (layout(), layout());
    apply(&mut after, keep(whimbrel(), "buy", "words", Device::Wide, Some("Go"))).unwrap();
    let told =
        Difference::Departed { whom: whimbrel(), target: Target::Piece(id("buy")), setting: "Words".into() };
    assert_eq!(differences(&before, &after), std::slice::from_ref(&told));
    assert_eq!(differences(&after, &before), [told]);
}

fn any_departure() -> impl Strategy<Value = Op> {
    let whom = prop::sample::select(vec![
        whimbrel(),
        of_kites(),
        Whom::Product(handle("dunlin")),
        Whom::Type(handle("lines")),
    ]);
    let what = prop::sample::select(vec![
        ("buy", "words", vec!["Go", "Fly"]),
        ("price", "saving", vec!["amount", "none"]),
        ("buy", "width", vec!["column", "words"]),
    ]);
    let device = prop::sample::select(Device::ALL.to_vec());
    (whom, what, device, 0..3usize).prop_map(|(whom, (piece, setting, values), device, which)| {
        keep(whom, piece, setting, device, values.get(which).copied())
    })
}

fn any_values() -> impl Strategy<Value = Values> {
    let one =
        (prop::sample::select(Device::ALL.to_vec()), prop::sample::select(vec!["words", "tone"]), "[a-c]");
    prop::collection::vec(one, 0..6).prop_map(|all| {
        let mut values = Values::default();
        for (device, key, value) in all {
            values.of_mut(device).insert(key.to_owned(), SetValue::Text(value));
        }
        values
    })
}

proptest! {
    #[test]
    fn without_departures_that_bear_on_it_a_product_has_the_template(ops in prop::collection::vec(any_departure(), 0..20)) {
        let mut template = layout();
        prop_assert_eq!(page_of(&template, "whimbrel"), template.clone());
        for op in ops {
            apply(&mut template, op).unwrap();
        }
        let stranger = compose(&template, &handle("cards"), &handle("gift-card"));
        prop_assert_eq!(stranger, layout());
        prop_assert_eq!(check(&template), Ok(()));
    }

    #[test]
    fn rejoining_everything_gives_the_template_and_undoing_that_gives_it_all_back(ops in prop::collection::vec(any_departure(), 1..30)) {
        let mut template = layout();
        for op in ops {
            apply(&mut template, op).unwrap();
        }
        let departed = serde_json::to_string(&template).unwrap();
        let mut rejoin = Vec::new();
        for one in &template.departures {
            for device in Device::ALL {
                for setting in one.values.of(device).keys() {
                    let (whom, target, setting) = (one.whom.clone(), one.target.clone(), setting.clone());
                    rejoin.push(Op::Depart { whom, target, setting, device, value: None, kind: None });
                }
            }
        }
        let back = apply(&mut template, Op::Many { ops: rejoin }).unwrap();
        prop_assert_eq!(&template, &layout());
        apply(&mut template, back).unwrap();
        prop_assert_eq!(serde_json::to_string(&template).unwrap(), departed);
    }

    #[test]
    fn departures_of_different_values_commute(a in any_departure(), b in any_departure()) {
        use compagina_core::page::op::Footprint;
        prop_assume!(Footprint::of(&layout(), &a) != Footprint::of(&layout(), &b));
        let both = |first: &Op, then: &Op| {
            let mut page = layout();
            apply(&mut page, first.clone()).unwrap();
            apply(&mut page, then.clone()).unwrap();
            page
        };
        prop_assert_eq!(both(&a, &b), both(&b, &a));
    }

    /// What a page shows is what the cascade says, whichever of the two is asked.
    #[test]
    fn a_composed_page_says_what_the_cascade_explains(template in any_values(), kind in any_values(), own in any_values()) {
        let mut page = layout();
        for (values, whom) in [(&template, None), (&kind, Some(of_kites())), (&own, Some(whimbrel()))] {
            for device in Device::ALL {
                if let Some(SetValue::Text(words)) = values.of(device).get("words") {
                    let (target, setting) = (Target::Piece(id("buy")), "words".to_owned());
                    let value = Some(SetValue::Text(words.clone()));
                    let op = match whom.clone() {
                        None => Op::Set { target, setting, device, value },
                        Some(whom) => Op::Depart { whom, target, setting, device, value, kind: None },
                    };
                    apply(&mut page, op).unwrap();
                }
            }
        }
        let stack = levels(&page, &Target::Piece(id("buy")), (&handle("kites"), &handle("whimbrel")), Level::Product);
        let chain = stack.into_iter().fold(Chain::default(), |chain, (level, values)| chain.then(level, values));
        for device in Device::ALL {
            let said = chain.text(&compagina_core::page::piece::buy_button::WORDS, device);
            prop_assert_eq!(words_of(&page, "whimbrel", device), said);
        }
    }
}

fn after_all(ops: &[Op]) -> Layout {
    let mut page = layout();
    for op in ops {
        apply(&mut page, op.clone()).unwrap();
    }
    page
}

#[test]
fn a_page_changes_only_where_a_shopper_would_see_it() {
    use compagina_core::page::Kind;
    use compagina_core::template::{Comparison, Gap, Lack, tell_gaps};
    let at = samples::at("right", 1);
    let options = samples::piece("options", Kind::Options);
    let before = after_all(&[
        Op::AddPiece { piece: options, at },
        keep(Whom::Product(samples::product(&[], &[]).handle), "buy", "words", Device::Wide, Some("Mine")),
    ]);
    let plain = samples::product(&[], &[(None, None, 3, None)]);
    let mut other = plain.clone();
    other.handle = handle("other");
    let mut with_options = samples::product(&[2], &[(Some(0), None, 3, None), (Some(1), None, 3, None)]);
    with_options.handle = handle("chosen");

    let prices = compagina_core::price::Prices::default();
    // Words that one keeps for itself, options that one hasn't: no change there.
    let mut after = before.clone();
    let words = Some(SetValue::Text("Buy".into()));
    let target = Target::Piece(id("buy"));
    apply(&mut after, Op::Set { target, setting: "words".into(), device: Device::Wide, value: words })
        .unwrap();
    apply(&mut after, Op::RemovePiece { piece: id("options") }).unwrap();
    let mut comparison = Comparison::new(&before, &after, &prices);
    assert_eq!(comparison.of(&plain), None);
    let said = comparison.of(&other).unwrap();
    assert_eq!(said.changes, [Difference::PieceSet { piece: id("buy"), setting: "Words".into() }]);
    assert_eq!(said.lacks, []);
    let said = comparison.of(&with_options).unwrap();
    assert_eq!(said.changes.len(), 2);
    let screens = [Device::Wide, Device::Phone].map(|screen| Gap { lack: Lack::Options, screen });
    assert_eq!(said.lacks, screens);

    // Hidden on phones only: told for phones only, and no longer once it is lacking before.
    let mut hidden = before.clone();
    let target = Target::Piece(id("buy"));
    let off = Some(SetValue::Flag(false));
    apply(&mut hidden, Op::Set { target, setting: "shown".into(), device: Device::Phone, value: off })
        .unwrap();
    let lacks = Comparison::new(&before, &hidden, &prices).of(&plain).unwrap().lacks;
    assert_eq!(lacks, [Gap { lack: Lack::BuyButton, screen: Device::Phone }]);
    assert_eq!(tell_gaps(&lacks), ["no buy button on phones"]);
    let both = [Device::Wide, Device::Phone].map(|screen| Gap { lack: Lack::Title, screen });
    let one = Gap { lack: Lack::Price, screen: Device::Wide };
    assert_eq!(tell_gaps(&[both[0], one, both[1]]), ["no title", "no price on wide screens"]);
    let mut more = hidden.clone();
    apply(&mut more, Op::RemovePiece { piece: id("price") }).unwrap();
    let lacks = Comparison::new(&hidden, &more, &prices).of(&plain).unwrap().lacks;
    assert!(lacks.iter().all(|gap| gap.lack == Lack::Price) && lacks.len() == 2);
    assert_eq!(Comparison::new(&before, &before.clone(), &prices).of(&plain), None);
}

#[test]
fn what_a_product_keeps_counts_in_what_it_sees_and_its_type_is_no_measure_for_it() {
    use compagina_core::template::Comparison;
    let prices = compagina_core::price::Prices::default();
    let plain = samples::product(&[], &[(None, None, 3, None)]);
    let mut other = plain.clone();
    other.handle = handle("other");
    let own = |words| keep(Whom::Product(plain.handle.clone()), "buy", "words", Device::Wide, words);
    let (without, with) = (after_all(&[]), after_all(&[own(Some("Mine"))]));
    // Kept now, and kept no longer: seen by that product alone, whichever of the type was asked about before.
    for (before, after) in [(&without, &with), (&with, &without)] {
        let mut comparison = Comparison::new(before, after, &prices);
        assert_eq!(comparison.of(&other), None);
        let seen = comparison.of(&plain).unwrap();
        assert_eq!(seen.changes, [Difference::PieceSet { piece: id("buy"), setting: "Words".into() }]);
        assert_eq!(comparison.of(&other), None);
    }
    // Of two that keep different things each sees its own, whichever is asked about first.
    let hides = Op::Depart {
        whom: Whom::Product(other.handle.clone()),
        target: Target::Piece(id("price")),
        setting: "shown".into(),
        device: Device::Wide,
        value: Some(SetValue::Flag(false)),
        kind: None,
    };
    let both = after_all(&[own(Some("Mine")), hides]);
    for (before, after) in [(&without, &both), (&both, &without)] {
        for order in [[&plain, &other], [&other, &plain]] {
            let mut comparison = Comparison::new(before, after, &prices);
            let seen = order.map(|product| comparison.of(product).unwrap().changes);
            let of = |product: &compagina_core::catalog::Product| {
                seen[usize::from(order[0].handle != product.handle)].clone()
            };
            let set = |piece: &str, setting: &str| Difference::PieceSet {
                piece: id(piece),
                setting: setting.into(),
            };
            assert_eq!(of(&plain), [set("buy", "Words")]);
            assert_eq!(of(&other), [set("price", "Shown")]);
        }
    }
}

#[test]
fn a_page_lacks_pictures_only_where_the_product_has_some() {
    use compagina_core::template::{Gap, Lack, gaps};
    let page = after_all(&[Op::RemovePiece { piece: id("gallery") }]);
    let mut product = samples::product(&[], &[(None, None, 3, None)]);
    let lacks =
        |product: &_| gaps(&page, product).into_iter().filter(|gap| gap.lack == Lack::Pictures).count();
    assert_eq!(lacks(&product), 0);
    product.pictures.push(compagina_core::media::Picture::default());
    assert_eq!(lacks(&product), 2);
    let shown = after_all(&[]);
    assert!(!gaps(&shown, &product).contains(&Gap { lack: Lack::Pictures, screen: Device::Wide }));
}

#[test]
fn a_file_keeps_the_template_whole_and_refuses_what_is_wrong_with_its_place() {
    use compagina_core::format::{FileError, read_template, write_template};
    let page = after_all(&[keep(whimbrel(), "buy", "words", Device::Wide, Some("Go"))]);
    let reach = Reach { except: handles(&["dunlin"]), ..Reach::types(handles(&["kites"])) };
    let text = write_template("Kites", &reach, &page);
    let file = read_template(text.as_bytes()).unwrap();
    assert_eq!((&file.layout, &file.reach), (&page, &reach));
    assert_eq!(write_template(&file.name, &file.reach, &file.layout), text);
    let missing = file.unmatched(&compagina_core::format::Unmatched::default());
    assert_eq!(missing.types.into_iter().collect::<Vec<_>>(), handles(&["kites"]));
    assert_eq!(missing.products.into_iter().collect::<Vec<_>>(), handles(&["dunlin", "whimbrel"]));

    let refused = |old: &str, new: &str| read_template(text.replacen(old, new, 1).as_bytes()).unwrap_err();
    assert_eq!(refused("\"version\": 1", "\"version\": 2"), FileError::OtherVersion { given: 2 });
    assert_eq!(refused("compagina-template", "x"), FileError::OtherFormat);
    assert!(matches!(refused("{", "{{"), FileError::NoJson { line: 1, .. }));
    let place = |old: &str, new: &str| match refused(old, new) {
        FileError::At { place, .. } => place,
        other => panic!("{other}"),
    };
    assert_eq!(
        place("\"kind\": \"gallery\"", "\"kind\": \"carousel\""),
        "layout.bands[1].columns[0].pieces[0].kind"
    );
    assert_eq!(place("\"name\"", "\"title\""), "title");
    assert_eq!(place("\"rule\": \"types\"", "\"rule\": \"whim\""), "reach");
    assert_eq!(place("\"format\": 1", "\"format\": 9"), "layout.format");
    let mut odd: serde_json::Value = serde_json::from_str(&text).unwrap();
    odd["layout"]["bands"][1]["columns"][0]["pieces"][0]["values"]["wide"]["loudness"] = 11.into();
    let refused = read_template(odd.to_string().as_bytes()).unwrap_err();
    assert!(
        matches!(&refused, FileError::At { place, .. } if place == "layout.bands[1].columns[0].pieces[0].values.wide"),
        "{refused}"
    );
    let mut linked: serde_json::Value = serde_json::from_str(&text).unwrap();
    linked["layout"]["bands"][1]["kept"] = 3.into();
    let refused = read_template(linked.to_string().as_bytes()).unwrap_err();
    assert!(matches!(&refused, FileError::At { place, .. } if place == "layout.bands[1].kept"), "{refused}");
    let large = vec![b' '; 6_000_000];
    assert_eq!(read_template(&large), Err(FileError::TooLarge { given: 6 }));
}

#[test]
fn a_kept_band_is_linked_copied_and_unlinked_with_what_is_kept_different_of_it() {
    use compagina_core::ids::{BandId, KeptId};
    use compagina_core::template::kept::{follow, keep, linked, place, unlink};
    let band = |name: &str| BandId::try_from(name).unwrap();
    let go = |page: &Layout| words_of(page, "whimbrel", Device::Wide);
    let mut first = after_all(&[self::keep(whimbrel(), "buy", "words", Device::Wide, Some("Go"))]);
    let before = first.clone();
    let op = keep(&first, &band("main"), KeptId(3)).unwrap();
    let back = apply(&mut first, op).unwrap();
    let (kept, main) = linked(&first).next().map(|(kept, band)| (kept, band.clone())).unwrap();
    assert_eq!((kept, main.id.as_str()), (KeptId(3), "kept3"));
    assert_eq!(first.lost_departures().count(), 0, "it goes along");
    assert_eq!(first.departures.len(), 1);

    // In another template the same, and what changes it in one changes it there.
    let mut second = layout();
    let op = place(&second, &main, 1, None).unwrap();
    apply(&mut second, op).unwrap();
    assert_eq!(follow(&second, &main), None);
    apply(&mut first, Op::RemovePiece { piece: id("kept3-1-1") }).unwrap();
    let changed = linked(&first).next().unwrap().1.clone();
    let op = follow(&second, &changed).unwrap();
    apply(&mut second, op).unwrap();
    assert_eq!(linked(&second).next().unwrap().1, &changed);
    assert_eq!(second.bands.len(), 3, "and nothing else");

    // A copy, and one that is unlinked, go their own way.
    let op = place(&second, &main, 0, Some(&band("b-copy"))).unwrap();
    apply(&mut second, op).unwrap();
    let copy = second.band(&band("b-copy")).unwrap();
    assert_eq!((copy.kept, copy.columns[0].pieces[0].id.as_str()), (None, "b-copy-0-0"));
    let op = unlink(&second, &band("kept3"), &band("b-own")).unwrap();
    apply(&mut second, op).unwrap();
    assert!(linked(&second).next().is_none() && follow(&second, &main).is_none());
    assert_eq!(check(&second), Ok(()));
    assert!(keep(&second, &band("ghost"), KeptId(4)).is_err());

    let mut undone = before.clone();
    let op = keep(&undone, &band("main"), KeptId(3)).unwrap();
    assert_eq!(apply(&mut undone, op).unwrap(), back);
    apply(&mut undone, back).unwrap();
    assert_eq!(undone, before);
    assert_eq!(go(&undone), "Go");
}

#[test]
fn a_kept_band_can_be_placed_again_after_a_starter_and_follows_though_a_piece_of_it_stands_elsewhere() {
    use compagina_core::ids::{BandId, KeptId};
    use compagina_core::page::starter::STARTERS;
    use compagina_core::template::kept::{follow, keep, linked, place};
    let main = BandId::try_from("main").unwrap();
    let mut first = after_all(&[self::keep(whimbrel(), "buy", "words", Device::Wide, Some("Go"))]);
    let op = keep(&first, &main, KeptId(3)).unwrap();
    apply(&mut first, op).unwrap();
    let kept = linked(&first).next().unwrap().1.clone();
    for starter in STARTERS {
        let laid = starter.lay(&first).layout;
        assert_eq!(
            linked(&laid).next().map(|(_, band)| band),
            Some(&kept),
            "{}: the link stays",
            starter.key
        );
        assert_eq!(starter.lay(&laid).layout, laid, "{}", starter.key);
        assert_eq!(check(&laid), Ok(()), "{}", starter.key);
    }

    // One piece is moved out of it: there it is the page's own, and the band can have its name again.
    let to = first.place_of(&id("crumbs")).unwrap();
    apply(&mut first, Op::MovePiece { piece: id("kept3-1-2"), to }).unwrap();
    assert_eq!(words_of_piece(&first, "kept3-1-2"), "Go");
    let op = follow(&first, &kept).unwrap();
    apply(&mut first, op).unwrap();
    assert_eq!(linked(&first).next().unwrap().1, &kept);
    assert_eq!(words_of_piece(&first, "own1"), "Go", "what is kept of it goes along");
    assert_eq!(check(&first), Ok(()));

    // The link is gone, the names stayed: as earlier versions left pages behind.
    let mut old = first.clone();
    old.bands.iter_mut().for_each(|band| band.kept = None);
    apply(
        &mut old,
        Op::Rename { names: Names { bands: [(kept.id.clone(), main)].into(), ..Names::default() } },
    )
    .unwrap();
    let columns = old.band(&kept.id).is_none();
    assert!(columns);
    let names = [("kept3-c0", "left"), ("kept3-c1", "right")].map(|(from, to)| (column(from), column(to)));
    apply(&mut old, Op::Rename { names: Names { columns: names.into(), ..Names::default() } }).unwrap();
    let op = place(&old, &kept, 0, None).unwrap();
    apply(&mut old, op).unwrap();
    assert_eq!(check(&old), Ok(()));
}

#[test]
fn each_linked_band_follows_its_own_and_strays_get_names_that_nothing_bears() {
    use compagina_core::ids::{BandId, KeptId};
    use compagina_core::template::kept::{follow, keep, linked, place};
    let band = |name: &str| BandId::try_from(name).unwrap();
    let mut page = layout();
    for (name, number) in [("top", 4), ("main", 3)] {
        let op = keep(&page, &band(name), KeptId(number)).unwrap();
        apply(&mut page, op).unwrap();
    }
    let kept: Vec<_> = linked(&page).map(|(_, band)| band.clone()).collect();
    assert_eq!(kept.len(), 2);
    for one in &kept {
        let mut otherwise = one.clone();
        otherwise.columns[0].pieces.clear();
        let op = follow(&page, &otherwise).expect("it is linked here and another by now");
        let mut after = page.clone();
        apply(&mut after, op).unwrap();
        assert_eq!(after.band(&one.id), Some(&otherwise), "it follows its own, not the first that is linked");
    }
    let mut unlinked = kept[1].clone();
    unlinked.kept = None;
    assert_eq!(follow(&page, &unlinked), None);

    // Two of its pieces are moved out, and a product keeps something of a piece that once was called so.
    let main = kept[1].clone();
    let out: Vec<_> = main.columns[1].pieces.iter().take(2).map(|piece| piece.id.clone()).collect();
    let to = samples::at("kept4-c0", 0);
    for piece in &out {
        apply(&mut page, Op::MovePiece { piece: piece.clone(), to: to.clone() }).unwrap();
    }
    let mut values = compagina_core::page::Values::default();
    values.of_mut(Device::Wide).insert("note".into(), SetValue::Text("x".into()));
    let lost = compagina_core::page::Departure {
        whom: whimbrel(),
        target: Target::Piece(id("own1")),
        values,
        kind: None,
    };
    page.departures.push(lost);
    let op = follow(&page, &main).unwrap();
    apply(&mut page, op).unwrap();
    let named: Vec<&str> =
        page.pieces().map(|piece| piece.id.as_str()).filter(|id| id.starts_with("own")).collect();
    assert_eq!(named.len(), 2);
    assert!(!named.contains(&"own1") && named.contains(&"own2") && named.contains(&"own3"), "{named:?}");
    assert_eq!(page.lost_departures().count(), 1, "what was lost is no stray's by accident");
    // A band that is placed makes way likewise.
    let mut other = layout();
    let stray = samples::piece("kept3-1-0", compagina_core::page::Kind::Text);
    apply(&mut other, Op::AddPiece { piece: stray, at: samples::at("right", 0) }).unwrap();
    let op = place(&other, &main, 0, None).unwrap();
    apply(&mut other, op).unwrap();
    assert!(other.piece(&id("own1")).is_some());
    assert_eq!(check(&other), Ok(()));
}

#[test]
fn a_band_of_which_many_products_keep_something_can_be_kept_and_unlinked() {
    use compagina_core::ids::{BandId, KeptId};
    use compagina_core::template::kept::{keep, unlink};
    let band = |name: &str| BandId::try_from(name).unwrap();
    let many = (0..1200).map(|n| {
        self::keep(Whom::Product(handle(&format!("kite-{n}"))), "buy", "words", Device::Wide, Some("Go"))
    });
    let mut page = after_all(&many.collect::<Vec<_>>());
    let before = page.clone();
    let op = keep(&page, &band("main"), KeptId(3)).unwrap();
    let back = apply(&mut page, op).unwrap();
    assert_eq!((page.departures.len(), page.lost_departures().count()), (1200, 0));
    let op = unlink(&page, &band("kept3"), &band("b-own")).unwrap();
    let linked = apply(&mut page, op).unwrap();
    assert_eq!((page.departures.len(), page.lost_departures().count()), (1200, 0));
    apply(&mut page, linked).unwrap();
    apply(&mut page, back).unwrap();
    assert_eq!(page, before);
}

fn column(name: &str) -> ColumnId {
    ColumnId::try_from(name).unwrap()
}

fn words_of_piece(page: &Layout, piece: &str) -> String {
    let page = page_of(page, "whimbrel");
    Chain::of_template(&page.piece(&id(piece)).unwrap().values)
        .text(&compagina_core::page::piece::buy_button::WORDS, Device::Wide)
}

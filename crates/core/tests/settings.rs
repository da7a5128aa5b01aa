//! Every setting of every kind: what it says it takes it takes, and nothing beside it.
#![allow(clippy::unwrap_used)]

use compagina_core::house::House;
use compagina_core::page::piece::band;
use compagina_core::page::{Device, Group, Kind, Rule, SetValue, Setting, Shape, ValueError};

fn every_setting() -> Vec<&'static Setting> {
    let own = Kind::ALL.into_iter().flat_map(Kind::settings);
    own.chain(band::SETTINGS).chain(House::TOKENS).copied().collect()
}

fn text(text: &str) -> SetValue {
    SetValue::Text(text.to_owned())
}

fn ragged() -> SetValue {
    SetValue::Rows(vec![vec!["a".into(), "b".into()], vec!["a".into()]])
}

fn steps(count: i64) -> (Vec<SetValue>, Vec<SetValue>) {
    let number = SetValue::Number;
    (vec![number(0), number(count - 1)], vec![number(-1), number(count), SetValue::Text("1".into())])
}

/// Values that a setting must take, and values that it must refuse.
fn edges(setting: &Setting) -> (Vec<SetValue>, Vec<SetValue>) {
    let lines = |count: usize, line: &str| SetValue::Lines(vec![line.to_owned(); count]);
    match setting.shape {
        Shape::Flag => {
            (vec![SetValue::Flag(true), SetValue::Flag(false)], vec![text("true"), SetValue::Number(1)])
        }
        Shape::Choice(names) => {
            let known = names.iter().map(|(name, _)| text(name)).collect();
            (known, vec![text(""), text("Percent "), text("constructor"), SetValue::Flag(true)])
        }
        Shape::Steps(steps) => {
            let most = steps.iter().map(|(n, _)| *n).max().unwrap();
            let known = steps.iter().map(|(n, _)| SetValue::Number(*n)).collect();
            (known, vec![SetValue::Number(most + 1), SetValue::Number(-1), text("16")])
        }
        Shape::Number { least, most } => (
            vec![SetValue::Number(least), SetValue::Number(most)],
            vec![SetValue::Number(least - 1), SetValue::Number(most + 1), SetValue::Number(i64::MIN)],
        ),
        Shape::Text { most } => (
            vec![text(""), text(&"é".repeat(most)), text("<b>&\"'")],
            vec![text(&"é".repeat(most + 1)), text("a\u{0}b"), text("a\nb"), SetValue::Lines(vec![])],
        ),
        Shape::Lines { count, most } => (
            vec![lines(0, ""), lines(count, &"x".repeat(most))],
            vec![lines(count + 1, "x"), lines(1, &"x".repeat(most + 1)), lines(1, "a\tb"), text("x")],
        ),
        Shape::Rich { most } => (
            vec![text(""), text("<p>a</p>\n<p>b</p>")],
            vec![text(&"x".repeat(most + 1)), SetValue::Flag(true)],
        ),
        Shape::Rows { parts, count } => {
            let row: Vec<String> = parts.iter().map(|(_, most)| "x".repeat(*most)).collect();
            let short = row[1..].to_vec();
            let long = vec!["x".repeat(parts[0].1 + 1); parts.len()];
            (
                vec![SetValue::Rows(vec![row.clone(); count]), lines(0, "")],
                vec![
                    SetValue::Rows(vec![row; count + 1]),
                    SetValue::Rows(vec![short]),
                    SetValue::Rows(vec![long]),
                ],
            )
        }
        Shape::Table { columns, rows, most } => {
            let table = |rows: usize, columns: usize, cell: usize| {
                SetValue::Rows(vec![vec!["x".repeat(cell); columns]; rows])
            };
            (
                vec![table(rows, columns, most), lines(0, "")],
                vec![table(rows + 1, 1, 1), table(1, columns + 1, 1), table(1, 1, most + 1), ragged()],
            )
        }
        Shape::Pictures { count } => (
            vec![lines(0, ""), lines(count, "abc-1")],
            vec![lines(count + 1, "a"), lines(1, "../a"), lines(1, "")],
        ),
        Shape::Products { count } => (
            vec![lines(0, ""), lines(count, "abc-1")],
            vec![lines(count + 1, "a"), lines(1, "../a"), lines(1, "")],
        ),
        Shape::Order { count } => {
            let pieces = |count: usize| SetValue::Lines((0..count).map(|n| format!("p{n}")).collect());
            let bad = vec![pieces(count + 1), lines(2, "p1"), lines(1, "a b"), text("p1")];
            (vec![pieces(0), pieces(count)], bad)
        }
        Shape::Film => (vec![text(""), text("abc-1")], vec![text("/media/x"), text(&"a".repeat(65))]),
        Shape::Link => (
            vec![text(""), text("/shop"), text("https://example.org/a?b=c"), text("mailto:a@b.co")],
            vec![
                text("javascript:alert(1)"),
                text("//evil.example"),
                text("/\\evil.example"),
                text("shop"),
                text("data:text/html,x"),
            ],
        ),
        Shape::Colour => (
            vec![text("#0D6A6E"), text("#ffffff")],
            vec![text("red"), text("#FFF"), text("#GGGGGG"), text("")],
        ),
        Shape::Space => steps(compagina_core::page::SPACE_STEPS),
        Shape::TypeSize => steps(compagina_core::page::TYPE_STEPS),
        Shape::TextSize => (
            [0, 7, 10, 120].map(SetValue::Number).into(),
            [-1, 8, 9, 121, i64::MAX].map(SetValue::Number).into_iter().chain([text("16 px")]).collect(),
        ),
        Shape::Family => (
            vec![text("heading"), text("text"), text("serif")],
            vec![text(""), text("Fraunces"), text("a\"}"), SetValue::Number(1)],
        ),
        Shape::Paint { own } => {
            let mut bad = vec![text("plum"), text("#FFF"), text("var(--x)"), text("")];
            bad.extend((!own).then(|| text("own")));
            (vec![text("piece"), text("soft"), text("#6B2D5C")], bad)
        }
        Shape::Look => (
            vec![text("own"), text("heading"), text("kept-12")],
            vec![text("title"), text("kept-13"), text("kept-01"), SetValue::Flag(true)],
        ),
        Shape::Rule => {
            let short = SetValue::Rule(Rule::Not { of: Box::new(Rule::OnSale) });
            let long = SetValue::Rule(Rule::All { of: vec![Rule::OnSale; 40] });
            (vec![SetValue::Rule(Rule::always()), short], vec![long, text("on_sale")])
        }
    }
}

#[test]
fn a_setting_takes_what_it_says_and_refuses_what_lies_just_beside() {
    for setting in every_setting() {
        let (good, bad) = edges(setting);
        for value in good {
            assert_eq!(setting.check(&value), Ok(()), "{}: {value:?}", setting.key);
        }
        for value in bad {
            let reason = setting.check(&value).expect_err(setting.key);
            assert!(reason.to_string().contains(setting.label), "the sentence names the field: {reason}");
        }
    }
}

#[test]
fn a_value_survives_the_document() {
    for setting in every_setting() {
        for value in edges(setting).0 {
            let written = serde_json::to_string(&value).unwrap();
            assert_eq!(serde_json::from_str::<SetValue>(&written).unwrap(), value, "{written}");
        }
    }
}

#[test]
fn what_is_the_same_everywhere_has_no_value_for_phones_in_the_house() {
    for setting in every_setting() {
        assert!(setting.house(Device::Wide).is_some(), "{}", setting.key);
        assert!(setting.per_device || setting.house(Device::Phone).is_none(), "{}", setting.key);
    }
}

#[test]
fn words_an_owner_reads_are_there_and_short() {
    for setting in every_setting() {
        let label = setting.language.map_or(setting.label, |(own, _)| own.label);
        assert!((2..=24).contains(&label.chars().count()), "{}", setting.label);
        let options: Vec<&str> = match setting.shape {
            Shape::Choice(names) => names.iter().map(|(_, label)| *label).collect(),
            Shape::Steps(steps) => steps.iter().map(|(_, label)| *label).collect(),
            _ => vec![],
        };
        assert!(options.iter().all(|label| (1..=20).contains(&label.chars().count())), "{options:?}");
    }
}

#[test]
fn a_number_that_is_no_step_is_told_apart_from_a_wrong_kind() {
    let size = Kind::Price.settings().iter().find(|s| s.key == "size").unwrap();
    assert!(matches!(size.check(&SetValue::Number(121)), Err(ValueError::OutOfRange { .. })));
    assert!(matches!(size.check(&SetValue::Flag(true)), Err(ValueError::WrongShape { .. })));
}

#[test]
fn a_setting_depends_on_one_of_its_own_kind_and_on_choices_that_it_has() {
    for kind in Kind::ALL {
        for setting in kind.settings() {
            let Some((other, choices)) = setting.with else { continue };
            assert!(
                kind.settings().contains(&other),
                "{kind:?}: {} isn't there for {}",
                other.key,
                setting.key
            );
            assert_ne!(other.key, setting.key);
            for choice in choices {
                assert_eq!(
                    other.check(&SetValue::Text((*choice).into())),
                    Ok(()),
                    "{} of {}",
                    choice,
                    other.key
                );
            }
        }
    }
}

#[test]
fn settings_of_one_part_stand_together_and_are_few() {
    for kind in Kind::ALL {
        let parts: Vec<_> = kind.settings().iter().filter_map(|setting| setting.part).collect();
        let mut runs = parts.clone();
        runs.dedup();
        let mut different = runs.clone();
        different.sort_unstable();
        different.dedup();
        assert_eq!(runs.len(), different.len(), "{kind:?}: {runs:?}");
        let alone = kind.settings().iter().filter(|s| s.part.is_none() && s.group == Group::Looks).count();
        assert!(alone <= 12, "{kind:?} shows {alone} settings at once");
        let texts: Vec<_> = kind.texts().map(|text| text.label).collect();
        for part in different.into_iter().filter(|part| !texts.contains(part)) {
            assert!(parts.iter().filter(|p| **p == part).count() <= 8, "{part} wants to be parted");
        }
    }
}

#[test]
fn what_takes_its_value_from_the_house_style_takes_the_same_values() {
    let mut taking = std::collections::BTreeSet::new();
    for setting in every_setting() {
        let Some(token) = setting.token else { continue };
        taking.insert(token.key);
        assert_eq!((setting.shape, setting.wide), (token.shape, token.wide), "{}", setting.label);
        assert_eq!(setting.phone, None, "{}", setting.label);
        assert!(House::TOKENS.contains(&token), "{}", token.key);
    }
    assert_eq!(taking.len(), House::TOKENS.iter().filter(|token| token.group == Group::Choices).count());
}

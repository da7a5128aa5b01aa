//! The rooms of each crate lie one above another: each knows only those below it.
#![allow(clippy::unwrap_used)]

use std::collections::{BTreeMap, BTreeSet};
use std::path::Path;

type Rooms = BTreeMap<String, BTreeSet<String>>;

/// Which room each file names, tests aside.
fn read(folder: &Path, top: Option<&str>, rooms: &mut Rooms) {
    for entry in std::fs::read_dir(folder).unwrap().map(Result::unwrap) {
        let (path, name) = (entry.path(), entry.file_name().into_string().unwrap());
        let room = top.map_or(name.trim_end_matches(".rs"), |top| top).to_owned();
        if path.is_dir() {
            read(&path, Some(&room), rooms);
        } else if !matches!(
            name.as_str(),
            "lib.rs" | "main.rs" | "tests.rs" | "samples.rs" | "variants_tests.rs"
        ) {
            let text = std::fs::read_to_string(&path).unwrap();
            let code = text.split("#[cfg(test)]\nmod tests {").next().unwrap_or_default();
            let named = code.split("crate::").skip(1).map(|rest| {
                rest.chars().take_while(|sign| sign.is_alphanumeric() || *sign == '_').collect::<String>()
            });
            let known = rooms.entry(room.clone()).or_default();
            known.extend(named.filter(|other| *other != room));
        }
    }
}

fn rooms(of: &str) -> Rooms {
    let mut rooms = Rooms::new();
    let folder = Path::new(env!("CARGO_MANIFEST_DIR")).join("..").join(of).join("src");
    read(&folder, None, &mut rooms);
    rooms
}

/// Takes away the rooms that know no other that is left, until none can be taken: what is left goes round in circles.
fn in_circles(mut rooms: Rooms) -> BTreeSet<String> {
    loop {
        let left: BTreeSet<String> = rooms.keys().cloned().collect();
        rooms.values_mut().for_each(|known| known.retain(|room| left.contains(room)));
        let bottom: Vec<String> =
            rooms.iter().filter(|(_, known)| known.is_empty()).map(|(room, _)| room.clone()).collect();
        if bottom.is_empty() {
            return left;
        }
        bottom.iter().for_each(|room| drop(rooms.remove(room)));
    }
}

#[test]
fn no_room_knows_one_above_it() {
    assert!(rooms("core")["price"].contains("catalog"), "what is named is found");
    for of in ["core", "press", "pictures", "storage", "demo", "server"] {
        let rooms = rooms(of);
        assert!(!rooms.is_empty(), "{of}");
        assert_eq!(in_circles(rooms), BTreeSet::new(), "{of}");
    }
}

#[test]
fn what_is_taken_for_a_circle_is_one() {
    let circle = Rooms::from([
        ("a".into(), ["b".into()].into()),
        ("b".into(), ["a".into(), "c".into()].into()),
        ("c".into(), BTreeSet::new()),
    ]);
    assert_eq!(in_circles(circle), ["a".to_owned(), "b".to_owned()].into());
}

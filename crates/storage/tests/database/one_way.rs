//! There is one way to write: what begins, notes and ends transactions stands in one file.

use crate::common::{handle, shop};
use compagina_core::ids::TemplateId;
use compagina_core::money::Money;
use compagina_storage::{By, DraftId};
use sqlx::MySqlPool;
use std::path::Path;
use std::sync::Arc;
use std::sync::atomic::{AtomicU32, Ordering};

fn files(folder: &Path, found: &mut Vec<(String, String)>) {
    for entry in std::fs::read_dir(folder).unwrap().map(Result::unwrap) {
        let path = entry.path();
        if path.is_dir() {
            files(&path, found);
        } else if path.extension().is_some_and(|ending| ending == "rs") {
            let text = std::fs::read_to_string(&path).unwrap();
            // Tests that stand with the code play another process.
            let code = text.split("#[cfg(test)]\nmod tests {").next().unwrap_or_default();
            found.push((path.display().to_string(), code.to_owned()));
        }
    }
}

#[test]
fn transactions_begin_are_noted_and_caught_up_with_in_one_place_only() {
    let crates = Path::new(concat!(env!("CARGO_MANIFEST_DIR"), "/.."));
    let mut all = Vec::new();
    for room in ["storage/src", "server/src"] {
        files(&crates.join(room), &mut all);
    }
    assert!(all.len() > 100, "{}", all.len());
    let only_in = |what: &str, places: &[&str]| {
        for (path, text) in all.iter().filter(|(_, text)| text.contains(what)) {
            let place = places.iter().any(|place| path.ends_with(place));
            assert!(place, "{what} stands in {path}: {:?}", text.lines().find(|line| line.contains(what)));
        }
    };
    only_in("pool.begin()", &["storage/src/unit.rs"]);
    only_in("INSERT INTO change_note", &["storage/src/unit.rs"]);
    only_in(".commit()", &["storage/src/unit.rs"]);
    // What owners are told of in `jobs/feed.rs` they read at once, so it is caught up with first.
    let catch_up =
        ["storage/src/unit.rs", "edition/exchange.rs", "server/src/jobs/mod.rs", "server/src/jobs/feed.rs"];
    only_in("catch_up(", &catch_up);
}

#[sqlx::test(migrations = false)]
async fn who_listens_has_caught_up_before_the_writer_is_answered_and_not_after_a_refusal(pool: MySqlPool) {
    let store = shop(pool).await;
    let heard = Arc::new(AtomicU32::new(0));
    let (ear, of) = (heard.clone(), store.clone());
    store.listen(move || {
        let (ear, of) = (ear.clone(), of.clone());
        async move {
            let notes = of.recent_changes().await.unwrap().len();
            ear.fetch_add(u32::from(notes > 0), Ordering::SeqCst);
        }
    });
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    store.by(By::default()).set_price(kite.id, Money { minor: 7000, ..kite.price }).await.unwrap();
    assert_eq!(heard.load(Ordering::SeqCst), 1);
    store.take_back_publication(DraftId::Template(TemplateId(77)), 1).await.unwrap_err();
    assert_eq!(heard.load(Ordering::SeqCst), 1, "nothing was written");
}

//! Pictures as owners work on them, and as workers are given them.

use crate::common::{handle, kite, shop};
use compagina_core::catalog::NewPicture;
use compagina_core::ids::{ProductId, ValueId};
use compagina_core::media::{FilmFile, Focus, PictureSize};
use compagina_storage::{By, PictureChange, PicturesOf, StorageError, Store, ToMake};
use futures_util::future::join_all;
use sqlx::MySqlPool;
use std::collections::BTreeSet;

const PLAN: u32 = 7;

fn size(hash: &str) -> PictureSize {
    PictureSize { hash: hash.into(), width: 320, height: 240, bytes: 9000 }
}

fn hash(letter: char) -> String {
    letter.to_string().repeat(64)
}

/// The shop's kite without the pictures that it came with, and some new ones.
async fn with_pictures(pool: MySqlPool, letters: &str) -> (Store, PicturesOf, Vec<u64>) {
    let store = shop(pool).await;
    let of = PicturesOf::Product(store.product(&handle("whimbrel")).await.unwrap().unwrap().id);
    store.by(By::default()).remove_pictures(of, &order(&store, of).await).await.unwrap();
    let mut ids = Vec::new();
    for letter in letters.chars() {
        ids.push(
            store.by(By::default()).add_picture(of, &format!("{letter}.jpg"), &hash(letter)).await.unwrap(),
        );
    }
    (store, of, ids)
}

async fn order(store: &Store, of: PicturesOf) -> Vec<u64> {
    store.pictures_of(of, PLAN).await.unwrap().iter().map(|p| p.id).collect()
}

#[sqlx::test(migrations = false)]
async fn every_picture_is_given_to_one_worker_only(pool: MySqlPool) {
    let (store, _, ids) = with_pictures(pool, "abcdef").await;
    let workers = (0..9).map(|_| store.next_to_make(PLAN));
    let given: Vec<ToMake> = join_all(workers).await.into_iter().filter_map(Result::unwrap).collect();
    let different: BTreeSet<u64> = given.iter().map(|g| g.id).collect();
    assert_eq!(different.len(), given.len(), "no two workers have the same");
    let mut rest = different.clone();
    while let Some(next) = store.next_to_make(PLAN).await.unwrap() {
        assert!(rest.insert(next.id));
    }
    assert_eq!(rest, ids.iter().copied().collect());
}

#[sqlx::test(migrations = false)]
async fn a_picture_is_shown_once_it_is_made_and_made_anew_when_the_plan_changes(pool: MySqlPool) {
    let (store, of, ids) = with_pictures(pool, "a").await;
    let shown = || async { store.product(&handle("whimbrel")).await.unwrap().unwrap().pictures };
    assert!(shown().await.is_empty());
    let next = store.next_to_make(PLAN).await.unwrap().unwrap();
    assert_eq!(next, ToMake { id: ids[0], original: hash('a') });
    store.picture_made(&next, &[size("s1")], true, PLAN).await.unwrap();
    assert_eq!((shown().await[0].sizes.clone(), shown().await[0].cut_out), (vec![size("s1")], true));
    assert_eq!(store.next_to_make(PLAN).await.unwrap(), None);
    assert!(!store.pictures_of(of, PLAN).await.unwrap()[0].waiting);
    // Until the new sizes are made the old ones are shown.
    assert!(store.pictures_of(of, PLAN + 1).await.unwrap()[0].waiting);
    let again = store.next_to_make(PLAN + 1).await.unwrap().unwrap();
    assert_eq!(shown().await[0].sizes, [size("s1")]);
    store.picture_made(&again, &[size("s2")], false, PLAN + 1).await.unwrap();
    assert_eq!(shown().await[0].sizes, [size("s2")]);
}

#[sqlx::test(migrations = false)]
async fn a_picture_replaced_while_it_is_made_keeps_the_newer_file(pool: MySqlPool) {
    let (store, of, ids) = with_pictures(pool, "a").await;
    let old = store.next_to_make(PLAN).await.unwrap().unwrap();
    let film = FilmFile { hash: hash('f'), width: 640, height: 480 };
    store.by(By::default()).set_film(of, ids[0], &film).await.unwrap();
    store.by(By::default()).replace_picture(of, ids[0], "b.jpg", &hash('b')).await.unwrap();
    store.picture_made(&old, &[size("of the old file")], false, PLAN).await.unwrap();
    store.picture_failed(&old, "Too late to matter.").await.unwrap();
    let now = store.pictures_of(of, PLAN).await.unwrap().remove(0);
    assert_eq!((now.waiting, now.film, now.trouble.as_str()), (true, None, ""));
    assert!(now.sizes.is_empty());
    assert_eq!(store.next_to_make(PLAN).await.unwrap().unwrap().original, hash('b'));
}

#[sqlx::test(migrations = false)]
async fn what_failed_is_not_tried_again_and_says_why(pool: MySqlPool) {
    let (store, of, _) = with_pictures(pool, "a").await;
    let next = store.next_to_make(PLAN).await.unwrap().unwrap();
    store.picture_failed(&next, &"It is damaged. ".repeat(40)).await.unwrap();
    assert_eq!(store.next_to_make(PLAN).await.unwrap(), None);
    let kept = store.pictures_of(of, PLAN).await.unwrap().remove(0);
    assert!(kept.trouble.starts_with("It is damaged.") && kept.trouble.len() <= 300 && !kept.waiting);
}

#[sqlx::test(migrations = false)]
async fn pictures_are_ordered_changed_and_removed_all_or_none(pool: MySqlPool) {
    let (store, of, ids) = with_pictures(pool, "abc").await;
    // One that was added meanwhile stays behind those that are named.
    store.by(By::default()).order_pictures(of, &[ids[2], ids[0]]).await.unwrap();
    assert_eq!(order(&store, of).await, [ids[2], ids[0], ids[1]]);
    let change = PictureChange {
        alt: Some("A kite".into()),
        values: Some(vec![ValueId(1)]),
        focus: Some(Focus { x: 1, y: 999 }),
    };
    let missing = store.by(By::default()).change_pictures(of, &[ids[0], 999_999], &change).await;
    assert!(matches!(missing, Err(StorageError::NotFound { what: "picture" })));
    assert!(store.pictures_of(of, PLAN).await.unwrap().iter().all(|p| p.alt.is_empty()));
    store.by(By::default()).change_pictures(of, &ids[..2], &change).await.unwrap();
    let only_words = PictureChange { alt: Some("Another".into()), ..PictureChange::default() };
    store.by(By::default()).change_pictures(of, &[ids[0]], &only_words).await.unwrap();
    let kept = store.pictures_of(of, PLAN).await.unwrap();
    let one = |id: u64| kept.iter().find(|p| p.id == id).unwrap();
    assert_eq!(
        (one(ids[0]).alt.as_str(), one(ids[1]).alt.as_str(), one(ids[2]).alt.as_str()),
        ("Another", "A kite", "")
    );
    assert_eq!((one(ids[0]).values.clone(), one(ids[0]).focus), (vec![ValueId(1)], Focus { x: 1, y: 999 }));
    assert!(
        store.by(By::default()).remove_pictures(PicturesOf::Product(ProductId(999)), &ids).await.is_err()
    );
    assert!(store.by(By::default()).remove_pictures(PicturesOf::Shop, &ids).await.is_err());
    store.by(By::default()).remove_pictures(of, &ids[..2]).await.unwrap();
    assert_eq!(order(&store, of).await, [ids[2]]);
}

#[sqlx::test(migrations = false)]
async fn the_shops_own_pictures_are_found_by_name_once_they_are_made(pool: MySqlPool) {
    let (store, _, of_product) = with_pictures(pool, "a").await;
    let id = store.by(By::default()).add_picture(PicturesOf::Shop, "table.jpg", &hash('b')).await.unwrap();
    assert_eq!(order(&store, PicturesOf::Shop).await, [id], "a product's picture isn't among them");
    assert!(store.shop_media().await.unwrap().pictures.is_empty());
    while let Some(next) = store.next_to_make(PLAN).await.unwrap() {
        store.picture_made(&next, &[size("s")], false, PLAN).await.unwrap();
    }
    let kept = store.pictures_of(PicturesOf::Shop, PLAN).await.unwrap().remove(0);
    let name = kept.name.unwrap();
    assert_eq!(store.shop_media().await.unwrap().pictures[&name].sizes, [size("s")]);
    let film = FilmFile { hash: hash('f'), width: 640, height: 480 };
    store.by(By::default()).set_film(PicturesOf::Shop, id, &film).await.unwrap();
    let media = store.shop_media().await.unwrap();
    assert_eq!((media.films[&name].width, media.pictures.len()), (640, 0));
    assert!(
        store
            .by(By::default())
            .change_pictures(PicturesOf::Shop, &of_product, &PictureChange::default())
            .await
            .is_err()
    );
}

#[sqlx::test(migrations = false)]
async fn a_picture_of_a_value_alone_gives_its_largest_size_and_point_and_neighbours_show_theirs(
    pool: MySqlPool,
) {
    let (store, of, ids) = with_pictures(pool, "ab").await;
    let (value, focus) = (ValueId(1), Focus { x: 10, y: 990 });
    assert_eq!(store.picture_of_value(value).await.unwrap(), None);
    let belongs =
        |values| PictureChange { values: Some(values), focus: Some(focus), ..PictureChange::default() };
    let by = || store.by(By::default());
    by().change_pictures(of, &[ids[0]], &belongs(vec![value, ValueId(2)])).await.unwrap();
    by().change_pictures(of, &[ids[1]], &belongs(vec![value])).await.unwrap();
    while let Some(next) = store.next_to_make(PLAN).await.unwrap() {
        let sizes = [size("small"), size(&format!("large {}", next.id))];
        store.picture_made(&next, &sizes, true, PLAN).await.unwrap();
    }
    assert_eq!(store.picture_of_value(value).await.unwrap(), Some((format!("large {}", ids[1]), focus)));
    assert_eq!(store.picture_of_value(ValueId(2)).await.unwrap(), None, "it belongs to another one too");

    let mut dunlin = kite();
    dunlin.handle = handle("dunlin");
    dunlin.variants.clear();
    by().add_product(&dunlin).await.unwrap();
    let dunlin = store.product(&handle("dunlin")).await.unwrap().unwrap();
    let (before, _) = store.neighbours(dunlin.id).await.unwrap();
    let shown = before.unwrap().picture.unwrap();
    assert_eq!((shown.focus, shown.cut_out, shown.sizes.len()), (focus, true, 2));
}

#[sqlx::test(migrations = false)]
async fn a_picture_that_is_made_already_comes_to_the_shop_under_its_name(pool: MySqlPool) {
    let (store, _, _) = with_pictures(pool, "a").await;
    let picture = NewPicture {
        file_name: "long-table.svg".into(),
        original: hash('c'),
        alt: "Our long table".into(),
        sizes: vec![size("s")],
        focus: Focus::default(),
        cut_out: false,
        film: None,
        values: vec![],
    };
    store.add_media("long-table", &picture).await.unwrap();
    let media = store.shop_media().await.unwrap();
    assert_eq!(media.pictures["long-table"].alt, "Our long table");
}

/// As if the process that made its sizes had ended each time, without a word.
#[sqlx::test(migrations = false)]
async fn what_never_comes_to_an_end_is_given_up_after_two_tries_with_the_reason(pool: MySqlPool) {
    let (store, of, ids) = with_pictures(pool.clone(), "ab").await;
    let mut given = Vec::new();
    for _ in 0..6 {
        given.extend(store.next_to_make(PLAN).await.unwrap().map(|picture| picture.id));
        sqlx::query("UPDATE picture SET claimed_until = '2001-01-01'").execute(&pool).await.unwrap();
    }
    given.sort_unstable();
    assert_eq!(given, [ids[0], ids[0], ids[1], ids[1]]);
    let kept = store.pictures_of(of, PLAN).await.unwrap();
    assert!(kept.iter().all(|picture| picture.trouble.contains("never came to an end")), "{kept:?}");
    store.by(By::default()).replace_picture(of, ids[0], "c.jpg", &hash('c')).await.unwrap();
    assert_eq!(
        store.next_to_make(PLAN).await.unwrap().unwrap().original,
        hash('c'),
        "a new file is a new start"
    );
}

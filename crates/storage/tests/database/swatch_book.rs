//! What values' names lead to is worked out whenever names, files or palette change.

use crate::common::{handle, kite, shop};
use compagina_core::catalog::Way;
use compagina_core::ids::ValueId;
use compagina_core::swatch::{Colour, Fate, Palette, Swatch, SwatchSource};
use compagina_storage::{BookOption, By, StorageError, Store, ValueChange};
use futures_util::future::join_all;
use sqlx::MySqlPool;

async fn colour(store: &Store) -> BookOption {
    store.swatch_book().await.unwrap().remove(0)
}

async fn from(store: &Store, place: usize) -> SwatchSource {
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    assert_eq!(kite.options[0].values[place].swatch, colour(store).await.values[place].shown().swatch);
    kite.options[0].values[place].from
}

fn hash(letter: char) -> String {
    letter.to_string().repeat(64)
}

#[sqlx::test(migrations = false)]
async fn a_value_follows_its_name_to_a_file_and_to_the_palette(pool: MySqlPool) {
    let store = shop(pool).await;
    let option = colour(&store).await.id;
    assert_eq!(from(&store, 0).await, SwatchSource::Text);
    store.by(By::default()).put_swatch_file(option, "ember.png", &hash('a'), None).await.unwrap();
    assert_eq!(from(&store, 0).await, SwatchSource::File);
    store.by(By::default()).set_palette(&Palette::read("Ember #AA0000").unwrap()).await.unwrap();
    assert_eq!(from(&store, 0).await, SwatchSource::Palette);
    // Under another name neither is meant any more.
    let renamed = ValueChange { name: Some("Ash".into()), ..ValueChange::default() };
    let ember = colour(&store).await.values[0].id;
    store.by(By::default()).change_values(option, &[ember], &renamed).await.unwrap();
    assert_eq!(from(&store, 0).await, SwatchSource::Text);
    let files = store.swatch_files(option).await.unwrap();
    store
        .by(By::default())
        .settle_files(option, &[(files[0].file.id, Some(Fate::For(ember)))])
        .await
        .unwrap();
    assert_eq!(from(&store, 0).await, SwatchSource::File);
    store.by(By::default()).remove_swatch_files(option, &[files[0].file.id]).await.unwrap();
    assert_eq!(from(&store, 0).await, SwatchSource::Text);
}

#[sqlx::test(migrations = false)]
async fn a_file_sent_again_takes_its_own_place_and_capitals_make_another(pool: MySqlPool) {
    let store = shop(pool).await;
    let option = colour(&store).await.id;
    let red = Some(Colour([200, 0, 0]));
    store.by(By::default()).put_swatch_file(option, "ember.png", &hash('a'), red).await.unwrap();
    store.by(By::default()).put_swatch_file(option, "Ember.png", &hash('b'), None).await.unwrap();
    store.by(By::default()).put_swatch_file(option, "ember.png", &hash('c'), red).await.unwrap();
    store.by(By::default()).put_swatch_file(option, "ember.png", &hash('c'), red).await.unwrap();
    let files = store.swatch_files(option).await.unwrap();
    let kept: Vec<_> = files.iter().map(|f| (f.file.name.as_str(), f.hash.as_str())).collect();
    assert_eq!(kept, [("ember.png", hash('c').as_str()), ("Ember.png", hash('b').as_str())]);
    assert_eq!((files[0].colour, colour(&store).await.values[0].file.clone()), (red, Some(hash('c'))));
    // Two settled for one value: the later one is meant, the earlier put aside, and others are left alone.
    store.by(By::default()).put_swatch_file(option, "other.png", &hash('d'), None).await.unwrap();
    let ember = colour(&store).await.values[0].id;
    for file in &files {
        store
            .by(By::default())
            .settle_files(option, &[(file.file.id, Some(Fate::For(ember)))])
            .await
            .unwrap();
    }
    let fates: Vec<_> = store.swatch_files(option).await.unwrap().iter().map(|f| f.file.fate).collect();
    assert_eq!(fates, [Some(Fate::Unused), Some(Fate::For(ember)), None]);
    let stranger = store
        .by(By::default())
        .settle_files(option, &[(files[0].file.id, Some(Fate::For(ValueId(999))))])
        .await;
    assert!(matches!(stranger, Err(StorageError::NotFound { what: "value" })));
}

#[sqlx::test(migrations = false)]
async fn files_that_come_at_once_are_all_kept(pool: MySqlPool) {
    let store = shop(pool).await;
    let option = colour(&store).await.id;
    let names: Vec<String> = (0..20).map(|n| format!("cloth {n}.png")).collect();
    let hand = store.by(By::default());
    let all = names.iter().map(|name| hand.put_swatch_file(option, name, "h", None));
    assert!(join_all(all).await.iter().all(Result::is_ok));
    assert_eq!(store.swatch_files(option).await.unwrap().len(), 20);
}

#[sqlx::test(migrations = false)]
async fn a_products_own_swatch_hides_the_books_until_it_rejoins(pool: MySqlPool) {
    let store = shop(pool).await;
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let option = colour(&store).await;
    let ember = option.values[0].id;
    let red = Swatch::of_colour(Colour([200, 0, 0]));
    let book = ValueChange { swatch: Some(Some(red.clone())), ..ValueChange::default() };
    store.by(By::default()).change_values(option.id, &[ember], &book).await.unwrap();
    store
        .by(By::default())
        .set_own_swatch(kite.id, ember, Some((&Swatch::Text, "Sold by name")))
        .await
        .unwrap();
    let shown =
        || async { store.product(&handle("whimbrel")).await.unwrap().unwrap().options[0].values[0].clone() };
    assert_eq!((shown().await.swatch, shown().await.from), (Swatch::Text, SwatchSource::Product));
    assert_eq!(store.own_swatches(option.id).await.unwrap()[0].why, "Sold by name");
    store.by(By::default()).set_own_swatch(kite.id, ember, None).await.unwrap();
    assert_eq!((shown().await.swatch, shown().await.from), (red, SwatchSource::Book));
    assert!(store.own_swatches(option.id).await.unwrap().is_empty());
}

#[sqlx::test(migrations = false)]
async fn a_new_value_joins_products_that_use_the_whole_option(pool: MySqlPool) {
    let store = shop(pool).await;
    let option = colour(&store).await.id;
    store.by(By::default()).add_value(option, &handle("dusk"), "Dusk").await.unwrap();
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let names: Vec<_> = kite.options[0].values.iter().map(|v| v.name.as_str()).collect();
    assert_eq!(names, ["Ember", "Chalk", "Dusk"]);
    assert_eq!(kite.variants.len(), 3, "what is sold stays as it was");
}

#[sqlx::test(migrations = false)]
async fn an_option_is_chosen_in_each_place_as_it_was_set(pool: MySqlPool) {
    let store = shop(pool).await;
    let option = colour(&store).await;
    assert_eq!((option.page, option.card), (Way::List, Way::Nothing));
}

#[sqlx::test(migrations = false)]
async fn who_offers_all_of_what_was_split_off_offers_what_is_added_there(pool: MySqlPool) {
    let store = shop(pool).await;
    let option = colour(&store).await;
    let ember = handle("ember");
    let mut spare = kite();
    (spare.handle, spare.options) = (handle("spare"), vec![(handle("colour"), vec![ember])]);
    spare.variants.retain(|variant| variant.values == [Some(0)]);
    spare.variants[0].sku = "S-E".into();
    store.by(By::default()).add_product(&spare).await.unwrap();
    let users = store.users_of(option.id).await.unwrap();
    let spare = users.iter().find(|user| user.handle == handle("spare")).unwrap().id;
    let only = option.values[0].id;
    let decide = move |_: &compagina_storage::UsedOption| Ok(vec![(only, None)]);
    store
        .by(By::default())
        .split_option(option.id, &[spare], &handle("shade"), "Shade", &decide)
        .await
        .unwrap();
    let offered = async || {
        let product = store.product(&handle("spare")).await.unwrap().unwrap();
        product.options[0].values.iter().map(|value| value.name.clone()).collect::<Vec<_>>()
    };
    assert_eq!(offered().await, ["Ember"]);
    let book = store.swatch_book().await.unwrap();
    let shade = book.iter().find(|one| one.handle == handle("shade")).unwrap().id;
    store.by(By::default()).add_value(shade, &handle("dusk"), "Dusk").await.unwrap();
    assert_eq!(offered().await, ["Ember", "Dusk"]);
    store.by(By::default()).add_value(option.id, &handle("dawn"), "Dawn").await.unwrap();
    assert_eq!(offered().await, ["Ember", "Dusk"], "the option that it left is another one");
}

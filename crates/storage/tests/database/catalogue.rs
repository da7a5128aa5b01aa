use crate::common::{handle, kite, shop};
use compagina_core::catalog::Selling;
use compagina_core::catalog::journal::Subject;
use compagina_core::catalog::{NewProduct, ProductState, Stock};
use compagina_core::format::{Checked, PlannedRow, PlannedValue};
use compagina_core::ids::{OptionId, VariantId};
use compagina_core::money::Money;
use compagina_core::page::Layout;
use compagina_core::template::Reach;
use compagina_storage::{By, Changed, Seen, StorageError, Store, VariantChange, VariantsSince, Which};
use sqlx::MySqlPool;
use std::collections::BTreeSet;

#[sqlx::test(migrations = false)]
async fn a_product_comes_back_as_it_was_kept(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    assert_eq!(product.name, "Whimbrel <b>");
    assert_eq!(product.price.format(store.shop().await.unwrap().unwrap().locale), "£68.00");
    assert_eq!(product.old_price.unwrap().minor, 8500);
    let names: Vec<_> = product.options[0].values.iter().map(|v| v.name.as_str()).collect();
    assert_eq!(names, ["Ember", "Chalk"]);
    let values: Vec<_> = product.variants.iter().map(|v| (v.values.clone(), v.stock)).collect();
    assert_eq!(
        values,
        [
            (vec![Some(0)], Stock::Counted(5)),
            (vec![Some(1)], Stock::Counted(0)),
            (vec![None], Stock::NotCounted)
        ]
    );
    assert_eq!(store.product(&handle("nobody")).await.unwrap(), None);
}

/// Whimbrel, and kites 2 to 5 after it.
async fn five_kites(pool: MySqlPool) -> Store {
    let store = shop(pool).await;
    for number in 2..6 {
        let mut more = crate::common::kite();
        more.handle = handle(&format!("kite-{number}"));
        more.variants.iter_mut().for_each(|v| v.sku = format!("{}-{number}", v.sku));
        store.by(By::default()).add_product(&more).await.unwrap();
    }
    store
}

#[sqlx::test(migrations = false)]
async fn neighbours_are_those_before_and_after_that_can_be_visited(pool: MySqlPool) {
    let store = five_kites(pool).await;
    let three = store.product(&handle("kite-3")).await.unwrap().unwrap();
    let around = async |product: &str| {
        let product = store.product(&handle(product)).await.unwrap().unwrap();
        let (before, after) = store.neighbours(product.id).await.unwrap();
        [before, after].map(|one| one.map_or(String::new(), |one| one.address.to_string()))
    };
    assert_eq!(around("kite-3").await, ["kite-2", "kite-4"]);
    assert_eq!(around("whimbrel").await, ["", "kite-2"]);
    assert_eq!(around("kite-5").await, ["kite-4", ""]);
    let withdrawn = Selling { state: ProductState::Withdrawn, ..three.selling() };
    store.by(By::default()).set_selling(three.id, &three.selling(), &withdrawn).await.unwrap();
    assert_eq!(
        (around("kite-2").await, around("kite-4").await),
        (["whimbrel".to_owned(), "kite-4".to_owned()], ["kite-2".to_owned(), "kite-5".to_owned()])
    );
    let beside = Which::OfTypeOf { product: three.id, most: 2 };
    let first = store.products(beside).await.unwrap();
    assert_eq!(first.iter().map(|p| p.handle.as_str()).collect::<Vec<_>>(), ["whimbrel", "kite-2"]);
}

#[sqlx::test(migrations = false)]
async fn products_of_a_type_come_in_parts(pool: MySqlPool) {
    let store = five_kites(pool).await;
    let types = store.types().await.unwrap();
    assert_eq!((types.len(), types[0].products), (1, 5));
    let part = Which::OfType { type_id: types[0].id, most: 2, skip: 2 };
    let part = store.products(part).await.unwrap();
    let handles: Vec<_> = part.iter().map(|p| p.handle.as_str()).collect();
    assert_eq!(handles, ["kite-3", "kite-4"]);
    assert!(part.iter().all(|p| p.variants.len() == 3 && p.options.len() == 1));
}

#[sqlx::test(migrations = false)]
async fn a_change_is_noted_for_every_reader(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let before = store.recent_changes().await.unwrap().len();
    store.by(By::default()).set_price(product.id, Money::new(5000, product.price.currency)).await.unwrap();
    store.by(By::default()).set_stock(product.variants[0].id, Stock::Counted(9)).await.unwrap();
    let was = Selling { price_minor: 5000, ..product.selling() };
    let alone = Selling { old_price_minor: None, ..was.clone() };
    store.by(By::default()).set_selling(product.id, &was, &alone).await.unwrap();
    let gone = Selling { state: ProductState::Withdrawn, ..alone.clone() };
    store.by(By::default()).set_selling(product.id, &alone, &gone).await.unwrap();
    let template = store.add_template("Kites", &Reach::fallback(), &Layout::default(), true).await.unwrap();
    let arrangement = store.arrangement_revision().await.unwrap();
    store.set_template(template, arrangement, "All kites", &Reach::fallback()).await.unwrap();
    let after: Vec<Changed> = store.recent_changes().await.unwrap().into_iter().map(|(_, c)| c).collect();
    let alone = Changed::Product(product.id);
    // One that goes is missed on the pages of others; templates leave products as they are.
    let all = [alone, alone, alone, Changed::Everything, Changed::Looks, Changed::Looks];
    assert_eq!(after[before..], all);
    let again = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    assert_eq!((again.price.minor, again.variants[0].stock), (5000, Stock::Counted(9)));
}

/// What a shop of an earlier version may hold: a variant of a value that the product doesn't offer any more.
#[sqlx::test(migrations = false)]
async fn a_variant_whose_value_is_gone_is_not_taken_for_any(pool: MySqlPool) {
    let store = shop(pool.clone()).await;
    for chosen in ["[999]", "[]"] {
        sqlx::query("UPDATE variant SET chosen = ? WHERE sku = 'W-E'")
            .bind(chosen)
            .execute(&pool)
            .await
            .unwrap();
        let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
        let skus: Vec<_> = kite.variants.iter().map(|variant| variant.sku.as_str()).collect();
        assert_eq!(skus, ["W-C", "W-ANY"], "{chosen}");
    }
}

#[sqlx::test(migrations = false)]
async fn what_is_withdrawn_or_was_never_sold_takes_no_place_beside_others(pool: MySqlPool) {
    let store = shop(pool.clone()).await;
    let state = |n: usize| match n % 3 {
        0 => ProductState::Withdrawn,
        1 => ProductState::New,
        _ => ProductState::OnSale,
    };
    for n in 0..30 {
        let variants = vec![];
        let handle = handle(&format!("kite-{n:02}"));
        let product =
            NewProduct { handle, state: state(n), variants, options: vec![], reviews: vec![], ..kite() };
        store.by(By::default()).add_product(&product).await.unwrap();
    }
    let whimbrel = store.product(&handle("whimbrel")).await.unwrap().unwrap().id;
    let beside = store.products(Which::OfTypeOf { product: whimbrel, most: 3 }).await.unwrap();
    assert!(beside.len() == 3 && beside.iter().all(compagina_core::catalog::Product::is_listed));
}

/// A checked file: a variant for each of these new values of an option.
fn variants_of(option: OptionId, names: &[String]) -> Checked {
    let row = |(place, _): (usize, &String)| PlannedRow {
        product: 0,
        sku: format!("NEW-{place}"),
        values: vec![PlannedValue::New(place)],
        price_minor: None,
        old_price_minor: None,
        stock: Stock::Counted(1),
        measure: None,
    };
    Checked {
        rows: names.iter().enumerate().map(row).collect(),
        new_values: names.iter().map(|name| (option, name.clone())).collect(),
        ..Checked::default()
    }
}

#[sqlx::test(migrations = false)]
async fn of_a_long_file_it_is_told_now_and_then_how_far_it_is(pool: MySqlPool) {
    let store = shop(pool).await;
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let names: Vec<String> = (0..501).map(|number| format!("Cloth {number}")).collect();
    let checked = variants_of(kite.options[0].id, &names);
    let told = std::sync::Mutex::new(vec![]);
    let tell = |number| told.lock().unwrap().push(number);
    store
        .by(By::default())
        .import_variants(&[kite.id], &[], &|_, _, _| Ok(checked.clone()), &tell)
        .await
        .unwrap();
    assert_eq!(*told.lock().unwrap(), [250, 500]);
}

#[sqlx::test(migrations = false)]
async fn values_from_a_file_get_addresses_of_their_own_however_long_or_alike_they_are(pool: MySqlPool) {
    let store = shop(pool).await;
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let option = kite.options[0].id;
    let long = "Ember ".repeat(16);
    let names =
        [long.trim().to_owned(), format!("{}!", long.trim()), "Chalk?".to_owned(), "Chalk!".to_owned()];
    let checked = variants_of(option, &names);
    store
        .by(By::default())
        .import_variants(&[kite.id], &[], &|_, _, _| Ok(checked.clone()), &|_| {})
        .await
        .unwrap();
    let book = store.swatch_book().await.unwrap();
    let handles: Vec<_> = book[0].values.iter().map(|value| value.handle.to_string()).collect();
    assert_eq!(handles[4..], ["chalk-2".to_owned(), "chalk-3".to_owned()], "{handles:?}");
    assert!(handles.iter().all(|handle| handle.len() <= 80), "{handles:?}");
}

#[sqlx::test(migrations = false)]
async fn a_page_moves_and_old_addresses_lead_on(pool: MySqlPool) {
    let store = five_kites(pool).await;
    let nobody = store.by(By::default());
    let product = async |name: &str| store.product(&handle(name)).await.unwrap().unwrap();
    let at = async |address: &str| {
        let found = store.at(&handle(address)).await.unwrap();
        found.map(|at| format!("{} at {}", at.handle, at.address)).unwrap_or_default()
    };
    let three = product("kite-3").await.id;
    for address in ["dunlin", "dunlin-pro", "knot"] {
        nobody.move_page(three, &handle(address)).await.unwrap();
    }
    assert_eq!(product("kite-3").await.path(), "/shop/products/knot");
    for address in ["knot", "dunlin-pro", "dunlin", "kite-3"] {
        assert_eq!(at(address).await, "kite-3 at knot", "{address}");
    }
    // What leads on belongs to somebody until it is let go.
    let two = product("kite-2").await.id;
    for (address, why) in [("knot", "is the address of"), ("dunlin", "leads on to")] {
        let refused = nobody.move_page(two, &handle(address)).await.unwrap_err().to_string();
        assert!(refused.contains(&format!("“{address}” {why} ")), "{refused}");
    }
    nobody.let_address_go(three, &handle("dunlin")).await.unwrap();
    assert_eq!(at("dunlin").await, "");
    nobody.move_page(two, &handle("dunlin")).await.unwrap();
    assert_eq!(at("dunlin").await, "kite-2 at dunlin");
    // It may move back, and then that leads nowhere else.
    nobody.move_page(three, &handle("kite-3")).await.unwrap();
    assert_eq!(at("knot").await, "kite-3 at kite-3");
    let old = store.old_addresses(three).await.unwrap();
    assert_eq!(old, [handle("knot"), handle("dunlin-pro")]);
    // As many as there can be lead on; the one that was left first goes.
    for number in 0..50 {
        nobody.move_page(three, &handle(&format!("at-{number}"))).await.unwrap();
    }
    let old = store.old_addresses(three).await.unwrap();
    assert_eq!((old.len(), old.contains(&handle("knot"))), (50, false));
    nobody.remove_product(three).await.unwrap();
    assert_eq!(at("at-49").await, "");
}

#[sqlx::test(migrations = false)]
async fn products_of_a_type_are_put_in_another_order(pool: MySqlPool) {
    let store = five_kites(pool).await;
    let nobody = store.by(By::default());
    let order = async || {
        let all = store.listed_products().await.unwrap();
        all.into_iter().map(|product| product.handle.to_string()).collect::<Vec<_>>()
    };
    let id = async |name: &str| store.product(&handle(name)).await.unwrap().unwrap().id;
    nobody.place_product(id("kite-5").await, Some(id("whimbrel").await)).await.unwrap();
    assert_eq!(order().await, ["whimbrel", "kite-5", "kite-2", "kite-3", "kite-4"]);
    nobody.place_product(id("kite-4").await, None).await.unwrap();
    assert_eq!(order().await, ["kite-4", "whimbrel", "kite-5", "kite-2", "kite-3"]);
}

#[sqlx::test(migrations = false)]
async fn of_all_products_it_is_told_how_many_variants_they_have_and_whether_there_is_any(pool: MySqlPool) {
    let store = five_kites(pool).await;
    let nobody = store.by(By::default());
    let listed = async || {
        let all = store.listed_products().await.unwrap();
        let one = all.into_iter().find(|product| product.handle.as_str() == "whimbrel").unwrap();
        (one.variants, one.in_stock, one.price_minor)
    };
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let ids: Vec<VariantId> = kite.variants.iter().map(|variant| variant.id).collect();
    let (count, _, price) = listed().await;
    assert_eq!(count as usize, ids.len());
    let set = |change: VariantChange| {
        let ids = ids.clone();
        async move { nobody.change_variants(kite.id, &ids, &change).await.unwrap() }
    };
    set(VariantChange { stock: Some(Stock::Counted(0)), ..VariantChange::default() }).await;
    assert_eq!(listed().await, (count, false, price));
    set(VariantChange {
        stock: Some(Stock::NotCounted),
        price_minor: Some(Some(700)),
        ..VariantChange::default()
    })
    .await;
    assert_eq!(listed().await, (count, true, 700));
}

#[sqlx::test(migrations = false)]
async fn products_with_a_typed_old_price_are_found_part_by_part(pool: MySqlPool) {
    let store = five_kites(pool.clone()).await;
    let nobody = store.by(By::default());
    sqlx::query("UPDATE product SET old_price_minor = NULL").execute(&pool).await.unwrap();
    let found = async |most, skip| {
        let all = store.products(Which::OldPriced { most, skip }).await.unwrap();
        all.into_iter().map(|product| product.handle.to_string()).collect::<Vec<_>>()
    };
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let ids: Vec<VariantId> = kite.variants.iter().map(|variant| variant.id).collect();
    let none = VariantChange { old_price_minor: Some(None), ..VariantChange::default() };
    nobody.change_variants(kite.id, &ids, &none).await.unwrap();
    assert_eq!(found(9, 0).await, Vec::<String>::new());
    let own = VariantChange { old_price_minor: Some(Some(9_900)), ..VariantChange::default() };
    nobody.change_variants(kite.id, &ids[..1], &own).await.unwrap();
    sqlx::query("UPDATE product SET old_price_minor = 100 WHERE handle = 'kite-3'")
        .execute(&pool)
        .await
        .unwrap();
    assert_eq!(found(9, 0).await, ["whimbrel", "kite-3"]);
    assert_eq!(
        (found(1, 0).await, found(1, 1).await),
        (vec!["whimbrel".to_owned()], vec!["kite-3".to_owned()])
    );
}

#[sqlx::test(migrations = false)]
async fn a_block_is_filled_as_a_whole_and_two_variants_can_exchange_their_skus(pool: MySqlPool) {
    let store = shop(pool).await;
    let nobody = store.by(By::default());
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let [one, two] = [0, 1].map(|at: usize| (kite.variants[at].id, kite.variants[at].sku.clone()));
    let set = |sku: &str, stock| VariantChange {
        sku: Some(sku.to_owned()),
        stock: Some(Stock::Counted(stock)),
        ..VariantChange::default()
    };
    nobody.fill_variants(kite.id, &[(one.0, set(&two.1, 5)), (two.0, set(&one.1, 6))]).await.unwrap();
    let now = async || {
        let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
        [0, 1].map(|at: usize| (kite.variants[at].sku.clone(), kite.variants[at].stock))
    };
    let exchanged = [(two.1.clone(), Stock::Counted(5)), (one.1.clone(), Stock::Counted(6))];
    assert_eq!(now().await, exchanged);
    let gone = VariantId(999_999);
    let refused = nobody.fill_variants(kite.id, &[(one.0, set("NEW", 1)), (gone, set("GONE", 1))]).await;
    assert!(matches!(refused, Err(StorageError::NotFound { what: "variant" })));
    assert_eq!(now().await, exchanged, "all or none");
}

#[sqlx::test(migrations = false)]
async fn which_variants_became_otherwise_since_is_told_until_some_came_or_nobody_knows(pool: MySqlPool) {
    let store = shop(pool).await;
    let nobody = store.by(By::default());
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let [one, two] = [0, 1].map(|at: usize| kite.variants[at].id);
    let seen = async || store.seen_product("whimbrel").await.unwrap().unwrap();
    let set = |stock| VariantChange { stock: Some(Stock::Counted(stock)), ..VariantChange::default() };
    let never = Seen { step: 0, ..seen().await };
    assert_eq!(store.variants_since(kite.id, never).await.unwrap(), None, "nobody knows any more");
    nobody.change_variants(kite.id, &[one], &set(40)).await.unwrap();
    let first = seen().await;
    let since = async || store.variants_since(kite.id, first).await.unwrap();
    assert_eq!(since().await, Some(VariantsSince::default()));
    nobody.change_variants(kite.id, &[two], &set(41)).await.unwrap();
    assert_eq!(since().await.unwrap().set, BTreeSet::from([two]));
    nobody.remove_variants(kite.id, &[two]).await.unwrap();
    let both = since().await.unwrap();
    assert_eq!((both.set.is_empty(), both.gone), (true, BTreeSet::from([two])));
    let other = Seen { subject: Subject::Shelf, ..first };
    assert_eq!(store.variants_since(kite.id, other).await.unwrap(), None, "something else was looked at");
    let choice = vec![("NEW-1".to_owned(), vec![None; kite.options.len()])];
    nobody.make_variants(kite.id, &|_| Ok(choice.clone())).await.unwrap();
    assert_eq!(since().await, None, "one came, whose place has to be read");
}

#[sqlx::test(migrations = false)]
async fn whose_a_sku_is_is_told_whatever_its_letters_but_of_ones_own(pool: MySqlPool) {
    let store = shop(pool).await;
    let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
    let asked = ["w-e".to_owned(), "W-C".to_owned(), "NOBODY'S".to_owned()];
    let owners = store.sku_owners(&asked, &[]).await.unwrap();
    let owners: Vec<(&str, &str)> = owners.iter().map(|(sku, name)| (sku.as_str(), name.as_str())).collect();
    assert_eq!(owners, [("w-c", "Whimbrel <b>"), ("w-e", "Whimbrel <b>")]);
    assert!(store.sku_owners(&asked, &[kite.id]).await.unwrap().is_empty());
    assert!(store.is_well().await);
    store.close().await;
    assert!(!store.is_well().await);
}

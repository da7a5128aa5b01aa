//! Every step on the catalogue is told, can be taken back and made again, by whoever took it and whatever it was.

use crate::common::{contact, handle, kite, put, shop};
use compagina_core::catalog::journal::{Area, Subject};
use compagina_core::catalog::{
    Merge, NewOption, NewProduct, Product, ProductState, Selling, Stock, Texts, Way,
};
use compagina_core::ids::{Handle, OptionId, ProductId, ValueId, VariantId};
use compagina_core::media::{FilmFile, Focus, PLAN};
use compagina_core::money::Money;
use compagina_core::swatch::{Fate, Palette, Swatch};
use compagina_core::time::Moment;
use compagina_storage::{
    BookOption, By, Hand, KeptFile, KeptPicture, LineExtra, OptionChange, Paying, PictureChange, PicturesOf,
    Placed, Seen as SeenAt, StorageError, Store, UsedOption, Uses, ValueChange, VariantChange, Which,
};
use proptest::prelude::*;
use proptest::strategy::ValueTree;
use proptest::test_runner::TestRunner;
use sqlx::MySqlPool;

type Done = compagina_storage::Result<()>;

fn by(owner: u64) -> By {
    By { owner: Some(owner), seen: None }
}

async fn owners(store: &Store) -> [u64; 2] {
    let ada = store.add_owner("ada@example.org", "Ada", "x").await.unwrap();
    [ada, store.add_owner("ben@example.org", "Ben", "x").await.unwrap()]
}

/// The kite beside a second one, with an option of sails that the first alone is chosen by.
async fn two_kites(pool: MySqlPool) -> Store {
    let store = shop(pool).await;
    let nobody = store.by(By::default());
    let values = ["Small", "Large"].map(|name| (name.to_owned(), None)).to_vec();
    let sail = NewOption { name: "Sail".into(), page: Way::List, card: Way::Nothing, values };
    nobody.add_options(&[sail]).await.unwrap();
    let variants = kite().variants.into_iter().map(|mut variant| {
        variant.sku = variant.sku.replace('W', "P");
        variant
    });
    let plover = NewProduct {
        handle: handle("plover"),
        name: "Plover".into(),
        variants: variants.collect(),
        ..kite()
    };
    let plover = nobody.add_product(&plover).await.unwrap();
    let option = store.swatch_book().await.unwrap()[0].id;
    for file in ["ember.png", "chalk.png"] {
        nobody.put_swatch_file(option, file, &"f".repeat(64), None).await.unwrap();
        nobody.add_picture(PicturesOf::Product(plover), file, &"f".repeat(64)).await.unwrap();
    }
    store
}

/// All that is read of the catalogue, but for what prices were before.
#[derive(Debug, PartialEq)]
struct Seen {
    products: Vec<(Product, Vec<Handle>, Vec<KeptPicture>)>,
    book: Vec<(BookOption, Vec<KeptFile>)>,
    palette: String,
    shop_pictures: Vec<KeptPicture>,
}

async fn seen(store: &Store) -> Seen {
    let kind = store.types().await.unwrap()[0].id;
    let mut products = Vec::new();
    for mut product in store.products(Which::OfType { type_id: kind, most: 100, skip: 0 }).await.unwrap() {
        product.history.clear();
        let pictures = store.pictures_of(PicturesOf::Product(product.id), PLAN).await.unwrap();
        let old = store.old_addresses(product.id).await.unwrap();
        products.push((product, old, pictures));
    }
    let mut book = Vec::new();
    for option in store.swatch_book().await.unwrap() {
        let files = store.swatch_files(option.id).await.unwrap();
        book.push((option, files));
    }
    let palette = store.palette().await.unwrap().to_text();
    let shop_pictures = store.pictures_of(PicturesOf::Shop, PLAN).await.unwrap();
    Seen { products, book, palette, shop_pictures }
}

fn colour() -> Swatch {
    Swatch::of_picture(&"a".repeat(64))
}

/// The first value of one becomes the first of the other, and the others come over; unless a product uses both.
fn merged(from: &UsedOption, into: &UsedOption) -> Result<Merge, String> {
    if from.option.id == into.option.id || from.users.iter().any(|user| into.users.contains(user)) {
        return Err("not these two".into());
    }
    let ids = |of: &UsedOption| of.option.values.iter().map(|value| value.id).collect::<Vec<ValueId>>();
    let (from, into) = (ids(from), ids(into));
    let same: Vec<_> = from.first().copied().zip(into.first().copied()).into_iter().collect();
    let over = from.into_iter().skip(same.len()).collect();
    Ok(Merge { same, over })
}

/// What an owner may do, drawn: what, to which, with which number.
type Act = (u8, usize, u32);

fn pick<T: Copy>(all: &[T], which: usize) -> Option<T> {
    (!all.is_empty()).then(|| all[which % all.len()])
}

/// What there is to work on.
struct There {
    products: Vec<Product>,
    book: Vec<BookOption>,
}

async fn there(store: &Store) -> There {
    let kind = store.types().await.unwrap()[0].id;
    let products = store.products(Which::OfType { type_id: kind, most: 100, skip: 0 }).await.unwrap();
    There { products, book: store.swatch_book().await.unwrap() }
}

/// Does one thing; nothing where there is nothing to do it to.
async fn act(store: &Store, hand: Hand<'_>, (what, which, number): Act) -> Done {
    let There { products, book } = there(store).await;
    let product = &products[which % products.len()];
    if !(12..26).contains(&what) {
        of_product(store, hand, product, (what, which, number)).await
    } else {
        of_book(store, hand, product, &book, (what, which, number)).await
    }
}

async fn of_product(store: &Store, hand: Hand<'_>, product: &Product, (what, which, number): Act) -> Done {
    let of = PicturesOf::Product(product.id);
    let pictures: Vec<u64> = store.pictures_of(of, PLAN).await?.iter().map(|picture| picture.id).collect();
    let variants: Vec<VariantId> = product.variants.iter().map(|variant| variant.id).collect();
    let some: Vec<VariantId> = variants.iter().copied().skip(which % 2).take(2).collect();
    match what {
        0 => {
            let texts = Texts {
                summary: format!("Summary {number}"),
                name: format!("Kite {which}"),
                ..product.texts()
            };
            hand.set_texts(product.id, &product.texts(), &texts).await
        }
        1 => {
            let state = if number % 3 == 0 { ProductState::Withdrawn } else { ProductState::OnSale };
            let selling = Selling { state, price_minor: i64::from(number), ..product.selling() };
            hand.set_selling(product.id, &product.selling(), &selling).await
        }
        2 => {
            let change = VariantChange {
                price_minor: Some((number % 2 == 0).then_some(i64::from(number))),
                stock: Some(Stock::Counted(number)),
                picture: Some(pick(&pictures, which)),
                ..VariantChange::default()
            };
            hand.change_variants(product.id, &some, &change).await
        }
        3 => {
            let Some(one) = pick(&variants, which) else { return Ok(()) };
            let change =
                VariantChange { sku: Some(format!("S-{number}-{which}")), ..VariantChange::default() };
            hand.change_variants(product.id, &[one], &change).await
        }
        4 => {
            let decide = |now: &Product| Ok(vec![(format!("N-{number}"), vec![None; now.options.len()])]);
            hand.make_variants(product.id, &decide).await
        }
        5 => hand.remove_variants(product.id, &some).await,
        6 => hand.add_picture(of, &format!("{number}.jpg"), &"b".repeat(64)).await.map(drop),
        7 => {
            let values = product.options.first().and_then(|option| Some(vec![option.values.first()?.id]));
            let change = PictureChange {
                alt: Some(format!("Alt {number}")),
                values,
                focus: Some(Focus { x: 1, y: 2 }),
            };
            hand.change_pictures(of, &pictures, &change).await
        }
        8 => hand.order_pictures(of, &pictures.iter().rev().copied().collect::<Vec<_>>()).await,
        9 => hand.remove_pictures(of, &pictures.iter().copied().take(1).collect::<Vec<_>>()).await,
        10 => match pick(&pictures, which) {
            Some(one) if number % 2 == 0 => hand.replace_picture(of, one, "new.jpg", &"c".repeat(64)).await,
            Some(one) => {
                hand.set_film(of, one, &FilmFile { hash: "d".repeat(64), width: 9, height: 9 }).await
            }
            None => hand.add_picture(PicturesOf::Shop, "shop.jpg", &"e".repeat(64)).await.map(drop),
        },
        26 => hand.move_page(product.id, &handle(&format!("at-{}", number % 5))).await,
        27 => match store.old_addresses(product.id).await?.first() {
            Some(old) => hand.let_address_go(product.id, old).await,
            None => Ok(()),
        },
        28 => {
            let all = there(store).await.products;
            let behind = pick(&all.iter().map(|one| one.id).collect::<Vec<_>>(), number as usize);
            hand.place_product(product.id, behind.filter(|_| number % 3 > 0)).await
        }
        _ if number % 2 == 0 => {
            hand.copy_product(product.id, &handle(&format!("copy-{number}-{which}")), "Copy").await.map(drop)
        }
        _ => hand.remove_product(product.id).await,
    }
}

async fn of_book(
    store: &Store,
    hand: Hand<'_>,
    product: &Product,
    book: &[BookOption],
    (what, which, number): Act,
) -> Done {
    let Some(option) = (!book.is_empty()).then(|| &book[which % book.len()]) else { return Ok(()) };
    let values: Vec<ValueId> = option.values.iter().map(|value| value.id).collect();
    let files: Vec<u64> = store.swatch_files(option.id).await?.iter().map(|kept| kept.file.id).collect();
    match what {
        12 => {
            let name = Some(format!("Option {number}"));
            hand.change_option(
                option.id,
                &OptionChange { name, page: Some(Way::Radios), ..OptionChange::default() },
            )
            .await
        }
        13 => {
            let change = ValueChange {
                note: Some(format!("Note {number}")),
                swatch: Some(Some(colour())),
                ..ValueChange::default()
            };
            hand.change_values(option.id, &values, &change).await
        }
        14 => hand
            .add_value(option.id, &handle(&format!("v{number}-{which}")), &format!("V {number}"))
            .await
            .map(drop),
        15 => match pick(&values, which) {
            Some(value) => hand.remove_value(option.id, value).await,
            None => Ok(()),
        },
        16 => {
            hand.put_swatch_file(option.id, &format!("f{}.png", number % 3), &format!("{number:064}"), None)
                .await
        }
        17 => match (pick(&files, which), pick(&values, which)) {
            (Some(file), Some(value)) => {
                hand.settle_files(option.id, &[(file, Some(Fate::For(value)))]).await
            }
            _ => Ok(()),
        },
        18 => hand.remove_swatch_files(option.id, &files).await,
        19 => hand.set_palette(&Palette::read(&format!("Ember #{number:06}")).unwrap()).await,
        20 => {
            let offered = product.options.first().and_then(|option| Some(option.values.first()?.id));
            match offered {
                Some(value) if number % 3 == 0 => hand.set_own_swatch(product.id, value, None).await,
                Some(value) => hand.set_own_swatch(product.id, value, Some((&colour(), "why"))).await,
                None => Ok(()),
            }
        }
        21 => {
            hand.add_option(&handle(&format!("o{number}-{which}")), &format!("O {number}"), Some(product.id))
                .await
        }
        22 => hand.remove_option(option.id).await,
        23 => {
            let decide = |now: &Product, book: &[BookOption]| {
                let values: Vec<ValueId> = option.values.iter().map(|value| value.id).collect();
                let mut uses: Vec<(OptionId, Vec<ValueId>, bool)> = now
                    .options
                    .iter()
                    .map(|used| (used.id, used.values.iter().map(|value| value.id).collect(), false))
                    .collect();
                let here = uses.iter().any(|(id, ..)| *id == option.id);
                if values.is_empty() || here || !book.iter().any(|known| known.id == option.id) {
                    return Err("not this one".into());
                }
                uses.push((option.id, values, number % 2 == 0));
                let chosen = now.variants.iter().map(|variant| {
                    let value = |(option, place): (&compagina_core::catalog::ProductOption, &Option<u16>)| {
                        place.map(|place| option.values[usize::from(place)].id)
                    };
                    let mut chosen: Vec<Option<ValueId>> =
                        now.options.iter().zip(&variant.values).map(value).collect();
                    chosen.push(None);
                    (variant.id, chosen)
                });
                Ok(Uses { chosen: chosen.collect(), uses })
            };
            hand.set_uses(product.id, &decide).await
        }
        24 => match book.get((which + 1) % book.len()) {
            Some(into) => hand.merge_options(option.id, into.id, &merged).await,
            None => Ok(()),
        },
        _ => {
            let users: Vec<ProductId> = store.users_of(option.id).await?.iter().map(|user| user.id).collect();
            let decide = |from: &UsedOption| {
                let values = from.option.values.iter().map(|value| (value.id, Some(colour())));
                if users.len() < 2 { Err("not these".to_owned()) } else { Ok(values.collect()) }
            };
            let new = handle(&format!("s{number}-{which}"));
            hand.split_option(
                option.id,
                &users[..users.len().min(1)],
                &new,
                &format!("Split {number}"),
                &decide,
            )
            .await
        }
    }
}

fn refused(error: &StorageError) -> bool {
    matches!(error, StorageError::Refused(_) | StorageError::Taken | StorageError::OvertakenBy { .. })
}

/// Every command of two owners in any order, some of them made on what was seen long ago: one that is refused changes
/// nothing, one that changed something is told, and the journal alone leads back to the beginning and forth again.
#[sqlx::test(migrations = false)]
async fn what_was_done_is_told_taken_back_and_made_again(pool: MySqlPool) {
    let store = two_kites(pool.clone()).await;
    let both = owners(&store).await;
    let mut runner = TestRunner::deterministic();
    let acts = prop::collection::vec((0u8..29, 0usize..6, 0u32..40, any::<bool>(), 0u8..4), 10..24);
    let beginning = seen(&store).await;
    let mut done = std::collections::BTreeSet::new();
    for case in 0..14 {
        let mut states = Vec::new();
        let first = last_step(&pool).await;
        let mut now = seen(&store).await;
        for (what, which, number, owner, late) in acts.new_tree(&mut runner).unwrap().current() {
            let subject = if which % 2 == 0 { Subject::Book } else { Subject::Product(ProductId(2)) };
            let looked_at = (late == 0).then_some(SeenAt { subject, step: first });
            let hand = store.by(By { owner: Some(both[usize::from(owner)]), seen: looked_at });
            let steps = last_step(&pool).await;
            let answer = act(&store, hand, (what, which, number)).await;
            let before = std::mem::replace(&mut now, seen(&store).await);
            let told = last_step(&pool).await > steps;
            match &answer {
                Ok(()) => assert_eq!(told, now != before, "case {case}: {what} {which} {number}"),
                Err(error) => {
                    assert!(refused(error), "case {case}: {what} {which} {number}: {error:?}");
                    assert_eq!((told, &now), (false, &before), "case {case}: {what} was refused: {error}");
                }
            }
            if told {
                done.insert(what);
                states.push((last_step(&pool).await, before));
            }
        }
        let end = now;
        let mut takers = Vec::new();
        for (step, before) in states.iter().rev() {
            store
                .by(by(both[0]))
                .undo_step(*step)
                .await
                .unwrap_or_else(|e| panic!("case {case}, step {step}: {e:?}"));
            assert_eq!(&seen(&store).await, before, "case {case}: back before step {step}");
            takers.push(last_step(&pool).await);
        }
        assert_eq!(seen(&store).await, beginning);
        for taker in takers.iter().rev() {
            store.by(by(both[1])).undo_step(*taker).await.unwrap();
        }
        assert_eq!(seen(&store).await, end, "case {case}: the journal holds all of it");
        for (step, _) in states.iter().rev() {
            store
                .by(by(both[0]))
                .undo_step(*step)
                .await
                .unwrap_or_else(|e| panic!("case {case}, step {step}: {e:?}"));
        }
        assert_eq!(seen(&store).await, beginning);
    }
    assert_eq!(done.len(), 29, "every command was taken at least once: {done:?}");
}

/// The number of the newest step.
async fn last_step(pool: &MySqlPool) -> u64 {
    sqlx::query_scalar::<_, Option<u64>>("SELECT MAX(id) FROM catalogue_step")
        .fetch_one(pool)
        .await
        .unwrap()
        .unwrap_or(0)
}

fn stock(count: u32) -> VariantChange {
    VariantChange { stock: Some(Stock::Counted(count)), ..VariantChange::default() }
}

async fn whimbrel(store: &Store) -> Product {
    store.product(&handle("whimbrel")).await.unwrap().unwrap()
}

async fn buy(store: &Store, variant: VariantId, count: u32, of: &Product) {
    let cart = store.add_cart(&[7; 32]).await.unwrap();
    put(store, cart, variant, &LineExtra::default(), count, of.price).await.unwrap();
    let contact = contact();
    let paying = Paying { contact: &contact, provider: "card", once: "" };
    let placed = store.place_order(cart, &paying, Moment(0)).await.unwrap();
    assert!(matches!(placed, Placed::Waiting(_)), "{placed:?}");
}

#[sqlx::test(migrations = false)]
async fn what_shoppers_bought_since_stays_bought_and_who_counted_since_is_told_of(pool: MySqlPool) {
    let store = shop(pool).await;
    let [ada, ben] = owners(&store).await;
    let (kite, subject) = (whimbrel(&store).await, |id| Subject::Within(id, Area::Variants));
    let ember = kite.variants[0].id;
    store.by(by(ada)).change_variants(kite.id, &[ember], &stock(8)).await.unwrap();
    buy(&store, ember, 2, &kite).await;
    assert_eq!(store.by(by(ada)).undo(subject(kite.id)).await.unwrap(), "Stock of W-E: 5 → 8");
    assert_eq!(whimbrel(&store).await.variants[0].stock, Stock::Counted(3), "five, of which two are sold");
    store.by(by(ada)).redo(subject(kite.id)).await.unwrap();
    assert_eq!(whimbrel(&store).await.variants[0].stock, Stock::Counted(6));
    store.by(by(ben)).change_variants(kite.id, &[ember], &stock(20)).await.unwrap();
    let late = store.by(by(ada)).undo(subject(kite.id)).await.unwrap_err();
    assert!(
        matches!(&late, StorageError::OvertakenBy { who: Some(who), told } if who == "Ben" && told.contains("→ 20")),
        "{late:?}"
    );
    assert_eq!(whimbrel(&store).await.variants[0].stock, Stock::Counted(20));
}

#[sqlx::test(migrations = false)]
async fn each_takes_back_what_is_her_own_and_a_new_step_ends_what_could_be_made_again(pool: MySqlPool) {
    let store = shop(pool).await;
    let [ada, ben] = owners(&store).await;
    let kite = whimbrel(&store).await;
    let subject = Subject::Product(kite.id);
    let told = |text: &str| Texts { summary: text.into(), ..kite.texts() };
    store.by(by(ada)).set_texts(kite.id, &kite.texts(), &told("One.")).await.unwrap();
    let brand = Texts { brand: "Ben & Co".into(), ..kite.texts() };
    store.by(by(ben)).set_texts(kite.id, &kite.texts(), &brand).await.unwrap();
    let now = whimbrel(&store).await;
    assert_eq!((now.summary.as_str(), now.brand.as_str()), ("One.", "Ben & Co"), "both stay");
    let same = store.by(by(ben)).set_texts(kite.id, &kite.texts(), &told("Two.")).await.unwrap_err();
    assert!(matches!(&same, StorageError::Overtaken { what } if what == "summary"), "{same:?}");

    assert_eq!(store.by(by(ada)).undo(subject).await.unwrap(), "Summary: A kite. → One.");
    let now = whimbrel(&store).await;
    assert_eq!((now.summary.as_str(), now.brand.as_str()), ("A kite.", "Ben & Co"));
    assert!(
        matches!(store.by(by(ada)).undo(subject).await, Err(StorageError::NoStep { .. })),
        "the rest is Ben's"
    );
    store.by(by(ada)).redo(subject).await.unwrap();
    store.by(by(ada)).undo(subject).await.unwrap();
    store.by(by(ada)).set_price(kite.id, Money { minor: 1, ..kite.price }).await.unwrap();
    assert!(matches!(store.by(by(ada)).redo(subject).await, Err(StorageError::NoStep { .. })));
    let lines: Vec<String> =
        store.steps(subject, None, 9).await.unwrap().into_iter().map(|step| step.told).collect();
    assert_eq!(lines[0], "Price: 68.00 → 0.01");
    assert_eq!(lines[1], "Taken back: Summary: A kite. → One.");
    assert_eq!(lines[2], "Made again: Summary: A kite. → One.");
    assert_eq!(lines.last().unwrap(), "“Whimbrel <b>” made");
}

#[sqlx::test(migrations = false)]
async fn a_product_comes_back_with_all_that_hung_on_it_unless_its_address_is_taken(pool: MySqlPool) {
    let store = two_kites(pool).await;
    let [ada, _] = owners(&store).await;
    let hand = store.by(by(ada));
    let kite = whimbrel(&store).await;
    hand.set_price(kite.id, Money { minor: 7000, ..kite.price }).await.unwrap();
    store.note_interest(kite.id, Some(kite.variants[1].id), "jo@example.org").await.unwrap();
    let before = whimbrel(&store).await;
    assert!(
        before.rating.counts.iter().sum::<u32>() == 3
            && before.history.len() == 1
            && before.reviews.len() == 3
    );
    let hanging = store.hanging_on(kite.id).await.unwrap();
    assert_eq!((hanging.variants, hanging.reviews, hanging.waiting), (3, 3, 1));
    hand.remove_product(kite.id).await.unwrap();
    assert!(store.product(&handle("whimbrel")).await.unwrap().is_none());
    assert_eq!(hand.undo(Subject::Shelf).await.unwrap(), "“Whimbrel <b>” removed");
    assert_eq!(whimbrel(&store).await, before);
    assert_eq!(store.interest_in(kite.id).await.unwrap().len(), 1);

    hand.remove_product(kite.id).await.unwrap();
    let another =
        store.by(By::default()).copy_product(ProductId(kite.id.0 + 1), &handle("whimbrel"), "Another").await;
    let why = hand.undo(Subject::Shelf).await.unwrap_err().to_string();
    assert_eq!(why, "the address, name or SKU that it had belongs to something else by now");
    store.by(By::default()).remove_product(another.unwrap()).await.unwrap();
    hand.undo(Subject::Shelf).await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn a_product_is_brought_back_to_what_it_was_after_a_step_by_whomever(pool: MySqlPool) {
    let store = shop(pool).await;
    let [ada, ben] = owners(&store).await;
    let (kite, subject) = (whimbrel(&store).await, |id| Subject::Product(id));
    store.by(by(ada)).set_price(kite.id, Money { minor: 100, ..kite.price }).await.unwrap();
    let then = (store.revision_of(subject(kite.id)).await.unwrap(), whimbrel(&store).await);
    store.by(by(ben)).change_variants(kite.id, &[kite.variants[0].id], &stock(1)).await.unwrap();
    store.by(by(ada)).set_price(kite.id, Money { minor: 200, ..kite.price }).await.unwrap();
    store.by(by(ada)).undo(subject(kite.id)).await.unwrap();
    store.by(by(ben)).remove_variants(kite.id, &[kite.variants[1].id]).await.unwrap();
    let seen = SeenAt { subject: subject(kite.id), step: then.0 };
    assert_eq!(SeenAt::read(&seen.to_string()), Some(seen));
    let late = By { owner: Some(ada), seen: Some(seen) };
    let taken = store.by(late).change_variants(kite.id, &[kite.variants[0].id], &stock(2)).await.unwrap_err();
    assert!(matches!(taken, StorageError::OvertakenBy { .. }), "Ben counted it since: {taken:?}");
    store.by(by(ben)).bring_back(subject(kite.id), then.0).await.unwrap();
    let back = Product { history: then.1.history.clone(), ..whimbrel(&store).await };
    assert_eq!(back, then.1);
    store.by(by(ben)).redo(subject(kite.id)).await.unwrap();
    assert_eq!(whimbrel(&store).await.variants.len(), 2, "and all of it forth again");
}

#[sqlx::test(migrations = false)]
async fn a_copy_has_its_own_skus_no_stock_and_is_not_on_sale(pool: MySqlPool) {
    let store = two_kites(pool).await;
    let plover = store.product(&handle("plover")).await.unwrap().unwrap();
    let hand = store.by(By::default());
    for name in ["plover-b", "plover-c"] {
        hand.copy_product(plover.id, &handle(name), "Plover too").await.unwrap();
    }
    let copy = store.product(&handle("plover-c")).await.unwrap().unwrap();
    assert_eq!(copy.state, ProductState::New);
    let skus: Vec<_> =
        copy.variants.iter().map(|variant| (variant.sku.as_str(), variant.stock.left())).collect();
    assert_eq!(skus, [("P-E-3", Some(0)), ("P-C-3", Some(0)), ("P-ANY-3", None)]);
    assert_eq!((&copy.texts().summary, &copy.options), (&plover.summary, &plover.options));
    assert_eq!(
        (copy.reviews.len(), copy.history.len()),
        (0, 0),
        "what was said of the other wasn't said of it"
    );
}

#[sqlx::test(migrations = false)]
async fn what_hangs_on_a_value_is_counted_and_a_value_in_use_isnt_taken_back(pool: MySqlPool) {
    let store = two_kites(pool).await;
    let [ada, _] = owners(&store).await;
    let option = store.swatch_book().await.unwrap().remove(0);
    assert_eq!(store.hanging_on_value(option.values[0].id).await.unwrap(), (2, 2), "one Ember of each kite");
    let added = store.by(by(ada)).add_value(option.id, &handle("plum"), "Plum").await.unwrap();
    assert_eq!(store.hanging_on_value(added).await.unwrap(), (2, 0), "both use the whole option");
    let kite = whimbrel(&store).await;
    let decide = |_: &Product| Ok(vec![("W-P".to_owned(), vec![Some(added)])]);
    store.by(By::default()).make_variants(kite.id, &decide).await.unwrap();
    let why = store.by(by(ada)).undo(Subject::Book).await.unwrap_err().to_string();
    assert_eq!(why, "variants have this value by now");
    assert_eq!(store.hanging_on_value(added).await.unwrap(), (2, 1), "nothing was changed");
}

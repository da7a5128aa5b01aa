//! Who wants to hear of what, and what is written to them, once.

use crate::common::{handle, shop};
use compagina_core::catalog::{Product, Selling, Stock};
use compagina_core::ids::VariantId;
use compagina_storage::{By, Message, Store, VariantChange};
use sqlx::MySqlPool;

async fn kite(store: &Store) -> Product {
    store.product(&handle("whimbrel")).await.unwrap().unwrap()
}

/// The number of the variant with a SKU.
async fn variant(store: &Store, sku: &str) -> VariantId {
    kite(store).await.variants.iter().find(|variant| variant.sku == sku).unwrap().id
}

async fn set_stock(store: &Store, sku: &str, stock: Stock) {
    let change = VariantChange { stock: Some(stock), ..VariantChange::default() };
    let (product, variant) = (kite(store).await.id, variant(store, sku).await);
    store.by(By::default()).change_variants(product, &[variant], &change).await.unwrap();
}

/// To whom there is news, in the order in which they asked.
async fn heard(store: &Store) -> Vec<String> {
    store.news().await.unwrap().into_iter().map(|news| news.email).collect()
}

#[sqlx::test(migrations = false)]
async fn who_waits_for_a_choice_hears_of_that_choice_and_who_waits_for_any_of_the_first(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = kite(&store).await.id;
    for sku in ["W-E", "W-ANY"] {
        set_stock(&store, sku, Stock::Counted(0)).await;
    }
    let (ember, chalk) = (variant(&store, "W-E").await, variant(&store, "W-C").await);
    store.note_interest(product, Some(ember), "ember@example.org").await.unwrap();
    store.note_interest(product, Some(chalk), "chalk@example.org").await.unwrap();
    store.note_interest(product, None, "any@example.org").await.unwrap();
    assert!(heard(&store).await.is_empty());
    set_stock(&store, "W-C", Stock::Counted(2)).await;
    assert_eq!(heard(&store).await, ["chalk@example.org", "any@example.org"]);
    set_stock(&store, "W-E", Stock::NotCounted).await;
    assert_eq!(heard(&store).await, ["ember@example.org", "chalk@example.org", "any@example.org"]);
    // What isn't sold is no news, whatever there is of it.
    let now = kite(&store).await;
    let withdrawn = Selling { state: compagina_core::catalog::ProductState::Withdrawn, ..now.selling() };
    store.by(By::default()).set_selling(product, &now.selling(), &withdrawn).await.unwrap();
    assert!(heard(&store).await.is_empty());
}

#[sqlx::test(migrations = false)]
async fn asking_twice_is_asking_once_until_it_was_told(pool: MySqlPool) {
    let store = shop(pool).await;
    let (product, chalk) = (kite(&store).await.id, variant(&store, "W-C").await);
    for _ in 0..3 {
        store.note_interest(product, Some(chalk), "jo@example.org").await.unwrap();
    }
    let waiting = store.interest_in(product).await.unwrap();
    assert_eq!(waiting.get(&Some(chalk)), Some(&1));
    set_stock(&store, "W-C", Stock::Counted(1)).await;
    let news = store.news().await.unwrap();
    assert_eq!(
        (news.len(), news[0].name.as_str(), news[0].address.as_str()),
        (1, "Whimbrel <b>", "whimbrel")
    );
    let message = Message { address: "jo@example.org".into(), subject: "Back".into(), body: "…".into() };
    // Whichever process is first tells it; the others tell nothing.
    for _ in 0..2 {
        store.tell(news[0].interest, &message).await.unwrap();
    }
    assert_eq!(store.outbox(10).await.unwrap().len(), 1);
    assert!(store.news().await.unwrap().is_empty());
    assert!(store.interest_in(product).await.unwrap().is_empty());
    // Sold out again, they may ask again.
    set_stock(&store, "W-C", Stock::Counted(0)).await;
    store.note_interest(product, Some(chalk), "jo@example.org").await.unwrap();
    assert_eq!(store.interest_in(product).await.unwrap().get(&Some(chalk)), Some(&1));
}

#[sqlx::test(migrations = false)]
async fn the_news_tells_where_the_page_stands_by_now(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = kite(&store).await.id;
    store.note_interest(product, None, "jo@example.org").await.unwrap();
    store.by(By::default()).move_page(product, &handle("knot")).await.unwrap();
    assert_eq!(store.news().await.unwrap()[0].address, handle("knot"));
}

use crate::common::{contact, handle, put, shop};
use compagina_core::cart::MOST_LINES;
use compagina_core::catalog::{Product, Stock};
use compagina_core::money::Money;
use compagina_core::price::PlanId;
use compagina_core::time::Moment;
use compagina_storage::{
    By, CartChange, CartRow, Contact, LineExtra, OrderState, Paying, Placed, StorageError, Store,
};
use sqlx::MySqlPool;

async fn kite(store: &Store) -> Product {
    store.product(&handle("whimbrel")).await.unwrap().unwrap()
}

async fn filled_cart(store: &Store, token: u8, variant: usize, quantity: u32) -> CartRow {
    let kite = kite(store).await;
    let cart = store.add_cart(&[token; 32]).await.unwrap();
    put(store, cart, kite.variants[variant].id, &LineExtra::default(), quantity, kite.price).await.unwrap();
    cart
}

fn paying(contact: &Contact) -> Paying<'_> {
    Paying { contact, provider: "card", once: "" }
}

fn number(placed: &Placed) -> Option<u64> {
    if let Placed::Waiting(id) = placed { Some(*id) } else { None }
}

#[sqlx::test(migrations = false)]
async fn twenty_orders_for_the_last_five_sell_five(pool: MySqlPool) {
    let store = shop(pool).await;
    let mut carts = Vec::new();
    for token in 0..20 {
        carts.push(filled_cart(&store, token, 0, 1).await);
    }
    let contact = contact();
    let paying = paying(&contact);
    let placed =
        futures_util::future::join_all(carts.iter().map(|cart| store.place_order(*cart, &paying, Moment(0))))
            .await;
    let placed: Vec<Placed> = placed.into_iter().map(Result::unwrap).collect();
    assert_eq!(placed.iter().filter(|p| number(p).is_some()).count(), 5);
    assert_eq!(placed.iter().filter(|p| **p == Placed::NotAsSeen).count(), 15);
    assert_eq!(kite(&store).await.variants[0].stock, Stock::Counted(0));
}

#[sqlx::test(migrations = false)]
async fn a_refused_payment_gives_the_stock_and_the_cart_back(pool: MySqlPool) {
    let store = shop(pool).await;
    let cart = filled_cart(&store, 1, 0, 3).await;
    let order = number(&store.place_order(cart, &paying(&contact()), Moment(0)).await.unwrap()).unwrap();
    assert_eq!(kite(&store).await.variants[0].stock, Stock::Counted(2));
    assert_eq!(store.cart_count(cart).await.unwrap(), 0);
    for _ in 0..2 {
        store.settle_order(order, false, None).await.unwrap();
    }
    assert_eq!(kite(&store).await.variants[0].stock, Stock::Counted(5), "given back once");
    assert_eq!(store.cart_count(cart).await.unwrap(), 3);
    assert_eq!(store.order(order, cart).await.unwrap().unwrap().state, OrderState::Refused);
}

#[sqlx::test(migrations = false)]
async fn a_paid_order_keeps_its_lines_and_belongs_to_its_shopper(pool: MySqlPool) {
    let store = shop(pool).await;
    let cart = filled_cart(&store, 1, 0, 2).await;
    let order = number(&store.place_order(cart, &paying(&contact()), Moment(0)).await.unwrap()).unwrap();
    store.settle_order(order, true, None).await.unwrap();
    store.settle_order(order, false, None).await.unwrap();
    let kept = store.order(order, cart).await.unwrap().unwrap();
    assert_eq!((kept.state, kept.total.minor), (OrderState::Paid, 13_600));
    assert_eq!((kept.lines[0].what.as_str(), kept.lines[0].quantity), ("Whimbrel <b>, Ember", 2));
    assert!(store.order(order, CartRow { id: cart.id + 1 }).await.unwrap().is_none());
    assert_eq!(
        store.place_order(cart, &paying(&contact()), Moment(0)).await.unwrap(),
        Placed::Empty,
        "a second click orders nothing"
    );
}

#[sqlx::test(migrations = false)]
async fn a_price_that_changed_since_is_not_sold_silently(pool: MySqlPool) {
    let store = shop(pool).await;
    let cart = filled_cart(&store, 1, 0, 1).await;
    let product = kite(&store).await;
    let dearer = Money::new(7000, product.price.currency);
    store.by(By::default()).set_price(product.id, dearer).await.unwrap();
    assert_eq!(store.place_order(cart, &paying(&contact()), Moment(0)).await.unwrap(), Placed::NotAsSeen);
    // A change of the shopper's own doesn't hide what is news; taking the cart as it is does.
    let line = store.cart_items(cart).await.unwrap().remove(0).line_id;
    store.change_cart(cart, &CartChange::Set { line, quantity: 2 }, Moment(0)).await.unwrap();
    assert_eq!(store.place_order(cart, &paying(&contact()), Moment(0)).await.unwrap(), Placed::NotAsSeen);
    store.accept_cart(cart, Moment(0)).await.unwrap();
    assert!(number(&store.place_order(cart, &paying(&contact()), Moment(0)).await.unwrap()).is_some());
}

#[sqlx::test(migrations = false)]
async fn what_is_not_counted_is_always_to_be_had(pool: MySqlPool) {
    let store = shop(pool).await;
    let cart = filled_cart(&store, 1, 2, 90).await;
    assert!(number(&store.place_order(cart, &paying(&contact()), Moment(0)).await.unwrap()).is_some());
    assert_eq!(kite(&store).await.variants[2].stock, Stock::NotCounted);
}

#[sqlx::test(migrations = false)]
async fn a_cart_line_belongs_to_its_cart(pool: MySqlPool) {
    let store = shop(pool).await;
    let (mine, other) = (filled_cart(&store, 1, 0, 2).await, filled_cart(&store, 2, 0, 1).await);
    let line = store.cart_items(mine).await.unwrap().remove(0).line_id;
    store.change_cart(other, &CartChange::Set { line, quantity: 0 }, Moment(0)).await.unwrap();
    assert_eq!(store.cart_count(mine).await.unwrap(), 2);
    store.change_cart(mine, &CartChange::Set { line, quantity: 0 }, Moment(0)).await.unwrap();
    assert_eq!(store.cart_count(mine).await.unwrap(), 0);
}

#[sqlx::test(migrations = false)]
async fn putting_the_same_again_adds_up_to_ninety_nine_at_the_newest_price(pool: MySqlPool) {
    let store = shop(pool).await;
    let cart = filled_cart(&store, 1, 2, 60).await;
    let product = kite(&store).await;
    let newer = Money::new(7000, product.price.currency);
    put(&store, cart, product.variants[2].id, &LineExtra::default(), 60, newer).await.unwrap();
    let items = store.cart_items(cart).await.unwrap();
    assert_eq!((items.len(), items[0].quantity, items[0].seen), (1, 99, newer));
}

#[sqlx::test(migrations = false)]
async fn a_full_cart_takes_more_of_what_lies_in_it_and_nothing_else(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = kite(&store).await;
    let cart = store.add_cart(&[1; 32]).await.unwrap();
    let written = |text: &str| LineExtra { plan: None, text: Some(text.to_owned()) };
    let any = product.variants[2].id;
    for line in 0..MOST_LINES {
        put(&store, cart, any, &written(&format!("Name {line}")), 1, product.price).await.unwrap();
    }
    put(&store, cart, any, &written("Name 7"), 1, product.price).await.unwrap();
    let other = LineExtra { plan: Some(PlanId(3)), ..written("Name 7") };
    for (variant, extra) in
        [(any, written("Another name")), (product.variants[0].id, written("Name 7")), (any, other)]
    {
        let full = put(&store, cart, variant, &extra, 1, product.price).await;
        assert!(matches!(full, Err(StorageError::CartFull { most: MOST_LINES })), "{full:?}");
    }
    assert_eq!(store.cart_count(cart).await.unwrap(), u64::try_from(MOST_LINES).unwrap() + 1);
}

#[sqlx::test(migrations = false)]
async fn two_shoppers_cannot_both_buy_the_last_one(pool: MySqlPool) {
    let store = shop(pool).await;
    store.by(By::default()).set_stock(kite(&store).await.variants[0].id, Stock::Counted(1)).await.unwrap();
    for round in 0..5u8 {
        let (a, b) =
            (filled_cart(&store, round * 2, 0, 1).await, filled_cart(&store, round * 2 + 1, 0, 1).await);
        let contact = contact();
        let paying = paying(&contact);
        let (a, b) =
            tokio::join!(store.place_order(a, &paying, Moment(0)), store.place_order(b, &paying, Moment(0)));
        let sold: Vec<u64> = [a.unwrap(), b.unwrap()].iter().filter_map(number).collect();
        assert_eq!(sold.len(), 1, "round {round}");
        store.settle_order(sold[0], false, None).await.unwrap();
        assert_eq!(kite(&store).await.variants[0].stock, Stock::Counted(1), "given back");
    }
}

#[sqlx::test(migrations = false)]
async fn an_order_whose_payment_was_cut_off_is_found_after_a_while(pool: MySqlPool) {
    let store = shop(pool.clone()).await;
    let cart = filled_cart(&store, 1, 0, 1).await;
    let order = number(&store.place_order(cart, &paying(&contact()), Moment(0)).await.unwrap()).unwrap();
    assert!(store.stale_orders().await.unwrap().is_empty());
    sqlx::query("UPDATE shop_order SET placed_at = placed_at - INTERVAL 1 HOUR")
        .execute(&pool)
        .await
        .unwrap();
    assert_eq!(store.stale_orders().await.unwrap(), [order]);
    store.settle_order(order, true, None).await.unwrap();
    assert!(store.stale_orders().await.unwrap().is_empty());
}

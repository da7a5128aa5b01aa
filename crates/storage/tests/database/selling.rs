//! Price history, lines that differ by plan or text, forms that are sent twice, wishes.

use crate::common::{contact, handle, put, shop};
use compagina_core::catalog::{Product, Selling, Signs, Stock, Terms, TextTerms};
use compagina_core::price::{
    Counted, Effect, OldFrom, Period, Plan, PlanId, PriceBook, PriceRule, RuleId, RuleReach, SavedOn, Step,
};
use compagina_core::time::Moment;
use compagina_storage::{
    By, CartChange, DocumentName, DraftId, LineExtra, Paying, Placed, Store, VariantChange,
};
use sqlx::MySqlPool;

async fn kite(store: &Store) -> Product {
    store.product(&handle("whimbrel")).await.unwrap().unwrap()
}

fn selling(product: &Product, price_minor: i64) -> Selling {
    Selling {
        state: product.state,
        price_minor,
        old_price_minor: None,
        most_per_order: None,
        terms: Terms::default(),
    }
}

/// The same product, onto which shoppers may write a name.
async fn written_onto(store: &Store, product: Product) -> Product {
    let label = "Name".into();
    let text = TextTerms { label, lines: 1, most: 20, signs: Signs::Any, surcharge: 0, needed: false };
    let terms = Terms { text: Some(text), ..Terms::default() };
    let selling = Selling { terms, ..selling(&product, product.price.minor) };
    store.by(By::default()).set_selling(product.id, &product.selling(), &selling).await.unwrap();
    product
}

#[sqlx::test(migrations = false)]
async fn every_change_of_a_price_is_recorded_with_what_was_before_it(pool: MySqlPool) {
    let store = shop(pool).await;
    let before = kite(&store).await;
    for price in [7000, 7000, 6500] {
        store
            .by(By::default())
            .set_selling(before.id, &kite(&store).await.selling(), &selling(&before, price))
            .await
            .unwrap();
    }
    let variant = before.variants[0].id;
    for price in [Some(6000), Some(6000), None] {
        let change = VariantChange { price_minor: Some(price), ..VariantChange::default() };
        store.by(By::default()).change_variants(before.id, &[variant], &change).await.unwrap();
    }
    let told: Vec<_> = kite(&store).await.history.iter().map(|change| (change.variant, change.was)).collect();
    let own = before.variants[0].price.map(|price| price.minor);
    let expected = [
        (None, Some(before.price.minor)),
        (None, Some(7000)),
        (Some(variant), own),
        (Some(variant), Some(6000)),
    ];
    assert_eq!(told, expected, "the same price again is no change");
}

#[sqlx::test(migrations = false)]
async fn rules_that_were_in_force_are_kept_for_the_old_price(pool: MySqlPool) {
    let store = shop(pool.clone()).await;
    let sale = PriceRule {
        id: RuleId(1),
        name: "Sale".into(),
        reach: RuleReach::All,
        except: vec![],
        steps: vec![Step { from: 1, effect: Effect::Percent { hundredths: 5000 } }],
        counted: Counted::Product,
        total: None,
        with: vec![],
        from: None,
        until: None,
        on: true,
    };
    let on = PriceBook { rules: vec![sale], old: OldFrom::Lowest, ..PriceBook::default() };
    let off = PriceBook { old: OldFrom::Lowest, ..PriceBook::default() };
    for (revision, book) in (0..).zip([&on, &off]) {
        store.set_document(DocumentName::Prices, 1, revision, book).await.unwrap();
        store.publish(DraftId::Shop(DocumentName::Prices), 1, revision + 1, "").await.unwrap();
        store.publish(DraftId::Shop(DocumentName::Prices), 1, revision + 1, "").await.unwrap();
    }
    let past = store.past_prices().await.unwrap();
    assert_eq!(past.iter().map(|past| past.book.rules.len()).collect::<Vec<_>>(), [0, 1], "oldest first");
    // The sale was half an hour ago.
    sqlx::query("UPDATE past_prices SET until_at = until_at - 1800 * (3 - id)").execute(&pool).await.unwrap();
    let kite = kite(&store).await;
    let now = Moment(chrono::Utc::now().timestamp());
    let prices = store.prices(now).await.unwrap();
    let lowest = prices.lowest_before(&kite, &kite.variants[0]).unwrap();
    let unit = prices.quote(&kite, &kite.variants[0], 1).unwrap().quote.unit;
    assert_eq!(lowest.amount.minor * 2, unit.minor, "it cost half before");
}

#[sqlx::test(migrations = false)]
async fn lines_that_differ_by_plan_or_text_stand_apart_and_come_back_so(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = kite(&store).await;
    let product = written_onto(&store, product).await;
    let plan = Plan {
        id: PlanId(7),
        reach: RuleReach::All,
        every: 8,
        period: Period::Weeks,
        hundredths: 0,
        saved_on: SavedOn::All,
        once: true,
    };
    let book = PriceBook { plans: vec![plan.clone()], ..PriceBook::default() };
    store.set_document(DocumentName::Prices, 1, 0, &book).await.unwrap();
    store.publish(DraftId::Shop(DocumentName::Prices), 1, 1, "").await.unwrap();
    let cart = store.add_cart(&[1; 32]).await.unwrap();
    let text = |text: &str| LineExtra { text: Some(text.to_owned()), plan: None };
    let by_plan = LineExtra { plan: Some(plan.id), text: None };
    let extras = [LineExtra::default(), text("Ada"), text("ada"), by_plan, text("Ada")];
    let seen = product.variants[0].price.unwrap_or(product.price);
    for extra in &extras {
        put(&store, cart, product.variants[0].id, extra, 1, seen).await.unwrap();
    }
    let lines = || async {
        let items = store.cart_items(cart).await.unwrap();
        let mut lines: Vec<_> =
            items.into_iter().map(|item| (item.extra.plan, item.extra.text, item.quantity)).collect();
        lines.sort();
        lines
    };
    let expected = [
        (None, None, 1),
        (None, Some("Ada".to_owned()), 2),
        (None, Some("ada".to_owned()), 1),
        (Some(PlanId(7)), None, 1),
    ];
    assert_eq!(lines().await, expected, "capitals count; the same again adds up");
    let contact = contact();
    let paying = Paying { contact: &contact, provider: "tern", once: "" };
    let Placed::Waiting(order) = store.place_order(cart, &paying, Moment(0)).await.unwrap() else { panic!() };
    let kept = store.order(order, cart).await.unwrap().unwrap();
    assert_eq!(kept.provider, "tern");
    assert_eq!(kept.lines[1].text, "Ada");
    assert_eq!(kept.lines[3].plan, Some(plan));
    store.settle_order(order, false, None).await.unwrap();
    assert_eq!(lines().await, expected, "a refused payment brings all of it back");
}

#[sqlx::test(migrations = false)]
async fn a_form_that_is_sent_twice_makes_one_order(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = kite(&store).await;
    let cart = store.add_cart(&[1; 32]).await.unwrap();
    let contact = contact();
    let paying = Paying { contact: &contact, provider: "card", once: "0123456789abcdef0123456789abcdef" };
    let seen = product.variants[0].price.unwrap_or(product.price);
    put(&store, cart, product.variants[0].id, &LineExtra::default(), 1, seen).await.unwrap();
    let (a, b) = tokio::join!(
        store.place_order(cart, &paying, Moment(0)),
        store.place_order(cart, &paying, Moment(0))
    );
    let mut placed = [a.unwrap(), b.unwrap()];
    placed.sort_by_key(|placed| matches!(placed, Placed::Before(_)));
    let [Placed::Waiting(first), Placed::Before(same)] = placed else { panic!("{placed:?}") };
    assert_eq!(first, same);
    // Another cart's form is its own, whatever it carries.
    let other = store.add_cart(&[2; 32]).await.unwrap();
    put(&store, other, product.variants[0].id, &LineExtra::default(), 1, seen).await.unwrap();
    let theirs = store.place_order(other, &paying, Moment(0)).await.unwrap();
    assert!(matches!(theirs, Placed::Waiting(id) if id != first), "{theirs:?}");
}

#[sqlx::test(migrations = false)]
async fn wishes_are_kept_once_with_their_last_choice(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = kite(&store).await;
    let cart = store.add_cart(&[1; 32]).await.unwrap();
    store.keep_wish(cart, product.id, "colour=ember").await.unwrap();
    store.keep_wish(cart, product.id, "colour=tide").await.unwrap();
    let wishes = store.wishes(cart).await.unwrap();
    assert_eq!(wishes.iter().map(|wish| wish.choice.as_str()).collect::<Vec<_>>(), ["colour=tide"]);
    assert_eq!(store.wished(cart).await.unwrap(), [product.id.0]);
    store.drop_wish(cart, product.id).await.unwrap();
    assert!(store.wishes(cart).await.unwrap().is_empty());
}

#[sqlx::test(migrations = false)]
async fn a_shoppers_own_change_is_no_news_and_what_is_gone_is_taken_out_when_it_is_accepted(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = kite(&store).await;
    let step = |from, hundredths| Step { from, effect: Effect::Percent { hundredths } };
    let ladder = PriceRule {
        id: RuleId(1),
        name: "By number".into(),
        reach: RuleReach::All,
        except: vec![],
        steps: vec![step(3, 1000)],
        counted: Counted::Product,
        total: None,
        with: vec![],
        from: None,
        until: None,
        on: true,
    };
    let book = PriceBook { rules: vec![ladder], ..PriceBook::default() };
    store.set_document(DocumentName::Prices, 1, 0, &book).await.unwrap();
    store.publish(DraftId::Shop(DocumentName::Prices), 1, 1, "").await.unwrap();
    let cart = store.add_cart(&[1; 32]).await.unwrap();
    let price = |at: usize| product.variants[at].price.unwrap_or(product.price);
    put(&store, cart, product.variants[0].id, &LineExtra::default(), 2, price(0)).await.unwrap();
    // A third piece lowers the first line too, and nobody is told a price has changed.
    let tenth_less = compagina_core::money::Money::new(price(2).minor * 9 / 10, price(2).currency);
    put(&store, cart, product.variants[2].id, &LineExtra::default(), 1, tenth_less).await.unwrap();
    let items = store.cart_items(cart).await.unwrap();
    assert_eq!(items[0].seen.minor, price(0).minor * 9 / 10);
    // Five are left of the first; six are asked for.
    let line = items[0].line_id;
    store.change_cart(cart, &CartChange::Set { line, quantity: 6 }, Moment(0)).await.unwrap();
    let contact = contact();
    let paying = Paying { contact: &contact, provider: "card", once: "" };
    assert_eq!(store.place_order(cart, &paying, Moment(0)).await.unwrap(), Placed::NotAsSeen);
    store.accept_cart(cart, Moment(0)).await.unwrap();
    let items = store.cart_items(cart).await.unwrap();
    assert_eq!(items.iter().map(|item| item.quantity).collect::<Vec<_>>(), [5, 1]);
    assert!(matches!(store.place_order(cart, &paying, Moment(0)).await.unwrap(), Placed::Waiting(_)));
}

/// A product with a text written onto it, of which one order holds several lines of the same variant.
#[sqlx::test(migrations = false)]
async fn a_refused_payment_gives_back_what_all_lines_of_one_variant_held(pool: MySqlPool) {
    let store = shop(pool).await;
    let product = kite(&store).await;
    let product = written_onto(&store, product).await;
    let cart = store.add_cart(&[1; 32]).await.unwrap();
    let variant = &product.variants[0];
    let seen = variant.price.unwrap_or(product.price);
    for (name, quantity) in [("Ada", 3), ("Bo", 2)] {
        let extra = LineExtra { text: Some(name.into()), plan: None };
        put(&store, cart, variant.id, &extra, quantity, seen).await.unwrap();
    }
    let contact = contact();
    let paying = Paying { contact: &contact, provider: "card", once: "" };
    let Placed::Waiting(order) = store.place_order(cart, &paying, Moment(0)).await.unwrap() else { panic!() };
    assert_eq!(kite(&store).await.variants[0].stock, Stock::Counted(0));
    store.settle_order(order, false, None).await.unwrap();
    assert_eq!(kite(&store).await.variants[0].stock, Stock::Counted(5), "all five are back");
    assert_eq!(store.cart_count(cart).await.unwrap(), 5);
}

use chrono::{TimeDelta, Utc};
use compagina_storage::Store;
use sqlx::MySqlPool;

async fn owner(pool: MySqlPool) -> (Store, u64) {
    let store = Store::from_pool(pool).await.unwrap();
    store.add_owner("isla@example.org", "Isla", "hash").await.unwrap();
    let id = store.owner_by_email("isla@example.org").await.unwrap().unwrap().id;
    (store, id)
}

#[sqlx::test(migrations = false)]
async fn a_session_ends_by_sign_out_or_by_time(pool: MySqlPool) {
    let (store, id) = owner(pool).await;
    let csrf = "c".repeat(43);
    store.add_session(&[1; 32], id, &csrf, Utc::now() + TimeDelta::hours(1)).await.unwrap();
    store.add_session(&[2; 32], id, &csrf, Utc::now() - TimeDelta::seconds(2)).await.unwrap();
    let session = store.session(&[1; 32]).await.unwrap().unwrap();
    assert_eq!((session.owner_id, session.csrf), (id, csrf));
    assert!(store.session(&[2; 32]).await.unwrap().is_none(), "it has run out");
    store.end_session(&[1; 32]).await.unwrap();
    assert!(store.session(&[1; 32]).await.unwrap().is_none());
}

#[sqlx::test(migrations = false)]
async fn the_fifth_failure_makes_the_next_try_wait_and_success_forgets(pool: MySqlPool) {
    let (store, _) = owner(pool).await;
    for _ in 0..4 {
        store.count_failure("isla@example.org").await.unwrap();
    }
    assert_eq!(store.must_wait_until("isla@example.org").await.unwrap(), None);
    store.count_failure("isla@example.org").await.unwrap();
    let first = store.must_wait_until("isla@example.org").await.unwrap().unwrap() - Utc::now();
    store.count_failure("isla@example.org").await.unwrap();
    let second = store.must_wait_until("isla@example.org").await.unwrap().unwrap() - Utc::now();
    assert!(first > TimeDelta::zero() && second > first, "{first} then {second}");
    assert_eq!(store.must_wait_until("other@example.org").await.unwrap(), None);
    store.forget_failures("isla@example.org").await.unwrap();
    assert_eq!(store.must_wait_until("isla@example.org").await.unwrap(), None);
}

//! Listings: ordered and narrowed by their addresses, with counts that hold.

use compagina_tests::{Owner, Site};
use sqlx::MySqlPool;

/// The names of the cards of a listing, in their order.
fn names(page: &str) -> Vec<String> {
    let cards = page.split("class=\"card-name clamped\"").skip(1);
    cards.map(|rest| rest.split('>').nth(1).unwrap().split('<').next().unwrap().to_owned()).collect()
}

/// How many there are, as the form says it.
fn count(page: &str) -> usize {
    let (_, rest) = page.split_once("class=\"sift-count\" role=\"status\">").unwrap();
    rest.split(' ').next().unwrap().parse().unwrap()
}

async fn shop(owner: &Owner, path: &str) -> String {
    owner.page(format!("/shop{path}")).await
}

#[sqlx::test(migrations = false)]
async fn a_listing_is_ordered_and_narrowed_by_its_address(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let all = shop(&owner, "?order=arranged").await;
    assert_eq!((count(&all), names(&all).len()), (27, 27), "all but the withdrawn one");
    let cheapest = names(&shop(&owner, "?order=cheapest").await);
    let mut dearest = names(&shop(&owner, "?order=dearest").await);
    assert_eq!(dearest[0], *cheapest.last().unwrap());
    assert_ne!(cheapest, dearest);
    dearest.sort();
    let mut sorted = cheapest.clone();
    sorted.sort();
    assert_eq!(dearest, sorted, "the same products");
    let by_name = names(&shop(&owner, "?order=name").await);
    let folded: Vec<String> = by_name.iter().map(|name| name.to_lowercase()).collect();
    assert!(folded.is_sorted(), "{folded:?}");

    // Prices, tags and stock; what each would leave is what it leaves.
    let kites = shop(&owner, "/types/sport-kites?from=60&to=130").await;
    assert!(names(&kites).iter().any(|name| name == "Whimbrel") && !kites.contains("card-godwit"));
    assert_eq!(count(&kites), names(&kites).len());
    let told = |page: &str, after: &str| -> Option<usize> {
        let (_, rest) = page.split_once(after)?;
        let (_, rest) = rest.split_once("<span class=\"soft\"> ")?;
        rest.split('<').next()?.parse().ok()
    };
    let stock = told(&all, "name=\"stock\"").unwrap();
    let in_stock = shop(&owner, "?stock=1").await;
    assert_eq!(count(&in_stock), stock);
    assert!(stock < 27 && !names(&in_stock).iter().any(|name| name == "Knot"), "it is sold out");
    if let Some((_, rest)) = all.split_once("name=\"tag\" value=\"") {
        let tag = rest.split('"').next().unwrap();
        let with = told(&all, &format!("name=\"tag\" value=\"{tag}\"")).unwrap();
        assert_eq!(count(&shop(&owner, &format!("?tag={tag}")).await), with);
    }
}

#[sqlx::test(migrations = false)]
async fn where_nothing_is_left_it_is_told_what_to_loosen(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let none = shop(&owner, "/types/sport-kites?from=100&to=1&stock=1").await;
    assert!(none.contains("Nothing here is all of that.") && names(&none).is_empty());
    assert!(none.contains("href=\"/shop/types/sport-kites?stock=1\">At any price: 5<"), "{none}");
    // What can't be read is passed over.
    let odd = shop(&owner, "/types/sport-kites?from=cheap&order=best&tag=&stock=yes").await;
    assert_eq!(names(&odd).len(), 6);
    let beyond = owner.get("/shop/types/sport-kites?page=2").await;
    assert_eq!(beyond.status(), 404);
}

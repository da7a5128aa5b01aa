//! Where the pages of products stand, and where links lead that were made before one moved.

use compagina_tests::{Site, json_of, refusal};
use reqwest::StatusCode;
use reqwest::header::LOCATION;
use serde_json::{Value, json};
use sqlx::MySqlPool;

#[sqlx::test(migrations = false)]
async fn a_page_moves_and_links_lead_on(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let shopper = site.shopper();
    let page = async |path: &str| shopper.get(site.at(path)).send().await.unwrap();
    // Whoever looked before the move has a page that is kept ready.
    for _ in 0..3 {
        assert_eq!(page("/shop/products/whimbrel").await.status(), StatusCode::OK);
    }
    let address = "/api/products/whimbrel/address";
    let moved = json_of(owner.put(address, &json!({ "address": " Whimbrel  Él " })).await).await;
    assert_eq!(moved, json!({ "address": "whimbrel-el", "was_at": ["whimbrel"] }));

    let led = shopper.get(site.at("/shop/products/whimbrel?colour=ember")).send().await.unwrap();
    assert_eq!(led.status(), StatusCode::MOVED_PERMANENTLY);
    assert_eq!(led.headers()[LOCATION], "/shop/products/whimbrel-el?colour=ember");
    let there = page("/shop/products/whimbrel-el").await.text().await.unwrap();
    assert!(there.contains("/shop/products/whimbrel-el/offer"), "what is chosen is asked for there");
    assert!(!there.contains("/shop/products/whimbrel?") && !there.contains("/shop/products/whimbrel\""));
    for listing in ["/shop", "/shop/types/sport-kites"] {
        let listing = page(listing).await.text().await.unwrap();
        assert!(!listing.contains("/shop/products/whimbrel\""), "cards lead to where it stands");
    }
    // A page that is open since before goes on working, and so does a cart.
    for at in ["whimbrel", "whimbrel-el"] {
        for part in ["offer?colour=ember", "quick"] {
            let answer = page(&format!("/shop/products/{at}/{part}")).await;
            assert_eq!(answer.status(), StatusCode::OK, "{at} {part}");
        }
    }
    let form = [("product", "whimbrel"), ("colour", "ember"), ("sail", "2-1-m"), ("quantity", "1")];
    shopper.post(site.at("/shop/cart")).form(&form).send().await.unwrap();
    let cart = page("/shop/cart").await.text().await.unwrap();
    assert!(cart.contains("/shop/products/whimbrel-el?"), "its line leads to where it stands");

    // Two products never stand at one address, nor does a new one take what leads on.
    let taken =
        refusal(owner.put("/api/products/dunlin/address", &json!({ "address": "whimbrel" })).await).await;
    assert!(taken.contains("“whimbrel” leads on to Whimbrel"), "{taken}");
    let new = json!({ "kind": "sport-kites", "name": "Whimbrel El" });
    let refused = refusal(owner.post("/api/products", &new).await).await;
    assert!(refused.contains("the address “whimbrel-el” belongs to Whimbrel"), "{refused}");
    let nothing = owner.put(address, &json!({ "address": "—" })).await;
    assert_eq!(nothing.status(), StatusCode::UNPROCESSABLE_ENTITY);

    // Let go, it leads nowhere but for owners, whose own links name the product by its handle.
    let gone = json_of(owner.delete(&format!("{address}/whimbrel")).await).await;
    assert_eq!(gone["was_at"], json!([]));
    assert_eq!(page("/shop/products/whimbrel").await.status(), StatusCode::NOT_FOUND);
    let led = owner.get("/shop/products/whimbrel").await;
    assert_eq!(led.headers()[LOCATION], "/shop/products/whimbrel-el");

    let undo = "/api/journal/undo?view=shelf";
    for expected in [json!(["whimbrel"]), json!([])] {
        let told = json_of(owner.post(undo, &json!({})).await).await;
        let now: Value = json_of(owner.get(address).await).await;
        assert_eq!(now["was_at"], expected, "{told}");
    }
    assert_eq!(page("/shop/products/whimbrel").await.status(), StatusCode::OK);
    assert_eq!(page("/shop/products/whimbrel-el").await.status(), StatusCode::NOT_FOUND);
    assert_eq!(shopper.get(site.at(address)).send().await.unwrap().status(), StatusCode::UNAUTHORIZED);
}

#[sqlx::test(migrations = false)]
async fn products_are_put_in_another_order_and_shoppers_see_it(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let order = async || {
        let page = site.shopper().get(site.at("/shop/types/sport-kites")).send().await.unwrap();
        let page = page.text().await.unwrap();
        let cards = page.split("class=\"card-name clamped\" href=\"/shop/products/").skip(1);
        cards.filter_map(|card| card.split('"').next()).map(str::to_owned).collect::<Vec<_>>()
    };
    let before = order().await;
    let (first, second) = (before[0].clone(), before[1].clone());
    let placed = owner.put(&format!("/api/products/{first}/place"), &json!({ "behind": second })).await;
    assert_eq!(placed.status(), StatusCode::NO_CONTENT);
    assert_eq!(order().await[..2], [second.clone(), first.clone()]);
    let told = json_of(owner.post("/api/journal/undo?view=shelf", &json!({})).await).await;
    assert_eq!(told["told"], "Products put in another order");
    assert_eq!(order().await, before);
    let other = owner.put(&format!("/api/products/{first}/place"), &json!({ "behind": "gift-card" })).await;
    assert_eq!(other.status(), StatusCode::UNPROCESSABLE_ENTITY);
}

#[sqlx::test(migrations = false)]
async fn what_cant_be_an_address_or_a_place_is_refused_and_nothing_moves(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let address = "/api/products/dunlin/address";
    let before: Value = json_of(owner.get(address).await).await;
    for (status, path, body) in [
        (422, address, json!({ "address": "" })),
        (422, address, json!({ "address": "…!" })),
        (400, address, json!({ "address": 7 })),
        (400, address, json!({})),
        (400, address, json!({ "address": "a", "force": true })),
        (404, "/api/products/nothing/address", json!({ "address": "a" })),
        (404, "/api/products/dunlin/place", json!({ "behind": "nothing" })),
        (404, "/api/products/nothing/place", json!({ "behind": null })),
        (400, "/api/products/dunlin/place", json!({ "before": "whimbrel" })),
    ] {
        assert_eq!(owner.put(path, &body).await.status(), status, "{path} {body}");
        let unsigned = site.shopper().put(site.at(path)).json(&body).send().await.unwrap();
        assert_eq!(unsigned.status(), StatusCode::UNAUTHORIZED, "{path}");
    }
    for odd in ["%20", "..", "Großes", "nowhere"] {
        let answer = owner.delete(&format!("{address}/{odd}")).await;
        assert!(!answer.status().is_server_error(), "{odd}: {}", answer.status());
    }
    assert_eq!(json_of(owner.get(address).await).await, before);
    // As long as an address can be, and longer: it is cut, and stands there all the same.
    let long = json_of(owner.put(address, &json!({ "address": "x".repeat(300) })).await).await;
    let cut = long["address"].as_str().unwrap();
    assert!(cut.len() <= 80 && cut.starts_with("xxx"), "{cut}");
    let page = site.shopper().get(site.at(&format!("/shop/products/{cut}"))).send().await.unwrap();
    assert_eq!(page.status(), StatusCode::OK);
    // The same address again is no step.
    let steps = async || {
        let journal: Value = json_of(owner.get("/api/journal?product=dunlin").await).await;
        journal["steps"].as_array().unwrap().len()
    };
    let count = steps().await;
    json_of(owner.put(address, &json!({ "address": cut })).await).await;
    assert_eq!(steps().await, count);
}

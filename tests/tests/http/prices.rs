//! Price rules over HTTP: what is kept, what is refused, what moves, and what the shop then says.

use compagina_tests::{Owner, Site, checkout_form, json_of, refusal};
use reqwest::{Client, Response};
use serde_json::{Value, json};
use sqlx::MySqlPool;

const LINE: &str = "/shop/products/braided-line";

async fn prices(owner: &Owner) -> Value {
    json_of(owner.get("/api/prices").await).await
}

fn rule(id: u64, steps: Value) -> Value {
    json!({ "id": id, "name": format!("Rule {id}"), "reach": { "of": "all" }, "steps": steps, "counted": "product", "on": true })
}

fn off(percent: &str) -> Value {
    json!([{ "from": 1, "kind": "percent", "value": percent }])
}

async fn set(owner: &Owner, rules: Value) -> Response {
    owner.draft_prices(json!({ "rules": rules, "plans": [] })).await
}

async fn publish(owner: &Owner) {
    let revision = prices(owner).await["revision"].clone();
    json_of(owner.post("/api/drafts/prices/publish", &json!({ "revision": revision })).await).await;
}

async fn offer(shopper: &Client, site: &Site, path: &str) -> Value {
    shopper.get(site.at(path)).send().await.unwrap().json().await.unwrap()
}

#[sqlx::test(migrations = false)]
async fn a_draft_moves_no_price_until_it_is_put_in_force(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (owner, shopper) = (site.owner().await, site.shopper());
    let unit = || async {
        offer(&shopper, &site, &format!("{LINE}/offer?reel=25-m")).await["price"]["minor"].clone()
    };
    assert_eq!(unit().await, 900);
    let view = json_of(set(&owner, json!([rule(7, off("12.5"))])).await).await;
    assert_eq!(
        (&view["rules"][0]["says"], &view["rules"][0]["state"]),
        (&json!("−12.5 %"), &json!("in_force"))
    );
    assert!(view["rules"][0]["products"].as_u64().unwrap() > 10);
    assert_eq!(unit().await, 900, "a draft");
    let moves = json_of(owner.get("/api/prices/moves").await).await;
    let line = moves["moves"].as_array().unwrap().iter().find(|m| m["product"] == "braided-line").unwrap();
    let (was, is) = (line["before"]["minor"].as_i64().unwrap(), line["after"]["minor"].as_i64().unwrap());
    assert_eq!(is, (was * 875 + 500) / 1000, "an eighth less, to the nearest penny");
    publish(&owner).await;
    // 9.00 × 0.875 = 7.875, a half: up.
    assert_eq!(unit().await, 788);
    assert_eq!(moves["count"].as_u64().unwrap() as usize, moves["moves"].as_array().unwrap().len());
    assert_eq!(json_of(owner.get("/api/prices/moves").await).await, json!({ "count": 0, "moves": [] }));
    let page = owner.page(format!("{LINE}?reel=25-m")).await;
    assert!(page.contains("£7.88") && page.contains("−12 %"), "{page}");
    let undone = prices(&owner).await["revision"].clone();
    let state = json_of(owner.post("/api/drafts/prices/undo", &json!({ "revision": undone })).await).await;
    assert_eq!((&state["can_redo"], &state["differs"]), (&json!(true), &json!(true)));
    let view = prices(&owner).await;
    assert_eq!(view["rules"][0]["name"], "Lines by the number");
    assert_eq!(view["can_redo"], true);
    assert_ne!(view["changes_not_live"], 0);
    let again = json!({ "revision": view["revision"] });
    json_of(owner.post("/api/drafts/prices/redo", &again).await).await;
    let view = prices(&owner).await;
    assert_eq!((&view["can_redo"], &view["changes_not_live"]), (&json!(false), &json!(0)), "as it is live");
    assert_eq!(owner.post("/api/drafts/prices/redo", &again).await.status(), 409);
}

#[sqlx::test(migrations = false)]
async fn what_makes_no_sense_is_refused_in_a_sentence_and_nothing_is_kept(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = prices(&owner).await;
    let with = |key: &str, value: Value| {
        let mut bad = rule(1, off("10"));
        bad[key] = value;
        json!([bad])
    };
    for (rules, told) in [
        (json!([rule(1, off("ten"))]), "“ten” is no percentage"),
        (json!([rule(1, off("101"))]), "takes off 101.00 %"),
        (json!([rule(1, json!([]))]), "one to 12 steps"),
        (with("total", json!("-5")), "below zero"),
        (with("from", json!("soon")), "is no time"),
        (with("name", json!("  ")), "needs a name"),
        (with("reach", json!({ "of": "tags", "tags": [] })), "reaches nothing"),
        (json!([rule(u64::MAX, off("10"))]), "too large"),
        (with("name", json!("Sale\u{202E}ecirp")), "needs a name"),
        (with("reach", json!({ "of": "tags", "tags": ["x".repeat(61)] })), "too long"),
        (with("reach", json!({ "of": "variants", "skus": vec!["A"; 5001] })), "more than 5000"),
        (with("total", json!("100000000.01")), "too large"),
    ] {
        let said = refusal(set(&owner, rules).await).await;
        assert!(said.contains(told), "{said}");
    }
    assert_eq!(prices(&owner).await["rules"], before["rules"]);
    let ahead = json!({ "revision": 99, "changes": [{ "of": "rule", "to": rule(1, off("10")) }] });
    assert_eq!(owner.post("/api/prices/steps", &ahead).await.status(), 409);
    assert_eq!(site.shopper().get(site.at("/api/prices")).send().await.unwrap().status(), 401);
}

#[sqlx::test(migrations = false)]
async fn the_bench_tells_a_price_with_its_working(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let body = json!({ "product": "braided-line", "quantity": 2, "at": "2027-03-21T12:00",
        "cart": [{ "product": "braided-line", "sku": null, "quantity": 5 }] });
    let tried = json_of(owner.post("/api/prices/try", &body).await).await;
    // 5 in the cart and 2 more are 7: the second step, 9.00 less 10 %.
    assert_eq!(
        (&tried["base"]["minor"], &tried["unit"]["minor"], &tried["line"]["minor"]),
        (&json!(900), &json!(810), &json!(1620))
    );
    assert_eq!(tried["working"][0]["says"], "taken: the step from 6 pieces");
    assert_eq!((tried["working"].as_array().unwrap().len(), &tried["others"]), (1, &json!(2)));
    assert_eq!((&tried["next"]["more"], &tried["next"]["unit"]["minor"]), (&json!(5), &json!(720)));
    let nonsense = json!({ "product": "braided-line", "quantity": 0, "at": null });
    assert!(refusal(owner.post("/api/prices/try", &nonsense).await).await.contains("1 to 99"));
}

#[sqlx::test(migrations = false)]
async fn rules_hold_between_their_dates_and_those_that_meet_are_named(pool: MySqlPool) {
    let site = Site::start(pool.clone()).await;
    let owner = site.owner().await;
    sqlx::query("UPDATE shop SET zone = 'UTC'").execute(&pool).await.unwrap();
    let now = chrono::Utc::now();
    let minute =
        |minutes: i64| (now + chrono::Duration::minutes(minutes)).format("%Y-%m-%dT%H:%M").to_string();
    let mut running = rule(1, off("50"));
    running["from"] = json!(minute(-5));
    running["until"] = json!(minute(60));
    let mut over = rule(2, off("90"));
    over["until"] = json!(minute(-1));
    let mut planned = rule(3, off("90"));
    planned["from"] = json!(minute(60));
    let view = json_of(set(&owner, json!([running, over, planned])).await).await;
    let states: Vec<_> = view["rules"].as_array().unwrap().iter().map(|rule| rule["state"].clone()).collect();
    assert_eq!(states, ["in_force", "over", "planned"]);
    assert_eq!(view["rules"][0]["meets"], json!([2]), "the planned one begins as this one ends");
    publish(&owner).await;
    assert!(owner.page(format!("{LINE}?reel=25-m")).await.contains("£4.50"));
}

#[sqlx::test(migrations = false)]
async fn the_cart_and_the_order_cost_what_the_page_said_to_the_penny(pool: MySqlPool) {
    let site = Site::start(pool.clone()).await;
    let shopper = site.shopper();
    let put = |quantity: &str, reel: &str| {
        let form = [("product", "braided-line"), ("reel", reel), ("quantity", quantity)];
        shopper.post(site.at("/shop/cart")).form(&form).send()
    };
    put("2", "25-m").await.unwrap();
    let cart = || async { shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap() };
    let two = cart().await;
    assert!(two.contains("£18.00") && two.contains("1 more, and each costs £8.55 (−5 %)"), "{two}");
    // Four of another reel bring both lines onto the second step: the rule counts everything that it is for.
    let more = offer(&shopper, &site, &format!("{LINE}/offer?reel=50-m&quantity=4")).await;
    put("4", "50-m").await.unwrap();
    let six = cart().await;
    assert!(six.contains("£8.10") && six.contains("£16.20"), "2 × 8.10: {six}");
    assert!(six.contains(more["price"]["text"].as_str().unwrap()), "{more}");
    assert!(!six.contains("changed since"), "the shopper moved this price, nobody else: {six}");
    let fields = checkout_form("accept", "");
    let receipt = shopper.post(site.at("/shop/checkout")).form(&fields).send().await.unwrap();
    let to = receipt.headers().get("location").and_then(|to| to.to_str().ok()).unwrap_or_default().to_owned();
    assert!(to.starts_with("/shop/orders/"), "{to} {}", receipt.text().await.unwrap());
    let (total, lines): (i64, i64) = sqlx::query_as(
        "SELECT o.total_minor, CAST((SELECT SUM(line_minor) FROM order_line l WHERE l.order_id = o.id) AS SIGNED) FROM shop_order o",
    )
    .fetch_one(&pool)
    .await
    .unwrap();
    assert_eq!(total, lines);
    assert_eq!(total, 1620 + 4 * more["price"]["minor"].as_i64().unwrap());
}

/// Old prices on page and card and in the cart: struck or not, with an empty cart and with one that meets the rule.
#[sqlx::test(migrations = false)]
async fn old_prices_are_shown_at_once_once_earned_or_with_the_number(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let from_three = json!([{ "from": 3, "kind": "percent", "value": "10" }]);
    for (policy, empty, raised, fitting, card) in [
        // Until three are taken nothing is struck; three in the cart make the next one cheaper, struck on page alone.
        ("with_quantity", false, true, true, false),
        ("once_earned", false, false, true, false),
        ("at_once", true, true, true, true),
    ] {
        let places = json!({ "page": policy, "card": policy, "quick": policy, "cart": policy });
        let rules = json!([rule(1, from_three.clone())]);
        json_of(owner.draft_prices(json!({ "rules": rules, "plans": [], "places": places })).await).await;
        publish(&owner).await;
        let shopper = site.shopper();
        let struck = |query: &'static str| {
            let (shopper, site) = (&shopper, &site);
            async move {
                offer(shopper, site, &format!("{LINE}/offer?reel=25-m{query}")).await["old_price"]
                    != Value::Null
            }
        };
        assert_eq!(struck("").await, empty, "{policy}, one piece");
        assert_eq!(struck("&quantity=3").await, raised, "{policy}, three pieces");
        let listing =
            shopper.get(site.at("/shop/types/lines-and-winders")).send().await.unwrap().text().await.unwrap();
        assert_eq!(listing.contains("<s class=\"old\""), card, "{policy}, on cards");
        let form = [("product", "braided-line"), ("reel", "25-m"), ("quantity", "3")];
        shopper.post(site.at("/shop/cart")).form(&form).send().await.unwrap();
        assert_eq!(struck("").await, fitting, "{policy}, with three in the cart");
        let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
        assert!(
            cart.contains("<s>£9.00</s>") && cart.contains("£24.30"),
            "{policy}: 3 × 8.10 in the cart: {cart}"
        );
        if policy == "at_once" {
            let page = owner.page(format!("{LINE}?reel=25-m")).await;
            assert!(page.contains("from 3 pieces"), "the condition stands with the price");
        }
    }
}

//! How things are sold, over HTTP: limits and texts, the price history, tax, the ways amounts are written, plans.

use compagina_tests::{Owner, Site, json_of, refusal};
use reqwest::{Client, Response};
use serde_json::{Value, json};
use sqlx::MySqlPool;

const KIT: &str = "/api/products/line-care-kit/selling";

/// What of a view is sent back, with some of it otherwise.
fn with(view: &Value, fields: &[&str], change: &Value) -> Value {
    let mut body: serde_json::Map<String, Value> =
        fields.iter().map(|field| ((*field).to_owned(), view[field].clone())).collect();
    body.extend(change.as_object().unwrap().clone());
    Value::Object(body)
}

fn selling(view: &Value, change: &Value) -> Value {
    let form = |change| {
        with(view, &["state", "price", "old_price", "most_per_order", "least", "step", "text"], change)
    };
    let nothing = json!({});
    let was = form(&nothing);
    json!({ "was": was, "selling": form(change) })
}

/// Sets something of the prices' document besides its rules, and puts it in force.
async fn set_prices(owner: &Owner, change: Value) -> Response {
    let mut all = json!({ "rules": [], "plans": [] });
    all.as_object_mut().unwrap().extend(change.as_object().unwrap().clone());
    owner.draft_prices(all).await
}

async fn publish(owner: &Owner) {
    let revision = json_of(owner.get("/api/prices").await).await["revision"].clone();
    json_of(owner.post("/api/drafts/prices/publish", &json!({ "revision": revision })).await).await;
}

async fn page(site: &Site, shopper: &Client, path: &str) -> String {
    shopper.get(site.at(path)).send().await.unwrap().text().await.unwrap()
}

#[sqlx::test(migrations = false)]
async fn what_makes_no_sense_is_refused_in_a_sentence_and_nothing_is_kept(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = json_of(owner.get(KIT).await).await;
    let text = |change: Value| {
        let text = json!({ "label": "Name", "lines": 1, "most": 20, "signs": "any", "surcharge": "6", "needed": false });
        json!({ "text": with(&text, &["label", "lines", "most", "signs", "surcharge", "needed"], &change) })
    };
    let cases = [
        (json!({ "price": "" }), "Price: a product needs one"),
        (json!({ "price": "14,50" }), "Price: “14,50” is no plain number"),
        (json!({ "old_price": "18.005" }), "Old price: “18.005” has more than the 2 decimals"),
        (json!({ "least": 0 }), "the least number is 1 to 99, not 0"),
        (json!({ "step": 100 }), "steps are of 1 to 99 pieces, not 100"),
        (
            json!({ "least": 5, "most_per_order": 4 }),
            "the least number, 5, is above the most of one order, 4",
        ),
        (json!({ "most_per_order": 0 }), "one order holds at least one"),
        (text(json!({ "label": " " })), "needs a label"),
        (text(json!({ "lines": 9 })), "1 to 6 lines"),
        (text(json!({ "surcharge": "-1" })), "Surcharge: “-1” is below zero"),
    ];
    for (change, sentence) in cases {
        let told = refusal(owner.put(KIT, &selling(&before, &change)).await).await;
        assert!(told.contains(sentence), "{told}");
    }
    assert_eq!(json_of(owner.get(KIT).await).await, before);
    assert_eq!(owner.get("/api/products/no-such-thing/selling").await.status(), 404);
    assert_eq!(site.shopper().get(site.at(KIT)).send().await.unwrap().status(), 401);
    let plan = |change: Value| {
        let plan = json!({ "id": 1, "reach": { "of": "all" }, "every": 8, "period": "weeks", "percent": "10", "saved_on": "all", "once": true });
        json!({ "plans": [with(&plan, &["id", "reach", "every", "period", "percent", "saved_on", "once"], &change)] })
    };
    let cases = [
        (plan(json!({ "every": 0 })), "every 1 to 52"),
        (plan(json!({ "percent": "91" })), "at most 90 %"),
        (plan(json!({ "percent": "ten" })), "“ten” is no percentage"),
        (plan(json!({ "reach": { "of": "products", "products": [] } })), "reaches nothing"),
        (json!({ "vat": { "percent": "60", "types": [], "shown": "with" } }), "at most 50 %"),
    ];
    for (change, sentence) in cases {
        let told = refusal(set_prices(&owner, change).await).await;
        assert!(told.contains(sentence), "{told}");
    }
}

#[sqlx::test(migrations = false)]
async fn a_new_price_goes_into_the_history_and_the_old_price_may_come_from_there(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (owner, shopper) = (site.owner().await, site.shopper());
    let view = json_of(owner.get(KIT).await).await;
    assert_eq!(view["overstated"]["minor"], 1650, "16.50 in the days before, and 18.00 is typed");
    let mend = json_of(owner.get("/api/prices/overstated").await).await;
    assert_eq!((&mend[0]["product"], &mend[0]["typed"]["minor"]), (&json!("line-care-kit"), &json!(1800)));
    assert!(page(&site, &shopper, "/shop/products/line-care-kit").await.contains("£18.00"));

    set_prices(&owner, json!({ "old": "lowest" })).await;
    publish(&owner).await;
    let told = page(&site, &shopper, "/shop/products/line-care-kit").await;
    assert!(told.contains("£16.50") && !told.contains("£18.00"), "{told}");
    assert_eq!(json_of(owner.get("/api/prices/overstated").await).await, json!([]));
    assert!(page(&site, &shopper, "/shop/products/whimbrel").await.contains("£85.00"), "85.00 is on record");
    let dunlin = page(&site, &shopper, "/shop/products/dunlin").await;
    assert!(dunlin.contains("data-shows=\"old\" hidden"), "the Dunlin has become dearer");

    // Dearer by a penny: there is no fall to be proud of any more.
    let dearer = selling(&view, &json!({ "price": "16.51", "old_price": "" }));
    let after = json_of(owner.put(KIT, &dearer).await).await;
    assert_eq!(after["history"][0]["was"]["minor"], 1400, "the newest first");
    assert_eq!(after["history"].as_array().unwrap().len(), 2);
    let told = page(&site, &shopper, "/shop/products/line-care-kit").await;
    assert!(told.contains("£16.51") && !told.contains("£16.50"), "{told}");
}

#[sqlx::test(migrations = false)]
async fn prices_are_shown_without_tax_with_a_code_and_without_zeros(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (owner, shopper) = (site.owner().await, site.shopper());
    let vat =
        json!({ "percent": "20", "types": [{ "kind": "gift-cards", "percent": "0" }], "shown": "without" });
    set_prices(&owner, json!({ "vat": vat, "style": { "unit": "code", "zeros": false } })).await;
    publish(&owner).await;
    let winder = page(&site, &shopper, "/shop/products/hand-winder").await;
    assert!(winder.contains("GBP\u{a0}10<"), "12.00 with a fifth of tax is 10.00 without: {winder}");
    let gift = page(&site, &shopper, "/shop/products/gift-card").await;
    assert!(gift.contains("GBP\u{a0}25<"), "gift cards have no tax");
    for form in
        [[("product", "hand-winder"), ("quantity", "1")], [("product", "gift-card"), ("amount", "25")]]
    {
        assert_eq!(shopper.post(site.at("/shop/cart")).form(&form).send().await.unwrap().status(), 303);
    }
    let cart = page(&site, &shopper, "/shop/cart").await;
    let rows = ["Total before VAT", "GBP\u{a0}35", "GBP\u{a0}2<", "To pay", "GBP\u{a0}37"];
    assert!(rows.iter().all(|row| cart.contains(row)), "{cart}");
    let listing = page(&site, &shopper, "/shop/types/lines-and-winders").await;
    assert!(listing.contains("GBP\u{a0}10"), "cards, too");
    let offer: Value =
        serde_json::from_str(&page(&site, &shopper, "/shop/products/hand-winder/offer").await).unwrap();
    assert_eq!((&offer["price"]["minor"], &offer["price"]["text"]), (&json!(1200), &json!("GBP\u{a0}10")));
}

#[sqlx::test(migrations = false)]
async fn a_plans_price_moves_before_it_is_put_in_force_and_a_plan_that_is_gone_is_told(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (owner, shopper) = (site.owner().await, site.shopper());
    let form = [("product", "line-care-kit"), ("plan", "1"), ("quantity", "1")];
    assert_eq!(shopper.post(site.at("/shop/cart")).form(&form).send().await.unwrap().status(), 303);
    let offer = page(&site, &shopper, "/shop/products/line-care-kit/offer?plan=1").await;
    assert!(offer.contains("£12.60"), "{offer}");

    let dearer = json!({ "id": 1, "reach": { "of": "products", "products": ["line-care-kit"] }, "every": 8,
        "period": "weeks", "percent": "5", "saved_on": "all", "once": true });
    json_of(set_prices(&owner, json!({ "plans": [dearer] })).await).await;
    let moves = json_of(owner.get("/api/prices/moves").await).await;
    let plan = moves["moves"]
        .as_array()
        .unwrap()
        .iter()
        .find(|one| one["plan"] == "every 8 weeks, 5 % less")
        .unwrap();
    assert_eq!((&plan["before"]["minor"], &plan["after"]["minor"]), (&json!(1260), &json!(1330)));
    publish(&owner).await;
    let cart = page(&site, &shopper, "/shop/cart").await;
    assert!(cart.contains("The price changed: it was £12.60, now it is £13.30."), "{cart}");

    set_prices(&owner, json!({ "plans": [] })).await;
    publish(&owner).await;
    let cart = page(&site, &shopper, "/shop/cart").await;
    assert!(cart.contains("This plan is no longer offered."), "{cart}");
    shopper.post(site.at("/shop/cart/accept")).send().await.unwrap();
    assert!(page(&site, &shopper, "/shop/cart").await.contains("Your cart is empty."));
    let again = shopper.post(site.at("/shop/cart")).form(&form).send().await.unwrap();
    assert_eq!(again.status(), 409);
    assert!(again.text().await.unwrap().contains("This plan is no longer offered."));
}

#[sqlx::test(migrations = false)]
async fn a_measure_is_set_of_many_at_once_and_told_per_unit(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (owner, shopper) = (site.owner().await, site.shopper());
    let view = json_of(owner.get("/api/variants?product=hand-winder").await).await;
    let ids = json!([view["variants"][0]["id"]]);
    let set = async |measure: &str| {
        owner.patch("/api/variants?product=hand-winder", &json!({ "ids": ids, "measure": measure })).await
    };
    let told = refusal(set("two miles").await).await;
    assert!(told.contains("“two miles” is no measure such as 25 m"), "{told}");
    let view = json_of(set("150 g").await).await;
    assert_eq!(view["variants"][0]["measure"], "150 g");
    assert!(
        page(&site, &shopper, "/shop/products/hand-winder").await.contains("£80.00 per kg"),
        "12.00 / 0.15"
    );
    let csv = owner.page("/api/variants.csv?product=hand-winder".into()).await;
    assert!(
        csv.starts_with("product,sku,price,old price,stock,measure\n") && csv.contains(",150 g"),
        "{csv}"
    );
    let bad = csv.replace("150 g", "a lot");
    let answer = owner.send(reqwest::Method::POST, "/api/variants/check", bad.into_bytes()).await;
    assert!(answer.text().await.unwrap().contains("“a lot” is no measure"));
    let none = json_of(set("").await).await;
    assert_eq!(none["variants"][0]["measure"], Value::Null);
}

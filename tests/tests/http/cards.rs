//! Cards: composed, reached and published like pages; bought from with and without script.

use compagina_tests::{Owner, Site, json_of, refusal};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::MySqlPool;

async fn reach(owner: &Owner, id: u64, reach: Value) -> reqwest::Response {
    let body = json!({ "arrangement": owner.arrangement().await, "name": "Buying", "reach": reach });
    owner.put(&format!("/api/templates/{id}"), &body).await
}

/// Its own card in a page.
fn card_in<'a>(page: &'a str, product: &str) -> &'a str {
    let (_, rest) = page.split_once(&format!("id=\"card-{product}\"")).unwrap();
    rest.split("<li id=\"card-").next().unwrap()
}

#[sqlx::test(migrations = false)]
async fn a_card_serves_whom_and_where_its_reach_says(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let buys = |page: &str, product: &str| card_in(page, product).contains("data-buy");
    let shop = async |path: &str| owner.page(path.to_owned()).await;
    let id = owner.card("buying").await;
    assert!(!buys(&shop("/shop/types/sport-kites").await, "whimbrel"), "not live yet");
    // On the desk its listing is there before.
    let proof = shop(&format!("/api/templates/{id}/proof?product=whimbrel")).await;
    assert!(buys(&proof, "whimbrel") && buys(&proof, "dunlin"));
    assert_eq!(proof.matches("data-piece=").count(), 8, "only the card that is looked at names its pieces");
    let body = json!({ "revision": 2 });
    json_of(owner.post(&format!("/api/drafts/template-{id}/publish"), &body).await).await;
    let kites = shop("/shop/types/sport-kites").await;
    assert!(buys(&kites, "whimbrel") && buys(&shop("/shop/products/whimbrel").await, "dunlin"));

    // By type and by place.
    let only = json!({ "rule": "types", "types": ["sport-kites"], "places": ["listing"] });
    assert_eq!(reach(&owner, id, only).await.status(), 200);
    assert!(buys(&shop("/shop/types/sport-kites").await, "whimbrel"));
    assert!(!buys(&shop("/shop/products/whimbrel").await, "dunlin"), "not among related products");
    assert!(!buys(&shop("/shop/types/single-line-kites").await, "plover"));
    let cards = json_of(owner.get("/api/templates?purpose=card").await).await;
    assert_eq!(cards["templates"][0]["products"], 6);
    assert_eq!(cards["templates"][0]["places"], "in listings");
    let pages = json_of(owner.get("/api/templates").await).await;
    assert!(pages["templates"].as_array().unwrap().iter().all(|one| one["id"] != json!(id)));
    // There is no fallback among cards: what none reaches stands on a quiet one.
    let all = json!({ "rule": "fallback" });
    assert_eq!(reach(&owner, id, all).await.status(), 422);
}

#[sqlx::test(migrations = false)]
async fn pages_and_cards_keep_to_their_own_pieces(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let id = owner.card("quiet").await;
    let refused = async |template: u64, op: Value| {
        let desk = json_of(owner.get(&format!("/api/templates/{template}/desk")).await).await;
        let body = json!({ "revision": desk["draft"]["revision"], "op": op });
        let answer = owner.post(&format!("/api/templates/{template}/operations"), &body).await;
        assert_eq!(answer.status(), StatusCode::UNPROCESSABLE_ENTITY);
        refusal(answer).await
    };
    let add = |kind: &str| json!({ "op": "add_piece", "piece": { "id": "x", "kind": kind }, "at": { "column": "card", "index": 0 } });
    assert!(refused(id, add("gallery")).await.contains("stands on pages only"));
    assert!(refused(1, add("card_name")).await.contains("stands on cards only"));
    let frame = refused(id, json!({ "op": "set_frame", "frame": "whole" })).await;
    assert!(frame.contains("a card is one column"), "{frame}");
    let desk = json_of(owner.get(&format!("/api/templates/{id}/desk")).await).await;
    assert_eq!(desk["purpose"], "card");
    let kinds: Vec<&str> =
        desk["kinds"].as_array().unwrap().iter().map(|k| k["kind"].as_str().unwrap()).collect();
    assert!(kinds.iter().all(|kind| kind.starts_with("card_")), "{kinds:?}");
}

#[sqlx::test(migrations = false)]
async fn what_changes_where_tells_of_cards(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let id = owner.card("buying").await;
    let told = owner.page(format!("/api/templates/{id}/impact")).await;
    assert!(told.contains("Buy button") && told.contains("28"), "{told}");
    // What shoppers see now is the card that it will take the place of, in the same listing.
    let now = owner.page("/api/changes/now?product=whimbrel&purpose=card".into()).await;
    assert!(!card_in(&now, "whimbrel").contains("data-buy") && now.contains("id=\"card-dunlin\""));
    let only = json!({ "rule": "types", "types": ["sport-kites"] });
    assert_eq!(reach(&owner, id, only).await.status(), 200);
    let told = owner.page(format!("/api/templates/{id}/impact")).await;
    assert!(!told.contains("plover"), "{told}");
}

#[sqlx::test(migrations = false)]
async fn a_choice_on_a_card_is_answered_with_the_card(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    owner.live_card("buying").await;
    let told = json_of(
        owner.get("/shop/products/whimbrel/offer?card=listing&colour=dusk&then=sail.2-4-m&quantity=1").await,
    )
    .await;
    assert_eq!(told["key"], "colour=dusk&sail=2-4-m");
    assert_eq!(told["say"]["tag"], "£74.00");
    assert!(told["say"]["card-picture"].as_str().unwrap().starts_with("/media/"));
    let page = json_of(owner.get("/shop/products/whimbrel/offer?colour=dusk").await).await;
    assert!(page["say"].get("tag").is_none(), "that is the page's own answer");
}

#[sqlx::test(migrations = false)]
async fn without_script_one_comes_back_to_the_card(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    owner.live_card("buying").await;
    let shopper = site.shopper();
    let send = async |path: &str, more: &[(&str, &str)]| {
        let from = [
            ("product", "whimbrel"),
            ("card", "card-whimbrel"),
            ("back", "/shop/types/sport-kites?page=1"),
            ("after", "side"),
        ];
        let form: Vec<(&str, &str)> = from.iter().chain(more).copied().collect();
        let answer = shopper.post(site.at(path)).form(&form).send().await.unwrap();
        let to = answer.headers().get("location").map_or(String::new(), |to| to.to_str().unwrap().to_owned());
        let page = match to.as_str() {
            "" => answer.text().await.unwrap(),
            to => shopper.get(site.at(to)).send().await.unwrap().text().await.unwrap(),
        };
        (to, page)
    };
    // What is missing is asked for, with what was chosen.
    let (to, page) = send("/shop/cart", &[("colour", "dusk")]).await;
    assert_eq!(to, "/shop/types/sport-kites?page=1&asked=whimbrel&chose=colour.dusk#card-whimbrel");
    let whimbrel = card_in(&page, "whimbrel");
    assert_eq!(whimbrel.matches("data-missing").count(), 1);
    assert!(
        whimbrel.contains("Please choose first: Sail.") && whimbrel.contains("value=\"dusk\""),
        "{whimbrel}"
    );
    let (to, page) = send("/shop/cart", &[("colour", "dusk"), ("sail", "2-4-m")]).await;
    assert!(to.contains("added=whimbrel") && page.contains("Whimbrel is in the cart"), "{to}");
    let (to, _) = send("/shop/wishes", &[]).await;
    assert!(to.contains("kept=whimbrel"), "{to}");
    // By its SKU, as a line of the list sends it.
    let (_, page) = send("/shop/cart", &[("sku", "WHI-NONE")]).await;
    assert!(page.contains("Nothing here"), "no such variant");
    // An address elsewhere isn't gone to.
    let away = [("product", "whimbrel"), ("card", "card-whimbrel"), ("back", "//evil.example/shop")];
    let answer = shopper.post(site.at("/shop/cart")).form(&away).send().await.unwrap();
    assert_eq!(answer.status(), StatusCode::UNPROCESSABLE_ENTITY);
}

/// Offers a kite at less with another one, and lets the card stand beside the cart alone.
async fn a_second_kite_for_less(owner: &Owner) {
    let steps = json!([{ "from": 1, "kind": "percent", "value": "10" }]);
    let kites = json!({ "of": "products", "products": ["dunlin", "whimbrel-mini"] });
    let rule = json!({ "name": "A second kite", "reach": kites, "steps": steps, "with": ["whimbrel"] });
    owner.live_rule(rule).await;
    let id = owner.live_card("buying").await;
    let only = json!({ "rule": "types", "types": ["sport-kites"], "places": ["cart"] });
    assert_eq!(reach(owner, id, only).await.status(), 200);
}

#[sqlx::test(migrations = false)]
async fn what_goes_with_the_cart_is_bought_on_its_card(pool: MySqlPool) {
    let site = Site::start(pool).await;
    a_second_kite_for_less(&site.owner().await).await;
    let shopper = site.shopper();
    let send = async |form: &[(&str, &str)]| {
        let answer = shopper.post(site.at("/shop/cart")).form(form).send().await.unwrap();
        assert_eq!(answer.status(), StatusCode::SEE_OTHER);
        answer.headers()["location"].to_str().unwrap().to_owned()
    };
    let get = async |path: &str| shopper.get(site.at(path)).send().await.unwrap().text().await.unwrap();
    assert!(
        !card_in(&get("/shop/types/sport-kites").await, "dunlin").contains("data-buy"),
        "not in listings"
    );
    send(&[("product", "whimbrel"), ("colour", "ember"), ("sail", "1-6-m")]).await;
    let cart = get("/shop/cart").await;
    let dunlin = card_in(&cart, "dunlin");
    assert!(
        dunlin.contains("£116.10") && dunlin.contains("£129.00"),
        "as it is priced with the kite: {dunlin}"
    );
    assert!(dunlin.contains("data-card=\"cart\"") && dunlin.contains("name=\"back\" value=\"/shop/cart\""));
    // What asks for a choice asks there, and what is put in is in the cart at that price.
    let card = [("product", "dunlin"), ("card", "card-dunlin"), ("back", "/shop/cart"), ("after", "stay")];
    let to = send(&card).await;
    assert_eq!(to, "/shop/cart?asked=dunlin&chose=#card-dunlin");
    let asks = get(to.split('#').next().unwrap()).await;
    assert!(card_in(&asks, "dunlin").contains("data-missing"), "it says what is missing");
    let chosen = [card.as_slice(), &[("colour", "slate")]].concat();
    assert_eq!(send(&chosen).await, "/shop/cart?added=dunlin#card-dunlin");
    let cart = get("/shop/cart").await;
    assert!(!cart.contains("id=\"card-dunlin\"") && cart.contains("id=\"card-whimbrel-mini\""));
    assert!(cart.contains("A second kite: −£12.90"), "{cart}");
    // At the side of a page its cards are others than that page's own.
    let aside = [chosen.as_slice(), &[("script", "1")]].concat();
    let aside = shopper.post(site.at("/shop/cart")).form(&aside).send().await.unwrap().text().await.unwrap();
    assert!(aside.contains("id=\"side-card-whimbrel-mini\"") && !aside.contains("id=\"card-"));
    assert!(aside.contains("<style>") && aside.contains("deck-1000"));
}

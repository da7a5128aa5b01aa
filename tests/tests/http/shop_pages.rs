//! The shop's pages by plain requests: listing, deep links, caching, pictures, the cart.

use compagina_tests::Site;
use reqwest::StatusCode;
use reqwest::header::HeaderValue;
use sqlx::MySqlPool;

async fn page(site: &Site, path: &str) -> String {
    site.shopper().get(site.at(path)).send().await.unwrap().text().await.unwrap()
}

#[sqlx::test(migrations = false)]
async fn the_listing_shows_every_type_and_a_type_its_products(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let all = page(&site, "/shop").await;
    assert_eq!(all.matches("class=\"card-name clamped\"").count(), 27, "all but the withdrawn one");
    assert!(all.contains("from £68.00") && all.contains("from £25.00"));
    let spares = page(&site, "/shop/types/spares").await;
    assert_eq!(spares.matches("class=\"card-name clamped\"").count(), 4);
    sqlx::query("UPDATE product p JOIN product_type t ON t.id = p.type_id SET p.state = 'withdrawn' WHERE t.handle = 'spares'")
        .execute(&site.pool)
        .await
        .unwrap();
    sqlx::query("UPDATE product SET state = 'coming_soon' WHERE handle = 'dunlin'")
        .execute(&site.pool)
        .await
        .unwrap();
    // As another process would have noted it.
    sqlx::query("INSERT INTO change_note (product_id, goods) VALUES (NULL, TRUE)")
        .execute(&site.pool)
        .await
        .unwrap();
    let mut spares = String::new();
    for _ in 0..100 {
        spares = page(&site, "/shop/types/spares").await;
        if spares.contains("There is nothing here yet.") {
            break;
        }
        tokio::time::sleep(std::time::Duration::from_millis(100)).await;
    }
    assert!(spares.contains("There is nothing here yet."), "{spares}");
    let all = page(&site, "/shop").await;
    assert_eq!(all.matches("class=\"card-name clamped\"").count(), 23, "what is withdrawn isn't listed");
    assert!(all.contains("Coming soon"));
}

/// Whether a radio button of a page is chosen.
fn is_chosen(page: &str, name: &str, value: &str) -> bool {
    let inputs = page.split("<input").skip(1).filter_map(|rest| rest.split('>').next());
    let wanted = [format!("name=\"{name}\""), format!("value=\"{value}\""), " checked".into()];
    inputs.into_iter().any(|input| wanted.iter().all(|part| input.contains(part)))
}

/// Pages of a long type: all of it can be reached, and what isn't listed takes no place.
#[sqlx::test(migrations = false)]
async fn a_long_listing_has_pages_and_nothing_is_cut_off(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let copy = "INSERT INTO product (handle, address, type_id, position, name, state, summary, details, price_minor, terms, brand, facts, tags)
        SELECT CONCAT('copy-', n.seq), CONCAT('copy-', n.seq), p.type_id, 100 + n.seq, CONCAT('Copy ', n.seq), IF(n.seq % 2 = 0, 'withdrawn', 'on_sale'),
        p.summary, p.details, p.price_minor, p.terms, p.brand, p.facts, p.tags FROM product p JOIN seq_1_to_200 n WHERE p.handle = 'gift-card'";
    sqlx::query(copy).execute(&site.pool).await.unwrap();
    // The server may have read all products already; a step of an owner's has it read them anew.
    let wanted = serde_json::json!({ "kind": "sport-kites", "name": "Another", "price": "99.00" });
    assert_eq!(site.owner().await.post("/api/products", &wanted).await.status(), StatusCode::OK);
    let cards = |page: &str| page.matches("class=\"card-name clamped\"").count();
    let first = page(&site, "/shop/types/gift-cards").await;
    assert_eq!(cards(&first), 48);
    assert!(first.contains("href=\"/shop/types/gift-cards?page=2\"") && first.contains("Page 1 of 3"));
    assert!(first.contains("Next page") && !first.contains("Page before"));
    let last = page(&site, "/shop/types/gift-cards?page=3").await;
    assert_eq!(cards(&last), 5, "101 are on sale, of 201");
    assert!(last.contains("href=\"/shop/types/gift-cards?page=2\"") && !last.contains("Next page"));
    let beyond = site.shopper().get(site.at("/shop/types/gift-cards?page=4")).send().await.unwrap();
    assert_eq!(beyond.status(), StatusCode::NOT_FOUND);
    let odd = page(&site, "/shop/types/gift-cards?page=x").await;
    assert_eq!(cards(&odd), 48, "the first one");
}

#[sqlx::test(migrations = false)]
async fn a_product_never_put_on_sale_is_seen_by_owners_only(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let wanted = serde_json::json!({ "kind": "sport-kites", "name": "Secret Godwit", "price": "99.00" });
    assert_eq!(owner.post("/api/products", &wanted).await.status(), StatusCode::OK);
    for path in ["", "/quick", "/offer?quantity=1"] {
        let address = site.at(&format!("/shop/products/secret-godwit{path}"));
        let stranger = site.shopper().get(&address).send().await.unwrap();
        assert_eq!(stranger.status(), StatusCode::NOT_FOUND, "{path}");
        assert!(!stranger.text().await.unwrap().contains("Secret Godwit"), "{path}");
        assert_eq!(owner.client.get(&address).send().await.unwrap().status(), StatusCode::OK, "{path}");
        let again = site.shopper().get(&address).send().await.unwrap();
        assert_eq!(
            again.status(),
            StatusCode::NOT_FOUND,
            "{path}: an owner's look keeps nothing ready for strangers"
        );
    }
    assert!(!page(&site, "/shop/types/sport-kites").await.contains("Secret Godwit"));
    let selling = owner.page("/api/products/secret-godwit/selling".into()).await;
    let form: serde_json::Value = serde_json::from_str(&selling).unwrap();
    assert_eq!(form["state"], "new");
    let fields = ["state", "price", "old_price", "most_per_order", "least", "step", "text"];
    let was: serde_json::Map<_, _> =
        fields.iter().map(|key| ((*key).to_owned(), form[*key].clone())).collect();
    let mut wanted = was.clone();
    wanted.insert("state".into(), "on_sale".into());
    let body = serde_json::json!({ "was": was, "selling": wanted });
    assert_eq!(owner.put("/api/products/secret-godwit/selling", &body).await.status(), StatusCode::OK);
    assert!(page(&site, "/shop/products/secret-godwit").await.contains("Secret Godwit"));
}

#[sqlx::test(migrations = false)]
async fn head_tells_what_get_would_and_only_what_is_there_is_kept_for_good(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let client = site.shopper();
    let no_picture = format!("/media/{}", "A".repeat(16));
    for path in [
        "/healthz",
        "/shop",
        "/shop/products/whimbrel",
        "/shop/nothing",
        "/media/0000",
        &no_picture,
        "/",
        "/api/shelf",
    ] {
        let get = client.get(site.at(path)).send().await.unwrap();
        let head = client.head(site.at(path)).send().await.unwrap();
        assert_eq!(head.status(), get.status(), "{path}");
        assert_eq!(head.headers().get("content-type"), get.headers().get("content-type"), "{path}");
        assert_eq!(head.text().await.unwrap(), "", "{path}");
    }
    let found = client.get(site.at("/shop/assets/base.css")).send().await.unwrap();
    assert_eq!(found.headers()["cache-control"], "public, max-age=31536000, immutable");
    for kind in ["br", "gzip"] {
        let small = client
            .get(site.at("/shop/assets/base.css"))
            .header("accept-encoding", kind)
            .send()
            .await
            .unwrap();
        assert_eq!(
            (&small.headers()["content-encoding"], &small.headers()["content-type"]),
            (&HeaderValue::from_static(kind), &HeaderValue::from_static("text/css; charset=utf-8"))
        );
        assert!(small.bytes().await.unwrap().len() < 12_000);
    }
    let missing = client.get(site.at("/shop/assets/gone.css")).send().await.unwrap();
    assert_eq!(missing.status(), StatusCode::NOT_FOUND);
    let kept = missing.headers().get("cache-control").map(|value| value.to_str().unwrap().to_owned());
    assert!(kept.is_none_or(|kept| !kept.contains("immutable")));
}

#[sqlx::test(migrations = false)]
async fn a_deep_link_opens_its_choice_and_a_strange_one_says_so(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let dusk = page(&site, "/shop/products/whimbrel?colour=dusk&sail=2-4-m").await;
    assert!(dusk.contains("data-say=\"price\">£74.00<"));
    // A card's swatch names one option; the others are as the page opens, so that it can be bought at once.
    let partial = page(&site, "/shop/products/whimbrel?colour=dusk").await;
    assert!(!partial.contains("Make your choice"));
    assert!(is_chosen(&partial, "colour", "dusk") && is_chosen(&partial, "sail", "1-6-m"));
    let strange = page(&site, "/shop/products/whimbrel?colour=mauve&ref=mail").await;
    assert!(strange.contains("We have no “mauve” here any more."));
    let added = page(&site, "/shop/products/whimbrel?colour=dusk&sail=1-6-m&added=1").await;
    assert!(added.contains("It is in your cart."));
}

#[sqlx::test(migrations = false)]
async fn an_unchanged_page_is_not_sent_twice_and_a_changed_one_is(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let client = site.shopper();
    let address = site.at("/shop/products/plover");
    let first = client.get(&address).send().await.unwrap();
    let tag = first.headers()["etag"].clone();
    let again = client.get(&address).header("if-none-match", &tag).send().await.unwrap();
    assert_eq!(again.status(), StatusCode::NOT_MODIFIED);
    // As another server process would: change and note.
    sqlx::query("UPDATE product SET price_minor = 9900 WHERE handle = 'plover'")
        .execute(&site.pool)
        .await
        .unwrap();
    sqlx::query("INSERT INTO change_note (product_id) SELECT id FROM product WHERE handle = 'plover'")
        .execute(&site.pool)
        .await
        .unwrap();
    for _ in 0..100 {
        let again = client.get(&address).header("if-none-match", &tag).send().await.unwrap();
        if again.status() == StatusCode::OK {
            assert!(again.text().await.unwrap().contains("£99.00"));
            return;
        }
        tokio::time::sleep(std::time::Duration::from_millis(50)).await;
    }
    panic!("the old page was still sent after five seconds");
}

#[sqlx::test(migrations = false)]
async fn pictures_come_in_sizes_and_keep_for_good(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let html = page(&site, "/shop/products/plover").await;
    let srcset = html.split_once("srcset=\"").unwrap().1.split_once('"').unwrap().0;
    let mut bytes = Vec::new();
    for (source, width) in srcset.split(", ").map(|one| one.split_once(' ').unwrap()) {
        let answer = site.shopper().get(site.at(source)).send().await.unwrap();
        assert_eq!(answer.headers()["content-type"], "image/webp");
        assert!(answer.headers()["cache-control"].to_str().unwrap().contains("immutable"));
        bytes.push((width.to_owned(), answer.bytes().await.unwrap().len()));
    }
    assert_eq!(
        bytes.iter().map(|(width, _)| width.as_str()).collect::<Vec<_>>(),
        ["96w", "144w", "216w", "320w", "480w", "720w", "1080w", "1600w"]
    );
    assert!(bytes.windows(2).all(|pair| pair[0].1 < pair[1].1), "{bytes:?}");
}

#[sqlx::test(migrations = false)]
async fn the_cart_is_changed_line_by_line(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    let put =
        |form: Vec<(&'static str, &'static str)>| shopper.post(site.at("/shop/cart")).form(&form).send();
    put(vec![("product", "hand-winder"), ("quantity", "2")]).await.unwrap();
    let answer = put(vec![("product", "gift-card"), ("amount", "50"), ("after", "stay")]).await.unwrap();
    assert_eq!(answer.headers()["location"], "/shop/products/gift-card?amount=50&added=1");
    let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(cart.contains("£74.00") && cart.contains("Amount: £50"), "two winders and a card");
    let checkout = shopper.get(site.at("/shop/checkout")).send().await.unwrap().text().await.unwrap();
    assert!(checkout.contains("1 × Gift card, £50"), "which one is told where it is paid");
    assert!(!checkout.contains("What was in your cart before"));
    let line = cart.split_once("name=\"line\" value=\"").unwrap().1.split_once('"').unwrap().0.to_owned();
    let set = |quantity: &'static str| {
        let form = [("line", line.clone()), ("quantity", quantity.to_owned())];
        shopper.post(site.at("/shop/cart/set")).form(&form).send()
    };
    assert_eq!(set("many").await.unwrap().status(), StatusCode::UNPROCESSABLE_ENTITY);
    let answer = set("5").await.unwrap();
    assert!(answer.headers()["set-cookie"].to_str().unwrap().starts_with("cart_count=6"));
    set("0").await.unwrap();
    let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(!cart.contains("Hand winder") && cart.contains("£50.00"));
    let empty = site.shopper().get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(empty.contains("Your cart is empty."));
    assert_eq!(
        site.shopper().get(site.at("/shop/checkout")).send().await.unwrap().status(),
        StatusCode::SEE_OTHER
    );
}

#[sqlx::test(migrations = false)]
async fn one_place_of_a_workshop_is_the_most_of_an_order(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    let place = [("product", "sew-your-first-kite"), ("date", "sunday-7-february")];
    let put = || shopper.post(site.at("/shop/cart")).form(&place).send();
    put().await.unwrap();
    put().await.unwrap();
    let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(cart.contains("One order can hold 1 of these."));
    shopper.post(site.at("/shop/cart/accept")).send().await.unwrap();
    let cart = shopper.get(site.at("/shop/cart")).send().await.unwrap().text().await.unwrap();
    assert!(!cart.contains("class=\"problem\"") && cart.contains("£95.00"));
}

#[sqlx::test(migrations = false)]
async fn the_owners_application_is_one_document_at_all_its_addresses(pool: MySqlPool) {
    let site = Site::start(pool).await;
    for path in ["/", "/templates", "/templates/2?product=whimbrel", "/sign-in"] {
        assert!(page(&site, path).await.contains("<div id=\"app\">"), "{path}");
    }
    // Its files are named by what is in them and keep for good.
    let document = page(&site, "/").await;
    let script = document.split_once("src=\"").unwrap().1.split_once('"').unwrap().0;
    for (file, found) in [(script, true), ("/assets/index-gone.js", false)] {
        let answer = site.shopper().get(site.at(file)).send().await.unwrap();
        let kept = answer.headers().get("cache-control").map(|value| value.to_str().unwrap().to_owned());
        assert_eq!(answer.status().is_success(), found, "{file}");
        assert_eq!(kept.is_some_and(|kept| kept.contains("immutable")), found, "{file}");
    }
    assert_eq!(page(&site, "/healthz").await, "well");
    let style = page(&site, "/shop").await;
    let address =
        style.split_once("rel=\"stylesheet\" href=\"").unwrap().1.split_once('"').unwrap().0.to_owned();
    let answer = site.shopper().get(site.at(&address)).send().await.unwrap();
    assert!(answer.headers()["cache-control"].to_str().unwrap().contains("immutable"));
}

#[sqlx::test(migrations = false)]
async fn who_buys_one_now_is_told_what_comes_along_from_the_cart(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let shopper = site.shopper();
    let form = [("product", "gift-card"), ("amount", "25"), ("after", "checkout")];
    let buy_now = async || {
        let answer = shopper.post(site.at("/shop/cart")).form(&form).send().await.unwrap();
        answer.headers()["location"].to_str().unwrap().to_owned()
    };
    let page = async |path: &str| shopper.get(site.at(path)).send().await.unwrap().text().await.unwrap();
    assert_eq!(buy_now().await, "/shop/checkout");
    let along = "What was in your cart before is part of this order.";
    assert!(!page("/shop/checkout").await.contains(along));
    assert_eq!(buy_now().await, "/shop/checkout?along=1");
    assert!(page("/shop/checkout?along=1").await.contains(along));
}

#[sqlx::test(migrations = false)]
async fn each_page_tells_the_address_that_stands_for_it(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let stands = async |path: &str, host: Option<&str>| {
        let mut request = site.shopper().get(site.at(path));
        if let Some(host) = host {
            request = request.header("x-forwarded-host", host);
        }
        let link = request.send().await.unwrap().headers().get("link").cloned()?;
        let link = link.to_str().unwrap();
        Some(link.strip_prefix('<').unwrap().strip_suffix(">; rel=\"canonical\"").unwrap().to_owned())
    };
    for (path, itself) in [
        ("/shop/products/whimbrel", "/shop/products/whimbrel"),
        ("/shop/products/whimbrel?colour=ember", "/shop/products/whimbrel"),
        ("/shop/products/whimbrel?quantity=2", "/shop/products/whimbrel"),
        ("/shop", "/shop"),
        ("/shop?order=name&stock=1", "/shop"),
        ("/shop/types/spares?page=1", "/shop/types/spares"),
        ("/shop/tags/BEGINNERS", "/shop/tags/beginners"),
    ] {
        // Made the first time, kept ready the second.
        for _ in 0..2 {
            assert_eq!(stands(path, None).await, Some(site.at(itself)), "{path}");
        }
    }
    assert_eq!(stands("/shop/search?q=kite", None).await, None, "a search stands for nothing");
    let kept = stands("/shop", Some("kites.example")).await;
    assert_eq!(kept, Some("http://kites.example/shop".to_owned()), "behind another server");
    assert_eq!(stands("/shop", Some("a>; rel=\"x\", <b")).await, None, "what is no host is told to nobody");
}

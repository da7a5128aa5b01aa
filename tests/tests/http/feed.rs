//! What owners' open tabs are told as it happens.

use compagina_tests::{OTHER_EMAIL, OTHER_PASSWORD, Owner, Site, json_of};
use reqwest::Response;
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::collections::VecDeque;
use std::time::Duration;
use tokio::time::timeout;

/// A tab's stream.
struct Tab {
    answer: Response,
    rest: String,
    said: VecDeque<Value>,
}

impl Tab {
    async fn open(owner: &Owner, site: &Site, query: &str) -> Self {
        let answer = owner.client.get(site.at(&format!("/api/feed?{query}"))).send().await.unwrap();
        assert_eq!(answer.status(), 200);
        assert_eq!(answer.headers()["content-type"], "text/event-stream");
        Self { answer, rest: String::new(), said: VecDeque::new() }
    }

    /// What it is told at once next; nothing where the stream has ended.
    async fn told(&mut self) -> Option<Value> {
        loop {
            if let Some((event, rest)) = self.rest.split_once("\n\n") {
                let told = serde_json::from_str(event.strip_prefix("data: ").unwrap()).unwrap();
                self.rest = rest.to_owned();
                return Some(told);
            }
            let more = timeout(Duration::from_secs(20), self.answer.chunk()).await.expect("nothing was told");
            self.rest.push_str(std::str::from_utf8(&more.ok()??).unwrap());
        }
    }

    /// What is said of a thing next.
    async fn of(&mut self, thing: &str) -> Value {
        loop {
            while let Some(said) = self.said.pop_front() {
                if said["thing"] == thing {
                    return said;
                }
            }
            let told = self.told().await.expect("the stream ended");
            assert_eq!(told["anew"], false);
            self.said.extend(told["said"].as_array().unwrap().iter().cloned());
        }
    }
}

async fn remove(owner: &Owner, revision: u64, piece: &str) {
    let op = json!({ "op": "remove_piece", "piece": piece });
    let done = owner.post("/api/templates/2/operations", &json!({ "revision": revision, "op": op })).await;
    assert_eq!(done.status(), 200);
}

#[sqlx::test(migrations = false)]
async fn whatever_becomes_otherwise_is_told_on_every_server(pool: MySqlPool) {
    let (first, second) = (Site::start(pool.clone()).await, Site::start(pool).await);
    let isla = &first.owner().await;
    let mut tabs = [Tab::open(isla, &first, "tab=one").await, Tab::open(isla, &second, "tab=two").await];
    let variants = json_of(isla.get("/api/variants?product=whimbrel").await).await;
    let (product, step) = variants["seen"].as_str().unwrap().split_once('@').unwrap();

    remove(isla, 1, "p1").await;
    let stock = json!({ "ids": [variants["variants"][0]["id"]], "stock": "77" });
    assert_eq!(isla.patch("/api/variants?product=whimbrel", &stock).await.status(), 200);
    assert_eq!(isla.draft_prices(json!({ "rules": [], "plans": [] })).await.status(), 200);
    assert_eq!(isla.post("/api/drafts/template-2/publish", &json!({ "revision": 2 })).await.status(), 200);
    for tab in &mut tabs {
        assert_eq!(tab.of("template-2").await["revision"], 2, "an edit");
        assert!(tab.of(product).await["revision"].as_u64().unwrap() > step.parse().unwrap());
        assert!(tab.of("prices").await["revision"].as_u64().unwrap() > 0);
        assert_eq!(tab.of("template-2").await["revision"], Value::Null, "a publication");
    }
}

#[sqlx::test(migrations = false)]
async fn what_is_read_once_it_is_told_is_as_it_has_become(pool: MySqlPool) {
    let (first, second) = (Site::start(pool.clone()).await, Site::start(pool).await);
    let (here, there) = (&first.owner().await, &second.owner().await);
    let mut tab = Tab::open(there, &second, "tab=two").await;
    let variants = json_of(here.get("/api/variants?product=whimbrel").await).await;
    let product = variants["seen"].as_str().unwrap().split_once('@').unwrap().0;
    let ids: Vec<&Value> = variants["variants"].as_array().unwrap().iter().map(|one| &one["id"]).collect();
    for price in ["71.10", "72.20", "73.30", "74.40"] {
        let change = json!({ "ids": ids, "price": price });
        let changed = json_of(here.patch("/api/variants?product=whimbrel", &change).await).await;
        let step: u64 = changed["seen"].as_str().unwrap().split_once('@').unwrap().1.parse().unwrap();
        // What was told of an earlier one may still lie there.
        while tab.of(product).await["revision"].as_u64().is_none_or(|told| told < step) {}
        let page = there.page("/api/templates/2/proof?product=whimbrel".into()).await;
        assert!(page.contains(&format!("£{price}")), "{price} isn't there yet");
    }
}

#[sqlx::test(migrations = false)]
async fn a_stream_goes_on_from_its_mark_and_who_has_none_may_ask(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let isla = &site.owner().await;
    let mut tab = Tab::open(isla, &site, "tab=one").await;
    let mark = tab.told().await.unwrap()["mark"].as_str().unwrap().to_owned();
    drop(tab);
    remove(isla, 1, "p1").await;
    remove(isla, 2, "p2").await;
    let after = format!("tab=one&after={mark}");
    let mut again = Tab::open(isla, &site, &after).await;
    while again.of("template-2").await["revision"] != 3 {}
    let told = json_of(isla.get(&format!("/api/feed/since?{after}")).await).await;
    assert_eq!(told["said"].as_array().unwrap().last().unwrap()["revision"], 3, "{told}");
    let none = json_of(isla.get("/api/feed/since?tab=one&after=elsewhere-3").await).await;
    assert_eq!((&none["anew"], &none["said"]), (&json!(true), &json!([])), "all is to be read anew");
    for bad in ["", "tab=", "tab=../../etc", "tab=12345678901234567", "tab=one&before=2"] {
        for path in ["/api/feed", "/api/feed/since"] {
            let status = isla.get(&format!("{path}?{bad}")).await.status().as_u16();
            assert!(status == 422 || status == 400, "{path}?{bad}: {status}");
        }
    }
    assert_eq!(site.shopper().get(site.at("/api/feed?tab=one")).send().await.unwrap().status(), 401);
}

#[sqlx::test(migrations = false)]
async fn who_is_at_a_desk_is_told_and_that_they_left(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (isla, tomas) = (&site.owner().await, &site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await);
    let here = async |owner: &Owner, place: &str, chosen: &str| {
        let body = json!({ "place": place, "chosen": chosen });
        json_of(owner.post("/api/templates/2/presence", &body).await).await
    };
    let there = |all: &[(&str, &str, &str)]| {
        all.iter()
            .map(|(name, place, chosen)| json!({ "name": name, "place": place, "chosen": chosen }))
            .collect::<Value>()
    };
    let (of_isla, of_tomas) = (("Isla Marram", "one", "p5"), ("Tomas Gale", "two", "p7"));
    let mut tab = Tab::open(isla, &site, "tab=one").await;
    let other = Tab::open(tomas, &site, "tab=two").await;
    assert_eq!(here(isla, "one", "p5").await, there(&[of_isla]));
    assert_eq!(tab.of("here/2").await["present"], there(&[of_isla]));
    assert_eq!(here(tomas, "two", "p7").await, there(&[of_isla, of_tomas]));
    assert_eq!(tab.of("here/2").await["present"], there(&[of_isla, of_tomas]));
    // Still there, where they were: nothing is told of it.
    here(tomas, "two", "p7").await;
    here(tomas, "two", "").await;
    assert_eq!(tab.of("here/2").await["present"], there(&[of_isla, ("Tomas Gale", "two", "")]));
    // Their tab is gone without a word.
    drop(other);
    assert_eq!(tab.of("here/2").await["present"], there(&[of_isla]));
    here(tomas, "two", "p7").await;
    tab.of("here/2").await;
    let leaving = json!({ "place": "two", "chosen": "", "leaving": true });
    assert_eq!(tomas.post("/api/templates/2/presence", &leaving).await.status(), 200);
    assert_eq!(tab.of("here/2").await["present"], there(&[of_isla]));

    for place in ["", "../../etc", &"x".repeat(17)] {
        let body = json!({ "place": place, "chosen": "" });
        assert_eq!(isla.post("/api/templates/2/presence", &body).await.status(), 422, "{place}");
    }
    let body = json!({ "place": "one", "chosen": "x".repeat(61) });
    assert_eq!(isla.post("/api/templates/2/presence", &body).await.status(), 422);
    let body = json!({ "place": "one", "chosen": "" });
    assert_eq!(isla.post("/api/templates/99/presence", &body).await.status(), 404);
}

#[sqlx::test(migrations = false)]
async fn who_has_signed_out_is_told_nothing_more(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let (isla, tomas) = (&site.owner().await, &site.owner_named(OTHER_EMAIL, OTHER_PASSWORD).await);
    let mut hers = Tab::open(isla, &site, "tab=one").await;
    let mut his = Tab::open(tomas, &site, "tab=two").await;
    hers.told().await.unwrap();
    assert_eq!(isla.delete("/api/session").await.status(), 204);
    assert_eq!(hers.told().await, None);
    his.of("sessions").await;
    remove(tomas, 1, "p1").await;
    assert_eq!(his.of("template-2").await["revision"], 2);
}

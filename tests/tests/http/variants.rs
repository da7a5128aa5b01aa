//! Variants over HTTP: set many at once, made, removed, and brought in from files.

use compagina_tests::{Owner, Site, json_of, refusal};
use futures_util::future::join_all;
use reqwest::{Method, Response};
use serde_json::{Value, json};
use sqlx::MySqlPool;
use std::collections::BTreeSet;
use std::fmt::Write;

const MINI: &str = "/api/variants?product=whimbrel-mini";
const SPAR: &str = "/api/variants?product=carbon-spar";

async fn send(owner: &Owner, what: &str, file: &str) -> Response {
    owner.send(Method::POST, &format!("/api/variants/{what}"), file.as_bytes().to_vec()).await
}

/// The steps of an import: numbers of rows, and the report at the end.
async fn brought(owner: &Owner, file: &str) -> (Vec<u64>, Value) {
    let answer = send(owner, "import", file).await;
    assert_eq!(answer.status(), 200);
    let text = answer.text().await.unwrap();
    let mut steps: Vec<Value> = text.lines().map(|line| serde_json::from_str(line).unwrap()).collect();
    let report = steps.pop().unwrap()["report"].clone();
    (steps.iter().map(|step| step["done"].as_u64().unwrap()).collect(), report)
}

/// A view without how it was seen.
fn unmarked(mut view: Value) -> Value {
    view.as_object_mut().unwrap().remove("seen");
    view
}

#[sqlx::test(migrations = false)]
async fn an_answer_holds_what_became_otherwise_since_it_was_seen_and_nothing_besides(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = json_of(owner.get(MINI).await).await;
    let all = before["variants"].as_array().unwrap();
    assert_eq!((&before["whole"], &before["count"]), (&json!(true), &json!(all.len())));
    let set = |at: usize, stock: &str| json!({ "ids": [all[at]["id"]], "stock": stock });
    let mine = json_of(owner.patch(MINI, &set(0, "31")).await).await;
    assert_eq!(mine["whole"], true, "it wasn't told how the product was seen");
    let since = async |seen: &Value| {
        json_of(owner.get(&format!("{MINI}&since={}", seen.as_str().unwrap().replace('@', "%40"))).await)
            .await
    };
    assert_eq!(since(&mine["seen"]).await["variants"], json!([]), "nothing since");
    json_of(owner.patch(MINI, &set(1, "32")).await).await;
    let one = since(&mine["seen"]).await;
    assert_eq!((&one["whole"], one["variants"].as_array().unwrap().len()), (&json!(false), 1));
    assert_eq!((&one["variants"][0]["id"], &one["variants"][0]["stock"]), (&all[1]["id"], &json!(32)));
    let gone = json!({ "ids": [all[1]["id"]] });
    json_of(owner.send(Method::DELETE, MINI, gone.to_string().into_bytes()).await).await;
    let one = since(&mine["seen"]).await;
    assert_eq!((&one["gone"], &one["count"]), (&json!([all[1]["id"]]), &json!(all.len() - 1)));
    assert_eq!(since(&json!("nonsense")).await["whole"], true);
    let rest = json_of(owner.get(&format!("{MINI}&skip=1")).await).await;
    assert_eq!(rest["variants"].as_array().unwrap().len(), all.len() - 2);
}

#[sqlx::test(migrations = false)]
async fn many_variants_are_told_in_parts_that_are_of_one_reading(pool: MySqlPool) {
    let site = Site::start(pool.clone()).await;
    let owner = site.owner().await;
    let options = json_of(owner.get(SPAR).await).await["options"].clone();
    let names: Vec<&str> =
        options.as_array().unwrap().iter().map(|one| one["name"].as_str().unwrap()).collect();
    let mut file = format!("product,sku,stock,{}\n", names.join(","));
    for number in 0..900 {
        let place = |option: usize| number / 10_usize.pow(u32::try_from(option).unwrap()) % 10;
        let values: Vec<String> = (0..names.len()).map(|option| format!("No {}", place(option))).collect();
        writeln!(file, "carbon-spar,PART-{number},3,{}", values.join(",")).unwrap();
    }
    let (_, report) = brought(&owner, &file).await;
    assert!(report["added"].as_u64().unwrap() >= 890, "{report}");
    let part = async |skip: usize| json_of(owner.get(&format!("{SPAR}&skip={skip}")).await).await;
    let first = part(0).await;
    let (told, count) = (first["variants"].as_array().unwrap().len(), first["count"].as_u64().unwrap());
    assert!(told as u64 * 2 > count && (told as u64) < count, "{told} of {count}");
    // An order takes from the stock; it is no step of an owner's.
    sqlx::query("UPDATE variant SET stock = 1 WHERE sku LIKE 'PART-%'").execute(&pool).await.unwrap();
    let rest = part(told).await;
    let stocks =
        |part: &Value| part["variants"].as_array().unwrap().iter().filter(|one| one["stock"] == 1).count();
    assert_eq!(
        (stocks(&rest), &rest["seen"]),
        (0, &first["seen"]),
        "it goes on with what the first part is of"
    );
    assert_eq!(stocks(&part(0).await), told - 10, "who begins anew reads anew");
    let ids = |part: &Value| {
        part["variants"]
            .as_array()
            .unwrap()
            .iter()
            .map(|one| one["id"].as_u64().unwrap())
            .collect::<BTreeSet<_>>()
    };
    assert_eq!((&ids(&first) | &ids(&rest)).len() as u64, count);
    let set = json!({ "ids": [first["variants"][0]["id"]], "stock": "31" });
    json_of(owner.patch(SPAR, &set).await).await;
    let other = part(told).await;
    assert_ne!(other["seen"], first["seen"], "after a step it is another reading");
    assert!(stocks(&other) > 0);
}

#[sqlx::test(migrations = false)]
async fn a_block_fills_variants_each_in_its_own_way_or_none_of_them(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let fill = "/api/variants/fill?product=whimbrel-mini";
    let before = json_of(owner.get(MINI).await).await;
    let (one, two) = (&before["variants"][0], &before["variants"][1]);
    let rows = json!({ "rows": [
        { "id": one["id"], "sku": two["sku"], "price": "41", "stock": "5" },
        { "id": two["id"], "sku": one["sku"], "old_price": "50.5", "measure": "2 m" },
    ] });
    let now = json_of(owner.patch(fill, &rows).await).await;
    let (first, second) = (&now["variants"][0], &now["variants"][1]);
    assert_eq!((&first["sku"], &first["price"], &first["stock"]), (&two["sku"], &json!("41.00"), &json!(5)));
    assert_eq!((&second["sku"], &second["old_price"]), (&one["sku"], &json!("50.50")));
    let taken =
        json_of(owner.get("/api/variants?product=whimbrel").await).await["variants"][0]["sku"].clone();
    for (bad, says) in [
        (json!({ "id": two["id"], "price": "cheap" }), one["sku"].as_str().unwrap()),
        (json!({ "id": two["id"], "sku": now["variants"][2]["sku"] }), "would belong to two variants"),
        (json!({ "id": two["id"], "sku": taken }), "belongs to another variant, of Whimbrel"),
    ] {
        let rows = json!({ "rows": [{ "id": one["id"], "stock": "99" }, bad] });
        let message = refusal(owner.patch(fill, &rows).await).await;
        assert!(message.contains(says), "{message}");
    }
    assert_eq!(json_of(owner.get(MINI).await).await["variants"][0]["stock"], 5, "nothing of it was kept");
}

#[sqlx::test(migrations = false)]
async fn price_and_stock_are_set_for_many_at_once(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = json_of(owner.get(MINI).await).await;
    let ids: Vec<_> = before["variants"].as_array().unwrap().iter().map(|v| v["id"].clone()).collect();
    let change = json!({ "ids": ids, "price": "39.5", "old_price": "45", "stock": "7" });
    let now = json_of(owner.patch(MINI, &change).await).await;
    for variant in now["variants"].as_array().unwrap() {
        let set = (&variant["price"], &variant["old_price"], &variant["stock"]);
        assert_eq!(set, (&json!("39.50"), &json!("45.00"), &json!(7)));
    }
    let now = json_of(owner.patch(MINI, &json!({ "ids": [ids[0]], "price": "", "stock": "" })).await).await;
    assert_eq!((&now["variants"][0]["price"], &now["variants"][0]["stock"]), (&Value::Null, &Value::Null));

    for (bad, says) in [
        (json!({ "ids": ids, "price": "£40" }), "no plain number"),
        (json!({ "ids": ids, "stock": "-1" }), "below zero"),
        (json!({ "ids": [ids[0]], "sku": "" }), "at most 80"),
        (json!({ "ids": [ids[0]], "sku": before["variants"][1]["sku"] }), "of Whimbrel Mini"),
        (json!({ "ids": ids, "sku": "ONE" }), "SKU of its own"),
    ] {
        let told = refusal(owner.patch(MINI, &bad).await).await;
        assert!(told.contains(says), "{told}");
    }
    assert_eq!(json_of(owner.get(MINI).await).await, now);
    assert_eq!(owner.patch(SPAR, &json!({ "ids": ids, "stock": "1" })).await.status(), 404);
}

#[sqlx::test(migrations = false)]
async fn combinations_are_made_and_taken_out_again(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = json_of(owner.get(SPAR).await).await;
    let (count, missing) =
        (before["variants"].as_array().unwrap().len(), before["missing"].as_u64().unwrap());
    assert!(missing > 0);
    let made = json_of(owner.post("/api/variants/make?product=carbon-spar", &json!({})).await).await;
    assert_eq!(made["missing"], 0);
    let all = made["variants"].as_array().unwrap();
    assert_eq!(all.len(), count + usize::try_from(missing).unwrap());
    assert!(
        all[count..]
            .iter()
            .all(|v| v["stock"] == 0 && v["sku"].as_str().unwrap().starts_with("CARBON-SPAR-"))
    );
    let again = owner.post("/api/variants/make?product=carbon-spar", &json!({})).await;
    assert!(refusal(again).await.contains("already"));
    let ids: Vec<_> = all[count..].iter().map(|v| v["id"].clone()).collect();
    let body = |ids: &[Value]| serde_json::to_vec(&json!({ "ids": ids })).unwrap();
    let left = json_of(owner.send(Method::DELETE, SPAR, body(&ids)).await).await;
    assert_eq!(unmarked(left), unmarked(before.clone()));
    let everything: Vec<_> = before["variants"].as_array().unwrap().iter().map(|v| v["id"].clone()).collect();
    assert!(
        refusal(owner.send(Method::DELETE, SPAR, body(&everything)).await).await.contains("no variant left")
    );
}

#[sqlx::test(migrations = false)]
async fn a_file_is_written_changed_and_brought_in_again(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = json_of(owner.get(MINI).await).await;
    let file = owner.page("/api/variants.csv?product=whimbrel-mini".into()).await;
    let check = json_of(send(&owner, "check", &file).await).await;
    assert_eq!((&check["added"], &check["new_values"]), (&json!(0), &json!([])));
    let (_, report) = brought(&owner, &file).await;
    assert_eq!(
        (&report["changed"], &report["same"]),
        (&json!(0), &json!(before["variants"].as_array().unwrap().len()))
    );
    assert_eq!(
        json_of(owner.get(MINI).await).await,
        before,
        "what was written is read again and changes nothing"
    );

    let more = "product,sku,colour,sail,stock\nwhimbrel-mini,MINI-NEW,Copper,*,4\n";
    assert_eq!(json_of(send(&owner, "check", more).await).await["new_values"], json!(["Copper"]));
    assert_eq!(json_of(owner.get(MINI).await).await, before, "looking changes nothing");
    brought(&owner, more).await;
    let now = json_of(owner.get(MINI).await).await;
    let new = now["variants"].as_array().unwrap().last().unwrap();
    assert_eq!(
        (&new["sku"], &new["values"][1], &new["stock"]),
        (&json!("MINI-NEW"), &Value::Null, &json!(4))
    );
    let page = owner.page("/shop/products/whimbrel-mini?colour=copper".into()).await;
    assert!(page.contains("value=\"copper\""));
    // The gift card uses all amounts, those that come with a file too.
    brought(&owner, "product,sku,Amount\ngift-card,GIFT-NEW,£75\n").await;
    let card = json_of(owner.get("/api/variants?product=gift-card").await).await;
    assert_eq!(card["options"][0]["values"].as_array().unwrap().last().unwrap()["name"], "£75");
    assert_eq!(card["variants"].as_array().unwrap().last().unwrap()["sku"], "GIFT-NEW");
}

#[sqlx::test(migrations = false)]
async fn five_thousand_variants_come_with_their_progress(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let mut file = String::from("product,sku,Length,Diameter,Finish,stock\n");
    for n in 0..5000 {
        writeln!(file, "carbon-spar,S-{n},L{} cm,D{} mm,F{},{}", n / 250, n / 10 % 25, n % 10, n % 7)
            .unwrap();
    }
    let (steps, report) = brought(&owner, &file).await;
    assert_eq!(steps, (1..=20).map(|n| n * 250).collect::<Vec<_>>());
    assert_eq!((&report["added"], &report["lines"]), (&json!(5000), &json!(5000)));
    assert_eq!(report["new_values"].as_array().unwrap().len(), 20 + 25 + 10);
}

/// Forty lines, each wrong; one that is right; and nothing of it is taken.
#[sqlx::test(migrations = false)]
async fn a_file_with_forty_mistakes_names_every_line_and_changes_nothing(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let before = json_of(owner.get(MINI).await).await;
    let bad = [
        "price,abc",
        "price,-1",
        "price,1.005",
        "old price,£1",
        "stock,2.5",
        "stock,-1",
        "stock,x",
        "sku,",
        "product,ghost",
        "colour,!!",
    ];
    let mut file =
        String::from("product,sku,colour,sail,price,old price,stock\nwhimbrel-mini,GOOD,Ember,*,1,,1\n");
    for n in 0..40 {
        let (column, field) = bad[n % 10].split_once(',').unwrap();
        let sku = format!("B{n}");
        let colour = format!("New {n}");
        let of = |name: &str, usual: &str| if name == column { field.to_owned() } else { usual.to_owned() };
        let fields = [
            of("product", "whimbrel-mini"),
            of("sku", &sku),
            of("colour", &colour),
            "*".into(),
            of("price", ""),
            of("old price", ""),
            of("stock", ""),
        ];
        writeln!(file, "{}", fields.join(",")).unwrap();
    }
    let answer = send(&owner, "import", &file).await;
    assert_eq!(answer.status(), 422);
    let report: Value = answer.json().await.unwrap();
    let lines: Vec<u64> =
        report["mistakes"].as_array().unwrap().iter().map(|m| m["line"].as_u64().unwrap()).collect();
    for line in 3..43 {
        assert!(lines.contains(&line), "line {line}: {lines:?}");
    }
    assert!(!lines.contains(&2));
    assert_eq!(json_of(owner.get(MINI).await).await, before);
    let huge = vec![b'x'; 11_000_000];
    assert_eq!(owner.send(Method::POST, "/api/variants/check", huge).await.status(), 413);
}

/// What is decided on what is there is decided where it is written: of many at once one makes them, the others are told.
#[sqlx::test(migrations = false)]
async fn variants_that_many_make_and_options_that_many_add_at_once_are_there_once(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let missing = json_of(owner.get(SPAR).await).await["missing"].as_u64().unwrap();
    let before = json_of(owner.get(SPAR).await).await["variants"].as_array().unwrap().len();
    let nothing = json!({});
    let answers =
        join_all((0..8).map(|_| owner.post("/api/variants/make?product=carbon-spar", &nothing))).await;
    let mut made: Vec<u16> = answers.iter().map(|answer| answer.status().as_u16()).collect();
    made.sort_unstable();
    assert_eq!(made, [200, 422, 422, 422, 422, 422, 422, 422]);
    let all = json_of(owner.get(SPAR).await).await["variants"].clone();
    let choices: BTreeSet<String> = all.as_array().unwrap().iter().map(|v| v["values"].to_string()).collect();
    assert_eq!(choices.len(), before + usize::try_from(missing).unwrap(), "each choice once");
    assert_eq!(all.as_array().unwrap().len(), choices.len());

    let names = json!({ "name": "Line colour" });
    let answers = join_all((0..8).map(|_| owner.post("/api/options", &names))).await;
    let mut added: Vec<u16> = answers.iter().map(|answer| answer.status().as_u16()).collect();
    added.sort_unstable();
    assert_eq!(added, [200, 422, 422, 422, 422, 422, 422, 422]);
}

#[sqlx::test(migrations = false)]
async fn a_product_is_chosen_by_other_options_and_keeps_its_variants(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let put = async |uses: Value| owner.put("/api/variants/options?product=whimbrel-mini", &uses).await;
    let made = json_of(owner.post("/api/options", &json!({ "name": "Line colour" })).await).await;
    assert_eq!((&made["handle"], &made["values"]), (&json!("line-colour"), &json!([])));
    let told = refusal(owner.post("/api/options", &json!({ "name": "LINE colour" })).await).await;
    assert!(told.contains("already"), "{told}");
    let lines =
        json_of(owner.post("/api/options/line-colour/values", &json!({ "name": "White" })).await).await;
    let before = json_of(owner.get(MINI).await).await;
    let options = before["options"].as_array().unwrap();
    let of = |option: &Value| -> Value {
        let values: Vec<_> = option["values"].as_array().unwrap().iter().map(|v| v["id"].clone()).collect();
        json!({ "option": option["id"], "values": values })
    };
    // The new option first; the others keep what each variant has.
    let uses = json!([{ "option": lines["id"], "values": [lines["values"][0]["id"]] }, of(&options[0]), of(&options[1])]);
    let now = json_of(put(uses).await).await;
    assert_eq!(now["options"][0]["name"], "Line colour");
    assert_eq!(now["variants"][0]["values"][0], Value::Null);
    assert_eq!(now["variants"][0]["values"][1], before["variants"][0]["values"][0]);
    assert!(refusal(put(json!([of(&options[1])])).await).await.contains("would be the same"));
    let mut fewer = of(&options[0]);
    fewer["values"].as_array_mut().unwrap().pop();
    assert!(refusal(put(json!([fewer, of(&options[1])])).await).await.contains("of the variants have"));
    assert!(refusal(put(json!([{ "option": 999, "values": [] }])).await).await.contains("is gone"));
    let back = json_of(put(json!([of(&options[0]), of(&options[1])])).await).await;
    assert_eq!(unmarked(back), unmarked(before));
}

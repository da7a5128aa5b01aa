//! Whatever has a name is found by it, from anywhere in the application.

use compagina_tests::{Site, json_of};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::MySqlPool;

#[sqlx::test(migrations = false)]
async fn products_templates_options_and_rules_are_found_by_their_names(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let find = async |words: &str| json_of(owner.get(&format!("/api/find?words={words}")).await).await;
    let names = |found: &Value| -> Vec<String> {
        found.as_array().unwrap().iter().map(|one| one["name"].as_str().unwrap().to_owned()).collect()
    };
    let whim = find("whim").await;
    assert_eq!(
        whim[0],
        json!({ "what": "product", "handle": "whimbrel", "name": "Whimbrel", "kind": "Sport kites", "template": 2 })
    );
    // What begins so comes before what only has such a word, or stands beside it.
    assert_eq!(names(&find("sport%20kites").await).last().unwrap(), "Sport kites");
    assert_eq!(names(&find("mini").await), ["Whimbrel Mini"]);
    let colour = find("colo").await;
    assert!(
        colour
            .as_array()
            .unwrap()
            .contains(&json!({ "what": "option", "handle": "colour", "name": "Colour" }))
    );
    let rules = find("LINES%20by").await;
    assert!(rules.as_array().unwrap().iter().any(|one| one["what"] == "rule"), "{rules}");

    // Of a kind the best few; of nothing nothing, and of anything odd nothing either.
    assert!(
        find("kite").await.as_array().unwrap().iter().filter(|one| one["what"] == "product").count() <= 6
    );
    for nothing in ["", "%20", "%00%25_", "zzzz", &"x".repeat(3000)] {
        assert_eq!(find(nothing).await, json!([]), "{nothing}");
    }
    let stranger = reqwest::get(site.at("/api/find?words=whim")).await.unwrap();
    assert_eq!(stranger.status(), StatusCode::UNAUTHORIZED);
}

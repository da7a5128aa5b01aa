//! The document that the program prints, as the client's types are made of it.
#![allow(clippy::unwrap_used)]

use serde_json::Value;
use std::collections::BTreeMap;
use std::process::Command;

fn operations() -> BTreeMap<String, Value> {
    let printed = Command::new(env!("CARGO_BIN_EXE_openapi")).output().unwrap();
    assert!(printed.status.success());
    let document: Value = serde_json::from_slice(&printed.stdout).unwrap();
    let paths = document["paths"].as_object().unwrap().clone();
    let of_path = |(path, item): (String, Value)| {
        let methods = ["get", "post", "put", "patch", "delete"];
        let found = methods.map(|method| (format!("{} {path}", method.to_uppercase()), item[method].clone()));
        found.into_iter().filter(|(_, operation)| operation.is_object())
    };
    paths.into_iter().flat_map(of_path).collect()
}

#[test]
fn every_operation_has_a_name_of_its_own_and_says_what_it_does_and_answers() {
    let mut names: BTreeMap<String, String> = BTreeMap::new();
    let mut silent = Vec::new();
    for (path, operation) in operations() {
        let name = operation["operationId"].as_str().unwrap().to_owned();
        let other = names.insert(name.clone(), path.clone());
        assert_eq!(other, None, "{path} is called {name} too");
        let says = operation["summary"].as_str().unwrap_or_default();
        if !says.ends_with('.') {
            silent.push(path.clone());
        }
        let answers: Vec<_> = operation["responses"].as_object().unwrap().keys().cloned().collect();
        assert!(answers.iter().any(|status| status.starts_with('2')), "{path} never succeeds: {answers:?}");
        let refuses = answers.iter().any(|status| status == "401");
        assert!(refuses || !path.contains(" /api/"), "{path} doesn't say that it asks for an owner");
    }
    assert_eq!(silent, Vec::<String>::new(), "these don't say what they do");
    assert!(names.len() > 100, "the whole API is in it: {}", names.len());
}

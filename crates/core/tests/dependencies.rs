//! The rules stay free of everything that talks to the outside.
#![allow(clippy::unwrap_used)]

use std::process::Command;

#[test]
fn core_depends_on_no_database_no_runtime_and_no_server() {
    let tree = Command::new(env!("CARGO"))
        .args([
            "tree",
            "--offline",
            "--package",
            "compagina-core",
            "--edges",
            "normal",
            "--prefix",
            "none",
            "--all-features",
        ])
        .output()
        .unwrap();
    assert!(tree.status.success(), "{}", String::from_utf8_lossy(&tree.stderr));
    let tree = String::from_utf8(tree.stdout).unwrap();
    assert!(tree.starts_with("compagina-core "));
    for unwanted in ["sqlx", "tokio", "actix", "reqwest", "maud", "rand", "chrono"] {
        let found = tree.lines().find(|line| line.split([' ', '-']).next() == Some(unwanted));
        assert_eq!(found, None);
    }
}

//! What is logic in the browser's scripts has tests of its own, run by node's test runner.
#![allow(clippy::unwrap_used)]

use std::path::Path;
use std::process::Command;

/// Runs a program in the folder of some scripts; fails with all that it said.
fn run(folder: &Path, program: &str, arguments: &[&str]) {
    let done = Command::new(program).args(arguments).current_dir(folder).output().unwrap();
    let said = [done.stdout, done.stderr].map(|said| String::from_utf8_lossy(&said).into_owned()).concat();
    assert!(done.status.success(), "{program} {arguments:?} in {}:\n{said}", folder.display());
}

fn tests_of(part: &str) {
    let folder = Path::new(env!("CARGO_MANIFEST_DIR")).join("..").join(part);
    run(&folder, "npx", &["--no-install", "vite", "build", "-c", "../vite.tests.config.ts"]);
    run(&folder, "node", &["--test", "--test-reporter=spec", "dist/tests/"]);
}

#[test]
fn the_shoppers_choices_end_where_they_were_made() {
    tests_of("shop");
}

#[test]
fn the_owners_application_keeps_its_word() {
    tests_of("web");
}

//! `cargo xtask test`: everything that must hold before a change lands.

use crate::browser::ChromeDriver;
use crate::database::Database;
use crate::packages::{BROWSER, COMPILER, DATABASE, FRONT, ensure, ensure_npm};
use crate::shell::{self, command, say};
use crate::{api, front};
use anyhow::Result;
use std::fs;
use std::path::Path;

fn step(what: &str, program: &str, arguments: &[&str]) -> Result<()> {
    say(&format!("· {what}"));
    shell::run(&mut command(program, arguments))
}

pub fn run() -> Result<()> {
    ensure(&[COMPILER, DATABASE, FRONT, BROWSER])?;
    ensure_npm()?;
    step("Rust format", "cargo", &["fmt", "--all", "--check"])?;
    step("Front end: lint and format", "npm", &["run", "--silent", "lint"])?;
    step("Front end: types", "npm", &["run", "--silent", "types"])?;
    front::build()?;
    let everything = ["clippy", "--workspace", "--all-targets", "--locked", "--", "--deny", "warnings"];
    step("Rust: clippy", "cargo", &everything)?;
    say("· API types");
    api::check()?;
    tests()
}

fn tests() -> Result<()> {
    // Sites draw in processes of the server's own program, and some tests kill it: it is built for none of them by itself.
    let program = ["build", "--workspace", "--bin", "compagina-server", "--locked"];
    step("The server's program", "cargo", &program)?;
    say("· Tests");
    let folder = Path::new("target/test-database");
    if folder.exists() {
        fs::remove_dir_all(folder)?;
    }
    let database = Database::start(folder)?;
    let driver = ChromeDriver::start()?;
    let media = std::env::current_dir()?.join("target/test-media");
    let mut tests = command("cargo", &["test", "--workspace", "--locked"]);
    tests
        .env("DATABASE_URL", database.url("compagina_tests")?)
        .env("COMPAGINA_CHROMEDRIVER", &driver.url)
        .env("COMPAGINA_TEST_MEDIA", media);
    shell::run(&mut tests)
}

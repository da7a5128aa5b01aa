//! `cargo xtask test`: everything that must hold before a change lands.

use crate::browser::ChromeDriver;
use crate::database::Database;
use crate::packages::{BROWSER, COMPILER, DATABASE, FRONT, ensure, ensure_npm};
use crate::shell::{self, command, say};
use crate::{api, front};
use anyhow::{Result, anyhow};
use std::fs;
use std::path::Path;
use std::time::Instant;

fn step(what: &str, program: &str, arguments: &[&str]) -> Result<()> {
    timed(what, || shell::run(&mut command(program, arguments)))
}

/// Tells what is being done, and how long it took.
fn timed(what: &str, work: impl FnOnce() -> Result<()>) -> Result<()> {
    say(&format!("· {what}"));
    let begun = Instant::now();
    work()?;
    say(&format!("  {what}: {} s", begun.elapsed().as_secs()));
    Ok(())
}

pub fn run() -> Result<()> {
    timed("What is missing", || ensure(&[COMPILER, DATABASE, FRONT, BROWSER]).and_then(|()| ensure_npm()))?;
    step("Rust format", "cargo", &["fmt", "--all", "--check"])?;
    // Each of them leaves a core idle for most of its time.
    std::thread::scope(|both| {
        let front = both.spawn(front_end);
        let everything = ["clippy", "--workspace", "--all-targets", "--locked", "--", "--deny", "warnings"];
        let rust = step("Rust: clippy", "cargo", &everything);
        front.join().map_err(|_| anyhow!("the checks of the front end ended early"))?.and(rust)
    })?;
    // Tests and programs at once: asked for one by one, each would get its packages with other features, compiled anew.
    step("Tests and programs", "cargo", &["test", "--workspace", "--no-run", "--quiet", "--locked"])?;
    timed("API types", api::check)?;
    timed("Tests", tests)
}

fn front_end() -> Result<()> {
    step("Front end: lint and format", "npm", &["run", "--silent", "lint"])?;
    step("Front end: types", "npm", &["run", "--silent", "types"])?;
    timed("Front end: build", front::build)
}

fn tests() -> Result<()> {
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

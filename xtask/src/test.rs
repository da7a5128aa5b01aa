//! `cargo xtask test`: everything that must hold before a change lands.

use crate::children::{Running, start};
use crate::database::Database;
use crate::packages::{BROWSER, COMPILER, DATABASE, FRONT, ensure, ensure_npm};
use crate::shell::{self, command, say};
use crate::{api, front};
use anyhow::{Context, Result, bail};
use std::fs;
use std::io::{BufRead, BufReader};
use std::path::Path;
use std::process::Stdio;
use std::time::Duration;

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

/// ChromeDriver on a free port.
pub struct ChromeDriver {
    pub url: String,
    _running: Running,
}

impl ChromeDriver {
    pub fn start() -> Result<Self> {
        let mut driver = command("chromedriver", &["--port=0"]);
        driver.stdin(Stdio::null()).stdout(Stdio::piped()).stderr(Stdio::null());
        let mut running = start(&mut driver, Duration::from_secs(5))?;
        let stdout = running.stdout().context("chromedriver has no output")?;
        let mut lines = BufReader::new(stdout).lines();
        let port = lines.by_ref().map_while(Result::ok).find_map(|line| {
            let (_, port) = line.split_once("started successfully on port ")?;
            port.trim_end_matches('.').parse::<u16>().ok()
        });
        // Its further output must be taken, or it would block.
        std::thread::spawn(move || lines.for_each(drop));
        match port {
            Some(port) => Ok(Self { url: format!("http://127.0.0.1:{port}"), _running: running }),
            None => bail!("ChromeDriver did not start."),
        }
    }
}

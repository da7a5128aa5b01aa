//! `cargo xtask screenshots`: one picture of each main view, from the demo shop.

use crate::demo;
use crate::packages::{BROWSER, ensure};
use crate::shell::{self, command, free_port};
use crate::test::ChromeDriver;
use anyhow::Result;
use std::fs;
use std::path::Path;
use std::sync::atomic::AtomicBool;

/// Starts a fresh demo shop and a browser's driver, and runs a program of the tests' package against them.
pub fn with_browser(folder: &str, program: &str, profile: &str) -> Result<()> {
    ensure(&[BROWSER])?;
    demo::build(if profile == "release" { &["--release"] } else { &[] })?;
    let folder = Path::new(folder);
    if folder.join("database").exists() {
        fs::remove_dir_all(folder.join("database"))?;
    }
    let port = free_port()?;
    let _shop = demo::open(folder, port, 0, profile, &AtomicBool::new(false))?;
    let driver = ChromeDriver::start()?;
    shell::run(
        command("cargo", &["run", "--quiet", "--package", "compagina-tests", "--bin", program])
            .env("COMPAGINA_CHROMEDRIVER", &driver.url)
            .env("COMPAGINA_BASE", format!("http://127.0.0.1:{port}")),
    )
}

pub fn run() -> Result<()> {
    with_browser("target/screenshots", "screenshots", "debug")
}

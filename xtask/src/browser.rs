//! ChromeDriver, and programs that use a fresh demo shop through it.

use crate::children::{Running, start};
use crate::demo;
use crate::packages::{BROWSER, ensure};
use crate::shell::{self, built, command, free_port};
use anyhow::{Context, Result, bail};
use std::fs;
use std::io::{BufRead, BufReader};
use std::path::Path;
use std::process::Stdio;
use std::sync::atomic::AtomicBool;
use std::time::Duration;

/// Starts a fresh demo shop and a browser's driver, and runs a program of the tests' package against them; with so many
/// more products made by rule.
pub fn with_demo_shop(folder: &str, program: &str, profile: &str, products: u32) -> Result<()> {
    ensure(&[BROWSER])?;
    let release = (profile == "release").then_some("--release");
    demo::build(&["--bin", program].into_iter().chain(release).collect::<Vec<_>>())?;
    let folder = Path::new(folder);
    if folder.join("database").exists() {
        fs::remove_dir_all(folder.join("database"))?;
    }
    let port = free_port()?;
    let shop = demo::open(folder, port, products, profile, &AtomicBool::new(false))?;
    let driver = ChromeDriver::start()?;
    shell::run(
        command(&built(profile, program), &[])
            .env("COMPAGINA_CHROMEDRIVER", &driver.url)
            .env("COMPAGINA_SERVER", shop.process().to_string())
            .env("COMPAGINA_BASE", format!("http://127.0.0.1:{port}")),
    )
}

/// ChromeDriver on a free port.
pub struct ChromeDriver {
    pub url: String,
    _running: Running,
}

impl ChromeDriver {
    pub fn start() -> Result<Self> {
        let mut driver = command("chromedriver", &["--port=0"]);
        // Names of files have letters in them that a machine without a language doesn't know.
        driver.env("LC_ALL", "C.UTF-8");
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

//! `cargo xtask bench`: what is fast, in figures measured here and now.

use crate::children::start;
use crate::packages::{BROWSER, COMPILER, DATABASE, FRONT, LOAD, ensure};
use crate::shell::{command, free_port, output, run as run_command, say};
use crate::{browser, demo};
use anyhow::{Context, Result};
use clap::{Args, ValueEnum};
use std::fs;
use std::path::Path;
use std::sync::atomic::AtomicBool;
use std::time::Duration;

/// Rounds of the load run, in turn, so that both meet the machine in the same moods.
const ROUNDS: usize = 3;
const SECONDS: &str = "5s";

/// What can be measured by itself.
#[derive(Clone, Copy, PartialEq, Eq, ValueEnum)]
enum Part {
    /// Core and press (Criterion).
    Core,
    /// From an edit until both proofs are painted (release build, headless Chromium).
    Desk,
    /// What pages load, and two hundred uploads at once (release build).
    Pictures,
    /// A template that serves ten thousand products: what changes where, and shoppers while it is published (release build).
    Templates,
    /// The owner's application over ten thousand products, and eight thousand variants of one (release build).
    Large,
    /// A published page beside nginx serving the same bytes as a file.
    Shop,
}

#[derive(Args)]
pub struct Options {
    /// Only these; everything where none is named.
    only: Vec<Part>,
}

/// Products beside the demo's own where many are needed.
const MANY: u32 = 10_000;

pub fn run(options: &Options) -> Result<()> {
    ensure(&[COMPILER, DATABASE, FRONT, BROWSER, LOAD])?;
    let wanted = |part: &Part| options.only.is_empty() || options.only.contains(part);
    for part in Part::value_variants().iter().filter(|part| wanted(part)) {
        let about = part.to_possible_value().and_then(|value| Some(value.get_help()?.to_string()));
        say(&format!("\n{}", about.unwrap_or_default()));
        match part {
            Part::Core => {
                for package in ["compagina-core", "compagina-press"] {
                    run_command(&mut command("cargo", &["bench", "--quiet", "--package", package]))?;
                }
            }
            Part::Desk => browser::with_demo_shop("target/bench", "desk-bench", "release", 0)?,
            Part::Pictures => browser::with_demo_shop("target/bench", "pictures-bench", "release", 0)?,
            Part::Templates => browser::with_demo_shop("target/bench", "templates-bench", "release", MANY)?,
            Part::Large => browser::with_demo_shop("target/bench", "large-bench", "release", MANY)?,
            Part::Shop => load()?,
        }
    }
    Ok(())
}

fn load() -> Result<()> {
    demo::build(&["--release"])?;
    let port = free_port()?;
    let _shop = demo::open(Path::new("target/bench"), port, 0, "release", &AtomicBool::new(false))?;
    let ours = format!("http://127.0.0.1:{port}/shop/products/whimbrel");
    let folder = Path::new("target/bench/nginx").to_owned();
    fs::create_dir_all(&folder)?;
    let folder = folder.canonicalize()?;
    let page = output(&mut command("curl", &["--silent", "--fail", &ours]))?;
    fs::write(folder.join("page.html"), &page)?;
    let peer_port = free_port()?;
    fs::write(folder.join("nginx.conf"), nginx_config(&folder, peer_port))?;
    let mut nginx = command("/usr/sbin/nginx", &["-c"]);
    nginx.arg(folder.join("nginx.conf")).arg("-e").arg(folder.join("error.log"));
    let _nginx = start(&mut nginx, Duration::from_secs(5))?;
    std::thread::sleep(Duration::from_millis(500));
    let theirs = format!("http://127.0.0.1:{peer_port}/page.html");
    let (mut us, mut them) = (Vec::new(), Vec::new());
    for _ in 0..ROUNDS {
        us.push(requests_a_second(&ours)?);
        them.push(requests_a_second(&theirs)?);
    }
    let (us, them) = (middle(us), middle(them));
    say(&format!(
        "page of {} bytes, 32 connections, median of {ROUNDS} rounds of {SECONDS}: Compagina {us:.0} requests/s, nginx {them:.0} requests/s, ratio {:.2}",
        page.len(),
        us / them
    ));
    Ok(())
}

fn nginx_config(folder: &Path, port: u16) -> String {
    let folder = folder.display();
    format!(
        "daemon off; worker_processes 2; pid {folder}/nginx.pid; {user}\n\
         events {{ worker_connections 1024; }}\n\
         http {{ access_log off; sendfile on; tcp_nopush on; open_file_cache max=100; default_type text/html;\n\
         client_body_temp_path {folder}/t1; proxy_temp_path {folder}/t2; fastcgi_temp_path {folder}/t3;\n\
         uwsgi_temp_path {folder}/t4; scgi_temp_path {folder}/t5;\n\
         server {{ listen 127.0.0.1:{port}; root {folder}; keepalive_requests 1000000; }} }}\n",
        user = if output(&mut command("id", &["-u"])).is_ok_and(|id| id.trim() == "0") {
            "user root;"
        } else {
            ""
        }
    )
}

fn requests_a_second(url: &str) -> Result<f64> {
    let report = output(&mut command("wrk", &["-t1", "-c32", "-d", SECONDS, url]))?;
    let line = report.lines().find_map(|l| l.strip_prefix("Requests/sec:")).context("wrk gave no figure")?;
    Ok(line.trim().parse()?)
}

fn middle(mut figures: Vec<f64>) -> f64 {
    figures.sort_by(f64::total_cmp);
    figures[figures.len() / 2]
}

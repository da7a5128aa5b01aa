//! `cargo xtask demo`: from a fresh machine to a running demo shop.

use crate::children::{Running, start};
use crate::database::Database;
use crate::packages::{COMPILER, DATABASE, FRONT, ensure, ensure_npm};
use crate::shell::{built, command, say};
use crate::{front, shell};
use anyhow::{Result, bail};
use signal_hook::consts::{SIGHUP, SIGINT, SIGTERM};
use std::net::TcpListener;
use std::path::Path;
use std::process::Stdio;
use std::sync::Arc;
use std::sync::atomic::{AtomicBool, Ordering};
use std::thread::sleep;
use std::time::Duration;

/// Where the demo keeps its data.
const FOLDER: &str = ".data";
const PATIENCE: Duration = Duration::from_secs(15);

#[derive(clap::Args)]
pub struct Options {
    /// The port of the application.
    #[arg(long, env = "COMPAGINA_PORT", default_value_t = 8420)]
    port: u16,
    /// Throws away the data of earlier runs and begins anew.
    #[arg(long)]
    fresh: bool,
    /// So many more products, made by rule, when the shop is made.
    #[arg(long, default_value_t = 0)]
    products: u32,
}

/// A server with its database.
pub struct Shop {
    // In the order in which they are stopped.
    server: Running,
    _database: Database,
}

impl Shop {
    /// The number of the server's process.
    pub fn process(&self) -> u32 {
        self.server.process()
    }
}

pub fn run(options: &Options) -> Result<()> {
    if TcpListener::bind(("127.0.0.1", options.port)).is_err() {
        bail!(
            "Port {port} is taken. Stop what listens there, or choose another: cargo xtask demo --port 8421",
            port = options.port
        );
    }
    let stop = Arc::new(AtomicBool::new(false));
    for signal in [SIGINT, SIGTERM, SIGHUP] {
        signal_hook::flag::register(signal, stop.clone())?;
    }
    build(&[])?;
    let folder = Path::new(FOLDER);
    if options.fresh && folder.join("database").exists() {
        say("Throwing away the data of earlier runs");
        std::fs::remove_dir_all(folder.join("database"))?;
    }
    if stop.load(Ordering::SeqCst) {
        return Ok(());
    }
    let mut shop = open(folder, options.port, options.products, "debug", &stop)?;
    say(&format!(
        "\n  Compagina   http://127.0.0.1:{port}/\n  Demo shop   http://127.0.0.1:{port}/shop\n  Sign in as  isla@marramandgale.example with windward-and-lee\n\n  Ctrl-C stops it; the data stays in {FOLDER}.",
        port = options.port
    ));
    while !stop.load(Ordering::SeqCst) {
        if shop.server.has_ended() {
            bail!("The application has ended by itself.");
        }
        sleep(Duration::from_millis(100));
    }
    say("Stopping");
    Ok(())
}

/// Installs what is missing and builds the application; `extra` goes to cargo.
pub fn build(extra: &[&str]) -> Result<()> {
    ensure(&[COMPILER, DATABASE, FRONT])?;
    ensure_npm()?;
    front::build()?;
    say("Building the application; the first time takes some minutes");
    // With the features that the whole workspace asks for, so that nothing is compiled twice.
    let mut arguments = vec!["build", "--workspace", "--bin", "compagina-server"];
    arguments.extend(extra);
    shell::run(&mut command("cargo", &arguments))
}

/// Starts database and application with the demo data, and waits until they answer.
pub fn open(folder: &Path, port: u16, products: u32, profile: &str, stop: &AtomicBool) -> Result<Shop> {
    say("Starting the database");
    let database = Database::start(&folder.join("database"))?;
    let url = database.url("compagina")?;
    say("Starting the application; the first time it draws its pictures");
    let mut server = command(&built(profile, "compagina-server"), &["--demo"]);
    server
        .args(["--port", &port.to_string(), "--products", &products.to_string(), "--media"])
        .arg(folder.join("media"))
        .env("COMPAGINA_DATABASE", url)
        .stdin(Stdio::null());
    if std::env::var_os("RUST_LOG").is_none() {
        server.env("RUST_LOG", "warn");
    }
    let mut server = start(&mut server, PATIENCE)?;
    while !is_well(port) {
        if server.has_ended() {
            bail!("The application did not start; its last words are above.");
        }
        if stop.load(Ordering::SeqCst) {
            bail!("Stopped while starting.");
        }
        sleep(Duration::from_millis(200));
    }
    Ok(Shop { server, _database: database })
}

/// Asks the application over its own port, without any tool that may not be there.
fn is_well(port: u16) -> bool {
    use std::io::{Read, Write};
    let Ok(mut stream) = std::net::TcpStream::connect(("127.0.0.1", port)) else { return false };
    let _ = stream.set_read_timeout(Some(Duration::from_secs(5)));
    let asked = stream.write_all(b"GET /healthz HTTP/1.0\r\nHost: localhost\r\n\r\n");
    let mut answer = String::new();
    asked.is_ok()
        && stream.read_to_string(&mut answer).is_ok()
        && answer.starts_with("HTTP/1.")
        && answer.contains(" 200 ")
}

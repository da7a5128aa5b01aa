//! A MariaDB of our own on loopback, with its data in a folder of our own.

use crate::children::{Running, start};
use crate::packages::{COMPILER, DATABASE, ensure};
use crate::shell::{command, free_port, has, output, run, say};
use anyhow::{Context, Result, bail};
use std::fs::{self, File};
use std::path::{Path, PathBuf};
use std::process::Stdio;
use std::thread::sleep;
use std::time::{Duration, Instant};

/// How long the database may take to start; after a crash it first repairs itself.
const START_WITHIN: Duration = Duration::from_secs(60);
const STOP_WITHIN: Duration = Duration::from_secs(30);

pub struct Database {
    port: u16,
    _running: Running,
}

impl Database {
    /// Starts MariaDB on a free port with its data in `folder`, which is made where it is missing.
    pub fn start(folder: &Path) -> Result<Self> {
        ensure(&[DATABASE])?;
        fs::create_dir_all(folder).with_context(|| format!("{} can't be made", folder.display()))?;
        let folder = folder.canonicalize()?;
        let (data, scratch) = (folder.join("data"), folder.join("scratch"));
        fs::create_dir_all(&scratch)?;
        if !data.join("mysql").is_dir() {
            install(&data, &scratch)?;
        }
        let port = free_port()?;
        let log = folder.join("mariadb.log");
        let mut server = server(&data, &scratch, port)?;
        server
            .stdin(Stdio::null())
            .stdout(File::create(&log)?)
            .stderr(File::options().append(true).open(&log)?);
        let mut running = start(&mut server, STOP_WITHIN)?;
        wait(&mut running, port, &log)?;
        Ok(Self { port, _running: running })
    }

    /// The address of a database of this name, which is made where it is missing.
    pub fn url(&self, name: &str) -> Result<String> {
        run(&mut client(self.port, &format!("CREATE DATABASE IF NOT EXISTS {name}")))?;
        Ok(format!("mysql://root@127.0.0.1:{}/{name}", self.port))
    }
}

fn as_root() -> Result<bool> {
    Ok(output(&mut command("id", &["-u"]))?.trim() == "0")
}

/// Where a MariaDB keeps what it needs for a moment. It must not share that with another: as one starts, it deletes
/// there whatever bears the name of such a file.
const SCRATCH: &str = "TMPDIR";

fn install(data: &Path, scratch: &Path) -> Result<()> {
    say("Making a database");
    let mut install = command(
        "mariadb-install-db",
        &["--no-defaults", "--auth-root-authentication-method=normal", "--skip-test-db"],
    );
    install.arg(format!("--datadir={}", data.display())).env(SCRATCH, scratch).stdout(Stdio::null());
    if as_root()? {
        install.arg("--user=root");
    }
    run(&mut install)
}

fn server(data: &Path, scratch: &Path, port: u16) -> Result<std::process::Command> {
    // The path of a socket is short by its nature; the data folder's may be long.
    let socket = std::env::temp_dir().join(format!("compagina-{port}.sock"));
    let program = mariadbd();
    let mut server = command(
        &program.to_string_lossy(),
        &["--no-defaults", "--bind-address=127.0.0.1", "--skip-name-resolve"],
    );
    server
        .env(SCRATCH, scratch)
        .arg(format!("--datadir={}", data.display()))
        .arg(format!("--socket={}", socket.display()))
        .arg(format!("--pid-file={}.pid", socket.display()))
        .arg(format!("--port={port}"))
        .args([
            "--character-set-server=utf8mb4",
            "--collation-server=utf8mb4_unicode_ci",
            "--innodb-lock-wait-timeout=10",
        ]);
    if as_root()? {
        server.arg("--user=root");
    }
    Ok(server)
}

/// Debian keeps it where only root's path leads.
fn mariadbd() -> PathBuf {
    let place = PathBuf::from("/usr/sbin/mariadbd");
    if place.is_file() { place } else { PathBuf::from("mariadbd") }
}

fn client(port: u16, statement: &str) -> std::process::Command {
    let port = format!("--port={port}");
    command("mariadb", &["--no-defaults", "--host=127.0.0.1", "--user=root", &port, "--execute", statement])
}

fn wait(running: &mut Running, port: u16, log: &Path) -> Result<()> {
    let asked = Instant::now();
    while asked.elapsed() < START_WITHIN {
        if running.has_ended() {
            bail!("The database did not start{}.", reason(log));
        }
        let answers = client(port, "SELECT 1").stdout(Stdio::null()).stderr(Stdio::null()).status();
        if answers.is_ok_and(|status| status.success()) {
            return Ok(());
        }
        sleep(Duration::from_millis(100));
    }
    bail!("The database did not answer within a minute{}.", reason(log));
}

/// The log's own reason, where the log is, and what helps.
fn reason(log: &Path) -> String {
    let text = fs::read_to_string(log).unwrap_or_default();
    let mut errors = text.lines().filter_map(|line| line.split_once("[ERROR] ")).map(|(_, why)| why.trim());
    let why = errors.rfind(|why| *why != "Aborting").map_or_else(String::new, |why| format!(" ({why})"));
    format!("{why}; its log is {}, and --fresh begins with new data", log.display())
}

/// Checks every query against a fresh database and writes what was learnt to `.sqlx`.
pub fn prepare() -> Result<()> {
    ensure(&[DATABASE, COMPILER])?;
    if !has("sqlx") && output(&mut command("cargo", &["sqlx", "--version"])).is_err() {
        bail!(
            "sqlx-cli is missing: `cargo install sqlx-cli --no-default-features --features mysql --locked`"
        );
    }
    let database = Database::start(Path::new("target/prepare-database"))?;
    let url = database.url("compagina")?;
    let fresh = |arguments: &[&str]| {
        run(command("cargo", arguments).env("DATABASE_URL", &url).env("SQLX_OFFLINE", "false"))
    };
    fresh(&["sqlx", "database", "reset", "-y", "--source", "crates/storage/migrations"])?;
    fresh(&["sqlx", "prepare", "--workspace", "--", "-p", "compagina-storage"])
}

//! What the machine needs, installed where it is missing.

use crate::shell::{command, has, output, run, say};
use anyhow::{Result, bail};
use std::fs;
use std::path::Path;

/// A program and the Debian package that brings it.
pub type Need = (&'static str, &'static str);

pub const DATABASE: &[Need] = &[
    ("mariadbd", "mariadb-server-core"),
    ("mariadb-install-db", "mariadb-server-core"),
    ("my_print_defaults", "mariadb-client-core"),
    ("mariadb", "mariadb-client-core"),
];
pub const FRONT: &[Need] = &[("node", "nodejs"), ("npm", "npm")];
pub const BROWSER: &[Need] = &[("chromium", "chromium"), ("chromedriver", "chromium-driver")];
pub const LOAD: &[Need] = &[("nginx", "nginx-light"), ("wrk", "wrk")];
/// Crates that carry C code are built with it.
pub const COMPILER: &[Need] = &[("cc", "gcc")];

/// Makes sure of programs, by apt-get where they are missing.
pub fn ensure(needs: &[&[Need]]) -> Result<()> {
    let mut missing: Vec<&str> = needs
        .iter()
        .copied()
        .flatten()
        .filter(|(program, _)| !has(program))
        .map(|(_, package)| *package)
        .collect();
    missing.dedup();
    if missing.is_empty() {
        return Ok(());
    }
    let list = missing.join(" ");
    if !has("apt-get") {
        bail!(
            "These Debian packages are missing and there is no apt-get to install them: {list}. Please install them, then try again."
        );
    }
    let root = output(&mut command("id", &["-u"]))?.trim() == "0";
    if !root && !has("sudo") {
        bail!(
            "These Debian packages are missing: {list}. Please run `apt-get install {list}` as root, then try again."
        );
    }
    say(&format!("Installing {list}"));
    let apt = |arguments: &[&str]| {
        let mut whole = vec!["apt-get", "-qq", "-o", "DPkg::Lock::Timeout=120"];
        whole.extend(arguments);
        if !root {
            whole.insert(0, "sudo");
        }
        let mut command = command(whole[0], &whole[1..]);
        command.env("DEBIAN_FRONTEND", "noninteractive").stdout(std::process::Stdio::null());
        run(&mut command)
    };
    apt(&["update"])?;
    let mut install = vec!["install", "-y", "--no-install-recommends"];
    install.extend(&missing);
    apt(&install)
}

/// Installs the front end's packages, where the lock file has changed since the last time.
pub fn ensure_npm() -> Result<()> {
    let stamp = Path::new("node_modules/.installed");
    let lock = fs::read("package-lock.json")?;
    if fs::read(stamp).is_ok_and(|installed| installed == lock) {
        return Ok(());
    }
    say("Installing the front end's packages");
    run(&mut command("npm", &["ci", "--no-progress", "--loglevel=error"]))?;
    fs::write(stamp, lock)?;
    Ok(())
}

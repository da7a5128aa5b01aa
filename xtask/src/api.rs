//! The client's types, made from the server's API document.

use crate::packages::{FRONT, ensure, ensure_npm};
use crate::shell::{built, command, output, say};
use anyhow::{Result, bail};
use std::fs;
use std::path::Path;
use std::process::Command;

const TYPES: &str = "web/src/api/schema.d.ts";

pub fn write() -> Result<()> {
    ensure(&[FRONT])?;
    ensure_npm()?;
    let program = ["run", "--quiet", "--package", "compagina-server", "--bin", "openapi"];
    make(&mut command("cargo", &program), Path::new(TYPES))?;
    say(&format!("{TYPES} is up to date"));
    Ok(())
}

/// Fails where the committed types are not those of the server, whose programs are built.
pub fn check() -> Result<()> {
    let fresh = Path::new("target/schema.d.ts");
    make(&mut command(&built("debug", "openapi"), &[]), fresh)?;
    if fs::read(fresh)? != fs::read(TYPES)? {
        bail!("{TYPES} is not what the server's API document gives. Run `cargo xtask api` and commit it.");
    }
    Ok(())
}

fn make(program: &mut Command, to: &Path) -> Result<()> {
    let document = output(program)?;
    fs::create_dir_all("target")?;
    fs::write("target/openapi.json", document)?;
    let types = output(&mut command("npx", &["--no-install", "openapi-typescript", "target/openapi.json"]))?;
    fs::write(to, types)?;
    Ok(())
}

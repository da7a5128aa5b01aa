//! The front end: built where its sources are newer than what was built.

use crate::shell::{command, run, say};
use anyhow::Result;
use std::fs;
use std::path::Path;
use std::time::SystemTime;

/// Builds the owner's application and the shop's script and styles.
pub fn build() -> Result<()> {
    let built = ["web/dist/index.html", "shop/dist/base.css"].map(|f| changed(Path::new(f)));
    let oldest = built.into_iter().min().flatten();
    let sources = [
        "web/src",
        "web/public",
        "web/index.html",
        "web/vite.config.ts",
        "shop/src",
        "shop/vite.config.ts",
        "small.ts",
        "package-lock.json",
    ];
    let newest = sources.iter().filter_map(|f| newest(Path::new(f))).max();
    if oldest.is_some() && oldest > newest {
        return Ok(());
    }
    say("Building the front end");
    run(&mut command("npm", &["run", "--silent", "build"]))
}

fn changed(path: &Path) -> Option<SystemTime> {
    fs::metadata(path).and_then(|m| m.modified()).ok()
}

fn newest(path: &Path) -> Option<SystemTime> {
    let inside =
        fs::read_dir(path).into_iter().flatten().flatten().filter_map(|entry| newest(&entry.path())).max();
    changed(path).max(inside)
}

//! `cargo xtask screenshots`: one picture of each main view, from the demo shop.

use crate::browser;
use anyhow::Result;

pub fn run() -> Result<()> {
    browser::with_demo_shop("target/screenshots", "screenshots", "debug", 0)
}

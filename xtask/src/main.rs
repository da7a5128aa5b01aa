//! Everything a developer types: `cargo xtask demo`, `test`, `api`, `prepare`, `screenshots`, `bench`.

mod api;
mod bench;
mod browser;
mod children;
mod database;
mod demo;
mod front;
mod packages;
mod screenshots;
mod shell;
mod test;

use clap::{Parser, Subcommand};
use std::process::ExitCode;

#[derive(Parser)]
#[command(name = "cargo xtask", about = "Runs, tests and measures Compagina; installs what is missing.")]
struct Arguments {
    #[command(subcommand)]
    task: Task,
}

#[derive(Subcommand)]
enum Task {
    /// Starts Compagina with the demo shop.
    Demo(demo::Options),
    /// Checks and tests everything.
    Test,
    /// Writes the client's types from the server's API document.
    Api,
    /// Writes the checked queries anew from a fresh database (needs sqlx-cli).
    Prepare,
    /// Takes the pictures of docs/screenshots from the demo shop.
    Screenshots,
    /// Measures: core, page, an edit on the desk, pictures, a template for ten thousand products, shop beside nginx.
    Bench(bench::Options),
}

fn main() -> ExitCode {
    // From here on every path is told from the top of the repository.
    let top = concat!(env!("CARGO_MANIFEST_DIR"), "/..");
    let moved = std::env::set_current_dir(top).map_err(anyhow::Error::from);
    let done = moved.and_then(|()| match Arguments::parse().task {
        Task::Demo(options) => demo::run(&options),
        Task::Test => test::run(),
        Task::Api => api::write(),
        Task::Prepare => database::prepare(),
        Task::Screenshots => screenshots::run(),
        Task::Bench(options) => bench::run(&options),
    });
    match done {
        Ok(()) => ExitCode::SUCCESS,
        Err(error) => {
            shell::say(&format!("{error:#}"));
            ExitCode::FAILURE
        }
    }
}

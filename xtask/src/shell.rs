//! Commands run to their end.

use anyhow::{Context, Result, bail};
use std::ffi::OsStr;
use std::io::Write;
use std::net::TcpListener;
use std::process::{Command, Stdio};
use std::sync::atomic::{AtomicU16, Ordering};

/// Tells the developer something. A terminal that is gone is no reason to fail.
pub fn say(text: &str) {
    let _ = writeln!(std::io::stdout(), "{text}");
}

pub fn command(program: &str, arguments: &[&str]) -> Command {
    let mut command = Command::new(program);
    command.args(arguments);
    command
}

/// Where cargo puts a program that it builds.
pub fn built(profile: &str, program: &str) -> String {
    let target = std::env::var("CARGO_TARGET_DIR").unwrap_or_else(|_| "target".into());
    format!("{target}/{profile}/{program}")
}

/// Runs a command that speaks for itself; its failure is ours.
pub fn run(command: &mut Command) -> Result<()> {
    let name = command.get_program().to_string_lossy().into_owned();
    let status = command.status().with_context(|| format!("{name} could not be started"))?;
    if !status.success() {
        let arguments: Vec<_> = command.get_args().map(OsStr::to_string_lossy).collect();
        bail!("`{name} {}` failed", arguments.join(" "));
    }
    Ok(())
}

/// What a command prints.
pub fn output(command: &mut Command) -> Result<String> {
    let name = command.get_program().to_string_lossy().into_owned();
    let done =
        command.stderr(Stdio::inherit()).output().with_context(|| format!("{name} could not be started"))?;
    if !done.status.success() {
        bail!("`{name}` failed");
    }
    Ok(String::from_utf8_lossy(&done.stdout).into_owned())
}

/// Whether a program is on the path.
pub fn has(program: &str) -> bool {
    let paths = std::env::var_os("PATH").unwrap_or_default();
    let more = ["/usr/sbin".into(), "/sbin".into()];
    std::env::split_paths(&paths).chain(more).any(|folder| folder.join(program).is_file())
}

/// A port on loopback that nothing listens on now, from below those that the system hands out by itself: nothing else
/// gets it before it is used. Each process begins at another one, and gives none out twice.
pub fn free_port() -> Result<u16> {
    static GIVEN: AtomicU16 = AtomicU16::new(0);
    let begin = u16::try_from(std::process::id() % 10_000)?;
    let mut ports = (0..10_000).map(|_| 20_000 + (begin + GIVEN.fetch_add(1, Ordering::Relaxed)) % 10_000);
    let free = ports.find(|port| TcpListener::bind(("127.0.0.1", *port)).is_ok());
    free.context("no port between 20000 and 30000 is free")
}

#[cfg(test)]
mod tests {
    use super::free_port;

    #[test]
    fn a_port_is_given_once() {
        let ports = [free_port().unwrap(), free_port().unwrap(), free_port().unwrap()];
        assert!(ports[0] != ports[1] && ports[1] != ports[2] && ports[0] != ports[2], "{ports:?}");
    }
}

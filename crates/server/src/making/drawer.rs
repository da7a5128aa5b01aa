//! Strangers' drawings are drawn in a process of their own: this program with another argument. How long that takes, and
//! how much memory, can't be told from a file; a process can be given limits and be ended, and what it does to itself it
//! does to nobody else. A drawing goes in, pixels or a sentence come out.

use crate::making::MakeError;
use compagina_pictures::{Pixels, Refusal, rasterise};
use rustix::process::{Resource, Rlimit, nice, setrlimit};
use std::io::{Read, Write};
use std::path::PathBuf;
use std::process::{ExitCode, Stdio};
use std::time::Duration;
use tokio::io::{AsyncReadExt, AsyncWriteExt};
use tokio::process::Command;
use tokio::sync::Semaphore;

/// With this as its first argument the program draws, and does nothing else.
pub const ARGUMENT: &str = "draw";

/// Drawings of one server that are drawn at once; the others wait.
const AT_ONCE: usize = 2;

/// How long one may take, by the clock and on a processor.
const WITHIN: Duration = Duration::from_millis(1_500);
const PROCESSOR_SECONDS: u64 = 1;

/// Bytes that one may take: its pixels, a few layers for filters, and what its elements need.
const MOST_MEMORY: u64 = 256 * 1024 * 1024;

/// Bytes that are read of a drawing; `pictures` takes less.
const MOST_BYTES: u64 = 4_000_000;

/// As `nice` counts; those who serve have 0.
const GIVES_WAY: i32 = 10;

/// What the first byte of an answer says.
const DRAWN: u8 = b'P';
const REFUSED: u8 = b'R';

pub struct Drawer {
    program: PathBuf,
    turns: Semaphore,
}

impl Drawer {
    /// `program` draws; this one where none is named.
    pub fn new(program: Option<PathBuf>) -> std::io::Result<Self> {
        let program = program.map_or_else(std::env::current_exe, Ok)?;
        Ok(Self { program, turns: Semaphore::new(AT_ONCE) })
    }

    /// The pixels of a drawing.
    ///
    /// # Errors
    /// Why it isn't taken, too long and too much memory among the reasons; or that no process could be begun.
    pub async fn pixels(&self, drawing: &[u8]) -> Result<Pixels, MakeError> {
        let _turn = self.turns.acquire().await;
        match tokio::time::timeout(WITHIN, self.answer(drawing)).await {
            Ok(answer) => understood(&answer?),
            // The process is killed as it is dropped.
            Err(_) => Err(hard()),
        }
    }

    async fn answer(&self, drawing: &[u8]) -> std::io::Result<Vec<u8>> {
        let mut child = Command::new(&self.program)
            .arg(ARGUMENT)
            .env_clear()
            // The allocator would set aside more than may be used.
            .env("MIMALLOC_ARENA_RESERVE", "0")
            .stdin(Stdio::piped())
            .stdout(Stdio::piped())
            .stderr(Stdio::null())
            .kill_on_drop(true)
            .spawn()?;
        if let Some(mut to) = child.stdin.take() {
            // One that has ended takes no more; what it said before counts.
            let _ = to.write_all(drawing).await;
        }
        let mut answer = Vec::new();
        if let Some(mut from) = child.stdout.take() {
            from.read_to_end(&mut answer).await?;
        }
        child.wait().await?;
        Ok(answer)
    }
}

fn understood(answer: &[u8]) -> Result<Pixels, MakeError> {
    match answer.split_first() {
        Some((&DRAWN, pixels)) => Pixels::read(pixels).ok_or_else(hard),
        Some((&REFUSED, why)) => Err(MakeError::Undrawn(String::from_utf8_lossy(why).into_owned())),
        // It was ended by one of its limits.
        _ => Err(hard()),
    }
}

fn hard() -> MakeError {
    MakeError::Picture(Refusal::HardToDraw.into())
}

/// What the process does: limits itself, reads a drawing, writes its pixels or why there are none.
pub fn draw_here() -> ExitCode {
    let limit = |what, most| setrlimit(what, Rlimit { current: Some(most), maximum: Some(most) });
    let limited = limit(Resource::Data, MOST_MEMORY)
        .and_then(|()| limit(Resource::Cpu, PROCESSOR_SECONDS))
        .and_then(|()| limit(Resource::Core, 0))
        .and_then(|()| limit(Resource::Fsize, 0));
    if limited.is_err() {
        return ExitCode::FAILURE;
    }
    // Where it fails, drawing is done all the same.
    let _ = nice(GIVES_WAY);
    let mut drawing = Vec::new();
    if std::io::stdin().take(MOST_BYTES).read_to_end(&mut drawing).is_err() {
        return ExitCode::FAILURE;
    }
    let mut out = std::io::stdout().lock();
    let written = match rasterise(&drawing) {
        Ok(pixels) => out.write_all(&[DRAWN]).and_then(|()| pixels.write(&mut out)),
        Err(why) => out.write_all(&[REFUSED]).and_then(|()| out.write_all(why.to_string().as_bytes())),
    };
    if written.and_then(|()| out.flush()).is_ok() { ExitCode::SUCCESS } else { ExitCode::FAILURE }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_was_cut_off_or_never_said_is_hard_to_draw() {
        let is_hard = |answer: &[u8]| matches!(understood(answer), Err(MakeError::Picture(why)) if why.to_string().contains("too long"));
        assert!(is_hard(b"") && is_hard(b"P\x01\0\0\0\x01\0\0\0\xff") && is_hard(b"?"));
        assert!(understood(b"P\x01\0\0\0\x01\0\0\0\xff\xff\xff\xff").is_ok());
        assert!(
            matches!(understood(b"RIt is damaged"), Err(MakeError::Undrawn(why)) if why == "It is damaged")
        );
    }
}

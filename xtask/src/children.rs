//! Programs that run beside us and end with us, however we end.

use anyhow::{Context, Result};
use std::os::unix::process::CommandExt;
use std::process::{Child, Command};
use std::thread::sleep;
use std::time::{Duration, Instant};

/// A program in a process group of its own. It is asked to stop when this is dropped.
pub struct Running {
    child: Child,
    patience: Duration,
}

/// Starts a program. Should we be killed, the kernel asks it to stop.
#[allow(unsafe_code, reason = "prctl between fork and exec is async-signal-safe and touches no memory")]
pub fn start(command: &mut Command, patience: Duration) -> Result<Running> {
    let name = command.get_program().to_string_lossy().into_owned();
    command.process_group(0);
    // SAFETY: only an async-signal-safe system call is made.
    unsafe {
        command.pre_exec(|| {
            libc::prctl(libc::PR_SET_PDEATHSIG, libc::SIGTERM);
            Ok(())
        });
    }
    let child = command.spawn().with_context(|| format!("{name} could not be started"))?;
    Ok(Running { child, patience })
}

impl Running {
    /// Whether it has ended by itself.
    pub fn has_ended(&mut self) -> bool {
        matches!(self.child.try_wait(), Ok(Some(_)) | Err(_))
    }

    /// Its number.
    pub fn process(&self) -> u32 {
        self.child.id()
    }

    pub fn stdout(&mut self) -> Option<std::process::ChildStdout> {
        self.child.stdout.take()
    }

    #[allow(unsafe_code, reason = "kill takes numbers only")]
    fn signal(&self, signal: i32) {
        let group = i32::try_from(self.child.id()).unwrap_or(0);
        if group > 0 {
            // SAFETY: plain numbers; the group is our own child's.
            unsafe { libc::kill(-group, signal) };
        }
    }
}

impl Drop for Running {
    fn drop(&mut self) {
        self.signal(libc::SIGTERM);
        let asked = Instant::now();
        while asked.elapsed() < self.patience {
            if self.has_ended() {
                self.signal(libc::SIGKILL);
                return;
            }
            sleep(Duration::from_millis(20));
        }
        self.signal(libc::SIGKILL);
        let _ = self.child.wait();
    }
}

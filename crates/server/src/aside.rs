//! Work that takes long and that no shopper waits for: threads of its own, which give way to those who serve.

use rustix::process::nice;
use std::thread::available_parallelism;
use tokio::runtime::{Builder, Runtime};

/// As `nice` counts: those who serve have 0.
const GIVES_WAY: i32 = 10;

pub struct Aside(Option<Runtime>);

impl Aside {
    pub fn new() -> std::io::Result<Self> {
        let gives_way = || {
            // On Linux this is about the thread. Where it fails, the work is done all the same.
            let _ = nice(GIVES_WAY);
        };
        let threads = Self::threads();
        let runtime = Builder::new_multi_thread()
            .worker_threads(threads)
            .thread_name("aside")
            .on_thread_start(gives_way)
            .build()?;
        Ok(Self(Some(runtime)))
    }

    /// How much can be done at once.
    pub fn threads() -> usize {
        available_parallelism().map_or(1, usize::from)
    }

    /// Does some work; none where it panicked.
    pub async fn run<T: Send + 'static>(&self, work: impl FnOnce() -> T + Send + 'static) -> Option<T> {
        self.0.as_ref()?.spawn(async { work() }).await.ok()
    }
}

impl Drop for Aside {
    fn drop(&mut self) {
        if let Some(runtime) = self.0.take() {
            runtime.shutdown_background();
        }
    }
}

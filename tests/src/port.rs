use std::net::TcpListener;
use std::sync::atomic::{AtomicU16, Ordering};

/// The next one to be tried.
static NEXT: AtomicU16 = AtomicU16::new(0);

/// A port on loopback that nothing listens on now, from below those that the system hands out by itself and above those of
/// `cargo xtask`: nothing else gets it before it is used. No port is given twice.
pub fn free_port() -> u16 {
    let begin = u16::try_from(std::process::id() % 2_000).unwrap();
    std::iter::repeat_with(|| 30_000 + (begin + NEXT.fetch_add(1, Ordering::Relaxed)) % 2_000)
        .take(2_000)
        .find(|port| TcpListener::bind(("127.0.0.1", *port)).is_ok())
        .expect("no port between 30000 and 32000 is free")
}

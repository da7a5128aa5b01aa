//! What was answered survives the sudden death of the server and of the database, whole.
#![allow(clippy::unwrap_used, reason = "a test that can't go on ends")]

mod writer;

use compagina_tests::{OwnDatabase, Site, free_port, server_program};
use sqlx::MySqlPool;
use std::path::PathBuf;
use std::process::{Child, Command, Stdio};
use std::sync::atomic::Ordering::SeqCst;
use std::time::Duration;
use writer::{Writer, check, every_kind, told};

struct Server(Child);

impl Drop for Server {
    fn drop(&mut self) {
        // On Unix this is SIGKILL.
        let _ = self.0.kill();
        let _ = self.0.wait();
    }
}

async fn serve(database: &str, port: u16) -> Server {
    let top = PathBuf::from(concat!(env!("CARGO_MANIFEST_DIR"), "/.."));
    let media = std::env::var_os("COMPAGINA_TEST_MEDIA").map_or(top.join("target/test-media"), PathBuf::from);
    let child = Command::new(server_program())
        .args(["--demo", "--port", &port.to_string(), "--database", database, "--media"])
        .arg(media)
        .current_dir(top)
        .env("RUST_LOG", "error")
        .stdin(Stdio::null())
        .spawn()
        .unwrap();
    let server = Server(child);
    for _ in 0..1800 {
        if is_well(&format!("http://127.0.0.1:{port}")).await {
            return server;
        }
        tokio::time::sleep(Duration::from_millis(100)).await;
    }
    panic!("the server did not start");
}

async fn is_well(base: &str) -> bool {
    reqwest::get(format!("{base}/healthz")).await.is_ok_and(|answer| answer.status().is_success())
}

/// How often a test kills: a few times among the others, as often as one likes by hand.
fn kills(few: u64) -> u64 {
    std::env::var("COMPAGINA_KILLS").ok().and_then(|text| text.parse().ok()).unwrap_or(few)
}

/// On a slow machine a few kills may leave no time for something of every kind: then it is killed more often.
const MOST_KILLS: u64 = 40;

/// Pauses of 200 to 900 ms that look like chance and are the same each time.
struct Pauses(u64);

impl Pauses {
    fn next(&mut self) -> Duration {
        self.0 = (self.0 * 1_103_515_245 + 12_345) % 2_147_483_648;
        Duration::from_millis(200 + self.0 % 700)
    }
}

#[sqlx::test(migrations = false)]
async fn answered_writes_of_every_kind_survive_the_death_of_the_server_whole(pool: MySqlPool) {
    let server = std::env::var("DATABASE_URL").unwrap();
    let name: String = sqlx::query_scalar("SELECT DATABASE()").fetch_one(&pool).await.unwrap();
    let database = format!("{}/{name}", server.rsplit_once('/').unwrap().0);
    let port = free_port();
    let first = serve(&database, port).await;
    let writer = Writer::begin(&format!("http://127.0.0.1:{port}"), &pool).await;
    drop(first);
    let mut pauses = Pauses(7);
    let mut killed = 0;
    while killed < kills(4) || (killed < MOST_KILLS && !every_kind(&writer)) {
        killed += 1;
        let running = serve(&database, port).await;
        let kill = async {
            tokio::time::sleep(pauses.next()).await;
            drop(running);
        };
        tokio::join!(writer.write(), kill);
        check(&pool, &writer).await;
    }
    eprintln!("the server killed {killed} times: {}", told(&writer));
}

#[tokio::test(flavor = "multi_thread")]
async fn answered_writes_of_every_kind_survive_the_death_of_the_database_whole() {
    let mut database = OwnDatabase::start().await;
    let url = database.url("shop");
    let site = Site::start_on(MySqlPool::connect_lazy(&url).unwrap(), &url).await;
    let writer = Writer::begin(&site.base, &site.pool).await;
    let mut pauses = Pauses(11);
    let mut killed = 0;
    while killed < kills(2) || (killed < MOST_KILLS && !every_kind(&writer)) {
        killed += 1;
        writer.over.store(false, SeqCst);
        let kill = async {
            tokio::time::sleep(pauses.next()).await;
            database.kill();
            database.again().await;
            while !is_well(&site.base).await {
                tokio::time::sleep(Duration::from_millis(50)).await;
            }
            // It goes on where it was.
            tokio::time::sleep(pauses.next()).await;
            writer.over.store(true, SeqCst);
        };
        tokio::join!(writer.write(), kill);
        check(&site.pool, &writer).await;
    }
    eprintln!("the database killed {killed} times: {}", told(&writer));
}

use std::path::PathBuf;
use std::process::{Child, Command, Stdio};
use std::time::Duration;

/// A MariaDB of a test's own, which can be killed and started again with the same data.
pub struct OwnDatabase {
    folder: tempfile::TempDir,
    port: u16,
    running: Option<Child>,
}

impl OwnDatabase {
    pub async fn start() -> Self {
        let folder = tempfile::tempdir().unwrap();
        let scratch = folder.path().join("scratch");
        std::fs::create_dir(&scratch).unwrap();
        let made = Command::new("mariadb-install-db")
            .env("TMPDIR", &scratch)
            .args(["--no-defaults", "--auth-root-authentication-method=normal", "--skip-test-db"])
            .arg(format!("--datadir={}", folder.path().join("data").display()))
            .args(as_root())
            .stdout(Stdio::null())
            .status();
        assert!(made.unwrap().success(), "a database is made");
        let port = crate::free_port();
        let mut own = Self { folder, port, running: None };
        own.again().await;
        let pool = sqlx::MySqlPool::connect(&own.url("")).await.unwrap();
        sqlx::query("CREATE DATABASE shop").execute(&pool).await.unwrap();
        own
    }

    /// The address of a database on it.
    pub fn url(&self, name: &str) -> String {
        format!("mysql://root@127.0.0.1:{}/{name}", self.port)
    }

    /// As a power cut would: SIGKILL.
    pub fn kill(&mut self) {
        if let Some(mut running) = self.running.take() {
            let _ = running.kill();
            let _ = running.wait();
        }
    }

    /// Starts it, after a kill with the data as they lie on the disk.
    pub async fn again(&mut self) {
        let program = PathBuf::from("/usr/sbin/mariadbd");
        let program = if program.is_file() { program } else { PathBuf::from("mariadbd") };
        let folder = self.folder.path();
        let child = Command::new(program)
            // As it starts, it deletes the scratch files of any other that has them in the same folder.
            .env("TMPDIR", folder.join("scratch"))
            .args(["--no-defaults", "--bind-address=127.0.0.1", "--skip-name-resolve"])
            .args(["--character-set-server=utf8mb4", "--collation-server=utf8mb4_unicode_ci"])
            .arg(format!("--datadir={}", folder.join("data").display()))
            .arg(format!("--socket={}", folder.join("s").display()))
            .arg(format!("--pid-file={}", folder.join("pid").display()))
            .arg(format!("--port={}", self.port))
            .args(as_root())
            .stdout(Stdio::null())
            .stderr(Stdio::null())
            .spawn();
        self.running = Some(child.unwrap());
        for _ in 0..600 {
            if sqlx::MySqlPool::connect(&self.url("")).await.is_ok() {
                return;
            }
            tokio::time::sleep(Duration::from_millis(100)).await;
        }
        panic!("the database did not start");
    }
}

impl Drop for OwnDatabase {
    fn drop(&mut self) {
        self.kill();
    }
}

/// It refuses to run as root unless it is told that this is meant.
fn as_root() -> Option<&'static str> {
    let id = Command::new("id").arg("-u").output().unwrap();
    (id.stdout == b"0\n").then_some("--user=root")
}

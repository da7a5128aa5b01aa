use clap::Parser;
use compagina_server::{Config, drawer, start};
use mimalloc::MiMalloc;
use tracing_subscriber::EnvFilter;

/// Pages are made of thousands of small texts.
#[global_allocator]
static ALLOCATOR: MiMalloc = MiMalloc;

fn main() -> std::process::ExitCode {
    if std::env::args().nth(1).as_deref() == Some(drawer::ARGUMENT) {
        return drawer::draw_here();
    }
    serve()
}

#[actix_web::main]
async fn serve() -> std::process::ExitCode {
    let filter = EnvFilter::try_from_default_env().unwrap_or_else(|_| EnvFilter::new("info,sqlx=warn"));
    tracing_subscriber::fmt().with_env_filter(filter).with_target(false).init();
    match start(Config::parse()).await {
        Ok(running) => {
            tracing::info!("listening on http://127.0.0.1:{}", running.port);
            running.wait().await;
            std::process::ExitCode::SUCCESS
        }
        Err(error) => {
            tracing::error!("{error}");
            std::process::ExitCode::FAILURE
        }
    }
}

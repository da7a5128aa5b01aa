use crate::config::{Config, StartError};
use crate::error::ApiError;
use crate::media::Media;
use crate::once::once;
use crate::serving::edition::exchange::follow_writes;
use crate::state::State;
use crate::{demo_data, jobs, openapi, routes};
use actix_files::{Files, NamedFile};
use actix_web::body::MessageBody;
use actix_web::dev::{ServiceRequest, ServiceResponse, fn_service};
use actix_web::http::Method;
use actix_web::http::header::{CACHE_CONTROL, HeaderValue};
use actix_web::middleware::{DefaultHeaders, Next, from_fn};
use actix_web::web::{self, Data, FormConfig, JsonConfig, PathConfig, QueryConfig};
use actix_web::{App, HttpServer};
use compagina_storage::Store;
use std::net::TcpListener;
use std::time::Duration;
use utoipa_actix_web::AppExt;

/// The largest body that is read, in bytes.
const MOST_BYTES: usize = 1024 * 1024;

/// How long connections may take to end.
const CLOSE_WITHIN: Duration = Duration::from_secs(2);

/// What pages may load and run: only what comes from here.
const POLICY: &str = "default-src 'self'; img-src 'self' data:; media-src 'self'; style-src 'self' 'unsafe-inline'; \
    frame-ancestors 'self'; base-uri 'none'; object-src 'none'";

/// An application that listens.
pub struct Running {
    pub port: u16,
    server: actix_web::dev::Server,
    state: Data<State>,
}

impl Running {
    /// Until it is told to stop, by a signal.
    pub async fn wait(self) {
        if let Err(error) = self.server.await {
            tracing::error!("the server ended: {error}");
        }
        // A database that is gone already must not keep us.
        let closing = tokio::time::timeout(CLOSE_WITHIN, self.state.store.close());
        if closing.await.is_err() {
            tracing::warn!("the database did not say goodbye");
        }
    }
}

/// Opens the database, fills it if that is asked for, and listens on loopback.
pub async fn start(config: Config) -> Result<Running, StartError> {
    let listener = TcpListener::bind(("127.0.0.1", config.port))
        .map_err(|_| StartError::PortTaken { port: config.port })?;
    let port = listener.local_addr()?.port();
    let store = Store::open(&config.database).await?.with_typing(config.pace.typing);
    let media = Media::open(&config.media).map_err(|e| StartError::Media(e.to_string()))?;
    if config.demo {
        demo_data::fill_if_empty(&store, &media, config.products)
            .await
            .map_err(|e| StartError::Demo(e.to_string()))?;
    }
    let state = Data::new(State::new(store, media, &config)?);
    follow_writes(&state.serving);
    jobs::begin(state.clone());
    tokio::spawn(jobs::pictures::work(state.clone().into_inner()));
    tokio::spawn(jobs::feed::tell(state.clone()));
    jobs::feed::close_when_told(&state)?;
    let server = serve(listener, state.clone(), &config)?;
    Ok(Running { port, server, state })
}

fn serve(
    listener: TcpListener,
    state: Data<State>,
    config: &Config,
) -> Result<actix_web::dev::Server, StartError> {
    let (web_dist, shop_dist) = (config.web.clone(), config.shop.clone());
    let server = HttpServer::new(move || {
        let (app, _) = App::new()
            .into_utoipa_app()
            .openapi(openapi::head())
            .app_data(state.clone())
            .app_data(JsonConfig::default().limit(MOST_BYTES).error_handler(|e, _| ApiError::from(e).into()))
            .app_data(FormConfig::default().limit(MOST_BYTES).error_handler(|e, _| ApiError::from(e).into()))
            .app_data(PathConfig::default().error_handler(|_, _| ApiError::nothing_here().into()))
            .app_data(QueryConfig::default().error_handler(|e, _| ApiError::from(e).into()))
            .map(|app| app.service(openapi::show))
            .service(utoipa_actix_web::scope("/api").wrap(from_fn(once)).configure(routes::api))
            .split_for_parts();
        app.wrap(from_fn(head_as_get))
            .wrap(
                DefaultHeaders::new()
                    .add(("content-security-policy", POLICY))
                    .add(("x-content-type-options", "nosniff"))
                    .add(("referrer-policy", "same-origin")),
            )
            .service(
                web::scope("/shop/assets")
                    .wrap(from_fn(keep_for_good))
                    .service(Files::new("/", shop_dist.clone()).try_compressed()),
            )
            .configure(routes::shop)
            .service(
                web::scope("/assets")
                    .wrap(from_fn(keep_for_good))
                    .service(Files::new("/", web_dist.join("assets")).try_compressed()),
            )
            .service(single_page(web_dist.clone()))
    })
    .listen(listener)?
    .shutdown_timeout(3)
    .keep_alive(Duration::from_secs(30))
    .run();
    Ok(server)
}

/// HEAD asks for what GET would answer, without the body (RFC 9110, 9.3.2). The connection remembers what was asked and
/// sends none.
async fn head_as_get(
    mut request: ServiceRequest,
    next: Next<impl MessageBody>,
) -> Result<ServiceResponse<impl MessageBody>, actix_web::Error> {
    if request.method() == Method::HEAD {
        request.head_mut().method = Method::GET;
    }
    next.call(request).await
}

/// Files under an address that names their content never change; that there is none may.
async fn keep_for_good(
    request: ServiceRequest,
    next: Next<impl MessageBody>,
) -> Result<ServiceResponse<impl MessageBody>, actix_web::Error> {
    let mut answer = next.call(request).await?;
    if answer.status().is_success() {
        let good = HeaderValue::from_static("public, max-age=31536000, immutable");
        answer.headers_mut().insert(CACHE_CONTROL, good);
    }
    Ok(answer)
}

/// The owner's application: its views have addresses of their own, which all get the same document.
fn single_page(dist: std::path::PathBuf) -> Files {
    let index = dist.join("index.html");
    Files::new("/", dist).index_file("index.html").default_handler(fn_service(
        move |request: ServiceRequest| {
            let index = index.clone();
            async move {
                let (request, _) = request.into_parts();
                let answer = match NamedFile::open(index) {
                    Ok(file) => file.into_response(&request),
                    Err(_) => actix_web::ResponseError::error_response(&ApiError::nothing_here()),
                };
                Ok(ServiceResponse::new(request, answer))
            }
        },
    ))
}

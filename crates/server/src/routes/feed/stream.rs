use super::{After, sound};
use crate::error::{ApiError, ApiResult};
use crate::feed::Told;
use crate::jobs::feed::Tab;
use crate::session::{Caller, SESSION_COOKIE, cookie_hash};
use crate::state::State;
use actix_web::http::header::CACHE_CONTROL;
use actix_web::web::{Bytes, Data, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use futures_util::stream;
use std::time::{Duration, Instant};
use tokio::sync::watch;
use tokio::time::timeout;

/// After so long without anything to tell that is told: the tab and who stands between see that it still goes on, and that
/// a tab is gone is found out.
const SIGN_EVERY: Duration = Duration::from_secs(10);
/// A stream ends by itself; its tab opens another one, for which it must still be signed in.
const MOST: Duration = Duration::from_secs(15 * 60);
/// How the name of the header is written that asks proxies to hold nothing back.
const NO_BUFFERING: (&str, &str) = ("x-accel-buffering", "no");

struct Stream {
    state: Data<State>,
    session: [u8; 32],
    began: Instant,
    mark: Option<String>,
    begun: bool,
    grew: watch::Receiver<()>,
    /// While it lasts, its tab is there.
    _tab: Tab,
}

impl Stream {
    /// What is sent next; nothing at the end.
    async fn next(&mut self) -> Option<Bytes> {
        let feed = &self.state.feed;
        if self.began.elapsed() > MOST {
            return None;
        }
        self.grew.mark_unchanged();
        let mut told = feed.since(self.mark.as_deref());
        if self.begun && told.is_empty() {
            let _ = timeout(SIGN_EVERY, feed.more(&mut self.grew)).await;
            told = feed.since(self.mark.as_deref());
        }
        if feed.is_closing() {
            return None;
        }
        if told.of_sessions() && !matches!(self.state.store.session(&self.session).await, Ok(Some(_))) {
            return None;
        }
        (self.begun, self.mark) = (true, Some(told.mark.clone()));
        event(&told)
    }
}

fn event(told: &Told) -> Option<Bytes> {
    let data = serde_json::to_string(told).ok()?;
    Some(Bytes::from(format!("data: {data}\n\n")))
}

/// Tells a tab what becomes otherwise, as it happens: server-sent events, each a `Told`.
#[utoipa::path(
    operation_id = "stream_feed",
    params(After),
    responses((status = 200, body = Told, content_type = "text/event-stream"), (status = 422, body = ApiError))
)]
#[get("/feed")]
pub async fn tell(
    state: Data<State>,
    _caller: Caller,
    request: HttpRequest,
    of: Query<After>,
) -> ApiResult<HttpResponse> {
    let After { tab, after } = of.into_inner();
    let tab = sound(tab)?;
    let stream = Stream {
        session: cookie_hash(&request, SESSION_COOKIE).ok_or_else(ApiError::sign_in_first)?,
        began: Instant::now(),
        mark: after,
        begun: false,
        grew: state.feed.follow(),
        _tab: Tab::open(state.clone(), tab),
        state,
    };
    let events = stream::unfold(stream, |mut stream| async move {
        let bytes = stream.next().await?;
        Some((Ok::<_, ApiError>(bytes), stream))
    });
    Ok(HttpResponse::Ok()
        .content_type("text/event-stream")
        .insert_header((CACHE_CONTROL, "no-store"))
        .insert_header(NO_BUFFERING)
        .streaming(Box::pin(events)))
}

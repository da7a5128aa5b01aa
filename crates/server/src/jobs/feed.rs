//! Tells owners' open tabs what is written, and knows which of them are there.

use crate::feed::{PresentView, Said};
use crate::serving::edition::exchange::catch_up;
use crate::state::State;
use actix_web::rt::signal::unix::{SignalKind, signal};
use actix_web::web::Data;
use compagina_core::ids::TemplateId;
use compagina_storage::{Note, Thing};
use std::collections::BTreeSet;
use std::time::{Duration, Instant};
use tokio::time::timeout;

/// So often notes of other processes are looked for; one's own are seen at once.
const LOOK_EVERY: Duration = Duration::from_millis(150);
/// So often whoever is at a desk is noted to be still there.
const STILL_EVERY: Duration = Duration::from_secs(5);
/// A tab whose stream ended is taken to have left unless it is back by then.
const BACK_WITHIN: Duration = Duration::from_secs(5);

/// A tab's stream: while it lasts, its tab is there.
pub struct Tab {
    state: Data<State>,
    name: String,
}

impl Tab {
    pub fn open(state: Data<State>, name: String) -> Self {
        state.feed.opened(&name);
        Self { state, name }
    }
}

impl Drop for Tab {
    fn drop(&mut self) {
        self.state.feed.closed(&self.name);
        let (state, name) = (self.state.clone().into_inner(), std::mem::take(&mut self.name));
        self.state.home.spawn(async move {
            tokio::time::sleep(BACK_WITHIN).await;
            if state.feed.has(&name) {
                return;
            }
            if let Err(error) = state.store.clear_presence(Some(&name)).await {
                tracing::warn!("that somebody left can't be noted: {error}");
            }
        });
    }
}

/// Tells what is written from now on, for as long as the process runs.
pub async fn tell(state: Data<State>) {
    let mut seen = BTreeSet::new();
    let mut noted_at = Instant::now();
    loop {
        // Over when nothing was written for so long.
        let _ = timeout(LOOK_EVERY, state.store.something_to_tell()).await;
        match state.store.recent_notes().await {
            Ok(notes) => {
                let fresh: Vec<Note> =
                    notes.iter().filter(|(id, _)| !seen.contains(id)).map(|(_, note)| *note).collect();
                // Whoever is told reads anew at once, and is to read what it has become.
                if !fresh.is_empty() {
                    catch_up(&state.serving).await;
                }
                say_all(&state, fresh).await;
                seen = notes.into_iter().map(|(id, _)| id).collect();
            }
            Err(error) => tracing::warn!("what owners are to be told can't be read: {error}"),
        }
        let tabs = state.feed.tabs();
        if noted_at.elapsed() > STILL_EVERY && !tabs.is_empty() {
            noted_at = Instant::now();
            if let Err(error) = state.store.still_present(&tabs).await {
                tracing::warn!("who is still there can't be noted: {error}");
            }
        }
    }
}

async fn say_all(state: &State, notes: Vec<Note>) {
    let mut said: Vec<(Thing, Option<u64>)> = Vec::new();
    for Note { thing, revision } in notes {
        // Of what changed often meanwhile, the last time is told.
        said.retain(|(other, of)| *other != thing || of.is_none() != revision.is_none());
        said.push((thing, revision));
    }
    for (thing, revision) in said {
        let present = match thing {
            Thing::Here(template) => Some(everybody(state, template).await),
            _ => None,
        };
        state.feed.say(Said { thing: thing.to_string(), revision, present });
    }
}

async fn everybody(state: &State, template: TemplateId) -> Vec<PresentView> {
    match state.store.present(template).await {
        Ok(present) => present.into_iter().map(PresentView::from).collect(),
        Err(error) => {
            tracing::warn!("who is at a desk can't be read: {error}");
            vec![]
        }
    }
}

/// Ends all streams as soon as the process is told to stop, which waits for them.
pub fn close_when_told(state: &Data<State>) -> std::io::Result<()> {
    let mut signals = [SignalKind::terminate(), SignalKind::interrupt()].map(signal).into_iter();
    let (Some(terminate), Some(interrupt)) = (signals.next(), signals.next()) else { return Ok(()) };
    let (mut terminate, mut interrupt) = (terminate?, interrupt?);
    let state = state.clone();
    tokio::spawn(async move {
        tokio::select! {
            _ = terminate.recv() => {}
            _ = interrupt.recv() => {}
        }
        state.feed.close();
    });
    Ok(())
}

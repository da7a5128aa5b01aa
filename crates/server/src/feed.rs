//! What owners' open tabs are told as it happens. One reader a process (`jobs::feed`) makes a log of the notes that the
//! database keeps of what was written, by this process or another; every tab is told along this log. So a tab that is open
//! costs the database nothing while nobody writes.

use compagina_storage::{Present, Thing};
use serde::Serialize;
use std::collections::{BTreeMap, VecDeque};
use std::sync::{Mutex, MutexGuard, PoisonError};
use std::time::{Duration, Instant};
use tokio::sync::watch;
use utoipa::ToSchema;

/// So far back a new tab is told: what it shows was read a moment ago.
const RECENT: Duration = Duration::from_secs(10);
/// What is further back is told to nobody: who missed it reads everything anew.
const MOST_SAID: usize = 2000;

/// Something that is otherwise.
#[derive(Debug, Clone, Serialize, ToSchema)]
pub struct Said {
    /// A draft (`template-12`, `house`), something of the catalogue (`product/7`, `option/3`, `book`, `shelf`, `pictures`),
    /// who is at a desk (`here/12`), who is signed in (`sessions`), or `everything`.
    pub thing: String,
    /// The revision that it has now; none where it isn't counted.
    pub revision: Option<u64>,
    /// Of a desk: everybody who is there.
    pub present: Option<Vec<PresentView>>,
}

/// An owner at an open desk.
#[derive(Debug, Clone, Serialize, ToSchema)]
pub struct PresentView {
    name: String,
    /// The tab, by the name that it gave itself.
    place: String,
    /// The piece or band that is chosen there.
    chosen: String,
}

impl From<Present> for PresentView {
    fn from(Present { name, place, chosen }: Present) -> Self {
        Self { name, place, chosen }
    }
}

/// What was said since a mark.
#[derive(Debug, Clone, Serialize, ToSchema)]
pub struct Told {
    /// To be sent when one asks again.
    pub mark: String,
    /// Whether more was said than is known here: everything is better read anew.
    anew: bool,
    said: Vec<Said>,
}

impl Told {
    pub fn is_empty(&self) -> bool {
        !self.anew && self.said.is_empty()
    }

    /// Whether somebody has signed out.
    pub fn of_sessions(&self) -> bool {
        let sessions = Thing::Sessions.to_string();
        self.said.iter().any(|said| said.thing == sessions)
    }
}

#[derive(Default)]
struct Log {
    /// The number of the first that is still here.
    first: u64,
    said: VecDeque<(Instant, Said)>,
}

impl Log {
    fn end(&self) -> u64 {
        self.first + self.said.len() as u64
    }
}

/// The log of this process, and the tabs that are told along it.
pub struct Feed {
    /// Tells this log from those of other processes.
    name: String,
    log: Mutex<Log>,
    grew: watch::Sender<()>,
    /// How many streams a tab has open here.
    tabs: Mutex<BTreeMap<String, usize>>,
    closing: watch::Sender<bool>,
}

impl Default for Feed {
    fn default() -> Self {
        Self {
            name: format!("{:016x}", rand::random::<u64>()),
            log: Mutex::default(),
            grew: watch::Sender::new(()),
            tabs: Mutex::default(),
            closing: watch::Sender::new(false),
        }
    }
}

fn held<T>(mutex: &Mutex<T>) -> MutexGuard<'_, T> {
    mutex.lock().unwrap_or_else(PoisonError::into_inner)
}

impl Feed {
    /// Says something to all tabs.
    pub fn say(&self, said: Said) {
        let mut log = held(&self.log);
        log.said.push_back((Instant::now(), said));
        if log.said.len() > MOST_SAID {
            log.said.pop_front();
            log.first += 1;
        }
        drop(log);
        self.grew.send_replace(());
    }

    /// What was said since a mark; without one, what was said of late.
    pub fn since(&self, mark: Option<&str>) -> Told {
        let log = held(&self.log);
        let from = match mark {
            None => Some(
                log.end() - log.said.iter().rev().take_while(|(at, _)| at.elapsed() < RECENT).count() as u64,
            ),
            Some(mark) => self.number(mark).filter(|number| (log.first..=log.end()).contains(number)),
        };
        let skipped =
            from.map_or(log.said.len(), |from| usize::try_from(from - log.first).unwrap_or(usize::MAX));
        Told {
            mark: format!("{}-{}", self.name, log.end()),
            anew: from.is_none(),
            said: log.said.iter().skip(skipped).map(|(_, said)| said.clone()).collect(),
        }
    }

    fn number(&self, mark: &str) -> Option<u64> {
        let (name, number) = mark.split_once('-')?;
        (name == self.name).then(|| number.parse().ok())?
    }

    /// Waits until more was said, or nothing more will be.
    pub async fn more(&self, grew: &mut watch::Receiver<()>) {
        let mut closing = self.closing.subscribe();
        tokio::select! {
            _ = grew.changed() => {}
            _ = closing.wait_for(|closing| *closing) => {}
        }
    }

    pub fn follow(&self) -> watch::Receiver<()> {
        self.grew.subscribe()
    }

    pub fn is_closing(&self) -> bool {
        *self.closing.borrow()
    }

    /// Ends all streams, and all that will be opened.
    pub fn close(&self) {
        self.closing.send_replace(true);
    }

    /// The tabs that have streams open here.
    pub fn tabs(&self) -> Vec<String> {
        held(&self.tabs).keys().cloned().collect()
    }

    pub fn has(&self, tab: &str) -> bool {
        held(&self.tabs).contains_key(tab)
    }

    pub fn opened(&self, tab: &str) {
        *held(&self.tabs).entry(tab.to_owned()).or_default() += 1;
    }

    pub fn closed(&self, tab: &str) {
        let mut tabs = held(&self.tabs);
        match tabs.get_mut(tab) {
            Some(streams) if *streams > 1 => *streams -= 1,
            _ => drop(tabs.remove(tab)),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn said(feed: &Feed, thing: &str) {
        feed.say(Said { thing: thing.into(), revision: Some(1), present: None });
    }

    fn things(told: &Told) -> Vec<&str> {
        told.said.iter().map(|said| said.thing.as_str()).collect()
    }

    #[test]
    fn a_tab_is_told_what_was_said_since_it_was_told_last() {
        let feed = Feed::default();
        said(&feed, "house");
        let first = feed.since(None);
        assert_eq!((first.anew, things(&first)), (false, vec!["house"]), "it may have read it just before");
        assert!(feed.since(Some(&first.mark)).is_empty());
        said(&feed, "template-1");
        said(&feed, "template-2");
        let next = feed.since(Some(&first.mark));
        assert_eq!((next.anew, things(&next)), (false, vec!["template-1", "template-2"]));
    }

    #[test]
    fn a_mark_of_another_process_or_too_far_back_has_everything_read_anew() {
        let (feed, other) = (Feed::default(), Feed::default());
        let mark = feed.since(None).mark;
        assert!(other.since(Some(&mark)).anew);
        for no in ["", "-", "x-1", &format!("{}-99", feed.name)] {
            assert!(feed.since(Some(no)).anew, "{no}");
        }
        (0..=MOST_SAID).for_each(|_| said(&feed, "house"));
        let told = feed.since(Some(&mark));
        assert!(told.anew && told.said.is_empty());
        assert!(feed.since(Some(&told.mark)).is_empty(), "from here it goes on");
    }
}

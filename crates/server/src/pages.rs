//! The page that goes along with a draft: whole, or as what differs from the one that a desk has already. A letter
//! typed changes a few dozen of its hundred thousand signs.

use imara_diff::{Algorithm, Diff, InternedInput, TokenSource};
use serde::Serialize;
use std::collections::VecDeque;
use std::str::SplitInclusive;
use std::sync::{Arc, Mutex, PoisonError};
use utoipa::ToSchema;

/// So many pages are remembered. What was forgotten, or was told by another process, is told whole again.
const MOST_PAGES: usize = 48;
/// Where a page can be cut: after a tag, a rule of its styles, a word of its offers.
const ENDS: &[char] = &['>', '}', ','];

/// A page as a desk is told it.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct PageView {
    /// What the page is called. Whoever asks next names it as the one they have.
    pub name: String,
    /// The whole page.
    pub html: Option<String>,
    /// Without the whole: the page that was named as the one they have.
    pub of: Option<String>,
    /// What differs from that, from its beginning to its end.
    pub cuts: Vec<Cut>,
}

/// A part of a page that another one takes the place of.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct Cut {
    /// Where it begins, in UTF-16 code units, as scripts count.
    pub from: usize,
    /// Where it ends.
    pub to: usize,
    /// What stands there instead.
    pub text: String,
}

/// Pages that were told last, by their names.
pub struct Pages {
    /// Goes before each name, so that no other process has the same.
    mine: u64,
    told: Mutex<Told>,
}

#[derive(Default)]
struct Told {
    count: u64,
    pages: VecDeque<(String, Arc<str>)>,
}

impl Default for Pages {
    fn default() -> Self {
        Self { mine: rand::random(), told: Mutex::default() }
    }
}

impl Pages {
    /// Tells a page to a desk that has another one.
    pub fn tell(&self, html: String, has: Option<&str>) -> PageView {
        let html: Arc<str> = html.into();
        let (name, before) = self.keep(&html, has);
        let cuts = before.map(|before| cuts(&before, &html));
        let short = cuts.filter(|cuts| cuts.iter().map(|cut| cut.text.len()).sum::<usize>() < html.len() / 2);
        match short {
            Some(cuts) => PageView { name, html: None, of: has.map(str::to_owned), cuts },
            None => PageView { name, html: Some(html.as_ref().to_owned()), of: None, cuts: Vec::new() },
        }
    }

    /// Remembers a page under a new name, and finds another one.
    fn keep(&self, html: &Arc<str>, has: Option<&str>) -> (String, Option<Arc<str>>) {
        let mut told = self.told.lock().unwrap_or_else(PoisonError::into_inner);
        let before = told.pages.iter().find(|(own, _)| Some(own.as_str()) == has);
        let before = before.map(|(_, html)| Arc::clone(html));
        told.count += 1;
        let name = format!("{:016x}-{}", self.mine, told.count);
        told.pages.push_back((name.clone(), Arc::clone(html)));
        if told.pages.len() > MOST_PAGES {
            told.pages.pop_front();
        }
        (name, before)
    }
}

struct Parts<'a>(&'a str);

impl<'a> TokenSource for Parts<'a> {
    type Token = &'a str;
    type Tokenizer = SplitInclusive<'a, &'static [char]>;

    fn tokenize(&self) -> Self::Tokenizer {
        self.0.split_inclusive(ENDS)
    }
    fn estimate_tokens(&self) -> u32 {
        u32::try_from(self.0.len() / 32).unwrap_or(u32::MAX)
    }
}

/// What is to be cut out of one page and put in instead, so that it becomes another.
fn cuts(before: &str, after: &str) -> Vec<Cut> {
    let input = InternedInput::new(Parts(before), Parts(after));
    let part = |token| input.interner[token];
    let units = |text: &str| if text.is_ascii() { text.len() } else { text.encode_utf16().count() };
    let (mut at, mut place) = (0, 0);
    let diff = Diff::compute(Algorithm::Histogram, &input);
    let cut = |hunk: imara_diff::Hunk| {
        let mut walk = |to: u32| {
            for token in &input.before[at..to as usize] {
                place += units(part(*token));
            }
            at = to as usize;
            place
        };
        let (from, to) = (walk(hunk.before.start), walk(hunk.before.end));
        let new = &input.after[hunk.after.start as usize..hunk.after.end as usize];
        Cut { from, to, text: new.iter().map(|token| part(*token)).collect() }
    };
    diff.hunks().map(cut).collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    /// As the desk does it.
    fn put_together(before: &str, cuts: &[Cut]) -> String {
        let units: Vec<u16> = before.encode_utf16().collect();
        let (mut made, mut at) = (Vec::new(), 0);
        for cut in cuts {
            made.extend_from_slice(&units[at..cut.from]);
            made.extend(cut.text.encode_utf16());
            at = cut.to;
        }
        made.extend_from_slice(&units[at..]);
        String::from_utf16(&made).unwrap()
    }

    fn page(words: &str, rule: &str) -> String {
        let rows: String =
            (0..200).map(|row| format!("<li data-row=\"{row}\">Zeile {row} – für 🪁</li>")).collect();
        format!("<style>.a{{color:{rule}}}.b{{top:0}}</style><ol>{rows}</ol><b>{words}</b><i>nach</i>")
    }

    #[test]
    fn a_letter_is_told_as_a_letter_and_makes_the_same_page() {
        let pages = Pages::default();
        let first = pages.tell(page("In den Korb", "red"), None);
        assert_eq!(first.html, Some(page("In den Korb", "red")));
        let next = pages.tell(page("In den Korb 🪁!", "blue"), Some(&first.name));
        assert_eq!((next.html, next.of.as_ref()), (None, Some(&first.name)));
        assert!(next.cuts.iter().map(|cut| cut.text.len()).sum::<usize>() < 100, "{:?}", next.cuts);
        assert_eq!(put_together(&page("In den Korb", "red"), &next.cuts), page("In den Korb 🪁!", "blue"));
        // One that is as it was has nothing to be told.
        let same = pages.tell(page("In den Korb 🪁!", "blue"), Some(&next.name));
        assert_eq!((same.html, same.of, same.cuts), (None, Some(next.name.clone()), Vec::new()));
    }

    #[test]
    fn what_is_not_known_or_altogether_different_is_told_whole() {
        let pages = Pages::default();
        let first = pages.tell(page("One", "red"), Some("0123456789abcdef01234567"));
        assert!(first.html.is_some(), "of a page that nobody knows");
        let other = "<p>Nothing of it</p>".repeat(300);
        assert_eq!(pages.tell(other.clone(), Some(&first.name)).html, Some(other));
        for number in 0..MOST_PAGES {
            pages.tell(page(&number.to_string(), "red"), None);
        }
        assert!(pages.tell(page("Two", "red"), Some(&first.name)).html.is_some(), "of one long forgotten");
    }
}

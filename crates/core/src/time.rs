//! Days and times. What is planned is planned in the shop's own time; what is in force is told by the moment.
//!
//! Where clocks are put back a local time comes twice: the first is meant. Where they are put forward it doesn't come at
//! all: it is taken as if the clocks had not been changed, an hour later by the new ones (RFC 5545, 3.3.5).

use jiff::civil::{Date, DateTime};
use jiff::tz::TimeZone;
use jiff::{Timestamp, ToSpan};
use serde::{Deserialize, Serialize};

/// A moment, in seconds since 1970 in UTC.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(transparent)]
pub struct Moment(pub i64);

/// A time on the shop's clocks as `2026-11-27T09:00`.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(try_from = "String", into = "String")]
#[cfg_attr(feature = "schema", schema(value_type = String, example = "2026-11-27T09:00"))]
pub struct Local(DateTime);

/// What is no time.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum NoSuchTime {
    /// No time of day.
    #[error("“{0}” is no time such as 2026-11-27T09:00")]
    Time(String),
    /// No day.
    #[error("“{0}” is no day such as 2026-11-24")]
    Day(String),
    /// No zone.
    #[error("“{0}” is no time zone such as Europe/London")]
    Zone(String),
}

impl TryFrom<String> for Local {
    type Error = NoSuchTime;
    fn try_from(text: String) -> Result<Self, NoSuchTime> {
        let plain = text.len() == 16 && text.as_bytes()[10] == b'T';
        let parsed = if plain { text.parse::<DateTime>().ok() } else { None };
        parsed.map(Self).ok_or_else(|| NoSuchTime::Time(text.chars().take(40).collect()))
    }
}
impl From<Local> for String {
    fn from(local: Local) -> Self {
        local.to_string()
    }
}
impl std::fmt::Display for Local {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(f, "{}", self.0.strftime("%Y-%m-%dT%H:%M"))
    }
}

impl Local {
    /// For an owner: `2 January 2027, 08:00`; without the time where a day begins.
    #[must_use]
    pub fn told(&self) -> String {
        let midnight = (self.0.hour(), self.0.minute()) == (0, 0);
        self.0.strftime(if midnight { "%-d %B %Y" } else { "%-d %B %Y, %H:%M" }).to_string()
    }
}

/// A day of the calendar (Gregorian, also before it was in use) as `2026-11-24`.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(try_from = "String", into = "String")]
#[cfg_attr(feature = "schema", schema(value_type = String, example = "2026-11-24"))]
pub struct Day(Date);

impl TryFrom<String> for Day {
    type Error = NoSuchTime;
    fn try_from(text: String) -> Result<Self, NoSuchTime> {
        let plain = text.len() == 10 && text.as_bytes()[4] == b'-';
        let date = if plain { text.parse::<Date>().ok() } else { None };
        date.map(Self).ok_or_else(|| NoSuchTime::Day(text.chars().take(40).collect()))
    }
}
impl From<Day> for String {
    fn from(day: Day) -> Self {
        day.to_string()
    }
}
impl std::fmt::Display for Day {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        self.0.fmt(f)
    }
}

/// The zone in which the shop's clocks run, by its IANA name.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Zone(TimeZone);

impl Zone {
    /// A zone by its name, as in `Europe/London`.
    ///
    /// # Errors
    /// [`NoSuchTime`], which says what can’t be and why.
    pub fn named(name: &str) -> Result<Self, NoSuchTime> {
        TimeZone::get(name).map(Self).map_err(|_| NoSuchTime::Zone(name.chars().take(40).collect()))
    }
    /// The moment at which the clocks show a time.
    #[must_use]
    pub fn moment(&self, local: &Local) -> Moment {
        // “Compatible” is RFC 5545's reading, as above.
        let timestamp = self.0.to_timestamp(local.0);
        Moment(timestamp.map_or(i64::MAX, Timestamp::as_second))
    }
    /// The day on which a moment falls.
    #[must_use]
    pub fn day(&self, moment: Moment) -> Day {
        Day(self.local(moment).0.date())
    }
    /// The moment at which the day of a moment ends: the next midnight, however long the day is.
    #[must_use]
    pub fn tomorrow(&self, moment: Moment) -> Moment {
        let next = self.day(moment).0.tomorrow().unwrap_or(Date::MAX);
        self.moment(&Local(next.at(0, 0, 0, 0)))
    }
    /// What the clocks show at a moment.
    #[must_use]
    pub fn local(&self, moment: Moment) -> Local {
        let timestamp = Timestamp::from_second(moment.0).unwrap_or(Timestamp::UNIX_EPOCH);
        let shown = self.0.to_datetime(timestamp);
        let seconds = i64::from(shown.second());
        Local(shown.checked_sub(seconds.seconds()).unwrap_or(shown))
    }
}

impl Default for Zone {
    fn default() -> Self {
        Self(TimeZone::UTC)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn local(text: &str) -> Local {
        Local::try_from(text.to_owned()).unwrap()
    }

    #[test]
    fn a_time_is_read_and_written_alike_and_nonsense_is_refused() {
        assert_eq!(local("2026-11-27T09:00").to_string(), "2026-11-27T09:00");
        for bad in
            ["", "2026-11-27", "2026-02-30T10:00", "2026-11-27 09:00", "2026-11-27T25:00", "tomorrow, nine!!"]
        {
            assert!(Local::try_from(bad.to_owned()).is_err(), "{bad}");
        }
        assert!(Zone::named("Europe/Nowhere").is_err());
    }

    #[test]
    fn a_day_is_one_of_the_calendar() {
        assert_eq!(Day::try_from("2028-02-29".to_owned()).unwrap().to_string(), "2028-02-29");
        for bad in
            ["2026-13-01", "2026-1-1", "24.11.2026", "2026-11-00", "2026-11-2é", "2026-02-31", "2026-02-29"]
        {
            assert!(Day::try_from(bad.to_owned()).is_err(), "{bad}");
        }
    }

    #[test]
    fn a_day_begins_at_midnight_on_the_shops_clocks() {
        let (auckland, lima) =
            (Zone::named("Pacific/Auckland").unwrap(), Zone::named("America/Lima").unwrap());
        // 2026-11-24T12:00Z is 01:00 on the 25th in Auckland, and 07:00 on the 24th in Lima.
        let noon = Zone::default().moment(&local("2026-11-24T12:00"));
        assert_eq!(auckland.day(noon).to_string(), "2026-11-25");
        assert_eq!(lima.day(noon).to_string(), "2026-11-24");
        assert_eq!(auckland.tomorrow(noon).0 - noon.0, 23 * 3600);
        assert_eq!(lima.tomorrow(noon).0 - noon.0, 17 * 3600);
        // The day on which British clocks are put forward has 23 hours.
        let london = Zone::named("Europe/London").unwrap();
        let midnight = london.moment(&local("2026-03-29T00:00"));
        assert_eq!(london.tomorrow(midnight).0 - midnight.0, 23 * 3600);
    }

    #[test]
    fn clocks_put_forward_and_back_leave_one_moment_for_every_time() {
        let london = Zone::named("Europe/London").unwrap();
        // 2026-03-29: 01:00 GMT becomes 02:00 BST. 00:59 is 00:59 UTC, 02:00 is 01:00 UTC.
        assert_eq!(
            london.moment(&local("2026-03-29T00:59")).0 + 60,
            london.moment(&local("2026-03-29T02:00")).0
        );
        assert_eq!(london.moment(&local("2026-03-29T01:30")), london.moment(&local("2026-03-29T02:30")));
        // 2026-10-25: 02:00 BST becomes 01:00 GMT; 01:30 comes twice and the first is meant.
        let first = london.moment(&local("2026-10-25T01:30"));
        assert_eq!(first.0 + 5400, london.moment(&local("2026-10-25T02:00")).0);
        assert_eq!(london.local(Moment(first.0 + 3600)), local("2026-10-25T01:30"));
    }
}

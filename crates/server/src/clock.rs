use chrono::Utc;
use compagina_core::time::Moment;

/// This moment, as prices know it.
pub fn now() -> Moment {
    Moment(Utc::now().timestamp())
}

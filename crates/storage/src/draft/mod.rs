//! Whatever has a draft: a template, the house style, the wording, the price rules. Shoppers see what was published of it,
//! owners work on the draft. Publishing, planning it, taking it back and its history are the same for all of them; only how
//! a draft is read and how what is shown is kept differs.

mod publish;
mod shown;

pub(crate) use publish::unplan;
pub use publish::{PlannedRow, PublicationRow};
pub(crate) use shown::{note, show};

use crate::DocumentName;
use compagina_core::ids::TemplateId;
use std::fmt;

/// Which draft.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum DraftId {
    /// A template.
    Template(TemplateId),
    /// One of the shop's own.
    Shop(DocumentName),
}

impl fmt::Display for DraftId {
    /// As it is kept and as an address names it: `template-12`, `house`.
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Template(id) => write!(f, "template-{id}"),
            Self::Shop(name) => f.write_str(name.text()),
        }
    }
}

impl DraftId {
    /// Reads what [`Display`](fmt::Display) wrote; none where it isn't that.
    #[must_use]
    pub fn read(text: &str) -> Option<Self> {
        if let Some(id) = text.strip_prefix("template-") {
            return id.parse().ok().map(|id| Self::Template(TemplateId(id)));
        }
        let all = [DocumentName::House, DocumentName::Wording, DocumentName::Prices];
        all.into_iter().find(|name| name.text() == text).map(Self::Shop)
    }
}

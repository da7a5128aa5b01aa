//! Products of the demo shop that belong together.

use crate::handle;
use compagina_core::ids::Handle;

/// A set of them.
#[derive(Debug, Clone)]
pub struct DemoSiblings {
    pub name: &'static str,
    /// Products, each with what it is called among the others.
    pub members: Vec<(Handle, &'static str)>,
}

/// The kites for two lines.
#[must_use]
pub fn siblings() -> Vec<DemoSiblings> {
    let names = ["Whimbrel", "Whimbrel Mini", "Dunlin", "Turnstone", "Sanderling", "Godwit"];
    let members = names.into_iter().map(|name| (handle(name), name.trim_start_matches("Whimbrel ")));
    vec![DemoSiblings { name: "Kite", members: members.collect() }]
}

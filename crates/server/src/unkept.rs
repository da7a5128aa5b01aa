//! Answers to steps that were given and aren't kept yet: nobody waits until they are.

use actix_web::web::Bytes;
use compagina_storage::{Before, StepKey};
use std::collections::HashMap;
use std::sync::{Mutex, MutexGuard, PoisonError};

#[derive(Default)]
pub struct Unkept(Mutex<HashMap<Name, Given>>);

/// Whose step it is, and its key.
type Name = (u64, String);

#[derive(Clone)]
struct Given {
    asked: [u8; 32],
    status: u16,
    body: Bytes,
}

fn name(step: &StepKey) -> Name {
    (step.owner, step.key.clone())
}

impl Unkept {
    /// What is known here of a step that comes.
    pub fn before(&self, step: &StepKey) -> Option<Before> {
        let given = self.all().get(&name(step)).cloned()?;
        let same = given.asked == step.asked;
        Some(if same { Before::Answered(given.status, given.body.to_vec()) } else { Before::Another })
    }
    pub fn remember(&self, step: &StepKey, status: u16, body: Bytes) {
        self.all().insert(name(step), Given { asked: step.asked, status, body });
    }
    pub fn forget(&self, step: &StepKey) {
        self.all().remove(&name(step));
    }

    fn all(&self) -> MutexGuard<'_, HashMap<Name, Given>> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner)
    }
}

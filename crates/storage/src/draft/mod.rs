//! Whatever has a draft: a template, the house style, the wording, the price rules, the listings. Shoppers see what was
//! published of it, owners work on the draft. Publishing, planning it, taking it back and its history are the same for all of them; only how
//! a draft is read and how what is shown is kept differs.

mod apart;
mod publish;
mod shown;

pub use publish::{PlannedRow, PublicationRow};

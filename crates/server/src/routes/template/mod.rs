pub mod list;
pub mod set;

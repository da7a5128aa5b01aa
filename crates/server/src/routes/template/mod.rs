pub mod add;
pub mod list;
pub mod set;

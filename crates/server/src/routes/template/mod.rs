pub mod add;
pub mod file;
pub mod list;
pub mod served;
pub mod set;
pub mod shift;

pub mod add;
pub mod ahead;
pub mod file;
pub mod list;
pub mod served;
pub mod set;
pub mod shift;

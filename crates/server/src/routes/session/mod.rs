pub mod show;
pub mod sign_in;
pub mod sign_out;

use compagina_core::catalog::Shop;
use serde::Serialize;
use utoipa::ToSchema;

/// Who is signed in, and the token that every change must carry.
#[derive(Serialize, ToSchema)]
pub struct SessionView {
    pub owner: String,
    /// The owner's number: names may be alike.
    pub owner_id: u64,
    pub csrf: String,
    pub shop: Shop,
}

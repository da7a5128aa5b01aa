//! Passwords, kept only as Argon2id hashes.

use argon2::Argon2;
use argon2::password_hash::phc::PasswordHash;
use argon2::password_hash::{PasswordHasher, PasswordVerifier};

/// Stands in where there is no owner, so that a wrong address takes as long as a wrong password.
const NOBODY: &str =
    "$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$7iV6zrb0A1o3nGrLmVYfY0wGyDYJVUFuaHhTxHk2nGk";

pub fn hash(password: &str) -> Result<String, String> {
    Argon2::default().hash_password(password.as_bytes()).map(|h| h.to_string()).map_err(|e| e.to_string())
}

/// Whether a password belongs to a stored hash; against nobody's, never.
pub fn matches(password: &str, stored: Option<&str>) -> bool {
    let Ok(parsed) = PasswordHash::new(stored.unwrap_or(NOBODY)) else { return false };
    Argon2::default().verify_password(password.as_bytes(), &parsed).is_ok() && stored.is_some()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn only_the_right_password_opens_and_nobody_never() {
        let stored = hash("windward").unwrap();
        assert!(stored.starts_with("$argon2id$"));
        assert!(matches("windward", Some(&stored)));
        assert!(!matches("leeward", Some(&stored)));
        assert!(!matches("windward", None));
        assert!(PasswordHash::new(NOBODY).is_ok(), "or a wrong address would answer faster");
    }
}

//! Owners, their sessions, and the slow-down after failed sign-ins.

use crate::{Result, Store, Thing};
use chrono::{DateTime, Utc};

/// Somebody who keeps the shop.
#[derive(Clone)]
pub struct Owner {
    /// Its number.
    pub id: u64,
    /// The address that mail goes to.
    pub email: String,
    /// Its name.
    pub name: String,
    /// The hash of the password.
    pub password_hash: String,
}

impl std::fmt::Debug for Owner {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.debug_struct("Owner").field("id", &self.id).finish_non_exhaustive()
    }
}

/// A signed-in owner.
#[derive(Clone)]
pub struct Session {
    /// The owner's number.
    pub owner_id: u64,
    /// The owner's name.
    pub owner_name: String,
    /// What forms and requests have to bring along.
    pub csrf: String,
}

/// After so many failures in a row each further one makes the next try wait.
const FREE_FAILURES: u32 = 4;

impl Store {
    /// Adds an owner.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_owner(&self, email: &str, name: &str, password_hash: &str) -> Result<u64> {
        let done = sqlx::query!(
            "INSERT INTO owner (email, name, password_hash) VALUES (?, ?, ?)",
            email,
            name,
            password_hash
        )
        .execute(&self.pool)
        .await?;
        Ok(done.last_insert_id())
    }

    /// The owner of an address.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn owner_by_email(&self, email: &str) -> Result<Option<Owner>> {
        let row =
            sqlx::query_as!(Owner, "SELECT id, email, name, password_hash FROM owner WHERE email = ?", email);
        Ok(row.fetch_optional(&self.pool).await?)
    }

    /// Keeps a session under the hash of its token; sessions that have run out are dropped.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_session(
        &self,
        token_hash: &[u8; 32],
        owner: u64,
        csrf: &str,
        until: DateTime<Utc>,
    ) -> Result<()> {
        sqlx::query!("DELETE FROM session WHERE expires_at < UTC_TIMESTAMP()").execute(&self.pool).await?;
        sqlx::query!(
            "INSERT INTO session (token_hash, owner_id, csrf, expires_at) VALUES (?, ?, ?, ?)",
            &token_hash[..],
            owner,
            csrf,
            until
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }

    /// The session of a token.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn session(&self, token_hash: &[u8; 32]) -> Result<Option<Session>> {
        let row = sqlx::query_as!(
            Session,
            "SELECT s.owner_id, o.name AS owner_name, s.csrf FROM session s JOIN owner o ON o.id = s.owner_id
             WHERE s.token_hash = ? AND s.expires_at > UTC_TIMESTAMP()",
            &token_hash[..]
        );
        Ok(row.fetch_optional(&self.pool).await?)
    }

    /// Ends a session.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn end_session(&self, token_hash: &[u8; 32]) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            sqlx::query!("DELETE FROM session WHERE token_hash = ?", &token_hash[..])
                .execute(unit.db())
                .await?;
            unit.tell(Thing::Sessions, None);
            unit.done(()).await
        })
        .await
    }

    /// Until when this address must wait before it may try again.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn must_wait_until(&self, email: &str) -> Result<Option<DateTime<Utc>>> {
        let until = sqlx::query_scalar!(
            r#"SELECT wait_until AS "until: DateTime<Utc>" FROM sign_in_failure WHERE email = ? AND wait_until > UTC_TIMESTAMP(3)"#,
            email
        );
        Ok(until.fetch_optional(&self.pool).await?)
    }

    /// Counts a failure: from the fifth on the wait doubles, from 2 seconds up to 5 minutes. A day without failures
    /// starts anew.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn count_failure(&self, email: &str) -> Result<()> {
        sqlx::query!(
            "INSERT INTO sign_in_failure (email, failures, wait_until) VALUES (?, 1, UTC_TIMESTAMP(3))
             ON DUPLICATE KEY UPDATE
               failures = IF(wait_until < UTC_TIMESTAMP(3) - INTERVAL 1 DAY, 1, failures + 1),
               wait_until = UTC_TIMESTAMP(3)
                 + INTERVAL IF(failures > ?, LEAST(300, POW(2, LEAST(failures - ?, 9))), 0) SECOND",
            email,
            FREE_FAILURES,
            FREE_FAILURES
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }

    /// Forgets that signing in failed.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn forget_failures(&self, email: &str) -> Result<()> {
        sqlx::query!("DELETE FROM sign_in_failure WHERE email = ?", email).execute(&self.pool).await?;
        Ok(())
    }
}

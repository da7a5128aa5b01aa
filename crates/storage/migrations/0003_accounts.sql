-- Owners and their sessions. Of a session's token only the hash is kept.
CREATE TABLE owner (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  email VARCHAR(200) NOT NULL UNIQUE,
  name VARCHAR(120) NOT NULL,
  password_hash VARCHAR(255) NOT NULL
);

CREATE TABLE session (
  token_hash BINARY(32) NOT NULL PRIMARY KEY,
  owner_id BIGINT UNSIGNED NOT NULL,
  csrf CHAR(43) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  expires_at DATETIME NOT NULL,
  KEY (expires_at),
  FOREIGN KEY (owner_id) REFERENCES owner (id)
);

CREATE TABLE sign_in_failure (
  email VARCHAR(200) NOT NULL PRIMARY KEY,
  failures INT UNSIGNED NOT NULL,
  wait_until DATETIME(3) NOT NULL
);

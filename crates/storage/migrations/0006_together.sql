-- Working together on a template: every step that was taken, what was published, who is here, what was kept, who may
-- look.

-- One row for each revision, undoing and doing again included, so that a late edit can be told from a clash.
CREATE TABLE draft_step (
  template_id BIGINT UNSIGNED NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  owner_id BIGINT UNSIGNED NOT NULL,
  op JSON NOT NULL,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (template_id, revision),
  FOREIGN KEY (template_id) REFERENCES template (id)
);

CREATE TABLE publication (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  template_id BIGINT UNSIGNED NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  name VARCHAR(120) NOT NULL,
  owner_id BIGINT UNSIGNED,
  layout JSON NOT NULL,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY (template_id, id),
  FOREIGN KEY (template_id) REFERENCES template (id)
);

-- `place`: one open desk of one owner, named by the browser.
CREATE TABLE presence (
  template_id BIGINT UNSIGNED NOT NULL,
  place CHAR(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  owner_id BIGINT UNSIGNED NOT NULL,
  chosen VARCHAR(60) NOT NULL,
  seen_at DATETIME(3) NOT NULL,
  PRIMARY KEY (template_id, place)
);

-- A situation kept by its name.
CREATE TABLE kept_situation (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(80) NOT NULL UNIQUE,
  look JSON NOT NULL
);

-- Of a link's token only the hash is kept.
CREATE TABLE preview_link (
  token_hash BINARY(32) NOT NULL PRIMARY KEY,
  template_id BIGINT UNSIGNED NOT NULL,
  owner_id BIGINT UNSIGNED NOT NULL,
  expires_at DATETIME NOT NULL,
  KEY (expires_at),
  FOREIGN KEY (template_id) REFERENCES template (id)
);

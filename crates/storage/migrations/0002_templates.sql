-- Page layouts that many products share, and every step that was taken on them.
CREATE TABLE template (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  position INT UNSIGNED NOT NULL,
  reach JSON NOT NULL,
  draft JSON NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  published JSON,
  published_revision BIGINT UNSIGNED
);

-- One row for each edit that can be undone (or, once undone, done again). `revision` is the one that the edit made.
CREATE TABLE operation (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  template_id BIGINT UNSIGNED NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  owner_id BIGINT UNSIGNED NOT NULL,
  op JSON NOT NULL,
  inverse JSON NOT NULL,
  undone BOOLEAN NOT NULL DEFAULT FALSE,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE (template_id, revision),
  FOREIGN KEY (template_id) REFERENCES template (id)
);

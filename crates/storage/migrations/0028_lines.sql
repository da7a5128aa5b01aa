-- Steps that were made one upon another, before any of them was answered, belong to one line: none of them is strange to
-- the next. What of a shop's document each step touched is kept for a day, as it is of templates, so that a late step can
-- be told from one that would overwrite somebody else's.
ALTER TABLE draft_step ADD COLUMN line VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin;

CREATE TABLE shop_document_change (
  name VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  -- The one that the step made.
  revision BIGINT UNSIGNED NOT NULL,
  owner_id BIGINT UNSIGNED NOT NULL,
  line VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin,
  touched JSON NOT NULL,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (name, revision)
);

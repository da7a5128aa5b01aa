-- Steps that were taken under a key of their sender, so that one whose answer was lost can be sent again and is taken once.
CREATE TABLE step_key (
  owner_id BIGINT UNSIGNED NOT NULL,
  step_key VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  -- What was asked for: the hash of its method and address.
  asked BINARY(32) NOT NULL,
  -- What was answered; none where the answer was too long to be kept, or was never given.
  status SMALLINT UNSIGNED,
  answer MEDIUMBLOB,
  at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (owner_id, step_key),
  INDEX (at),
  FOREIGN KEY (owner_id) REFERENCES owner (id) ON DELETE CASCADE
);

-- What owners' open views are told of as it happens: which thing is otherwise, and the revision that it has now, where its
-- changes are counted.
CREATE TABLE feed_note (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  thing VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  revision BIGINT UNSIGNED,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY (at)
);

-- A template's draft that is to be published by itself, as it was when it was planned. `at` is in UTC.
CREATE TABLE planned_publication (
  template_id BIGINT UNSIGNED NOT NULL PRIMARY KEY,
  owner_id BIGINT UNSIGNED NOT NULL,
  at DATETIME NOT NULL,
  name VARCHAR(120) NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  layout JSON NOT NULL,
  KEY (at),
  FOREIGN KEY (template_id) REFERENCES template (id)
);

-- Which template serves what: counted on whenever a template comes, or gets another name, reach or place.
CREATE TABLE arrangement (
  id TINYINT UNSIGNED NOT NULL PRIMARY KEY CHECK (id = 1),
  revision BIGINT UNSIGNED NOT NULL
);
INSERT INTO arrangement (id, revision) VALUES (1, 1);

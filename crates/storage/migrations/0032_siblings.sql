-- Products that are sold apart and belong together.
CREATE TABLE sibling_set (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(60) NOT NULL,
  one_card BOOLEAN NOT NULL DEFAULT FALSE
);
CREATE TABLE sibling (
  set_id BIGINT UNSIGNED NOT NULL,
  product_id BIGINT UNSIGNED NOT NULL,
  position INT UNSIGNED NOT NULL,
  label VARCHAR(60) NOT NULL,
  swatch JSON NULL,
  PRIMARY KEY (set_id, product_id),
  KEY sibling_of (product_id),
  CONSTRAINT sibling_in FOREIGN KEY (set_id) REFERENCES sibling_set (id) ON DELETE CASCADE,
  CONSTRAINT sibling_is FOREIGN KEY (product_id) REFERENCES product (id) ON DELETE CASCADE
);

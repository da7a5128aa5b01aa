-- What the shop sells.
CREATE TABLE shop (
  id TINYINT UNSIGNED NOT NULL PRIMARY KEY CHECK (id = 1),
  name VARCHAR(120) NOT NULL,
  currency CHAR(3) NOT NULL,
  locale VARCHAR(10) NOT NULL
);

CREATE TABLE product_type (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  handle VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL UNIQUE,
  name VARCHAR(120) NOT NULL,
  position INT UNSIGNED NOT NULL
);

CREATE TABLE shop_option (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  handle VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL UNIQUE,
  name VARCHAR(120) NOT NULL,
  position INT UNSIGNED NOT NULL
);

CREATE TABLE option_value (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  option_id BIGINT UNSIGNED NOT NULL,
  handle VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(120) NOT NULL,
  swatch JSON NOT NULL,
  position INT UNSIGNED NOT NULL,
  UNIQUE (option_id, handle),
  FOREIGN KEY (option_id) REFERENCES shop_option (id)
);

CREATE TABLE product (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  handle VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL UNIQUE,
  type_id BIGINT UNSIGNED NOT NULL,
  position INT UNSIGNED NOT NULL,
  name VARCHAR(200) NOT NULL,
  state VARCHAR(20) NOT NULL,
  summary TEXT NOT NULL,
  details JSON NOT NULL,
  price_minor BIGINT NOT NULL,
  old_price_minor BIGINT,
  most_per_order INT UNSIGNED,
  KEY (type_id, position),
  FOREIGN KEY (type_id) REFERENCES product_type (id)
);

CREATE TABLE product_option (
  product_id BIGINT UNSIGNED NOT NULL,
  option_id BIGINT UNSIGNED NOT NULL,
  position INT UNSIGNED NOT NULL,
  PRIMARY KEY (product_id, option_id),
  FOREIGN KEY (product_id) REFERENCES product (id),
  FOREIGN KEY (option_id) REFERENCES shop_option (id)
);

CREATE TABLE product_value (
  product_id BIGINT UNSIGNED NOT NULL,
  value_id BIGINT UNSIGNED NOT NULL,
  position INT UNSIGNED NOT NULL,
  PRIMARY KEY (product_id, value_id),
  FOREIGN KEY (product_id) REFERENCES product (id),
  FOREIGN KEY (value_id) REFERENCES option_value (id)
);

-- `chosen`: for each option of the product, in its order, the value's id, or null for any.
-- `stock`: null where none is counted.
CREATE TABLE variant (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  product_id BIGINT UNSIGNED NOT NULL,
  position INT UNSIGNED NOT NULL,
  sku VARCHAR(80) NOT NULL UNIQUE,
  chosen JSON NOT NULL,
  price_minor BIGINT,
  old_price_minor BIGINT,
  stock INT UNSIGNED,
  KEY (product_id, position),
  FOREIGN KEY (product_id) REFERENCES product (id)
);

-- Pictures: the files are kept in the media store under the hashes in `sizes`.
CREATE TABLE product_picture (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  product_id BIGINT UNSIGNED NOT NULL,
  position INT UNSIGNED NOT NULL,
  alt VARCHAR(300) NOT NULL,
  sizes JSON NOT NULL,
  value_ids JSON NOT NULL,
  KEY (product_id, position),
  FOREIGN KEY (product_id) REFERENCES product (id)
);

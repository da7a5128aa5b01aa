-- What whole pages need: facts, tags, maker and reviews of products, free pictures and films, the shop's own documents.
ALTER TABLE product
  ADD brand VARCHAR(120) NOT NULL DEFAULT '',
  ADD facts JSON NOT NULL DEFAULT '[]',
  ADD tags JSON NOT NULL DEFAULT '[]';

CREATE TABLE review (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  product_id BIGINT UNSIGNED NOT NULL,
  stars TINYINT UNSIGNED NOT NULL CHECK (stars BETWEEN 1 AND 5),
  title VARCHAR(200) NOT NULL,
  body TEXT NOT NULL,
  who VARCHAR(120) NOT NULL,
  day CHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  KEY (product_id, day),
  FOREIGN KEY (product_id) REFERENCES product (id)
);

-- `film`: null for a picture.
CREATE TABLE shop_media (
  name VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  position INT UNSIGNED NOT NULL,
  picture JSON NOT NULL,
  film JSON
);

-- House style and wording: one draft that owners work on, and what shoppers see.
CREATE TABLE shop_document (
  name VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  draft JSON NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  published JSON NOT NULL
);

CREATE TABLE shop_document_step (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  owner_id BIGINT UNSIGNED NOT NULL,
  was JSON NOT NULL,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY (name, id)
);

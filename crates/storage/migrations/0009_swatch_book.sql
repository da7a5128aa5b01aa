-- The swatch book: how each option is chosen, and what its values show.
-- `palette`: the shop's named colours, one a line.
ALTER TABLE shop ADD palette TEXT NOT NULL DEFAULT '';

-- `from_variants`: whether values that have nothing else show pictures of their variants.
ALTER TABLE shop_option
  ADD about VARCHAR(300) NOT NULL DEFAULT '',
  ADD way_page VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'buttons',
  ADD way_card VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'nothing',
  ADD from_variants BOOLEAN NOT NULL DEFAULT FALSE;

-- `swatch`: the book's own; null where the value shows what else there is for it.
-- `palette_colour`, `file_hash`: the palette's colour and the picture file that the value's name leads to, worked out
-- whenever names, files or palette change.
ALTER TABLE option_value
  MODIFY swatch JSON,
  ADD note VARCHAR(200) NOT NULL DEFAULT '',
  ADD palette_colour CHAR(7) CHARACTER SET ascii COLLATE ascii_bin,
  ADD file_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin;
UPDATE option_value SET swatch = NULL WHERE JSON_VALUE(swatch, '$.kind') = 'text';

-- Whether the product uses every value of the option, those added later too.
ALTER TABLE product_option ADD whole BOOLEAN NOT NULL DEFAULT FALSE;

-- A product's own swatch for a value, and why it has one.
ALTER TABLE product_value
  ADD swatch JSON,
  ADD why VARCHAR(200) NOT NULL DEFAULT '';

-- Picture files for the values of an option. `hash`: the square cut from it; `colour`: what it has most of; `fate`: what
-- was settled by hand.
CREATE TABLE swatch_file (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  option_id BIGINT UNSIGNED NOT NULL,
  name VARCHAR(200) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  colour CHAR(7) CHARACTER SET ascii COLLATE ascii_bin,
  fate JSON,
  KEY (option_id, id),
  UNIQUE (option_id, name),
  FOREIGN KEY (option_id) REFERENCES shop_option (id)
);

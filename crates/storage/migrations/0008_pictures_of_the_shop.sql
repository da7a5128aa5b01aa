-- The shop's own pictures and films stand beside those of products: the same is done with both. A picture without a
-- product has the name by which pieces refer to it.
ALTER TABLE product_picture
  MODIFY product_id BIGINT UNSIGNED,
  ADD name VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin UNIQUE;
RENAME TABLE product_picture TO picture;
INSERT INTO picture (position, alt, sizes, value_ids, cut_out, film, name)
SELECT position, JSON_VALUE(picture, '$.alt'), JSON_EXTRACT(picture, '$.sizes'), '[]',
  COALESCE(JSON_VALUE(picture, '$.cut_out'), 0),
  IF(film IS NULL, NULL, JSON_OBJECT('hash', JSON_VALUE(film, '$.hash'), 'width', JSON_EXTRACT(film, '$.width'),
    'height', JSON_EXTRACT(film, '$.height'))), name
FROM shop_media;
DROP TABLE shop_media;

-- Choices, further. `way_quick`: how an option is chosen in quick looks. `product_id`: the only product that may use it.
ALTER TABLE shop_option
  ADD way_quick VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'buttons',
  ADD product_id BIGINT UNSIGNED,
  ADD FOREIGN KEY (product_id) REFERENCES product (id);
UPDATE shop_option SET way_quick = way_page;

-- A larger picture of the value, shown when it is pointed at.
ALTER TABLE option_value ADD closer CHAR(64) CHARACTER SET ascii COLLATE ascii_bin;

-- The picture of one variant alone, before those of its values.
ALTER TABLE variant
  ADD picture_id BIGINT UNSIGNED,
  ADD FOREIGN KEY (picture_id) REFERENCES picture (id) ON DELETE SET NULL;

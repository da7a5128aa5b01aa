-- Where a product's page stands in the shop. By its handle everything else names it, and that stays.
ALTER TABLE product ADD COLUMN address VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin;
UPDATE product SET address = handle;
ALTER TABLE product MODIFY address VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL;
ALTER TABLE product ADD UNIQUE (address);

-- Where it stood before: these lead on.
CREATE TABLE product_address (
  address VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin PRIMARY KEY,
  product_id BIGINT UNSIGNED NOT NULL,
  -- In the order in which it left.
  position INT UNSIGNED NOT NULL,
  FOREIGN KEY (product_id) REFERENCES product (id) ON DELETE CASCADE
);

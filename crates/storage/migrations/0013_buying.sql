-- On which terms things are sold, what they cost before, and what a line holds besides variant and number.
ALTER TABLE product ADD terms JSON NOT NULL DEFAULT '{}';
-- As `25 m`; null where it isn't told.
ALTER TABLE variant ADD measure VARCHAR(40);

-- What a price was before a change. `variant_id`: null for the product's own price. `at`: seconds since 1970.
CREATE TABLE price_change (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  product_id BIGINT UNSIGNED NOT NULL,
  variant_id BIGINT UNSIGNED,
  at BIGINT NOT NULL,
  was_minor BIGINT,
  KEY (product_id, at),
  FOREIGN KEY (product_id) REFERENCES product (id),
  FOREIGN KEY (variant_id) REFERENCES variant (id) ON DELETE CASCADE
);

-- Price rules that were in force until a moment.
CREATE TABLE past_prices (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  until_at BIGINT NOT NULL,
  book JSON NOT NULL,
  KEY (until_at)
);

-- `plan_id`: 0 for buying once. `text`: what is written onto it, empty for nothing.
ALTER TABLE cart_line
  ADD plan_id BIGINT UNSIGNED NOT NULL DEFAULT 0,
  ADD text VARCHAR(400) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '',
  ADD UNIQUE KEY one_line (cart_id, variant_id, plan_id, text),
  DROP KEY cart_id;

-- `plan`: as it was when it was bought.
ALTER TABLE order_line
  ADD plan JSON,
  ADD text VARCHAR(400) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '';

-- `once`: what the checkout's form carries, so that sending it twice makes one order.
ALTER TABLE shop_order
  ADD once CHAR(32) CHARACTER SET ascii COLLATE ascii_bin,
  ADD UNIQUE KEY one_form (cart_id, once),
  ADD provider VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
  ADD vat_minor BIGINT NOT NULL DEFAULT 0;

-- What a shopper keeps for later, under the token of the cart. `choice`: as an address names it.
CREATE TABLE wish (
  cart_id BIGINT UNSIGNED NOT NULL,
  product_id BIGINT UNSIGNED NOT NULL,
  choice VARCHAR(400) NOT NULL,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (cart_id, product_id),
  FOREIGN KEY (cart_id) REFERENCES cart (id) ON DELETE CASCADE,
  FOREIGN KEY (product_id) REFERENCES product (id)
);

-- Carts and orders.
CREATE TABLE cart (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  token_hash BINARY(32) NOT NULL UNIQUE,
  created_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP
);

CREATE TABLE cart_line (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  cart_id BIGINT UNSIGNED NOT NULL,
  variant_id BIGINT UNSIGNED NOT NULL,
  quantity INT UNSIGNED NOT NULL,
  seen_minor BIGINT NOT NULL,
  UNIQUE (cart_id, variant_id),
  FOREIGN KEY (cart_id) REFERENCES cart (id) ON DELETE CASCADE,
  FOREIGN KEY (variant_id) REFERENCES variant (id)
);

-- `state`: waiting (stock is taken, payment is under way), paid, refused (stock is given back).
CREATE TABLE shop_order (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  cart_id BIGINT UNSIGNED NOT NULL,
  state VARCHAR(20) NOT NULL,
  contact JSON NOT NULL,
  total_minor BIGINT NOT NULL,
  currency CHAR(3) NOT NULL,
  placed_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  KEY (cart_id),
  KEY (state, placed_at)
);

CREATE TABLE order_line (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  order_id BIGINT UNSIGNED NOT NULL,
  variant_id BIGINT UNSIGNED NOT NULL,
  sku VARCHAR(80) NOT NULL,
  what VARCHAR(400) NOT NULL,
  quantity INT UNSIGNED NOT NULL,
  unit_minor BIGINT NOT NULL,
  line_minor BIGINT NOT NULL,
  FOREIGN KEY (order_id) REFERENCES shop_order (id)
);

-- What changed, for every server process to learn of: a product, or everything where none is named.
CREATE TABLE change_note (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  product_id BIGINT UNSIGNED,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY (at)
);

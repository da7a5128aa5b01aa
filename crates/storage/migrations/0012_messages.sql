-- Who wants to hear that something can be bought. `variant_id`: null where it is for the whole product.
CREATE TABLE interest (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  product_id BIGINT UNSIGNED NOT NULL,
  variant_id BIGINT UNSIGNED,
  email VARCHAR(200) NOT NULL,
  at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  told_at DATETIME,
  KEY (told_at, product_id),
  FOREIGN KEY (product_id) REFERENCES product (id),
  FOREIGN KEY (variant_id) REFERENCES variant (id) ON DELETE CASCADE
);

-- Messages to shoppers, as written. Nothing is sent from here.
CREATE TABLE outbox (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  address VARCHAR(200) NOT NULL,
  subject VARCHAR(200) NOT NULL,
  body TEXT NOT NULL,
  at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP
);

-- What owners did to the catalogue, step by step, so that each can be told and taken back.
-- `told`: in words. `events`: what became otherwise. `takes_back`: whether the step took others back; these name it in
-- `taken_back_by`.
CREATE TABLE catalogue_step (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  owner_id BIGINT UNSIGNED,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  told VARCHAR(400) NOT NULL,
  events JSON NOT NULL,
  takes_back BOOLEAN NOT NULL DEFAULT FALSE,
  makes_again BOOLEAN NOT NULL DEFAULT FALSE,
  taken_back_by BIGINT UNSIGNED,
  KEY (at),
  KEY (taken_back_by)
);

-- In whose histories a step stands: `product/12`, `product/12/pictures`, `book`.
CREATE TABLE catalogue_step_of (
  subject VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  step_id BIGINT UNSIGNED NOT NULL,
  PRIMARY KEY (subject, step_id),
  FOREIGN KEY (step_id) REFERENCES catalogue_step (id) ON DELETE CASCADE
);

-- What hangs on a product or a variant waits for it when it is taken away: it may be brought back under its number.
ALTER TABLE review DROP FOREIGN KEY review_ibfk_1;
ALTER TABLE price_change DROP FOREIGN KEY price_change_ibfk_1, DROP FOREIGN KEY price_change_ibfk_2;
ALTER TABLE interest DROP FOREIGN KEY interest_ibfk_1, DROP FOREIGN KEY interest_ibfk_2;
ALTER TABLE wish DROP FOREIGN KEY wish_ibfk_2;

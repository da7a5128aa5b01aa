-- What is known of a picture besides its sizes. `original`: the file as it came, kept in the media store; null for
-- pictures that were drawn. `plan`: the number of the plan by which the sizes were made, 0 while they are to be made.
-- `trouble`: why no sizes could be made.
ALTER TABLE product_picture
  ADD focus JSON NOT NULL DEFAULT '{"x":500,"y":500}',
  ADD cut_out BOOLEAN NOT NULL DEFAULT FALSE,
  ADD film JSON,
  ADD original CHAR(64) CHARACTER SET ascii COLLATE ascii_bin,
  ADD file_name VARCHAR(200) NOT NULL DEFAULT '',
  ADD plan INT UNSIGNED NOT NULL DEFAULT 0,
  ADD claimed_until DATETIME(3),
  ADD trouble VARCHAR(300) NOT NULL DEFAULT '',
  ADD KEY (plan);

-- What a shopper's words are looked for in, kept by the database itself.
ALTER TABLE product
  ADD words TEXT GENERATED ALWAYS AS (CONCAT_WS(' ', name, summary, CONVERT(tags USING utf8mb4) COLLATE utf8mb4_unicode_ci)) STORED,
  ADD FULLTEXT KEY product_words (words);

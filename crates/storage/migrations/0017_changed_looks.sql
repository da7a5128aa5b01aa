-- Whether products may have changed; templates, house style, words and price rules leave them as they are.
ALTER TABLE change_note ADD COLUMN goods BOOLEAN NOT NULL DEFAULT TRUE;

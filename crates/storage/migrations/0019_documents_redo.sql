-- A step that was taken back can be done again; `was` is then what it made of the document.
ALTER TABLE shop_document_step ADD COLUMN undone BOOLEAN NOT NULL DEFAULT FALSE;

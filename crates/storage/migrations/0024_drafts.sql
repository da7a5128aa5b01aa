-- Whatever has a draft is published in one way: templates, house style, wording and price rules.
-- `draft`: `template-12`, `house`. `document`: what was or is to be shown.
ALTER TABLE publication ADD COLUMN draft VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '' AFTER id;
UPDATE publication SET draft = CONCAT('template-', template_id);
ALTER TABLE publication
  DROP FOREIGN KEY publication_ibfk_1,
  DROP KEY template_id,
  DROP COLUMN template_id,
  CHANGE COLUMN layout document JSON NOT NULL,
  ADD KEY (draft, id);

ALTER TABLE planned_publication ADD COLUMN draft VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '' FIRST;
UPDATE planned_publication SET draft = CONCAT('template-', template_id);
ALTER TABLE planned_publication
  DROP FOREIGN KEY planned_publication_ibfk_1,
  DROP PRIMARY KEY,
  DROP COLUMN template_id,
  CHANGE COLUMN layout document JSON NOT NULL,
  ADD PRIMARY KEY (draft);

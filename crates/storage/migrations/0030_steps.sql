-- The steps that can be taken back, and those that can be made again, are found without reading the others.
ALTER TABLE operation ADD KEY (template_id, undone);

-- Old ones are forgotten by their age.
ALTER TABLE draft_step ADD KEY (at);

-- An owner's own last step on something is found without reading those of others.
ALTER TABLE catalogue_step ADD KEY (owner_id);

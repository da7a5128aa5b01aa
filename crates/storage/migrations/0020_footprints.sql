-- What a step touched on the draft as it was before it: from the step alone that can't be told. Where it isn't kept,
-- the step might have touched anything.
ALTER TABLE draft_step ADD COLUMN touched JSON;

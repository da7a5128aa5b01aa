-- When a publication that failed is tried again, so that it doesn't stand in the way of the others.
ALTER TABLE planned_publication ADD COLUMN next_try DATETIME;

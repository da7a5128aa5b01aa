-- How often the sizes of a picture were begun without coming to an end: what fails twice isn't tried again.
ALTER TABLE picture ADD COLUMN tries TINYINT UNSIGNED NOT NULL DEFAULT 0;

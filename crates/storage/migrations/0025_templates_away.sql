-- A template that was taken away serves nothing, and can be brought back as it was.
ALTER TABLE template ADD COLUMN away_since DATETIME(3);

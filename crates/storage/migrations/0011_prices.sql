-- By which clocks the shop's prices are planned, as an IANA name.
ALTER TABLE shop ADD zone VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT 'Europe/London';

-- Bands saved under a name for use in several templates, each as it is wherever it is linked.
CREATE TABLE kept_band (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  band JSON NOT NULL
);

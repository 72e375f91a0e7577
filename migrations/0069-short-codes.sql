CREATE TABLE IF NOT EXISTS short_codes (
  code_hash BINARY(32) NOT NULL PRIMARY KEY,
  child_id BINARY(16) NOT NULL,
  term_id BINARY(16) NOT NULL,
  week_id BINARY(16) NOT NULL,
  generation SMALLINT UNSIGNED NOT NULL,
  ends_on DATE NOT NULL,
  created_at DATETIME(3) NOT NULL,
  KEY short_codes_child (child_id),
  KEY short_codes_week (week_id),
  CONSTRAINT short_codes_child FOREIGN KEY (child_id) REFERENCES children (id)
) ENGINE=InnoDB

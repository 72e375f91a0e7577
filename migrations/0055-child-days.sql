CREATE TABLE IF NOT EXISTS child_days (
  child_id BINARY(16) NOT NULL,
  day DATE NOT NULL,
  reports INT UNSIGNED NOT NULL,
  bytes INT UNSIGNED NOT NULL,
  PRIMARY KEY (child_id, day),
  CONSTRAINT child_days_child FOREIGN KEY (child_id) REFERENCES children (id)
) ENGINE=InnoDB

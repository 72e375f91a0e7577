-- What was erased, by ids alone, for the journals of other machines; backups leave it out.
CREATE TABLE erasures (
  school_id BINARY(16) NOT NULL,
  child_id BINARY(16) NOT NULL,
  at DATETIME(3) NOT NULL,
  PRIMARY KEY (school_id, child_id),
  KEY by_age (at)
) ENGINE=InnoDB

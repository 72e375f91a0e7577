CREATE TABLE IF NOT EXISTS deeds (
  school_id BINARY(16) NOT NULL,
  sent_as BINARY(16) NOT NULL,
  content BINARY(32) NOT NULL,
  answer JSON NOT NULL,
  made_at DATETIME(3) NOT NULL,
  PRIMARY KEY (school_id, sent_as),
  KEY by_age (made_at),
  CONSTRAINT deeds_school FOREIGN KEY (school_id) REFERENCES schools (id)
) ENGINE=InnoDB

CREATE TABLE audit (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  teacher_id BINARY(16) NULL,
  action VARCHAR(60) NOT NULL,
  subject BINARY(16) NULL,
  detail JSON NOT NULL,
  at DATETIME(3) NOT NULL,
  KEY by_school (school_id, at),
  CONSTRAINT audit_school FOREIGN KEY (school_id) REFERENCES schools (id)
) ENGINE=InnoDB

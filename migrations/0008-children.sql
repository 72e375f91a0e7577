CREATE TABLE children (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  first_name VARCHAR(40) NOT NULL,
  initial VARCHAR(4) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  KEY by_school (school_id),
  CONSTRAINT children_school FOREIGN KEY (school_id) REFERENCES schools (id)
) ENGINE=InnoDB

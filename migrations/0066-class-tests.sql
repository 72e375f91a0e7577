CREATE TABLE class_tests (
  id BINARY(16) NOT NULL PRIMARY KEY,
  class_id BINARY(16) NOT NULL,
  family VARCHAR(12) NOT NULL,
  marks JSON NOT NULL,
  rolled JSON NULL,
  made_by BINARY(16) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  KEY class_tests_class (class_id, made_at),
  CONSTRAINT class_tests_class FOREIGN KEY (class_id) REFERENCES classes (id),
  CONSTRAINT class_tests_teacher FOREIGN KEY (made_by) REFERENCES teachers (id)
) ENGINE=InnoDB

CREATE TABLE class_test_hits (
  class_test_id BINARY(16) NOT NULL,
  child_id BINARY(16) NOT NULL,
  mark TINYINT UNSIGNED NOT NULL,
  tries TINYINT UNSIGNED NOT NULL,
  hits TINYINT UNSIGNED NOT NULL,
  age_years TINYINT UNSIGNED NOT NULL,
  written_at DATETIME(3) NOT NULL,
  PRIMARY KEY (class_test_id, child_id, mark),
  KEY class_test_hits_child (child_id),
  CONSTRAINT class_test_hits_test FOREIGN KEY (class_test_id) REFERENCES class_tests (id),
  CONSTRAINT class_test_hits_child FOREIGN KEY (child_id) REFERENCES children (id)
) ENGINE=InnoDB

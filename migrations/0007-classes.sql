CREATE TABLE classes (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  school_year_id BINARY(16) NOT NULL,
  name VARCHAR(60) NOT NULL,
  age_years TINYINT UNSIGNED NOT NULL,
  moved_from BINARY(16) NULL,
  created_at DATETIME(3) NOT NULL,
  UNIQUE KEY one_name_a_year (school_id, school_year_id, name),
  CONSTRAINT classes_school FOREIGN KEY (school_id) REFERENCES schools (id),
  CONSTRAINT classes_year FOREIGN KEY (school_year_id) REFERENCES school_years (id)
) ENGINE=InnoDB

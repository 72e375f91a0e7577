CREATE TABLE school_years (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  name VARCHAR(20) NOT NULL,
  starts_on DATE NOT NULL,
  ends_on DATE NOT NULL,
  UNIQUE KEY one_year_a_start (school_id, starts_on),
  CONSTRAINT school_years_school FOREIGN KEY (school_id) REFERENCES schools (id)
) ENGINE=InnoDB

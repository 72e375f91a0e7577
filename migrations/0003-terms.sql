CREATE TABLE terms (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  school_year_id BINARY(16) NOT NULL,
  name VARCHAR(40) NOT NULL,
  starts_on DATE NOT NULL,
  ends_on DATE NOT NULL,
  UNIQUE KEY one_term_a_start (school_id, starts_on),
  CONSTRAINT terms_year FOREIGN KEY (school_year_id) REFERENCES school_years (id)
) ENGINE=InnoDB

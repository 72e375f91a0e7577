-- What a school lends: so many of each.
CREATE TABLE school_things (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  name VARCHAR(60) NOT NULL,
  n SMALLINT UNSIGNED NOT NULL,
  UNIQUE KEY school_things_name (school_id, name),
  CONSTRAINT school_things_school FOREIGN KEY (school_id) REFERENCES schools (id)
) ENGINE=InnoDB

-- A term as it is planned: dates, classes, wishes and cells in one document, kept under its revision.
CREATE TABLE term_plans (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  name VARCHAR(60) NOT NULL,
  starts_on DATE NOT NULL,
  ends_on DATE NOT NULL,
  document LONGTEXT NOT NULL CHECK (JSON_VALID(document)),
  revision INT UNSIGNED NOT NULL DEFAULT 1,
  created_at DATETIME(3) NOT NULL,
  updated_at DATETIME(3) NOT NULL,
  KEY term_plans_of_school (school_id, starts_on),
  CONSTRAINT term_plans_school FOREIGN KEY (school_id) REFERENCES schools (id)
) ENGINE=InnoDB

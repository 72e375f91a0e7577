-- What a class has of it, and how many came back.
CREATE TABLE loans (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  thing_id BINARY(16) NOT NULL,
  class_id BINARY(16) NOT NULL,
  n SMALLINT UNSIGNED NOT NULL,
  lent_on DATE NOT NULL,
  due_on DATE NOT NULL,
  returned SMALLINT UNSIGNED NOT NULL DEFAULT 0,
  KEY loans_of_school (school_id, lent_on),
  CONSTRAINT loans_school FOREIGN KEY (school_id) REFERENCES schools (id),
  CONSTRAINT loans_thing FOREIGN KEY (thing_id) REFERENCES school_things (id),
  CONSTRAINT loans_class FOREIGN KEY (class_id) REFERENCES classes (id)
) ENGINE=InnoDB

CREATE TABLE enrolments (
  id BINARY(16) NOT NULL PRIMARY KEY,
  child_id BINARY(16) NOT NULL,
  class_id BINARY(16) NOT NULL,
  from_on DATE NOT NULL,
  until_on DATE NULL,
  KEY by_class (class_id, until_on),
  KEY by_child (child_id, until_on),
  CONSTRAINT enrolments_child FOREIGN KEY (child_id) REFERENCES children (id),
  CONSTRAINT enrolments_class FOREIGN KEY (class_id) REFERENCES classes (id)
) ENGINE=InnoDB

CREATE TABLE class_fits (
  class_id BINARY(16) NOT NULL PRIMARY KEY,
  of_reports BINARY(32) NOT NULL,
  body JSON NOT NULL,
  made_at DATETIME(3) NOT NULL,
  CONSTRAINT class_fits_class FOREIGN KEY (class_id) REFERENCES classes (id)
) ENGINE=InnoDB

CREATE TABLE weeks (
  id BINARY(16) NOT NULL PRIMARY KEY,
  class_id BINARY(16) NOT NULL,
  term_id BINARY(16) NOT NULL,
  number SMALLINT UNSIGNED NOT NULL,
  sent_at DATETIME(3) NOT NULL,
  due_on DATE NOT NULL,
  note VARCHAR(280) NOT NULL DEFAULT '',
  UNIQUE KEY one_number (class_id, term_id, number),
  CONSTRAINT weeks_class FOREIGN KEY (class_id) REFERENCES classes (id),
  CONSTRAINT weeks_term FOREIGN KEY (term_id) REFERENCES terms (id)
) ENGINE=InnoDB

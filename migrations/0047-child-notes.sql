CREATE TABLE child_notes (
  child_id BINARY(16) NOT NULL PRIMARY KEY,
  words VARCHAR(1000) NOT NULL,
  written_by BINARY(16) NOT NULL,
  written_at DATETIME(3) NOT NULL,
  CONSTRAINT child_notes_child FOREIGN KEY (child_id) REFERENCES children (id),
  CONSTRAINT child_notes_teacher FOREIGN KEY (written_by) REFERENCES teachers (id)
) ENGINE=InnoDB

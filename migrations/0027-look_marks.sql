CREATE TABLE look_marks (
  assignment_id BINARY(16) NOT NULL PRIMARY KEY,
  marked_by BINARY(16) NOT NULL,
  marks JSON NOT NULL,
  marked_at DATETIME(3) NOT NULL,
  CONSTRAINT look_marks_assignment FOREIGN KEY (assignment_id) REFERENCES assignments (id),
  CONSTRAINT look_marks_teacher FOREIGN KEY (marked_by) REFERENCES teachers (id)
) ENGINE=InnoDB

CREATE TABLE memberships (
  school_id BINARY(16) NOT NULL,
  teacher_id BINARY(16) NOT NULL,
  role ENUM('teacher', 'helper') NOT NULL,
  PRIMARY KEY (school_id, teacher_id),
  KEY by_teacher (teacher_id),
  CONSTRAINT memberships_school FOREIGN KEY (school_id) REFERENCES schools (id),
  CONSTRAINT memberships_teacher FOREIGN KEY (teacher_id) REFERENCES teachers (id)
) ENGINE=InnoDB

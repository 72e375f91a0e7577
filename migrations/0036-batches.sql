CREATE TABLE batches (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  class_id BINARY(16) NOT NULL,
  teacher_id BINARY(16) NOT NULL,
  kind ENUM('file', 'mailbox') NOT NULL,
  name VARCHAR(120) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  undone_at DATETIME(3) NULL,
  undone_by BINARY(16) NULL,
  KEY by_class (class_id, made_at),
  CONSTRAINT batches_school FOREIGN KEY (school_id) REFERENCES schools (id),
  CONSTRAINT batches_class FOREIGN KEY (class_id) REFERENCES classes (id),
  CONSTRAINT batches_teacher FOREIGN KEY (teacher_id) REFERENCES teachers (id)
) ENGINE=InnoDB

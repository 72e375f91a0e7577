CREATE TABLE sessions (
  token_hash BINARY(32) NOT NULL PRIMARY KEY,
  teacher_id BINARY(16) NOT NULL,
  school_id BINARY(16) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  KEY by_teacher (teacher_id),
  KEY by_expiry (expires_at),
  CONSTRAINT sessions_member FOREIGN KEY (school_id, teacher_id) REFERENCES memberships (school_id, teacher_id)
) ENGINE=InnoDB

CREATE TABLE IF NOT EXISTS recovery_codes (
  teacher_id BINARY(16) NOT NULL,
  code_hash BINARY(32) NOT NULL,
  used_at DATETIME(3) NULL,
  PRIMARY KEY (teacher_id, code_hash),
  CONSTRAINT recovery_codes_teacher FOREIGN KEY (teacher_id) REFERENCES teachers (id)
) ENGINE=InnoDB

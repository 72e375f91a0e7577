CREATE TABLE school_keys (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  name VARCHAR(60) NOT NULL,
  token_hash BINARY(32) NOT NULL,
  made_by BINARY(16) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NULL,
  revoked_at DATETIME(3) NULL,
  UNIQUE KEY one_token (token_hash),
  KEY by_school (school_id, made_at),
  CONSTRAINT school_keys_school FOREIGN KEY (school_id) REFERENCES schools (id),
  CONSTRAINT school_keys_teacher FOREIGN KEY (made_by) REFERENCES teachers (id)
) ENGINE=InnoDB

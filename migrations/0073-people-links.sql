CREATE TABLE IF NOT EXISTS people_links (
  id BINARY(16) NOT NULL PRIMARY KEY,
  token_hash BINARY(32) NOT NULL,
  school_id BINARY(16) NOT NULL,
  teacher_id BINARY(16) NULL,
  email VARCHAR(190) NOT NULL,
  name VARCHAR(80) NOT NULL,
  role ENUM('teacher', 'helper', 'lead') NOT NULL,
  made_at DATETIME(3) NOT NULL,
  ends_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NULL,
  UNIQUE KEY people_links_token (token_hash),
  KEY people_links_school (school_id, ends_at),
  CONSTRAINT people_links_school FOREIGN KEY (school_id) REFERENCES schools (id)
) ENGINE=InnoDB

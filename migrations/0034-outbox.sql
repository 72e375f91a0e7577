CREATE TABLE outbox (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  week_id BINARY(16) NOT NULL,
  kind ENUM('week', 'reminder') NOT NULL,
  subject VARCHAR(120) NOT NULL,
  words TEXT NOT NULL,
  made_at DATETIME(3) NOT NULL,
  KEY by_week (week_id, made_at),
  CONSTRAINT outbox_school FOREIGN KEY (school_id) REFERENCES schools (id),
  CONSTRAINT outbox_week FOREIGN KEY (week_id) REFERENCES weeks (id)
) ENGINE=InnoDB

CREATE TABLE diary_entries (
  id BINARY(16) NOT NULL PRIMARY KEY,
  child_id BINARY(16) NOT NULL,
  week_id BINARY(16) NOT NULL,
  on_day DATE NOT NULL,
  what VARCHAR(60) NOT NULL,
  minutes SMALLINT UNSIGNED NOT NULL,
  initials VARCHAR(6) NOT NULL DEFAULT '',
  struck_at DATETIME(3) NULL,
  created_at DATETIME(3) NOT NULL,
  KEY of_week (week_id, child_id),
  CONSTRAINT diary_entries_child FOREIGN KEY (child_id) REFERENCES children (id),
  CONSTRAINT diary_entries_week FOREIGN KEY (week_id) REFERENCES weeks (id)
) ENGINE=InnoDB

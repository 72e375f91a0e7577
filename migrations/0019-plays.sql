CREATE TABLE plays (
  id BINARY(16) NOT NULL PRIMARY KEY,
  report_id BINARY(16) NOT NULL,
  go_number TINYINT UNSIGNED NOT NULL,
  level_id VARCHAR(24) CHARACTER SET ascii NOT NULL,
  counting ENUM('attempts', 'successes', 'parts') NOT NULL,
  set_up JSON NOT NULL,
  events JSON NOT NULL,
  value INT NULL,
  unit VARCHAR(20) NOT NULL,
  attempts INT UNSIGNED NOT NULL,
  successes INT UNSIGNED NOT NULL,
  seconds INT UNSIGNED NOT NULL,
  UNIQUE KEY one_go (report_id, go_number),
  CONSTRAINT plays_report FOREIGN KEY (report_id) REFERENCES reports (id)
) ENGINE=InnoDB

CREATE TABLE verdicts (
  id BINARY(16) NOT NULL PRIMARY KEY,
  report_id BINARY(16) NOT NULL,
  kind ENUM('clean', 'sum', 'impossible', 'doubtful', 'incomplete') NOT NULL,
  reasons JSON NOT NULL,
  engine_version SMALLINT UNSIGNED NOT NULL,
  created_at DATETIME(3) NOT NULL,
  KEY by_report (report_id, created_at),
  CONSTRAINT verdicts_report FOREIGN KEY (report_id) REFERENCES reports (id)
) ENGINE=InnoDB

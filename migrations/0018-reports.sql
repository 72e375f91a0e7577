CREATE TABLE reports (
  id BINARY(16) NOT NULL PRIMARY KEY,
  assignment_id BINARY(16) NOT NULL,
  access_key_id BINARY(16) NULL,
  entered_by BINARY(16) NULL,
  source BINARY(16) NOT NULL,
  client_play_id BINARY(16) NOT NULL,
  body_hash BINARY(32) NOT NULL,
  body MEDIUMTEXT NOT NULL,
  client_started_at DATETIME(3) NOT NULL,
  client_sent_at DATETIME(3) NOT NULL,
  received_at DATETIME(3) NOT NULL,
  UNIQUE KEY counted_once (source, client_play_id),
  KEY by_assignment (assignment_id, received_at),
  CONSTRAINT reports_assignment FOREIGN KEY (assignment_id) REFERENCES assignments (id),
  CONSTRAINT reports_key FOREIGN KEY (access_key_id) REFERENCES access_keys (id)
) ENGINE=InnoDB

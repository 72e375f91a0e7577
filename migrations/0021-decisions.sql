CREATE TABLE decisions (
  id BINARY(16) NOT NULL PRIMARY KEY,
  report_id BINARY(16) NOT NULL,
  teacher_id BINARY(16) NOT NULL,
  choice ENUM('count-worked-out', 'keep-as-sent', 'set-aside', 'ask-family') NOT NULL,
  before_state JSON NOT NULL,
  after_state JSON NOT NULL,
  created_at DATETIME(3) NOT NULL,
  KEY by_report (report_id, created_at),
  CONSTRAINT decisions_report FOREIGN KEY (report_id) REFERENCES reports (id),
  CONSTRAINT decisions_teacher FOREIGN KEY (teacher_id) REFERENCES teachers (id)
) ENGINE=InnoDB

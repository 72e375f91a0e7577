ALTER TABLE outbox
  MODIFY kind ENUM('week', 'reminder', 'ask') NOT NULL,
  ADD COLUMN report_id BINARY(16) NULL,
  ADD CONSTRAINT outbox_report FOREIGN KEY (report_id) REFERENCES reports (id)

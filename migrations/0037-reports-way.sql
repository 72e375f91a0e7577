ALTER TABLE reports
  ADD COLUMN way ENUM('link', 'paper', 'file', 'message', 'api') NOT NULL DEFAULT 'link',
  ADD COLUMN batch_id BINARY(16) NULL,
  ADD KEY by_batch (batch_id),
  ADD CONSTRAINT reports_batch FOREIGN KEY (batch_id) REFERENCES batches (id)

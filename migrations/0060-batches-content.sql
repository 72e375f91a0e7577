ALTER TABLE batches ADD COLUMN IF NOT EXISTS content BINARY(32) NULL, ADD UNIQUE KEY IF NOT EXISTS brought_once (class_id, content)

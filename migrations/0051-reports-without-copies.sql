ALTER TABLE reports DROP COLUMN IF EXISTS client_started_at, DROP COLUMN IF EXISTS client_sent_at

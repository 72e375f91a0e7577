-- A report whose single tries are no longer kept: its body is what its digest was.
ALTER TABLE reports ADD COLUMN IF NOT EXISTS stripped_at DATETIME(3) NULL

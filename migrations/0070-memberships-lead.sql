ALTER TABLE memberships
  MODIFY role ENUM('teacher', 'helper', 'lead') NOT NULL,
  ADD COLUMN IF NOT EXISTS closed_at DATETIME(3) NULL

-- The same of a class; another year's class has an id of its own there.
ALTER TABLE classes ADD COLUMN IF NOT EXISTS roster_key BINARY(32) NULL, ADD UNIQUE KEY IF NOT EXISTS classes_roster (school_id, school_year_id, roster_key)

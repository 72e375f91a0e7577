-- What finds a child and a class again in the list of the school's own system: a keyed hash of its id there, which itself is not kept.
ALTER TABLE children ADD COLUMN IF NOT EXISTS roster_key BINARY(32) NULL, ADD UNIQUE KEY IF NOT EXISTS children_roster (school_id, roster_key)

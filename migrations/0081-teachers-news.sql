-- What was changed for teachers and told to this one: up to which number.
ALTER TABLE teachers ADD COLUMN IF NOT EXISTS news_told SMALLINT UNSIGNED NOT NULL DEFAULT 0

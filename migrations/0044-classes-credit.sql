ALTER TABLE classes ADD COLUMN credit ENUM('either', 'both') NOT NULL DEFAULT 'either'

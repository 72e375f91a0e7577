ALTER TABLE week_items MODIFY kind ENUM('warm-up', 'game', 'diary', 'film') NOT NULL, ADD COLUMN opens_on DATE NULL

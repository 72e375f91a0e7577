ALTER TABLE week_items MODIFY kind ENUM('warm-up', 'game', 'diary', 'film', 'page') NOT NULL

CREATE TABLE week_items (
  id BINARY(16) NOT NULL PRIMARY KEY,
  week_id BINARY(16) NOT NULL,
  position TINYINT UNSIGNED NOT NULL,
  kind ENUM('warm-up', 'game', 'diary') NOT NULL,
  game_version_id BINARY(16) NULL,
  words VARCHAR(280) NOT NULL DEFAULT '',
  UNIQUE KEY one_position (week_id, position),
  CONSTRAINT week_items_week FOREIGN KEY (week_id) REFERENCES weeks (id),
  CONSTRAINT week_items_version FOREIGN KEY (game_version_id) REFERENCES game_versions (id)
) ENGINE=InnoDB

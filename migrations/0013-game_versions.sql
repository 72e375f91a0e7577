CREATE TABLE game_versions (
  id BINARY(16) NOT NULL PRIMARY KEY,
  game_id BINARY(16) NOT NULL,
  number INT UNSIGNED NOT NULL,
  body JSON NOT NULL,
  body_hash BINARY(32) NOT NULL,
  created_by BINARY(16) NULL,
  created_at DATETIME(3) NOT NULL,
  UNIQUE KEY one_number (game_id, number),
  UNIQUE KEY one_body (game_id, body_hash),
  CONSTRAINT game_versions_game FOREIGN KEY (game_id) REFERENCES games (id)
) ENGINE=InnoDB

CREATE TABLE inventions (
  id BINARY(16) NOT NULL PRIMARY KEY,
  child_id BINARY(16) NOT NULL,
  body JSON NOT NULL,
  score INT NULL,
  received_at DATETIME(3) NOT NULL,
  game_id BINARY(16) NULL,
  KEY by_child (child_id),
  CONSTRAINT inventions_child FOREIGN KEY (child_id) REFERENCES children (id),
  CONSTRAINT inventions_game FOREIGN KEY (game_id) REFERENCES games (id)
) ENGINE=InnoDB

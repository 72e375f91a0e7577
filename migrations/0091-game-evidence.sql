-- What others measured with a game that was brought in: sums alone, told as theirs.
CREATE TABLE game_evidence (
  id BINARY(16) NOT NULL PRIMARY KEY,
  game_id BINARY(16) NOT NULL,
  content BINARY(32) NOT NULL,
  body JSON NOT NULL,
  brought_in_at DATETIME(3) NOT NULL,
  UNIQUE KEY game_evidence_content (game_id, content),
  CONSTRAINT game_evidence_game FOREIGN KEY (game_id) REFERENCES games (id)
) ENGINE=InnoDB

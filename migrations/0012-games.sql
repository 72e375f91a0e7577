CREATE TABLE games (
  id BINARY(16) NOT NULL PRIMARY KEY,
  school_id BINARY(16) NOT NULL,
  draft JSON NOT NULL,
  draft_revision INT UNSIGNED NOT NULL DEFAULT 1,
  age_years TINYINT UNSIGNED NOT NULL,
  put_away_at DATETIME(3) NULL,
  created_at DATETIME(3) NOT NULL,
  updated_at DATETIME(3) NOT NULL,
  KEY by_school (school_id, put_away_at),
  CONSTRAINT games_school FOREIGN KEY (school_id) REFERENCES schools (id)
) ENGINE=InnoDB

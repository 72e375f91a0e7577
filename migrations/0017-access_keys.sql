CREATE TABLE access_keys (
  id BINARY(16) NOT NULL PRIMARY KEY,
  child_id BINARY(16) NOT NULL,
  term_id BINARY(16) NOT NULL,
  generation SMALLINT UNSIGNED NOT NULL,
  scope ENUM('card', 'slip') NOT NULL,
  token_hash BINARY(32) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  revoked_at DATETIME(3) NULL,
  UNIQUE KEY one_token (token_hash),
  UNIQUE KEY one_generation (child_id, term_id, scope, generation),
  CONSTRAINT access_keys_child FOREIGN KEY (child_id) REFERENCES children (id),
  CONSTRAINT access_keys_term FOREIGN KEY (term_id) REFERENCES terms (id)
) ENGINE=InnoDB

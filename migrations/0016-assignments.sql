CREATE TABLE assignments (
  id BINARY(16) NOT NULL PRIMARY KEY,
  week_item_id BINARY(16) NOT NULL,
  child_id BINARY(16) NOT NULL,
  level_id VARCHAR(24) CHARACTER SET ascii NOT NULL,
  set_up JSON NOT NULL,
  par INT NOT NULL,
  par_low INT NOT NULL,
  par_high INT NOT NULL,
  model_version SMALLINT UNSIGNED NOT NULL,
  seed INT UNSIGNED NOT NULL,
  created_at DATETIME(3) NOT NULL,
  UNIQUE KEY one_a_child (week_item_id, child_id),
  KEY by_child (child_id),
  CONSTRAINT assignments_item FOREIGN KEY (week_item_id) REFERENCES week_items (id),
  CONSTRAINT assignments_child FOREIGN KEY (child_id) REFERENCES children (id)
) ENGINE=InnoDB

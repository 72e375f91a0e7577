CREATE TABLE home_set_ups (
  id BINARY(16) NOT NULL PRIMARY KEY,
  child_id BINARY(16) NOT NULL,
  name VARCHAR(40) NOT NULL,
  clear_line_cm SMALLINT UNSIGNED NOT NULL,
  things JSON NOT NULL,
  KEY by_child (child_id),
  CONSTRAINT home_set_ups_child FOREIGN KEY (child_id) REFERENCES children (id)
) ENGINE=InnoDB

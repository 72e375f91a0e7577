CREATE TABLE home_forms (
  id BINARY(16) NOT NULL PRIMARY KEY,
  week_item_id BINARY(16) NOT NULL,
  body JSON NOT NULL,
  KEY by_item (week_item_id),
  CONSTRAINT home_forms_item FOREIGN KEY (week_item_id) REFERENCES week_items (id)
) ENGINE=InnoDB

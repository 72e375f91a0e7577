ALTER TABLE assignments ADD COLUMN home_forms_id BINARY(16) NULL, ADD CONSTRAINT assignments_home_forms FOREIGN KEY (home_forms_id) REFERENCES home_forms (id)

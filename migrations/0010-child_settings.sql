CREATE TABLE child_settings (
  child_id BINARY(16) NOT NULL PRIMARY KEY,
  age_years TINYINT UNSIGNED NULL,
  hand ENUM('right', 'left') NULL,
  step_cm SMALLINT UNSIGNED NULL,
  form ENUM('standing', 'seated', 'two-hands', 'other-exercise') NOT NULL DEFAULT 'standing',
  medium ENUM('screen', 'paper') NOT NULL DEFAULT 'screen',
  language VARCHAR(12) CHARACTER SET ascii NOT NULL DEFAULT 'en-GB',
  CONSTRAINT child_settings_child FOREIGN KEY (child_id) REFERENCES children (id)
) ENGINE=InnoDB

-- What runs on one machine at a time, by name: who has it, and until when without a sign of life.
CREATE TABLE leases (
  name VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  holder CHAR(36) CHARACTER SET ascii NOT NULL,
  until DATETIME(3) NOT NULL
) ENGINE=InnoDB

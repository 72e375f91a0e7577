-- Marks of transactions, by which it is known that one was done when the answer to its commit was lost. Kept for a day.
CREATE TABLE commits (
  id BINARY(16) NOT NULL PRIMARY KEY,
  at DATETIME(3) NOT NULL,
  KEY by_age (at)
) ENGINE=InnoDB

CREATE TRIGGER IF NOT EXISTS audit_unchanged BEFORE UPDATE ON audit FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'What was done stays as it was written down.'

CREATE TRIGGER IF NOT EXISTS audit_kept BEFORE DELETE ON audit FOR EACH ROW
  IF COALESCE(@lochside_deletes, 0) <> 1 THEN
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'What was done is only deleted when its time is over.';
  END IF

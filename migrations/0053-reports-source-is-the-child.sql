-- The same play counts once for the child, by card, slip or a replaced link. Where it was counted twice before, both reports stay as they are.
UPDATE IGNORE reports r JOIN assignments a ON a.id = r.assignment_id SET r.source = a.child_id WHERE r.access_key_id IS NOT NULL

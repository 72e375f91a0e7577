ALTER TABLE child_settings MODIFY form ENUM('standing', 'seated', 'kneeling', 'two-hands', 'other-exercise') NOT NULL DEFAULT 'standing'

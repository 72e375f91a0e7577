DROP TABLE IF EXISTS home_set_ups

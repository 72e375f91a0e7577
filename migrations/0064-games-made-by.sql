UPDATE games g
   SET made_by = (SELECT v.created_by FROM game_versions v WHERE v.game_id = g.id ORDER BY v.number LIMIT 1)
 WHERE made_by IS NULL

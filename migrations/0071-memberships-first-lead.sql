UPDATE memberships m
  JOIN (SELECT school_id, MIN(teacher_id) AS teacher_id
          FROM memberships
         WHERE role = 'teacher' AND school_id NOT IN (SELECT school_id FROM memberships WHERE role = 'lead')
         GROUP BY school_id) AS oldest ON oldest.school_id = m.school_id AND oldest.teacher_id = m.teacher_id
   SET m.role = 'lead'

UPDATE reports SET way = 'paper' WHERE entered_by IS NOT NULL

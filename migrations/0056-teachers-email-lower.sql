UPDATE teachers SET email = LOWER(email)

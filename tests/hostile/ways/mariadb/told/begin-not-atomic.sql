-- tries: run an anonymous program
-- finding: hostile-statement
-- sides: refused on all
BEGIN NOT ATOMIC DROP DATABASE live; END;

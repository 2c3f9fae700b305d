-- tries: destroy or change another database
-- finding: hostile-statement
-- sides: refused on all
DROP DATABASE sys;

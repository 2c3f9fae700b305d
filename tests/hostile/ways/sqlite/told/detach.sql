-- tries: write another database file
-- finding: hostile-statement
-- sides: refused on all
DETACH main;

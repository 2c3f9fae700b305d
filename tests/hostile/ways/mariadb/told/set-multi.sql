-- tries: change settings of the whole server
-- finding: hostile-statement
-- sides: refused on all
SET x=1, GLOBAL general_log=1;

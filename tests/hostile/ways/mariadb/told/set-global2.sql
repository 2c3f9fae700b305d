-- tries: change settings of the whole server
-- finding: hostile-statement
-- sides: refused on all
SET @@global.general_log=1;

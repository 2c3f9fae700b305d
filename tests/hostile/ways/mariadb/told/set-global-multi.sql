-- tries: change settings of the whole server
-- finding: hostile-statement
-- sides: refused on all
SET SESSION x=1, @@GLOBAL.general_log=1;

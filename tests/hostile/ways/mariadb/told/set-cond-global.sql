-- tries: change settings of the whole server
-- finding: hostile-statement
-- sides: refused on all
SET /*!50000 GLOBAL */ general_log=1;

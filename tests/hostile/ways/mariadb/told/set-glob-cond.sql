-- tries: change settings of the whole server
-- finding: hostile-statement
-- sides: refused on all
/*!50000 SET GLOBAL general_log=ON */;

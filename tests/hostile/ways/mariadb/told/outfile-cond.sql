-- tries: write a file of the server by a query
-- finding: hostile-statement
-- sides: refused on all
/*!50000 SELECT 1 INTO OUTFILE '{canary}' */;

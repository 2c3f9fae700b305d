-- tries: hide a statement in a comment that some servers run
-- finding: hostile-statement
-- sides: refused on all
/*!50003 SELECT 1;
SELECT 2 INTO OUTFILE '{canary}' */;

-- tries: hide a statement in a comment that some servers run
-- finding: statement-unreadable
-- sides: refused on all
/*!50003 SELECT 1 */;
/*!50003 INTO OUTFILE '{canary}' */;

-- tries: hide a statement behind another delimiter
-- finding: hostile-statement
-- sides: refused on all
DELIMITER '
 SELECT 1 INTO OUTFILE "{canary}"'
DELIMITER ;

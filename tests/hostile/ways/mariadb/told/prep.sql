-- tries: run a text that no filter sees as a statement
-- finding: effect-unknown
-- sides: refused on all
PREPARE p FROM 'SELECT 1 INTO OUTFILE "{canary}"'; EXECUTE p;

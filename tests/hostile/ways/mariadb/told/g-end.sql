-- tries: end a statement by a client's word
-- finding: hostile-statement
-- sides: refused on all
SELECT 1 INTO OUTFILE '{canary}'\G

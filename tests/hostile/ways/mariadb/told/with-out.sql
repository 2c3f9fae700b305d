-- tries: write a file of the server by a query
-- finding: hostile-statement
-- sides: refused on all
WITH x AS (SELECT 1) SELECT * FROM x INTO OUTFILE '{canary}';

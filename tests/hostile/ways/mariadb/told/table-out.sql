-- tries: write a file of the server by a query
-- finding: hostile-statement
-- sides: refused on all
TABLE tide INTO OUTFILE '{canary}';

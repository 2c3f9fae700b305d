-- tries: write a file of the server by a query
-- finding: hostile-statement
-- sides: refused on all
VALUES (1) INTO OUTFILE '{canary}';

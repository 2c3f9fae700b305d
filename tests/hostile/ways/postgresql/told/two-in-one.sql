-- tries: run a program of the server by COPY
-- finding: hostile-statement
-- sides: refused on all
SET x = 1; COPY (SELECT 1) TO PROGRAM 'touch {canary}';

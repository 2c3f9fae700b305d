-- tries: run a program of the server by COPY
-- finding: hostile-statement
-- sides: refused on all
COPY (SELECT 1) TO PROGRAM 'touch {canary}';

-- tries: run a program of the server by COPY
-- finding: hostile-statement
-- sides: refused on all
DO E'BEGIN COPY (SELECT 1) TO PROGRAM \'x\'; END';

-- tries: read a file through a cursor
-- finding: hostile-statement
-- sides: refused on all
BEGIN;
DECLARE c CURSOR FOR SELECT lo_export(1,'{canary}');
FETCH ALL FROM c;
COMMIT;

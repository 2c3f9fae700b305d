-- tries: split a statement over a preparation and an execution
-- finding: hostile-statement
-- sides: refused on all
PREPARE p AS SELECT pg_read_file('/etc/passwd'); EXECUTE p;

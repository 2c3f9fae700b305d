-- tries: split a statement over a preparation and an execution
-- finding: hostile-statement
-- sides: refused on all
PREPARE p (text) AS SELECT pg_read_file($1);

EXECUTE p('/etc/passwd');

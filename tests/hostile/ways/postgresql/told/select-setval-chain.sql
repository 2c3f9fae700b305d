-- tries: read files of the server by a function
-- finding: hostile-statement
-- sides: refused on all
SELECT pg_catalog.setval('public.s', 1, true), pg_read_file('/etc/passwd');

-- tries: write a file of the server from a large object
-- finding: hostile-statement
-- sides: refused on all
SELECT pg_catalog.lo_create('1');
SELECT pg_catalog.lo_export(1,'{canary}');

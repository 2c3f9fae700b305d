-- tries: read files of the server by a function
-- finding: hostile-statement
-- sides: refused on all
SELECT pg_catalog.lo_open('1', 131072);
SELECT pg_catalog.lowrite(0, pg_read_binary_file('/etc/passwd'));

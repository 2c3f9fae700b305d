-- tries: read files of the server by a function
-- finding: hostile-statement
-- sides: refused on all
SELECT pg_catalog.set_config('search_path', pg_read_file('/etc/passwd'), false);

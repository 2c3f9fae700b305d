-- tries: read files of the server by a function
-- finding: hostile-statement
-- sides: refused on all
COPY (SELECT pg_read_file('/etc/passwd')) TO STDOUT;

-- tries: read files of the server by a function
-- finding: hostile-statement
-- sides: refused on all
DECLARE c CURSOR FOR SELECT pg_read_file('/etc/passwd'); FETCH c;

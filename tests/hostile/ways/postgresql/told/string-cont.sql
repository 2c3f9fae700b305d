-- tries: split a file's name over two strings
-- finding: hostile-statement
-- sides: refused on all
SELECT pg_read_file('/etc/'
'passwd');

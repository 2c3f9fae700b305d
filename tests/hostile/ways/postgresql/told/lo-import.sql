-- tries: read a file of the server into a large object
-- finding: hostile-statement
-- sides: refused on all
SELECT lo_import('/etc/passwd');

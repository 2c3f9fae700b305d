-- tries: read a file of the server into a table
-- finding: hostile-statement
-- sides: refused on all
LOAD XML INFILE '/etc/passwd' INTO TABLE tide;

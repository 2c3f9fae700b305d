-- tries: read a file of the server into a table
-- finding: hostile-statement
-- sides: refused on all
SET STATEMENT max_statement_time=1 FOR SELECT LOAD_FILE('/etc/passwd');

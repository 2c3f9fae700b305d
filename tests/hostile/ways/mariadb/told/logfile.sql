-- tries: change who may do what on the server
-- finding: hostile-statement
-- sides: refused on all
CREATE LOGFILE GROUP g ADD UNDOFILE 'x';

-- tries: change who may do what on the server
-- finding: hostile-statement
-- sides: refused on all
\password

-- tries: have the client write a file
-- finding: hostile-statement
-- sides: refused on all
\W

-- tries: have the client write a file from a large object
-- finding: hostile-statement
-- sides: refused on all
\lo_unlink 1

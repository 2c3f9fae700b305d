-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
LOAD '/tmp/x.so';

-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
.load /tmp/x

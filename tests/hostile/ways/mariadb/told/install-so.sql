-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
INSTALL SONAME 'x';

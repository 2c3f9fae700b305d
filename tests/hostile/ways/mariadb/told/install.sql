-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
INSTALL PLUGIN x SONAME 'x.so';

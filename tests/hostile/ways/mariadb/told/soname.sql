-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
CREATE FUNCTION sys_exec RETURNS INTEGER SONAME 'x.so';

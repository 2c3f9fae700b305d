-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
CREATE AGGREGATE FUNCTION x RETURNS STRING SONAME 'x.so';

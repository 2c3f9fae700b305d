-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
SELECT load_extension('{canary}');

-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
INSERT INTO tide SELECT load_extension('{canary}');

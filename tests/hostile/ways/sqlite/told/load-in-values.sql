-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
INSERT INTO tide VALUES(load_extension('{canary}'));

-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
UNINSTALL PLUGIN x;

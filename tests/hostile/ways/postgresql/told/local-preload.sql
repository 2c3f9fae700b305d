-- tries: load a library
-- finding: hostile-statement
-- sides: refused on all
SET local_preload_libraries='x';

-- tries: change the server's catalog, or another database's settings
-- finding: hostile-statement
-- sides: refused on all
DELETE FROM pg_catalog.pg_class;

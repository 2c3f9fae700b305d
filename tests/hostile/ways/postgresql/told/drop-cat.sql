-- tries: change the server's catalog, or another database's settings
-- finding: hostile-statement
-- sides: refused on all
DROP SCHEMA pg_catalog CASCADE;

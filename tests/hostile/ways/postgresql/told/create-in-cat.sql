-- tries: change the server's catalog, or another database's settings
-- finding: hostile-statement
-- sides: refused on all
CREATE FUNCTION pg_catalog.evil() RETURNS integer LANGUAGE sql AS 'SELECT 1';

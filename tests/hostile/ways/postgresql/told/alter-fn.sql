-- tries: change the server's catalog, or another database's settings
-- finding: hostile-statement
-- sides: refused on all
ALTER FUNCTION pg_catalog.now() OWNER TO evil;

-- tries: change who may do what on the server
-- finding: hostile-statement
-- sides: refused on all
UPDATE pg_catalog.pg_authid SET rolsuper = true;

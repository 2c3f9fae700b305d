-- tries: change who may do what on the server
-- finding: effect-unknown
-- sides: refused on all
TABLE pg_authid;

-- tries: disturb the server
-- finding: effect-unknown
-- sides: refused on all
SELECT pg_reload_conf();

-- tries: hold the restore up
-- finding: effect-unknown
-- sides: refused on all
SELECT pg_sleep(1e6);

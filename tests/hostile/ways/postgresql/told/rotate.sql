-- tries: put files where the author wants them
-- finding: effect-unknown
-- sides: refused on all
SELECT pg_rotate_logfile();

-- tries: disturb the server
-- finding: effect-unknown
-- sides: refused on all
SELECT pg_terminate_backend(1);

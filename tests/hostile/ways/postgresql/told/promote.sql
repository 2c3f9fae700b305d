-- tries: change replication or logs
-- finding: effect-unknown
-- sides: refused on all
SELECT pg_promote();

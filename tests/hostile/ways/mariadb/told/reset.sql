-- tries: change replication or logs
-- finding: hostile-statement
-- sides: refused on all
RESET MASTER;

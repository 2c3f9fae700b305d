-- tries: change replication or logs
-- finding: hostile-statement
-- sides: refused on all
PURGE BINARY LOGS TO 'x';

-- tries: change replication or logs
-- finding: changed-again
-- sides: refused on all
UPDATE sqlite_master SET sql = 'x';

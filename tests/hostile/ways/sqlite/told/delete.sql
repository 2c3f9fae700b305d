-- tries: take back what the backup gave
-- finding: changed-again
-- sides: refused on all
DELETE FROM tide;

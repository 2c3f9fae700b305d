-- tries: take back what the backup gave
-- finding: changed-again
-- sides: refused on all
REPLACE INTO tide SELECT 5;

-- tries: take back what the backup gave
-- finding: changed-again
-- sides: refused on all
UPDATE tide SET id = 2;

-- tries: take back what the backup gave
-- finding: dump-rolled-back
-- sides: refused on all
ROLLBACK;

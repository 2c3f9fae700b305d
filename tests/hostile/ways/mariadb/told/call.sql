-- tries: call code that came with the backup
-- finding: effect-unknown
-- sides: refused on all
CALL x();

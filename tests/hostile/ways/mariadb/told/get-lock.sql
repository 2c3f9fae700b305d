-- tries: hold the restore up
-- finding: effect-unknown
-- sides: refused on all
SELECT GET_LOCK('x', 1e6);

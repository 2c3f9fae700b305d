-- tries: hold the restore up
-- finding: effect-unknown
-- sides: refused on all
DO SLEEP(100000);

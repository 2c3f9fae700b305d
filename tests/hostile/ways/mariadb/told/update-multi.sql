-- tries: destroy or change another database
-- finding: changed-again
-- sides: refused on all
UPDATE tide, live.boats SET live.boats.a = 1;

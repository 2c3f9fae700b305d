-- tries: destroy or change another database
-- finding: statement-unclear
-- sides: refused on all
DELETE live.boats FROM live.boats JOIN tide;

-- tries: destroy or change another database
-- finding: statement-unclear
-- sides: refused on all
UPDATE live.boats SET a=1;

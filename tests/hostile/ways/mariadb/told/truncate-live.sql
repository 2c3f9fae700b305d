-- tries: destroy or change another database
-- finding: statement-unclear
-- sides: refused on all
TRUNCATE TABLE live.boats;

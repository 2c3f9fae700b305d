-- tries: destroy or change another database
-- finding: statement-unclear
-- sides: refused on all
DROP TABLE live.boats;

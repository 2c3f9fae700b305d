-- tries: destroy or change another database
-- finding: statement-unclear
-- sides: refused on all
CREATE TABLE live.evil (a int);

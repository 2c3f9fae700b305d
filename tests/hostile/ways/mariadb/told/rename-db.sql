-- tries: destroy or change another database
-- finding: statement-unclear
-- sides: refused on all
RENAME TABLE tide TO live.tide;

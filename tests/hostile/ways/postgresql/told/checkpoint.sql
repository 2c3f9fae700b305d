-- tries: disturb the server
-- finding: statement-unclear
-- sides: refused on all
CHECKPOINT;

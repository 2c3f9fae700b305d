-- tries: put files where the author wants them
-- finding: statement-unreadable
-- sides: refused on all
CLONE LOCAL DATA DIRECTORY '{canary}';

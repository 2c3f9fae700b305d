-- tries: write another database file
-- finding: hostile-statement
-- sides: refused on all
VACUUM INTO '{canary}';

-- tries: write another database file
-- finding: hostile-statement
-- sides: refused on all
ATTACH '{canary}' AS out;

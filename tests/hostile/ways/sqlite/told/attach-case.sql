-- tries: write another database file
-- finding: hostile-statement
-- sides: refused on all
aTtAcH DATABASE '{canary}' AS out;

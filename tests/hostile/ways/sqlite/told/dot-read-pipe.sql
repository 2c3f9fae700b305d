-- tries: have the client read another file
-- finding: hostile-statement
-- sides: refused on all
.read '|touch {canary}'

-- tries: have the client read another file
-- finding: hostile-statement
-- sides: refused on all
.import '|touch {canary}' tide

-- tries: read or write files by functions of the client
-- finding: hostile-statement
-- sides: refused on all
SELECT edit('x', 'touch {canary}');

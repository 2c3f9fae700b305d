-- tries: have the client connect elsewhere
-- finding: hostile-statement
-- sides: refused on all
\c live

-- tries: have the client write a file from a large object
-- finding: hostile-statement
-- sides: refused on all
\lo_export 1 {canary}

-- tries: start a program from within a client's setting
-- finding: hostile-statement
-- sides: refused on all
\set x `touch {canary}`

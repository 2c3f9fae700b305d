-- tries: do what no backup asks for
-- finding: hostile-statement
-- sides: refused on all
\r live evil

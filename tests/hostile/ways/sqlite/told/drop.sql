-- tries: do what no backup asks for
-- finding: dropped-again
-- sides: refused on all
DROP TABLE tide;

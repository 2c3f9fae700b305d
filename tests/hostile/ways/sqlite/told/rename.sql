-- tries: do what no backup asks for
-- finding: changed-again
-- sides: refused on all
ALTER TABLE tide RENAME TO gone;

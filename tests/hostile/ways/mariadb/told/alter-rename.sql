-- tries: destroy or change another database
-- finding: changed-again
-- sides: refused on all
ALTER TABLE tide RENAME live.tide;
